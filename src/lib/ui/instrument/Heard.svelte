<!-- What an instrument just said, wherever one stands: it lands in the field that waits, and a line at the foot says so. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { Line } from '$lib/core/instrument/line';
  import { land } from './fields';
  import { isMuted } from './muted';
  import { InstrumentLine, type SocketState } from './socket';

  const REMEMBERED = 200;
  const SAID_FOR = 8000;
  let said = $state<{ words: string; landed: boolean } | null>(null);
  /** A reading that is said before the line is open is not heard. */
  let socket = $state<SocketState>('connecting');
  let ids: string[] = [];
  let quiet: ReturnType<typeof setTimeout> | undefined;

  function heard(line: Line) {
    // An instrument that got no answer says it again; of several windows the one that is looked at takes it.
    if (ids.includes(line.id) || document.visibilityState === 'hidden') return;
    // That one lies at another bench.
    if (isMuted(line.instrument)) return;
    ids = [...ids.slice(-REMEMBERED), line.id];
    said = land(line);
    clearTimeout(quiet);
    quiet = setTimeout(() => (said = null), SAID_FOR);
  }
  onMount(() => {
    const line = new InstrumentLine(heard, (s) => (socket = s));
    return () => {
      line.close();
      clearTimeout(quiet);
    };
  });
</script>

<div class="heard no-print" role="status" data-testid="heard" data-line={socket}>
  {#if said}<p class:caution={!said.landed}>{said.words}</p>{/if}
</div>

<style>
  .heard {
    position: fixed;
    z-index: 30;
    inset-inline: 0;
    bottom: 0.75rem;
    display: grid;
    place-items: center;
    pointer-events: none;
  }
  .heard p {
    padding: 0.5rem 1rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
    font-weight: 700;
  }
</style>
