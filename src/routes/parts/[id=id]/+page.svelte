<script lang="ts">
  import { Button } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { nameOf } from '$lib/core/component/component';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay } from '$lib/core/time/day';
  import DoneForm from '$lib/ui/machine/DoneForm.svelte';
  import Findings from '$lib/ui/finding/Findings.svelte';
  import DueTable from '$lib/ui/machine/DueTable.svelte';
  import MoveForm from '$lib/ui/component/MoveForm.svelte';
  import RebuildForm from '$lib/ui/component/RebuildForm.svelte';
  import ScrapForm from '$lib/ui/component/ScrapForm.svelte';
  import SwapForm from '$lib/ui/component/SwapForm.svelte';

  let { data } = $props();
  const c = $derived(data.component);
  const doing = $derived(page.url.searchParams.get('do'));
  const done = $derived(data.rows.find((r) => r.taskId === page.url.searchParams.get('done')));
  const leave = () => goto(`/parts/${c.id}`, { noScroll: true });
  const base = $derived(`/parts/${c.id}`);
</script>

<svelte:head><title>{c.name} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
  <h1>{nameOf(c)}</h1>
  <span class="quiet">{c.kind}</span>
  {#if c.machineId}<a href="/machines/{c.machineId}" class="no-underline"
      ><span class="quiet">{c.host ? `in ${c.host}, on` : 'on'}</span> <span class="plate">{c.plate}</span>
      {c.machine}
      {c.place}</a
    >{:else if c.scrapped !== null}<strong>scrapped{c.scrapped ? `: ${c.scrapped}` : ''}</strong
    >{:else}<strong>on the shelf{c.host ? `, in ${c.host}` : ''}</strong>{/if}
</div>
<div class="mt-2 flex flex-wrap items-baseline gap-4">
  <span class="figure text-4xl">{c.broughtKnown ? '' : 'at least '}{showHours(c.total)} h</span>
  {#if data.rebuilds[0]}<span class="figure text-xl"
      >{showHours(c.total - data.rebuilds[0].hours)} h since its rebuild</span
    >{/if}
  {#if !c.broughtKnown}<span class="quiet">nobody knows what it had run before it came into the book</span
    >{/if}
  {#if c.scrapped === null}<span class="no-print flex flex-wrap gap-2">
      {#if c.machineId && data.others.length > 0 && !c.host}<Button
          size="sm"
          color="primary"
          href="{base}?do=swap">Swap with another</Button
        >{/if}
      <Button size="sm" color="alternative" href="{base}?do=move"
        >{c.machineId ? 'Take off or fit elsewhere' : 'Fit it'}</Button
      >
      <Button size="sm" color="alternative" href="{base}?do=rebuild">Rebuild</Button>
      <Button size="sm" color="alternative" href="{base}?do=scrap">Scrap</Button>
    </span>{/if}
</div>
{#if c.note}<p class="mt-2">{c.note}</p>{/if}

{#if doing === 'swap'}<SwapForm
    component={c}
    others={data.others}
    machines={data.machines}
    today={data.today}
    onleave={leave}
  />{:else if doing === 'move'}<MoveForm
    component={c}
    machines={data.machines}
    engines={data.engines}
    today={data.today}
    onleave={leave}
  />{:else if doing === 'rebuild'}<RebuildForm
    component={c}
    tasks={data.restarts}
    today={data.today}
    onleave={leave}
  />{:else if doing === 'scrap'}<ScrapForm componentId={c.id} onleave={leave} />{/if}

<section id="tasks" class="mt-6">
  <div class="flex items-baseline gap-4">
    <h2>What falls due on it</h2>
    {#if c.scrapped === null}<a class="link no-print text-sm" href="/tasks/new?part={c.id}">Add a task</a
      >{/if}
  </div>
  {#if done}{#key done.taskId}<DoneForm
        task={{ ...done, counted: done.lastDone }}
        total={c.total}
        today={data.today}
        onleave={leave}
      />{/key}{/if}
  <DueTable
    rows={data.rows}
    machineId={c.machineId}
    visitId={data.visitId}
    doneHref={(id) => `${base}?done=${id}#tasks`}
    addHref="/tasks/new?part={c.id}"
  />
</section>

{#if data.findings.length > 0 || data.closed.length > 0}<Findings
    machineId={null}
    findings={data.findings}
    closed={data.closed}
    today={data.today}
  />{/if}

<div class="mt-8 grid gap-8 lg:grid-cols-[3fr_2fr]">
  <section>
    <h2>Where it was</h2>
    {#if data.fittings.length === 0}<p class="quiet mt-1">Only ever on the shelf.</p>{:else}
      <div class="relative overflow-x-auto">
        <table class="sheet-table stacked mt-2">
          <thead><tr><th>Where</th><th>From</th><th>Until</th><th>Its hours</th><th>Why</th></tr></thead>
          <tbody>
            {#each data.fittings as f (f.id)}<tr>
                <td class="whitespace-nowrap"
                  >{#if f.machineId}<a class="no-underline" href="/machines/{f.machineId}"
                      ><span class="plate">{f.plate}</span> {f.machine}</a
                    >{:else}in {f.host}{/if}
                  {f.place}</td
                >
                <td data-label="from" class="figure whitespace-nowrap">{showDay(f.from, data.today)}</td>
                <td data-label="until" class="figure whitespace-nowrap"
                  >{f.to ? showDay(f.to, data.today) : 'now'}</td
                >
                <td data-label="its hours" class="figure whitespace-nowrap"
                  >{showHours(f.hoursFrom)} to {showHours(f.hoursTo)} h</td
                >
                <td class="text-sm">{[f.reason, f.removedReason].filter(Boolean).join('; off: ')}</td>
              </tr>{/each}
          </tbody>
        </table>
      </div>{/if}
  </section>
  <section>
    <h2>Rebuilds</h2>
    {#each data.rebuilds as r (r.id)}<p class="rule-b py-2">
        <span class="figure">{showDay(r.day, data.today)}</span> at
        <span class="figure">{showHours(r.hours)} h</span>, {r.by}{r.remark ? `: ${r.remark}` : ''}
        {#if r.tasks.length > 0}<span class="quiet block text-sm">Restarted {r.tasks.join(', ')}</span>{/if}
      </p>{:else}<p class="quiet mt-1">None in the book.</p>{/each}
  </section>
</div>
