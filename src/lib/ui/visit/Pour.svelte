<!-- Pours into one circuit: what goes in next, huge; the ledger of what went in, under it. -->
<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import { oddAt } from '$lib/core/visit/odd';
  import { nextPour } from '$lib/core/fluids/pour';
  import { POURS, type PourWhat } from '$lib/core/fluids/ledger';
  import { showBoth } from '$lib/core/quantity/quantity';
  import { fillInForce, ledgerOf } from '$lib/core/visit/state';
  import type { Step, StepInput } from '$lib/core/job/plan';
  import type { DoneContent } from '$lib/core/visit/entry';
  import { inBothUnits } from './number';
  import Radios from '../form/Radios.svelte';
  import Amount from './Amount.svelte';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    step: Step;
    input: Extract<StepInput, { type: 'pour' }>;
    units: 'metric' | 'imperial';
    readonly: boolean;
    onwrite: (c: DoneContent) => boolean;
  }
  let { bench, step, input, units, readonly, onwrite }: Props = $props();
  let what = $state<PourWhat>('poured in');
  const fill = $derived(fillInForce(bench.state, step)!);
  const book = $derived(ledgerOf(bench.state, input.circuit));
  const oil = $derived(
    bench.state.steps
      .find((s) => s.step.input.type === 'oil' && s.step.input.circuit === input.circuit)
      ?.written.at(-1)
  );
  const ml = (v: number) => {
    const q = {
      dimension: 'volume' as const,
      base: Math.round(v),
      value: Math.round(v),
      unit: 'ml' as const
    };
    return showBoth(q, units);
  };
  const next = $derived(nextPour(fill, book.inMl));
  const stands = $derived(bench.state.steps.find((s) => s.step.key === step.key));
  const odd = $derived(stands ? oddAt(bench.state, stands) : null);
</script>

<p class="quiet">
  {book.inMl === 0
    ? fill.number.label
    : next?.heldBackMl
      ? 'Left of the first pour'
      : 'Left of what the sheet says'}
</p>
{#if next === null}
  <p class="figure huge">unknown</p>
{:else}
  <p class="figure huge">{ml(next.ml).main}</p>
  <p class="figure text-2xl">
    {ml(next.ml).other}{#if next.heldBackMl}<span class="quiet"
        >, then {ml(next.heldBackMl).main} by the level</span
      >{/if}
  </p>
{/if}
<p class="quiet text-sm">
  {[
    fill.number.band ? `Quantity ${inBothUnits(fill.number, units)?.main}` : fill.number.words,
    `${fill.number.source ?? 'not on the sheet: the manual has it'}${fill.number.unsure ? ', not sure' : ''}`
  ]
    .filter(Boolean)
    .join('; ')}
</p>
{#if oil?.oil}<p class="mt-2 text-lg">
    Oil: <strong>{oilInWords({ name: oil.oil, grade: oil.oilGrade ?? '' })}</strong>
  </p>{/if}

{#if !readonly}
  <Radios label="What is written" class="mt-4 mb-2 flex flex-wrap gap-2" options={POURS} bind:value={what} />
  <Amount
    label={what.charAt(0).toUpperCase() + what.slice(1)}
    hint="each pour is added up"
    written={null}
    odd={null}
    residue={what !== 'let out again'}
    {units}
    keptAs="{bench.id} {step.key}"
    onwrite={(v, asWritten, residueMl, by) =>
      onwrite({ ml: v, asWritten, ...by, pour: what, ...(residueMl ? { residueMl } : {}) })}
  />
{/if}
{#if book.lines.length > 0}
  <table class="sheet-table mt-3" aria-label="Pour ledger">
    <thead><tr><th>What</th><th>Amount</th><th>In it</th></tr></thead>
    <tbody>
      {#each book.lines as l, i (i)}
        <tr
          ><td>{l.what}{l.residueMl ? `, ${Math.round(l.residueMl)} ml left in the jug` : ''}</td><td
            class="figure">{l.what === 'let out again' ? '−' : ''}{ml(l.ml).main}</td
          ><td class="figure">{ml(l.totalMl).main}</td></tr
        >
      {/each}
    </tbody>
  </table>
{/if}
{#if odd}<p class="caution mt-2">{odd}</p>{/if}

<style>
  .huge {
    font-size: clamp(3.5rem, 12vw, 6rem);
    line-height: 1;
  }
</style>
