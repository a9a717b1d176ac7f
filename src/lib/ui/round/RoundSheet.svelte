<!-- A round of one machine, station by station: what is done folds away, the next thing to look at stands open. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { LISTS, LIST_WORDS } from '$lib/core/round/check';
  import type { RoundSheet } from '$lib/core/round/sheet';
  import { looksLeft } from '$lib/core/round/stand';
  import { triedWith } from '$lib/core/round/torque';
  import type { Day } from '$lib/core/time/day';
  import { minutesInWords } from '$lib/core/time/minutes';
  import { Press } from '../form/press.svelte';
  import { lookAgain, readAgain } from '../base/again';
  import CheckRow from './CheckRow.svelte';
  import { RoundDesk } from './desk.svelte';

  interface Props {
    sheet: RoundSheet;
    /** Whose device it is; empty: nobody has said. */
    who: string;
    /** A round that is done still holds. */
    holds: boolean;
    /** When it was begun or done, in words. */
    when: string;
    today: Day;
    /** Begun so long ago that nobody walks it any more. */
    stale: boolean;
  }
  let { sheet, who, holds, when, stale, today }: Props = $props();
  /** What it was said to have none of, and is asked for all the same. */
  let back = $state<string[]>([]);
  const none = $derived(sheet.none.filter((c) => !back.includes(c.key)));
  const desk = new RoundDesk(
    () => ({ ...sheet, checks: [...sheet.checks, ...sheet.none.filter((c) => back.includes(c.key))] }),
    () => who
  );
  // What is done and does not hold any more is walked again.
  // svelte-ignore state_referenced_locally
  if (desk.over && !holds) desk.begin();
  const stand = $derived(desk.stand);
  const answered = $derived(stand.items.length - stand.open.length);
  /** Stations somebody folded out or away; else the one that is next stands open. */
  let folded = $state<Record<string, boolean>>({});
  /** Wide enough for all stations beside one another. */
  let wide = $state(false);
  onMount(() => {
    const width = matchMedia('(min-width: 1000px)');
    const look = () => (wide = width.matches);
    look();
    width.addEventListener('change', look);
    return () => width.removeEventListener('change', look);
  });
  const next = $derived(stand.next?.check.station);
  const isOpen = (station: string, left: number) => folded[station] ?? (wide ? left > 0 : station === next);
  const press = new Press();

  async function anew() {
    if (sheet.round && !sheet.round.doneAt) {
      if (!(await press.send('round.strike', { roundId: sheet.round.id, reason: 'Begun and left.' }))) return;
      await readAgain('app:round');
    }
    desk.begin();
    folded = {};
  }
  const sinceOf = (check: string) =>
    sheet.open.find((o) => o.check === check && o.roundId !== desk.target)?.what ?? null;

  $effect(() => desk.listen());
  // What waits goes first; its answer reads the page anew.
  $effect(() => lookAgain('app:round', () => desk.waiting.length > 0));
</script>

<div class="head" role="status" aria-label="Where the round stands">
  {#if stand.items.length === 0}
    <strong class="figure text-2xl">Nothing to check</strong>
  {:else if stand.open.length === 0}
    <strong class="figure text-2xl"
      >{stand.wrong.length === 0
        ? 'All as it should be'
        : stand.wrong.length === 1
          ? 'One thing is wrong'
          : `${stand.wrong.length} things are wrong`}</strong
    >
    <span class="quiet">{when}</span>
  {:else}
    <strong class="figure text-2xl">{answered} of {stand.items.length}</strong>
    <span class="quiet"
      >about {minutesInWords(stand.minutesLeft)} left{desk.over ? '' : when ? `, ${when}` : ''}</span
    >
  {/if}
  {#if desk.waiting.length > 0 && desk.said}<span class="error text-sm"
      >{desk.waiting.length} not with the server yet: kept on this device, sent when it answers.</span
    >{/if}
</div>
{#if stale && !desk.over}<p class="caution mt-2">
    This one was begun {when} and left.
    <button type="button" class="link" onclick={anew}>Begin a new one</button>
  </p>{/if}
{#if press.errors['']}<p class="error" role="alert">{press.errors['']}</p>{/if}

{#if sheet.torque}
  {#if sheet.torque.missing.length > 0}<p class="caution mt-2">
      Not on its sheet, so not checked here: {sheet.torque.missing.join(', ')}.
      <a class="link" href="/machines/{sheet.machineId}/sheet#fasteners">Put them on the sheet</a>
    </p>{/if}
  {#if sheet.checks.length === 0}<p class="mt-3">
      No fastener is on its sheet yet that is tried by a number.
    </p>{/if}
{/if}
<div class="stations">
  {#each stand.stations as { station, items } (station)}
    {@const left = items.filter((i) => i.answer === null)}
    {@const looks = looksLeft(items)}
    {@const wrong = items.filter((i) => i.judged?.well === false).length}
    <section class="station" aria-label={station}>
      <h2>
        <button
          type="button"
          class="fold"
          aria-expanded={isOpen(station, left.length)}
          onclick={() => (folded[station] = !isOpen(station, left.length))}
          ><span>{station}</span><span class="quiet text-base font-normal"
            >{left.length > 0
              ? `${left.length} to look at`
              : wrong > 0
                ? `${wrong} wrong`
                : 'as it should be'}</span
          ></button
        >
      </h2>
      {#if isOpen(station, left.length)}
        {#each items as item (item.check.key)}
          <CheckRow
            {item}
            {desk}
            machineId={sheet.machineId}
            last={sheet.last[item.check.key] ?? null}
            since={sinceOf(item.check.key)}
            shown={sheet.shown[item.check.key] ?? null}
            spares={sheet.spares}
            tried={item.check.how === 'torque' && sheet.torque
              ? triedWith(item.check, item.band, sheet.torque, today)
              : null}
          />
        {/each}
        {#if looks.length > 0}<button type="button" class="all" onclick={() => desk.allWell(looks)}
            >All as it should be: {looks.length === 1 ? 'the one look left' : `${looks.length} looks`}</button
          >{/if}
      {/if}
    </section>
  {/each}
</div>

<div class="mt-4 flex flex-wrap items-center gap-3">
  {#if desk.over}<button type="button" class="key" onclick={anew}>Walk it again</button>{/if}
  {#each LISTS.filter((l) => l !== sheet.list) as l (l)}<a
      class="link"
      href="/machines/{sheet.machineId}/round{l === 'ready' ? '' : `?list=${l}`}">{LIST_WORDS[l]}</a
    >{/each}
  {#if sheet.list !== 'torque'}<a
      class="link"
      href="/rounds?kind={encodeURIComponent(sheet.kind)}&list={sheet.list}">Change what is checked</a
    >{/if}
  {#if none.length > 0}<span class="quiet text-sm"
      >Has none of:
      {#each none as c (c.key)}{c.title}
        <button
          type="button"
          class="link mr-3"
          aria-label="It has one: {c.title}"
          onclick={() => (back = [...back, c.key])}>it has one</button
        >{/each}</span
    >{/if}
</div>

<style>
  .head {
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--paper);
    border-bottom: 2px solid var(--ink);
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.25rem 0.75rem;
    padding-block: 0.4rem;
  }
  .stations {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 30rem), 1fr));
    gap: 0 2.5rem;
    align-items: start;
  }
  .fold {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 1rem;
    width: 100%;
    min-height: 3rem;
    text-align: left;
    border-bottom: 2px solid var(--rule-strong);
    padding-block: 0.6rem 0.3rem;
  }
  .all {
    width: 100%;
    min-height: 3.5rem;
    margin-block: 0.6rem;
    background: var(--ink);
    color: var(--paper);
    font-weight: 700;
  }
</style>
