<!-- A step that waits for somebody else: handed over, and taken back. -->
<script lang="ts">
  import type { StepState } from '$lib/core/visit/state';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    step: StepState;
    people: { id: string; name: string }[];
    onward: () => void;
  }
  let { bench, step, people, onward }: Props = $props();
  let open = $state(false);
  let to = $state('');
  let note = $state('');
  const id = $props.id();

  function save(e: SubmitEvent) {
    e.preventDefault();
    if (bench.write({ stepKey: step.step.key, action: 'handed over', content: { to: to || null, note } })) {
      open = false;
      note = '';
      onward();
    }
  }
</script>

{#if step.handed}
  <p class="caution mt-3">
    Waits for {step.handed.to ?? 'whoever comes'}{step.handed.note ? `: ${step.handed.note}` : ''}. Handed
    over by {step.handed.by}.
    <button
      type="button"
      class="link py-2"
      onclick={() => bench.write({ stepKey: step.step.key, action: 'taken back', content: {} })}
      >Take it back</button
    >
  </p>
{:else if !open}
  <button type="button" class="link py-2" onclick={() => (open = true)}>Hand it to somebody</button>
{:else}
  <form onsubmit={save} class="mt-2 flex flex-wrap items-end gap-3" aria-label="Hand it over">
    <label class="text-sm" for="{id}-to"
      >To <select id="{id}-to" class="field mt-1 block" bind:value={to}
        ><option value="">whoever comes</option>{#each people as p (p.id)}<option value={p.name}
            >{p.name}</option
          >{/each}</select
      ></label
    >
    <label class="grow text-sm" for="{id}-note"
      >What they need to know <input
        id="{id}-note"
        class="field mt-1 w-full"
        maxlength="400"
        bind:value={note}
      /></label
    >
    <button type="submit" class="key">Hand it over</button>
    <button type="button" class="key" onclick={() => (open = false)}>Keep it</button>
  </form>
{/if}
