<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import DoneForm from '$lib/ui/machine/DoneForm.svelte';
  import DueTable from '$lib/ui/machine/DueTable.svelte';
  import ReadingTable from '$lib/ui/machine/ReadingTable.svelte';
  import RecordTable from '$lib/ui/machine/RecordTable.svelte';
  import TaskForm from '$lib/ui/machine/TaskForm.svelte';
  import LargeTrail from '$lib/ui/trail/LargeTrail.svelte';
  import StateMark from '$lib/ui/trail/StateMark.svelte';
  import { openHours } from '$lib/ui/shell/shell.svelte';

  let { data } = $props();
  const doing = $derived(data.dues.find((d) => d.taskId === page.url.searchParams.get('done')));
  const adding = $derived(page.url.searchParams.get('task') === 'new');
  const leave = () => goto(`/machines/${data.machine.id}#tasks`, { noScroll: true });
</script>

<svelte:head><title>{data.machine.plate} {data.machine.name} · Hour Trail</title></svelte:head>

<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
  <span class="plate text-4xl">{data.machine.plate}</span>
  <h1>{data.machine.name}</h1>
  <span class="quiet">{[data.machine.maker, data.machine.kind].filter(Boolean).join(', ')}</span>
  <span class="ml-auto"><StateMark state={data.lane.state} word /></span>
</div>
<div class="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
  <span class="figure text-4xl"
    >{data.lane.total === null ? 'hours not known' : `${showHours(data.lane.total)} h`}</span
  >
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
  <span class="no-print flex gap-2">
    <Button size="sm" color="primary" onclick={() => openHours(data.machine.id)}>Log hours</Button>
    <Button size="sm" color="alternative" href="/machines/{data.machine.id}/sheet">Spec sheet</Button>
    {#if data.lane.visitId}<Button size="sm" color="alternative" href="/visits/{data.lane.visitId}"
        >At the bench now</Button
      >{/if}
  </span>
</div>

<LargeTrail lane={data.lane} />

<section id="tasks" class="mt-6">
  <div class="flex items-baseline gap-4">
    <h2>What falls due</h2>
    {#if !adding}<a
        class="link no-print text-sm"
        href="/machines/{data.machine.id}?task=new#tasks"
        data-sveltekit-noscroll>Add a task</a
      >{/if}
  </div>
  {#if adding}<TaskForm machineId={data.machine.id} today={data.today} onleave={leave} />{/if}
  {#if doing}<DoneForm task={doing} total={data.lane.total} today={data.today} onleave={leave} />{/if}
  <DueTable machineId={data.machine.id} dues={data.dues} visitId={data.lane.visitId} today={data.today} />
</section>

<div class="mt-8 grid gap-8 lg:grid-cols-2">
  <section>
    <h2>Readings</h2>
    <ReadingTable readings={data.readings} timeZone={data.team?.timeZone ?? 'UTC'} />
    <p class="no-print mt-2 flex gap-4 text-sm">
      {#if data.older}<a
          class="link"
          href="?readings-before={encodeURIComponent(data.older)}"
          data-sveltekit-noscroll>Older</a
        >{/if}
      {#if !data.newest}<a class="link" href="/machines/{data.machine.id}" data-sveltekit-noscroll>Newest</a
        >{/if}
    </p>
  </section>
  <section>
    <h2>Records</h2>
    <RecordTable records={data.records} />
  </section>
</div>
