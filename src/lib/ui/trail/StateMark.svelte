<!-- A state as its board; the word stands beside it or is read out. -->
<script lang="ts">
  import type { State } from '$lib/core/schedule/due';
  import Board from './Board.svelte';
  interface Props {
    state: State;
    word?: boolean;
    /** Said instead of the state's own word. */
    label?: string;
  }
  let { state, word = false, label = state }: Props = $props();
</script>

<span class="inline-flex items-baseline gap-1.5">
  <svg
    width="16"
    height="16"
    viewBox="0 0 16 16"
    class="shrink-0 self-center"
    aria-hidden={word}
    role={word ? undefined : 'img'}
    aria-label={word ? undefined : label}
  >
    <Board {state} />
  </svg>
  {#if word}<span>{label}</span>{/if}
</span>
