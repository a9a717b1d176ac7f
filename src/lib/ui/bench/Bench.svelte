<!-- A visit at the bench: one step at a time, the open list always in view. -->
<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { onMount, untrack } from 'svelte';
  import type { Visit } from './visit';
  import { showHours } from '$lib/core/hours/hours';
  import { send } from '../form/send';
  import { say } from '../shell/shell.svelte';
  import { BenchVisit } from './bench.svelte';
  import CloseBox from './CloseBox.svelte';
  import OpenList from './OpenList.svelte';
  import StepCard from './StepCard.svelte';

  let { visit, units }: { visit: Visit; units: 'metric' | 'imperial' } = $props();
  const bench = untrack(() => new BenchVisit(visit.id, visit.plan, visit.entries));
  const over = $derived(visit.closedAt !== null || visit.givenUpAt !== null);
  const work = $derived(bench.state);
  const keys = untrack(() => visit.plan.steps.map((s) => s.key));
  let at = $state(untrack(() => bench.state.next ?? keys.at(-1)!));
  const step = $derived(work.steps.find((s) => s.step.key === at)!);
  const index = $derived(keys.indexOf(at));
  const finished = $derived(work.steps.filter((s) => s.done || s.leftOut !== null).length);
  let refused = $state<{ key: string; message: string }[] | null>(null);
  let closing = $state(false);
  let closeError = $state('');

  onMount(() => {
    if (over) return;
    bench.resume();
    const timer = setInterval(() => void bench.refresh(), 2000);
    return () => clearInterval(timer);
  });
  $effect(() => {
    if (bench.closedRecord && !over)
      void goto(`/records/${bench.closedRecord}`, { replaceState: true, invalidateAll: true });
  });

  function show(key: string) {
    at =
      visit.plan.steps.find((s) => s.key === key)?.key ??
      visit.plan.steps.find((s) => s.input.type === 'close' && s.input.items.includes(key))?.key ??
      at;
    document.getElementById('step')?.scrollIntoView({ block: 'start' });
  }
  function onward() {
    const after = work.steps.slice(index + 1).find((s) => !s.done && s.leftOut === null);
    at = after?.step.key ?? keys[Math.min(keys.length - 1, index + 1)]!;
  }
  async function close() {
    if (closing) return;
    if (bench.problems.length > 0) {
      refused = bench.problems;
      return;
    }
    closing = true;
    await bench.refresh();
    const sent = await send<string>(`/api/visits/${visit.id}/close`, {});
    closing = false;
    if (sent.ok) {
      say(`${visit.plate} ${visit.machine}: done, and its count starts again.`, [
        { text: 'To the machine', href: `/machines/${visit.machineId}` }
      ]);
      await goto(`/records/${sent.data}`, { replaceState: true, invalidateAll: true });
    } else {
      refused = (sent.more.problems as { key: string; message: string }[]) ?? null;
      closeError = sent.errors[''] ?? '';
    }
  }
  async function giveUp(reason: string): Promise<string | null> {
    const sent = await send(`/api/visits/${visit.id}/give-up`, { reason });
    if (!sent.ok) return Object.values(sent.errors)[0] ?? 'Not given up.';
    await invalidateAll();
    await goto(`/machines/${visit.machineId}`, { replaceState: true });
    return null;
  }
</script>

<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
  <a href="/machines/{visit.machineId}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{visit.plate}</span><span class="figure text-2xl">{visit.machine}</span></a
  >
  <h1 class="text-2xl">{visit.plan.title}</h1>
  <span class="quiet figure text-lg"
    >{visit.total === null ? 'hours not known' : `${showHours(visit.total)} h`}, {finished} of {keys.length} steps</span
  >
</div>
<progress class="bar" max={keys.length} value={finished} aria-label="Steps done"></progress>

{#if visit.closedAt}
  <p class="caution mt-3">
    This visit is closed. {#if visit.recordId}<a class="link" href="/records/{visit.recordId}">Its record</a
      >{/if}
  </p>
{:else if visit.givenUpAt}
  <p class="caution mt-3">This visit was given up before the work was done.</p>
{/if}
{#if bench.stuck}<p class="error mt-2" role="status">
    {bench.problem ?? 'No answer from the server.'}
    {bench.waiting} written here and kept; sent again by itself.
  </p>{/if}

<div class="bench mt-4">
  <div class="open"><OpenList open={work.open} onpick={show} /></div>
  <div id="step" class="step">
    <StepCard
      {bench}
      {step}
      {units}
      number={index + 1}
      of={keys.length}
      readonly={over}
      {onward}
      onback={index > 0 ? () => show(keys[index - 1]!) : null}
      machineId={visit.machineId}
    />
  </div>
  <div class="side">
    {#if !over}<CloseBox
        ready={bench.problems.length === 0}
        {refused}
        error={closeError}
        busy={closing}
        onclose={close}
        onpick={show}
        ongiveup={work.open.length === 0 ? giveUp : null}
      />{/if}
    <details class="mt-5" open>
      <summary class="figure text-xl font-bold">Steps</summary>
      <ol class="mt-1">
        {#each work.steps as s, i (s.step.key)}
          <li>
            <button
              type="button"
              class="row"
              class:here={s.step.key === at}
              aria-current={s.step.key === at ? 'step' : undefined}
              onclick={() => show(s.step.key)}
            >
              <span class="figure w-7 text-right">{i + 1}</span>
              <span class="tick" aria-label={s.done ? 'done' : s.leftOut !== null ? 'left out' : 'to do'}
                >{s.done ? '■' : s.leftOut !== null ? '–' : '□'}</span
              >
              <span class:quiet={s.done || s.leftOut !== null}>{s.step.title}</span>
            </button>
          </li>
        {/each}
      </ol>
    </details>
  </div>
</div>

<style>
  .bar {
    width: 100%;
    height: 0.5rem;
    margin-top: 0.5rem;
    appearance: none;
    border: 1px solid var(--ink);
    background: var(--paper);
  }
  .bar::-webkit-progress-bar {
    background: var(--paper);
  }
  .bar::-webkit-progress-value {
    background: var(--done);
  }
  .bar::-moz-progress-bar {
    background: var(--done);
  }
  .bench {
    display: grid;
    grid-template: 'step open' auto 'step side' 1fr / minmax(0, 1fr) 22rem;
    gap: 1rem 2rem;
  }
  .step {
    grid-area: step;
    scroll-margin-top: 9rem;
  }
  .open {
    grid-area: open;
    position: sticky;
    top: 0;
    z-index: 2;
  }
  .side {
    grid-area: side;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    width: 100%;
    text-align: left;
    padding: 0.35rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    min-height: 2.4rem;
  }
  .here {
    box-shadow: inset 4px 0 var(--signal);
    font-weight: 700;
  }
  .tick {
    color: var(--done);
  }
  @media (max-width: 900px) {
    .bench {
      grid-template: 'open' auto 'step' auto 'side' auto / minmax(0, 1fr);
    }
  }
</style>
