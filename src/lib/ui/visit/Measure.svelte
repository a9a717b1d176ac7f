<!-- A check that passes only with its number, judged by its band. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Unsent } from '../form/unsent.svelte';
  import type { StepInput } from '$lib/core/job/plan';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { show, type Quantity } from '$lib/core/quantity/quantity';
  import { judge } from '$lib/core/quantity/band';
  import { UNITS } from '$lib/core/quantity/units';
  import type { DoneContent } from '$lib/core/visit/entry';
  import { filledBy } from '../instrument/filled-by';
  import { inBothUnits } from './number';

  interface Props {
    input: Extract<StepInput, { type: 'measure' }>;
    /** What was measured here, the latest last. */
    written: Quantity[];
    units: 'metric' | 'imperial';
    /** Names the field, so that what is typed survives a reload. */
    keptAs: string;
    onwrite: (measured: NonNullable<DoneContent['measured']>, instrument: string | undefined) => void;
  }
  let { input, written, units, keptAs, onwrite }: Props = $props();
  const typed = untrack(() => new Unsent(`${keptAs} measured`));
  let error = $state('');
  const id = $props.id();
  let field: HTMLInputElement | undefined = $state();
  const wanted = $derived(inBothUnits(input.number, units));
  const last = $derived(written.at(-1) ?? null);
  const judged = $derived(last && input.number.band ? judge(last, input.number.band) : null);
  function save(e: SubmitEvent) {
    e.preventDefault();
    const parsed = parseQuantity(typed.value, {
      dimension: UNITS[input.unit].dimension,
      unit: input.unit,
      allowNegative: true
    });
    if (!parsed.ok) {
      error = parsed.problem.message;
      return;
    }
    error = '';
    const by = filledBy(field);
    typed.value = '';
    onwrite({ value: parsed.quantity.value, unit: parsed.quantity.unit }, by);
  }
</script>

<p class="quiet">{input.number.label}</p>
<p class="figure text-5xl leading-none">{wanted?.main ?? 'unknown'}</p>
{#if wanted?.other}<p class="figure text-xl">{wanted.other}</p>{/if}
<p class="quiet text-sm">
  {#if input.number.source}{input.number.source}{input.number.unsure
      ? ', not sure'
      : ''}{:else if input.figure}not on the sheet: the manual has it{:else}no band on the job: the manual has
    it{/if}
</p>
<form onsubmit={save} class="mt-3" novalidate>
  <label for={id}>Measured, {input.unit}</label>
  <div class="mt-1 flex flex-wrap gap-3">
    <input
      {id}
      bind:this={field}
      data-takes={UNITS[input.unit].dimension}
      class="field figure w-44 text-3xl"
      inputmode="decimal"
      autocomplete="off"
      bind:value={typed.value}
      aria-invalid={error ? true : undefined}
    />
    <button type="submit" class="go">Write</button>
  </div>
</form>
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
{#if last}<p class="figure mt-2 text-2xl" class:caution={judged === 'outside'}>
    Written: {show(last)}{judged === null
      ? ''
      : judged === 'on the edge'
        ? ', just at the end of its band'
        : `, ${judged} its band`}
  </p>{/if}
{#if judged === 'outside'}<p class="text-sm">
    Put it right and measure again, or go on: it stays with the machine as a finding.
  </p>{/if}
