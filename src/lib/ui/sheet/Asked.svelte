<!-- What is asked back about a figure, and the presses that answer it. -->
<script lang="ts">
  import type { FigureEntry } from './figure-entry.svelte';
  import SourceField from './SourceField.svelte';

  interface Props {
    entry: FigureEntry;
    /** Manuals to pick from; null: the source has its field elsewhere. */
    sources: readonly string[] | null;
    id: string;
  }
  let { entry, sources, id }: Props = $props();
</script>

{#if entry.asked}
  <div {id} class="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1" role="alert">
    <span class="error text-sm">{entry.asked.words}</span>
    {#each entry.asked.choices as c (c)}<button
        type="button"
        class="do min-h-10"
        onclick={() => {
          entry.typed = c;
          void entry.save();
        }}>{c}</button
      >{/each}
    {#if entry.asked.source && sources}<SourceField {sources} onnamed={() => void entry.confirm()} />{/if}
    {#if entry.asked.sure}<button type="button" class="do min-h-10" onclick={() => void entry.save(true)}
        >It is printed so</button
      >{/if}
  </div>
{/if}
