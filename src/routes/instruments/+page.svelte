<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import type { Line } from '$lib/core/instrument/line';
  import { lineWords, STAND_INS } from '$lib/core/instrument/stand-in';
  import { shell } from '$lib/ui/base/page.svelte';
  import { mute, muted } from '$lib/ui/instrument/muted';
  import { InstrumentLine, LINE_PATH, type SocketState } from '$lib/ui/instrument/socket';
  import StandInCard from '$lib/ui/instrument/StandInCard.svelte';

  let { data } = $props();
  let socket = $state<SocketState>('connecting');
  let heard = $state<{ line: Line; sent: boolean; from: 'here' | 'elsewhere' }[]>([]);
  let line: InstrumentLine | undefined;
  let elsewhere = $state<string[]>([]);
  const MOST = 30;
  const address = $derived(`${page.url.protocol === 'https:' ? 'wss' : 'ws'}://${page.url.host}${LINE_PATH}`);
  const STATE_WORDS = {
    connecting: 'Opening the line …',
    open: 'The line is open.',
    lost: 'The line is down: the server does not answer. It is tried again.'
  };

  onMount(() => {
    elsewhere = muted();
    line = new InstrumentLine(
      (l) => note(l, true, 'elsewhere'),
      (s) => (socket = s)
    );
    return () => line?.close();
  });
  /** Said again, it is the same reading. */
  function note(l: Line, sent: boolean, from: 'here' | 'elsewhere') {
    if (!heard.some((h) => h.line.id === l.id)) heard = [{ line: l, sent, from }, ...heard].slice(0, MOST);
  }
  const say = (l: Line) => note(l, line?.say(l) ?? false, 'here');
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
  and use them from here. A real one is connected by whatever turns what it says into a line of JSON on this
  address:
  <code class="block overflow-x-auto pt-1 text-sm" data-testid="line">{address}</code>
  <code class="block overflow-x-auto py-1 text-sm"
    >{'{"v":1,"id":"…a UUID…","instrument":"Short wrench","at":"2026-11-29T18:00:00Z","value":24.8,"unit":"N·m"}'}</code
  >
  {#if data.signedIn}It shows a <a class="link" href="/programs">key of a program</a>, as
    <code class="text-sm">Authorization: Bearer</code>.{/if} One that types like a keyboard needs nothing.
</p>
<div class="mt-4 grid gap-6 sm:grid-cols-2 lg:grid-cols-4">
  {#each STAND_INS as s (s.key)}<StandInCard
      standIn={s}
      plates={data.plates}
      units={data.units}
      {say}
    />{/each}
</div>

{#snippet listens(name: string)}
  {@const off = elsewhere.includes(name)}
  <button type="button" class="link text-sm" onclick={() => (elsewhere = mute(name, !off))}
    >{off ? 'listen again' : 'do not listen'}<span class="sr-only"> to {name}</span></button
  >
{/snippet}

<h2 class="mt-8">On the line</h2>
<p class="quiet max-w-2xl">
  With two benches and two wrenches each device listens to its own: say here what lies at the other bench.
</p>
{#if elsewhere.length > 0}
  <p class="mt-2">
    This device does not listen to:
    {#each elsewhere as name (name)}<span class="mr-4">{name} {@render listens(name)}</span>{/each}
  </p>
{/if}
{#if heard.length === 0}<p class="quiet">Nothing was said since this page was opened.</p>
{:else}
  <table class="sheet-table stacked mt-2 max-w-3xl">
    <thead><tr><th>When</th><th>Instrument</th><th>Says</th><th></th><th>This device</th></tr></thead>
    <tbody>
      {#each heard as h (h.line.id)}<tr>
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
          <td>{@render listens(h.line.instrument)}</td>
        </tr>{/each}
    </tbody>
  </table>
{/if}
