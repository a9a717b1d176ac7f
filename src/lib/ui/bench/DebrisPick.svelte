<!-- What was found, graded and of what it is made, beside what was found before, with the verdict. -->
<script lang="ts">
  import { GRADES, judge, MATERIALS, type Grade, type Material } from '$lib/core/debris/debris';
  import type { StepInput } from '$lib/core/visit/plan';
  import type { DoneContent } from '$lib/core/visit/entry';
  import { untrack } from 'svelte';

  let {
    input,
    written,
    onwrite
  }: {
    input: Extract<StepInput, { type: 'debris' }>;
    written: DoneContent | null;
    onwrite: (c: { grade: Grade; materials: Material[] }) => void;
  } = $props();
  let grade = $state<Grade | null>(untrack(() => written?.grade ?? null));
  let materials = $state<Material[]>(untrack(() => written?.materials ?? []));
  let tried = $state(false);
  const verdict = $derived(
    grade ? judge({ place: input.place, grade, materials }, input.before, input.breakIn) : null
  );
  const toggle = (m: Material) =>
    (materials = materials.includes(m) ? materials.filter((x) => x !== m) : [...materials, m]);
</script>

<div role="radiogroup" aria-label="What was found" class="grid gap-2 sm:grid-cols-2">
  {#each GRADES as g (g)}
    <button
      type="button"
      role="radio"
      aria-checked={grade === g}
      class="pick"
      class:on={grade === g}
      onclick={() => (grade = g)}>{g}</button
    >
  {/each}
</div>
{#if grade && grade !== 'none'}
  <div role="group" aria-label="Of what" class="mt-3 flex flex-wrap gap-2">
    {#each MATERIALS as m (m)}<button
        type="button"
        aria-pressed={materials.includes(m)}
        class="pick"
        class:on={materials.includes(m)}
        onclick={() => toggle(m)}>{m}</button
      >{/each}
  </div>
{/if}
<p class="quiet mt-3">
  Before, at this place: {input.before.length > 0
    ? input.before.join(', then ')
    : 'nothing on record'}{input.breakIn ? '. Break-in: some is expected' : ''}.
</p>
{#if verdict}<p class="mt-2" class:caution={verdict.verdict !== 'carry on'} aria-live="polite">
    <strong>{verdict.verdict}.</strong>
    {verdict.reason}
  </p>{/if}
<button
  type="button"
  class="go mt-3"
  onclick={() => ((tried = true), grade && onwrite({ grade, materials: grade === 'none' ? [] : materials }))}
  >Write</button
>
{#if tried && !grade}<p class="error mt-1" role="alert">Pick what was found, even if it was nothing.</p>{/if}

<style>
  .pick {
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.4rem 0.9rem;
    text-align: left;
  }
  .on {
    background: var(--ink);
    color: var(--paper);
    font-weight: 700;
  }
</style>
