<!-- A visit at the bench: one step at a time, the open list always in view. -->
<script lang="ts">
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { onMount, tick, untrack } from 'svelte';
  import type { Around, Visit } from '$lib/core/visit/page';
  import { showHours } from '$lib/core/hours/hours';
  import type { HouseRules } from '$lib/core/rules/rules';
  import { parseAir, type Air } from '$lib/core/fluids/air';
  import { gather } from '$lib/core/job/gather/gather';
  import { putOff } from '$lib/core/job/order/overrule';
  import { thingsInWords } from '$lib/core/visit/goes-in';
  import { isLeft } from '$lib/core/visit/state';
  import { send } from '../form/send';
  import { onTold } from '../base/live';
  import { say } from '../base/page.svelte';
  import { rememberedAir } from './air';
  import { forgetTaken } from '../outbox/taken';
  import { BenchVisit } from './bench.svelte';
  import CloseBox from './CloseBox.svelte';
  import type { Depth } from './depth';
  import DepthPick from './DepthPick.svelte';
  import Fetched from './Fetched.svelte';
  import { Laid } from './laid.svelte';
  import OpenList from './OpenList.svelte';
  import SayWhy from './SayWhy.svelte';
  import Receipt from './Receipt.svelte';
  import StepCard from './StepCard.svelte';
  import StepList from './StepList.svelte';
  import Things from './Things.svelte';
  import Timers from './Timers.svelte';
  import Underside from './Underside.svelte';
  import { clearancesOf } from './clearances';
  import Waiting from './Waiting.svelte';
  import type { Running } from './waiting-timers';
  import WholeSheet from './WholeSheet.svelte';
  import WriteDown from './WriteDown.svelte';

  interface Props {
    visit: Visit & { rules: HouseRules };
    around: Around;
    /** Those that run, of every machine at the bench. */
    timers?: Running[];
    units: 'metric' | 'imperial';
  }
  let { visit, around, timers, units }: Props = $props();
  const bench = untrack(
    () => new BenchVisit(visit.id, visit.plan, visit.entries, around.tools, around.photos)
  );
  // What has come onto the sheet meanwhile.
  $effect(() => {
    bench.plan = visit.plan;
  });
  const over = $derived(visit.closedAt !== null || visit.givenUpAt !== null);
  const work = $derived(bench.state);
  /** Steps that are called for, in the order in force. */
  const called = $derived(work.steps.filter((s) => s.called));
  const asked = untrack(() => page.url.searchParams.get('step'));
  let at = $state(
    untrack(() =>
      asked && bench.state.steps.some((s) => s.step.key === asked)
        ? asked
        : (bench.state.next ?? bench.state.steps.findLast((s) => s.called)!.step.key)
    )
  );
  let depth = $state<Depth>('lead');
  /** On the sheet, whether the step at hand stands open in its place. */
  let opened = $state(false);
  const step = $derived(work.steps.find((s) => s.step.key === at)!);
  const index = $derived(called.findIndex((s) => s.step.key === at));
  const finished = $derived(called.filter((s) => !isLeft(s)).length);
  const returned = untrack(() => visit.entries.length > 0 && bench.state.open.length > 0);
  /** The air as somebody said it on this device, else by the station. */
  let said = $state<Air | null>(null);
  const gathered = $derived(
    gather(bench.plan, around.tools, visit.rules, around.today, said ?? around.air, around.forgotten)
  );
  /** What lies on the bench already, on this device. */
  const laid = untrack(() => new Laid(visit.id));
  /** What keeps it open, once it was to be closed: as it stands here, until nothing is left of it; then as the server has it. */
  let wanted = $state(false);
  let refusedThere = $state<{ key: string; message: string }[] | null>(null);
  const refused = $derived(wanted && bench.problems.length > 0 ? bench.problems : refusedThere);
  let closing = $state(false);
  let closeError = $state('');
  /** What was written last, for whoever has gone on: it can be looked at again. */
  let written = $state<string | null>(null);
  const receipt = $derived(work.steps.find((s) => s.step.key === written) ?? null);
  /** A point of the map that was not visited, being answered. */
  let passing = $state<string | null>(null);

  onMount(() => {
    said = parseAir(rememberedAir(around.today));
    if (over) {
      void forgetTaken(visit.id);
      return;
    }
    const leave = bench.resume();
    // What others write at this visit is seen as they write it.
    const end = onTold((told) => {
      if (told.all || told.places.includes(visit.id)) void bench.refresh();
    });
    return () => {
      end();
      leave();
    };
  });
  $effect(() => {
    if (bench.closedRecord && !over)
      void goto(`/records/${bench.closedRecord}`, { replaceState: true, invalidateAll: true });
  });
  // Begun on this device, it is in the book now: as the server laid it out, or in the one that somebody else had begun. Read once.
  $effect(() => {
    const { inBook } = bench;
    if (inBook === null) return;
    if (inBook !== bench.id) {
      say('Somebody else had begun the same visit: it is one, and what you wrote is in it.');
      void forgetTaken(bench.id);
    }
    void invalidateAll();
  });
  // What turns out not to be called for is not stood at.
  $effect(() => {
    if (!step.called) at = work.next ?? called.at(-1)!.step.key;
  });

  /** The next step begins at the top of the screen, with the hand where it writes or presses. */
  let stood = untrack(() => at);
  $effect(() => {
    if (at === stood) return;
    stood = at;
    void tick().then(() => {
      const card = document.getElementById('step');
      const article = card?.querySelector('article');
      const top = article?.getBoundingClientRect().top ?? 0;
      if (depth === 'sheet') article?.scrollIntoView({ block: 'nearest' });
      else if (top < 0 || top > window.innerHeight / 3) card?.scrollIntoView({ block: 'start' });
      if (!matchMedia('(pointer: fine)').matches) return;
      card
        ?.querySelector<HTMLElement>('article form input.field:not([readonly]), article .go')
        ?.focus({ preventScroll: true });
    });
  });

  function show(key: string) {
    written = null;
    opened = true;
    if (key.startsWith('point:') || key.startsWith('fill:')) {
      passing = key;
      return;
    }
    passing = null;
    // What the form does not ask is done at its step.
    if (depth === 'after') depth = 'lead';
    at =
      work.steps.find((s) => s.step.key === key)?.step.key ??
      called.find((s) => s.step.input.type === 'close' && s.step.input.items.includes(key))?.step.key ??
      at;
    document.getElementById(key.startsWith('thing:') ? 'things' : 'step')?.scrollIntoView({ block: 'start' });
  }
  function onward() {
    if (depth === 'sheet') {
      opened = false;
      return;
    }
    written = at;
    const after = called.slice(index + 1).find((s) => isLeft(s) && s.handed === null);
    at = after?.step.key ?? work.next ?? called[Math.min(called.length - 1, index + 1)]!.step.key;
  }
  /** What can be done first, where the step at hand is put off; null where there is nothing. */
  const off = $derived(
    putOff(
      called.map((s) => s.step),
      at,
      called.filter((s) => isLeft(s)).map((s) => s.step.key)
    )
  );
  /** Said in the visit's log, so that every device has the same order. */
  function later() {
    if (!off) return;
    const { order, instead } = off;
    if (bench.write({ action: 'reordered', content: { order } })) at = instead;
  }
  async function close() {
    if (closing || bench.closes) return;
    wanted = bench.problems.length > 0;
    refusedThere = null;
    closeError = '';
    if (wanted) return;
    closing = true;
    await bench.refresh();
    const sent = await send('visit.close', { visitId: visit.id });
    closing = false;
    if (sent.ok) {
      say(`${visit.plate} ${visit.machine}: done, and its count starts again.`, [
        { text: 'To the machine', href: `/machines/${visit.machineId}` }
      ]);
      await goto(`/records/${sent.data}`, { replaceState: true, invalidateAll: true });
    } else if (!sent.more.kept) {
      refusedThere = (sent.more.problems as { key: string; message: string }[]) ?? null;
      closeError = sent.errors[''] ?? '';
    }
  }
  async function giveUp(reason: string): Promise<string | null> {
    const sent = await send('visit.give-up', { visitId: visit.id, reason });
    if (!sent.ok) return Object.values(sent.errors)[0] ?? 'Not given up.';
    await invalidateAll();
    await goto(`/machines/${visit.machineId}`, { replaceState: true });
    return null;
  }
  const been = $derived([
    ...work.items.filter((i) => i.opened && i.item.fastenerId).map((i) => i.item.fastenerId!),
    ...Object.keys(work.passedOver)
  ]);
</script>

{#if !over}<Timers running={timers} plates={{ [visit.id]: visit.plate }} />{/if}
<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
  <a href="/machines/{visit.machineId}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{visit.plate}</span><span class="figure text-2xl">{visit.machine}</span></a
  >
  <h1 class="text-2xl">{visit.plan.title}</h1>
  <span class="quiet figure text-lg"
    >{visit.total === null ? 'hours not known' : `${showHours(visit.total)} h`}, {finished} of {called.length} steps{visit
      .plan.estimate
      ? `, about ${Math.round(visit.plan.estimate.elapsed)} min`
      : ''}</span
  >
  {#if !visit.ready}<a class="link font-bold" href="/machines/{visit.machineId}#findings">not ready</a>{/if}
  <PaperLinks path="/visits/{visit.id}/card.pdf" words="Card" />
  <DepthPick bind:depth />
</div>
<progress class="bar" max={called.length} value={finished} aria-label="Steps done"></progress>

{#if visit.closedAt}
  <p class="caution mt-3">
    This visit is closed. {#each visit.recordIds as id, k (id)}<a class="link mr-3" href="/records/{id}"
        >{visit.recordIds.length > 1 ? (visit.plan.jobs[k]?.title ?? 'Its record') : 'Its record'}</a
      >{/each}
  </p>
{:else if visit.givenUpAt}
  <p class="caution mt-3">This visit was given up before the work was done.</p>
{:else if returned}
  <p class="caution mt-3">
    Taken up again. What stands open: {bench.state.open.map((i) => i.item.name).join(', ') ||
      'nothing any more'}.
  </p>
{/if}
<Waiting {bench} machineId={visit.machineId} />

<div class="bench mt-4">
  <div class="open">
    <OpenList
      open={work.open}
      deferred={work.items.filter((i) => i.stand === 'deferred')}
      things={thingsInWords(work.things)}
      onpick={show}
    />
  </div>
  <div id="step" class="step">
    {#if passing}<SayWhy place={passing} {bench} ondone={() => (passing = null)} />{/if}
    {#snippet card()}
      <StepCard
        {bench}
        {around}
        {step}
        {units}
        number={index + 1}
        of={called.length}
        readonly={over}
        {gathered}
        laid={laid.out}
        onlaid={(text) => laid.turn(text)}
        {onward}
        onlater={off ? later : null}
        onback={index > 0 ? () => show(called[index - 1]!.step.key) : null}
        machineId={visit.machineId}
      />
    {/snippet}
    {#if depth === 'sheet'}
      <WholeSheet
        {bench}
        {called}
        at={opened ? at : null}
        {units}
        today={around.today}
        station={around.air}
        byFeel={around.byFeel}
        machineId={visit.machineId}
        sources={around.sources}
        clearances={clearancesOf(around.valves)}
        readonly={over}
        onopen={(key) => {
          if (key) at = key;
          opened = key !== null;
        }}
        {card}
      />
    {:else if depth === 'after'}
      <WriteDown
        {bench}
        {units}
        readonly={over}
        station={around.air}
        today={around.today}
        byFeel={around.byFeel}
        clearances={clearancesOf(around.valves)}
        valvesHref="/machines/{visit.machineId}/valves"
        ondone={close}
      />
    {:else}
      {#if receipt && receipt.step.key !== at}<Receipt {bench} step={receipt} onlook={show} />{/if}
      {@render card()}
    {/if}
  </div>
  <div class="side">
    {#if !over && !bench.closes}<CloseBox
        ready={bench.problems.length === 0}
        {refused}
        error={closeError}
        busy={closing}
        onclose={close}
        onpick={show}
        ongiveup={work.open.length === 0 ? giveUp : null}
      />{/if}
    <div id="things"><Things {bench} readonly={over} /></div>
    <Fetched {bench} readonly={over} />
    {#if depth === 'lead'}<StepList {called} {at} several={visit.plan.jobs.length > 1} onpick={show} />{/if}
    {#if around.fasteners.some((f) => f.at)}
      <details class="mt-5">
        <summary class="figure text-xl font-bold">Seen from below</summary>
        <Underside
          fasteners={around.fasteners}
          outline={around.outline}
          strong={visit.plan.points.map((p) => p.id)}
          visited={been}
          label="Points of this visit, seen from below"
        />
      </details>
    {/if}
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
  @media (max-width: 900px) {
    .bench {
      grid-template: 'open' auto 'step' auto 'side' auto / minmax(0, 1fr);
      gap: 0.5rem;
    }
    .step {
      scroll-margin-top: 3.5rem;
    }
  }
</style>
