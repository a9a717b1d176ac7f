<!-- The manual, named where it is wanted first; kept for the sitting. -->
<script lang="ts">
  import { keepSitting, sitting } from './sitting.svelte';

  interface Props {
    sources: readonly string[];
    /** Once it is named. */
    onnamed?: () => void;
  }
  let { sources, onnamed }: Props = $props();
  const id = $props.id();
</script>

<input
  class="cell max-w-64"
  aria-label="Manual, or who said so"
  placeholder="Manual, or who said so"
  list={id}
  maxlength="120"
  bind:value={sitting.source}
  onchange={() => {
    keepSitting();
    if (sitting.source.trim()) onnamed?.();
  }}
/>
<datalist {id}
  >{#each sources as s (s)}<option value={s}></option>{/each}</datalist
>
