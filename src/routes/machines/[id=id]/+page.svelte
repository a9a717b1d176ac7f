<script lang="ts">
  import { onMount } from 'svelte';
  import { Button } from '$lib/ui/form/controls';
  import { page } from '$app/state';
  import { goto, invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import { showKm } from '$lib/core/hours/learned';
  import { showDay } from '$lib/core/time/day';
  import { send } from '$lib/ui/form/send';
  import About from '$lib/ui/machine/About.svelte';
  import DoneForm from '$lib/ui/machine/DoneForm.svelte';
  import DueTable from '$lib/ui/machine/DueTable.svelte';
  import Findings from '$lib/ui/finding/Findings.svelte';
  import Fitted from '$lib/ui/machine/Fitted.svelte';
  import ReadingTable from '$lib/ui/machine/ReadingTable.svelte';
  import RecordTable from '$lib/ui/machine/RecordTable.svelte';
  import Reports from '$lib/ui/machine/Reports.svelte';
  import Proposals from '$lib/ui/task/Proposals.svelte';
  import LargeTrail from '$lib/ui/trail/LargeTrail.svelte';
  import StateMark from '$lib/ui/trail/StateMark.svelte';
  import { openHours, say } from '$lib/ui/base/page.svelte';
  import { LOGS } from '$lib/ui/offline/names';

  let { data } = $props();
  // From the sticker on the machine: what one does there is log hours.
  onMount(() => {
    if (page.url.searchParams.has(LOGS)) openHours(data.machine.id);
  });
  const doing = $derived(data.rows.find((d) => d.taskId === page.url.searchParams.get('done')));
  const part = $derived(data.components.find((c) => c.id === doing?.part?.id));
  const leave = () => goto(`/machines/${data.machine.id}#tasks`, { noScroll: true });
  // What is open stands before what falls due; with nothing open it makes no room for itself there.
  const anythingOpen = $derived(data.findings.length > 0 || data.reminders.length > 0);
  const openProposals = $derived(data.proposals.filter((p) => p.decided === null));
  const hard = $derived(data.rows.filter((r) => r.hard && !openProposals.some((p) => p.taskId === r.taskId)));

  async function propose(taskId: string, reason: string) {
    const sent = await send('proposal.make', { taskId, reason });
    say(
      sent.ok ? 'Proposed. Accept or dismiss it below.' : (Object.values(sent.errors)[0] ?? 'Not proposed.')
    );
    await invalidateAll();
  }
</script>

<svelte:head><title>{data.machine.plate} {data.machine.name} · Hour Trail</title></svelte:head>

<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
  <span class="plate text-4xl">{data.machine.plate}</span>
  <h1>{data.machine.name}</h1>
  <span class="quiet">{[data.machine.maker, data.machine.kind].filter(Boolean).join(', ')}</span>
  <span class="ml-auto"
    ><StateMark
      state={data.lane.state}
      word
      label={data.lane.notReady.length > 0 ? 'not ready' : undefined}
    /></span
  >
</div>
<div class="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
  <span class="figure text-4xl"
    >{data.lane.total === null ? 'hours not known' : `${showHours(data.lane.total)} h`}</span
  >
  {#if data.distance !== null}<span class="figure text-2xl">{showKm(data.distance)}</span>{/if}
  <span class="quiet">
    {#if data.lane.estimated}estimated from time ridden,{/if}
    {data.lane.readDaysAgo === null
      ? 'never read'
      : data.lane.readDaysAgo === 0
        ? 'read today'
        : data.lane.readDaysAgo === 1
          ? 'read yesterday'
          : `read ${data.lane.readDaysAgo} days ago`}
  </span>
  <span class="no-print flex flex-wrap gap-2">
    <Button size="sm" color="primary" onclick={() => openHours(data.machine.id)}>Log hours</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/round">Ready round</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/meters">Meters</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/sheet">Spec sheet</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/owner">Owner’s sheet</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/underside">Seen from below</Button
    >
    {#if data.valves}<Button size="sm" color="alternative" href="/machines/{data.machine.id}/valves"
        >Valves</Button
      >{/if}
    {#if data.chain}<Button size="sm" color="alternative" href="/machines/{data.machine.id}/chain"
        >Chain</Button
      >{/if}
    {#if !data.lane.visitId}<Button size="sm" color="alternative" href="/machines/{data.machine.id}/visit"
        >To the bench</Button
      >{/if}
    {#if data.lane.visitId}<Button size="sm" color="alternative" href="/visits/{data.lane.visitId}"
        >At the bench now</Button
      >{/if}
  </span>
</div>
<About machine={data.machine} people={data.people} />
{#if data.lane.notReady.length > 0}
  <div class="caution mt-3">
    <p class="font-bold">Not ready:</p>
    {#each data.lane.notReady as what, k (k)}<p>{what}</p>{/each}
    <p class="text-sm">
      It is called ready when these are closed, among <a class="link" href="#findings">its findings</a>.
    </p>
  </div>
{/if}
{#if data.unknown.length > 0}<p class="caution mt-3">
    {data.unknown.length === 1 ? 'One outing' : `${data.unknown.length} outings`} since the last reading without
    hours ({data.unknown.map((o) => showDay(o.day, data.today)).join(', ')}): it stands further along than
    shown. Read the meter, or
    <a class="link" href="/machines/{data.machine.id}/meters#unknown">take its usual hours</a>.
  </p>{/if}

<LargeTrail lane={data.lane} likely={data.likely} />

{#snippet findings()}<Findings
    machineId={data.machine.id}
    parts={data.components}
    findings={data.findings}
    reminders={data.reminders}
    closed={data.closed}
    today={data.today}
  />{/snippet}
{#if anythingOpen}{@render findings()}{/if}

<section id="tasks" class="mt-6">
  <div class="flex items-baseline gap-4">
    <h2>What falls due</h2>
    <a class="link no-print text-sm" href="/tasks/new?machine={data.machine.id}">Add a task</a>
  </div>
  {#if doing}{#key doing.taskId}<DoneForm
        task={{ ...doing, counted: doing.lastDone }}
        total={doing.part ? (part?.total ?? null) : data.lane.total}
        today={data.today}
        onleave={leave}
      />{/key}{/if}
  <DueTable
    rows={data.rows}
    machineId={data.machine.id}
    visitId={data.lane.visitId}
    doneHref={(id) => `/machines/${data.machine.id}?done=${id}#tasks`}
    addHref="/tasks/new?machine={data.machine.id}"
  />
</section>

{#if openProposals.length > 0 || hard.length > 0}
  <section class="mt-6" aria-label="Proposals">
    <h2>Shorter, by what was seen</h2>
    <Proposals proposals={data.proposals} named openOnly />
    {#each hard as r (r.taskId)}<p class="rule-b py-2">
        <strong>{r.name}:</strong>
        {r.hard}
        <button type="button" class="link ml-2 text-sm" onclick={() => propose(r.taskId, r.hard!)}
          >Propose a shorter interval</button
        >
      </p>{/each}
  </section>
{/if}

{#if !anythingOpen}{@render findings()}{/if}
<Reports machineId={data.machine.id} kind={data.machine.kind} calls={data.calls} today={data.today} />

<section class="mt-6" aria-label="Components">
  <div class="flex items-baseline gap-4">
    <h2>Components</h2>
    <a class="link no-print text-sm" href="/parts/new?machine={data.machine.id}">Add one</a>
    <a class="link no-print text-sm" href="/parts">All, and the shelf</a>
  </div>
  <Fitted machineId={data.machine.id} components={data.components} />
</section>

<div class="mt-8 grid gap-8 lg:grid-cols-2">
  <section>
    <h2>Readings</h2>
    <ReadingTable readings={data.readings} timeZone={data.team?.timeZone ?? 'UTC'} />
    <p class="no-print mt-2 text-sm">
      <a class="link" href="/machines/{data.machine.id}/meters">All readings and meters</a>
    </p>
  </section>
  <section>
    <h2>Records</h2>
    <RecordTable records={data.records} today={data.today} short />
    <p class="no-print mt-2 text-sm">
      <a class="link" href="/records?machine={data.machine.id}">All records</a>
    </p>
  </section>
</div>
