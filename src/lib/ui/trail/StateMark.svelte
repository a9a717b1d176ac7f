<!-- A state as its board; the word stands beside it or is read out. -->
<script lang="ts">
  import type { State } from '$lib/core/schedule/due';
  import Board from './Board.svelte';
  let { state, word = false }: { state: State; word?: boolean } = $props();
</script>

<span class="inline-flex items-baseline gap-1.5">
  <svg
    width="16"
    height="16"
    viewBox="0 0 16 16"
    class="shrink-0 self-center"
    aria-hidden={word}
    role={word ? undefined : 'img'}
    aria-label={word ? undefined : state}
  >
    <Board {state} />
  </svg>
  {#if word}<span>{state}</span>{/if}
</span>
