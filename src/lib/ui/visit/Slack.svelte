<!-- Slack read at its step: the number wanted huge, one field, and what to turn where it is not right. -->
<script lang="ts">
  import { filledBy } from '../instrument/filled-by';
  import { untrack } from 'svelte';
  import { slackAt, slackSet, readingsOf, type SlackInput, type SlackSaid } from '$lib/core/chain/at-bench';
  import { unevenWords, VERDICT_WORDS } from '$lib/core/chain/check';
  import { adviceWords } from '$lib/core/chain/advice';
  import { chainNow, type ChainSheet } from '$lib/core/chain/sheet';
  import { readReading, type SlackField } from '$lib/core/chain/reading-typed';
  import { byHouseRule, inSixteenths, showSlack, wantedShort, withUnit } from '$lib/core/chain/slack-typed';
  import type { StepState } from '$lib/core/visit/state';
  import Turned from '../chain/Turned.svelte';
  import { Unsent } from '../form/unsent.svelte';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    input: SlackInput;
    step: StepState;
    /** Null: the machine has none. */
    sheet: ChainSheet | null;
    units: 'metric' | 'imperial';
    machineId: string;
    /** @returns whether it was taken */
    onwrite: (slack: SlackSaid, instrument: string | undefined) => boolean;
  }
  let { bench, input, step, sheet, units, machineId, onwrite }: Props = $props();
  const unit = $derived(units === 'metric' ? ('mm' as const) : ('in' as const));
  const id = $props.id();
  let readIn: HTMLInputElement | undefined = $state();
  const keptAs = untrack(() => `${bench.id} ${step.step.key}`);
  const typed = untrack(() => new Unsent(`${keptAs} slack`));
  const slackest = untrack(() => new Unsent(`${keptAs} slackest`));
  const left = untrack(() => new Unsent(`${keptAs} left`));
  const right = untrack(() => new Unsent(`${keptAs} right`));
  let errors = $state<Partial<Record<SlackField, string>>>({});
  const carrier = $derived(sheet?.drive.adjuster.kind === 'eccentric carrier');
  const w = $derived(input.wanted);
  /** Before the axle is tightened it is set to what tightening then makes right. */
  const set = $derived(slackSet(input));
  const readings = $derived(readingsOf(bench.state.steps).map((r) => ({ ...r, by: '' })));
  const now = $derived(sheet && chainNow(sheet, readings));
  const advice = $derived(
    now?.advice && input.stage !== 'found' && now.stand.verdict !== 'inside' ? now.advice : null
  );
  const said = $derived(step.written.at(-1)?.slack ?? null);
  const verdict = $derived(slackAt(step));
  const bad = $derived(verdict === 'too tight' || verdict === 'too slack');
  const uneven = $derived(said ? unevenWords({ slack: said.mm, slackest: said.slackest ?? null }) : null);

  function save(e: SubmitEvent) {
    e.preventDefault();
    const read = readReading(
      { slack: typed.value, slackest: slackest.value, left: left.value, right: right.value },
      { ...input, unit, lastMark: sheet?.drive.adjuster.lastMark ?? null }
    );
    errors = read.ok ? {} : read.errors;
    if (!read.ok) return;
    const { slack: mm, slackest: most, left: l, right: r } = read;
    const said = { mm, slackest: most, left: l, right: r, asWritten: withUnit(typed.value, unit) };
    // Refused, what was typed stays.
    if (onwrite(said, filledBy(readIn))) for (const f of [typed, slackest, left, right]) f.value = '';
  }
</script>

{#snippet field(name: 'slackest' | 'left' | 'right', label: string, kept: Unsent)}
  <label class="block"
    ><span class="quiet block text-sm">{label}</span><input
      data-takes="length"
      class="field figure w-28 text-2xl"
      inputmode={name === 'slackest' ? 'text' : 'decimal'}
      autocomplete="off"
      maxlength="40"
      aria-invalid={errors[name] ? true : undefined}
      bind:value={kept.value}
    />{#if errors[name]}<span class="error block max-w-56 text-sm" role="alert">{errors[name]}</span
      >{/if}</label
  >
{/snippet}

<p class="quiet">{input.stage === 'adjusted' && set !== null ? 'Set to' : 'Wanted'}</p>
<p class="figure text-5xl leading-none">
  {set !== null ? showSlack(set) : w ? wantedShort(w) : 'unknown'}
</p>
{#if w}<p class="figure text-xl">
    {set !== null ? inSixteenths(set) : wantedShort(w, 'in')}
  </p>{/if}
{#if w && byHouseRule(w)}<p class="quiet text-sm">One figure in the manual: {byHouseRule(w)}.</p>{/if}
{#if w && w.aim === null}<p class="quiet text-sm">
    The manual gives one end only: what it should be set to it does not say.
  </p>{/if}
{#if w && w.how !== 'in all'}<p class="quiet text-sm">
    Told {w.how === 'fingers' ? 'in fingers' : w.how}; here in all, up and down.
  </p>{/if}
{#if set !== null}<p class="quiet text-sm">
    Tightening the axle {input.shift! < 0 ? 'takes' : 'gives'}
    {showSlack(Math.abs(input.shift!))} on this machine.
  </p>{/if}
{#if advice && sheet}
  <div class="advice mt-3 flex flex-wrap items-center gap-4">
    {#if advice.left && !advice.blocked}<Turned
        move={advice.left}
        drive={sheet.drive}
        label="Adjusters"
      />{/if}
    <p class="figure flex-1 text-2xl font-bold">{adviceWords(advice, sheet.drive)}</p>
  </div>
{/if}
<form onsubmit={save} class="mt-3" novalidate>
  <div class="flex flex-wrap items-start gap-3">
    <label class="block"
      ><span class="block">Read at the tightest place, {unit}</span><input
        {id}
        data-takes="length"
        bind:this={readIn}
        class="field figure w-44 text-3xl"
        autocomplete="off"
        maxlength="60"
        aria-invalid={errors.slack ? true : undefined}
        bind:value={typed.value}
      />{#if errors.slack}<span class="error block max-w-60 text-sm" role="alert">{errors.slack}</span
        >{/if}</label
    >
    {#if input.stage === 'found'}{@render field('slackest', 'slackest', slackest)}{/if}
    {@render field('left', carrier ? 'mark' : 'left mark', left)}
    {#if !carrier}{@render field('right', 'right mark', right)}{/if}
  </div>
  <button type="submit" class="go mt-3">Write</button>
</form>
{#if said}<p class="figure mt-2 text-2xl" class:caution={bad && input.stage !== 'adjusted'}>
    Written: {showSlack(said.mm)}{verdict && input.stage !== 'adjusted' ? `, ${VERDICT_WORDS[verdict]}` : ''}
  </p>{/if}
{#if uneven}<p class="caution mt-2">{uneven}</p>{/if}
{#if bad && input.stage === 'tight'}<p class="text-sm">
    Loosen the axle and adjust once more, or go on: it stays with the machine as a finding.
  </p>{/if}
<p class="quiet mt-2 text-sm">
  Drawn over its travel, its wear and its gearing on the <a class="link" href="/machines/{machineId}/chain"
    >chain sheet</a
  >.
</p>

<style>
  .advice {
    border-left: 6px solid var(--signal);
    padding: 0.5rem 0.9rem;
    background: var(--sheet);
  }
</style>
