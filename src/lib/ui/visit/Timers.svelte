<!-- Every timer that runs, of every machine at the bench; it rings here whichever machine is on screen. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { send } from '../form/send';
  import { listedMachines } from '../machine/listed';
  import { begunVisits } from '../offline/begun';
  import { onTold } from '../base/live';
  import { outbox } from '../outbox/outbox.svelte';
  import { shell } from '../base/page.svelte';
  import { beep, clockWords } from './beep';
  import { timersHere, type Running } from './waiting-timers';

  interface Props {
    /** Those that run as the page comes: it does not move under the hand a moment later. */
    running?: Running[];
    /** Visits whose machine is known here, by their id: its plate. */
    plates?: Record<string, string>;
  }
  let { running = [], plates = {} }: Props = $props();
  let there = $state<Running[]>(untrack(() => running));
  /** By the server's clock. */
  let now = $state(Date.now());
  /** Of visits that were begun on this device and that the server knows nothing of. */
  let begun = $state<Record<string, string>>({});
  const timers = $derived(
    timersHere(there, outbox.waiting, { ...begun, ...plates }, shell.clockAheadMs ?? 0)
  );
  /** Rung once each; a reload does not ring again for what ran out long ago. */
  let rung: string[] = [];

  async function ask() {
    try {
      const r = await fetch('/api/timers');
      if (r.ok) there = (await r.json()).data;
    } catch {
      // Without the server the ones that are known go on.
    }
  }
  $effect(() => {
    const visits = begunVisits(outbox.items).filter((v) => !(v.id in plates));
    if (visits.length === 0) return;
    void listedMachines().then((machines) => {
      begun = Object.fromEntries(
        visits.map((v) => [v.id, machines?.find((m) => m.id === v.machineId)?.plate ?? ''])
      );
    });
  });
  onMount(() => {
    void ask();
    // Set and turned off at a visit, by whoever works there.
    const end = onTold((told) => {
      if (told.all || told.kinds.some((k) => k.startsWith('visit.'))) void ask();
    });
    const ticking = setInterval(() => {
      now = Date.now() - (shell.clockAheadMs ?? 0);
      for (const t of timers) {
        const left = Date.parse(t.endsAt) - now;
        if (left <= 0 && left > -15_000 && !rung.includes(t.id)) {
          rung = [...rung, t.id];
          beep();
        }
      }
    }, 500);
    return () => {
      end();
      clearInterval(ticking);
    };
  });
  async function off(t: Running) {
    there = there.filter((x) => x.id !== t.id);
    await send('visit.enter', {
      visitId: t.visitId,
      entry: { id: crypto.randomUUID(), stepKey: t.stepKey, action: 'timer off', content: { of: t.id } }
    });
  }
</script>

{#if timers.length > 0}
  <ul class="timers" aria-label="Timers">
    {#each timers as t (t.id)}
      {@const left = (Date.parse(t.endsAt) - now) / 1000}
      <li class:over={left <= 0}>
        <a href="/visits/{t.visitId}?step={encodeURIComponent(t.stepKey)}" class="no-underline"
          ><span class="plate text-lg">{t.plate}</span>
          <span class="figure text-2xl" role="timer"
            >{left <= 0 ? `over, ${clockWords(left)} ago` : clockWords(left)}</span
          >
          <span class="text-sm">{t.label}</span></a
        >
        <button type="button" class="link py-2 text-sm" onclick={() => off(t)}
          >{left <= 0 ? 'Seen' : 'Stop'}</button
        >
      </li>
    {/each}
  </ul>
  <p class="sr-only" role="status">
    {timers
      .filter((t) => Date.parse(t.endsAt) <= now)
      .map((t) => `${t.plate}: ${t.label}, time is up`)
      .join('. ')}
  </p>
{/if}

<style>
  .timers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    margin-bottom: 0.5rem;
  }
  li {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    border: 1px solid var(--rule-strong);
    padding: 0.15rem 0.75rem;
    min-height: 3rem;
  }
  a {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    min-height: 3rem;
  }
  .over {
    border-color: var(--signal);
    border-left-width: 10px;
    font-weight: 700;
  }
</style>
