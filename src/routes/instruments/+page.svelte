<script lang="ts">
  import { onMount } from 'svelte';
  import type { Line } from '$lib/core/instrument/line';
  import { lineWords, STAND_INS } from '$lib/core/instrument/stand-in';
  import { shell } from '$lib/ui/shell/shell.svelte';
  import { InstrumentLine, type SocketState } from '$lib/ui/instrument/socket';
  import StandInCard from '$lib/ui/instrument/StandInCard.svelte';

  let { data } = $props();
  let socket = $state<SocketState>('connecting');
  let heard = $state<{ line: Line; sent: boolean; from: 'here' | 'elsewhere' }[]>([]);
  let line: InstrumentLine | undefined;
  const MOST = 30;
  const STATE_WORDS = {
    connecting: 'Opening the line …',
    open: 'The line is open.',
    lost: 'The line is down: the server does not answer. It is tried again.'
  };

  onMount(() => {
    line = new InstrumentLine(
      (l) => (heard = [{ line: l, sent: true, from: 'elsewhere' as const }, ...heard].slice(0, MOST)),
      (s) => (socket = s)
    );
    return () => line?.close();
  });
  function say(l: Line) {
    const sent = line?.say(l) ?? false;
    heard = [{ line: l, sent, from: 'here' as const }, ...heard].slice(0, MOST);
  }
  function turn(on: boolean) {
    localStorage.setItem('ht_instruments', on ? 'on' : 'off');
    shell.instruments = on;
  }
</script>

<svelte:head><title>Instruments · Hour Trail</title></svelte:head>
<h1>Instruments</h1>
<p class="quiet mt-1 max-w-2xl">
  A number that an instrument shows already need not be typed with oily fingers: it lands in the field that
  waits for it, with its unit, and the instrument’s name stands in the record. It is questioned as if it had
  been typed, and nothing is written until you say so.
</p>
<label class="mt-3 inline-flex min-h-11 items-center gap-2">
  <input type="checkbox" checked={shell.instruments} onchange={(e) => turn(e.currentTarget.checked)} />
  This device listens to instruments
</label>
<p class="quiet max-w-2xl" role="status" class:caution={socket === 'lost'}>{STATE_WORDS[socket]}</p>

<h2 class="mt-6">Stand-ins</h2>
<p class="quiet mt-1 max-w-2xl">
  Simulated instruments, to try it with. Open the bench in another window or on another device that listens,
  and use them from here. A real one is connected by whatever turns what it says into a line of JSON on
  <code>/instruments/line</code>:
  <code class="block overflow-x-auto py-1 text-sm"
    >{'{"v":1,"id":"…a UUID…","instrument":"Short wrench","at":"2026-11-29T18:00:00Z","value":24.8,"unit":"N·m"}'}</code
  >
  One that types like a keyboard needs nothing.
</p>
<div class="mt-4 grid gap-6 sm:grid-cols-2 lg:grid-cols-4">
  {#each STAND_INS as s (s.key)}<StandInCard
      standIn={s}
      plates={data.plates}
      units={data.units}
      {say}
    />{/each}
</div>

<h2 class="mt-8">On the line</h2>
{#if heard.length === 0}<p class="quiet">Nothing was said since this page was opened.</p>
{:else}
  <table class="sheet-table stacked mt-2 max-w-3xl">
    <thead><tr><th>When</th><th>Instrument</th><th>Says</th><th></th></tr></thead>
    <tbody>
      {#each heard as h (h.line.id + h.from)}<tr>
          <td class="figure">{new Date(h.line.at).toLocaleTimeString('en-GB')}</td>
          <td>{h.line.instrument}</td>
          <td class="figure text-lg">{lineWords(h.line)}</td>
          <td class:caution={!h.sent}
            >{h.sent
              ? h.from === 'here'
                ? 'from here'
                : 'from elsewhere'
              : 'not sent: the line is down'}</td
          >
        </tr>{/each}
    </tbody>
  </table>
{/if}
