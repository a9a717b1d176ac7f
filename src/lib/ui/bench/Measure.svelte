<!-- A check that passes only with its number. -->
<script lang="ts">
  import { inBand } from '$lib/core/visit/state';
  import type { StepInput } from '$lib/core/job/plan';

  interface Props {
    input: Extract<StepInput, { type: 'measure' }>;
    written: number | null;
    onwrite: (value: number) => void;
  }
  let { input, written, onwrite }: Props = $props();
  let typed = $state('');
  let error = $state('');
  const id = $props.id();
  const band = $derived(
    input.from !== null && input.to !== null
      ? `${input.from} to ${input.to} ${input.unit}`
      : input.from !== null
        ? `at least ${input.from} ${input.unit}`
        : input.to !== null
          ? `at most ${input.to} ${input.unit}`
          : 'no band on the job: the manual has it'
  );
  function save(e: SubmitEvent) {
    e.preventDefault();
    const text = typed.trim().replace(',', '.').replace('−', '-');
    const value = Number(text);
    if (text === '' || !Number.isFinite(value) || Math.abs(value) > 1e6) {
      error = `A number, in ${input.unit}.`;
      return;
    }
    error = '';
    typed = '';
    onwrite(value);
  }
</script>

<p class="text-lg">Band: <strong class="figure text-2xl">{band}</strong></p>
<form onsubmit={save} class="mt-2" novalidate>
  <label for={id}>Measured, {input.unit}</label>
  <div class="mt-1 flex flex-wrap gap-3">
    <input
      {id}
      class="field figure w-44 text-3xl"
      inputmode="decimal"
      autocomplete="off"
      bind:value={typed}
      aria-invalid={error ? true : undefined}
    />
    <button type="submit" class="go">Write</button>
  </div>
</form>
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
{#if written !== null}<p class="figure mt-2 text-2xl" class:caution={!inBand(written, input)}>
    Written: {written}
    {input.unit}, {inBand(written, input) ? 'inside the band' : 'outside the band'}
  </p>{/if}
