<script lang="ts">
  import { goto } from '$app/navigation';
  import { STATES } from '$lib/core/schedule/state';
  import { showDay } from '$lib/core/time/day';
  import Field from '$lib/ui/form/Field.svelte';
  import Why from '$lib/ui/task/Why.svelte';
  import StateMark from '$lib/ui/trail/StateMark.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  const list = $derived(data.list);
  let open = $state<string[]>([]);
  const turn = (id: string) => (open = open.includes(id) ? open.filter((o) => o !== id) : [...open, id]);

  /** The address of this list, changed a little: a list can be sent to somebody else as it stands. */
  function address(change: Record<string, string | number>): string {
    const all: Record<string, string | number> = { ...data.filter, page: 0, ...change };
    const q = Object.entries(all)
      .filter(([k, v]) => v !== '' && v !== 0 && !(k === 'sort' && v === 'pressing'))
      .map(([k, v]) => `${k}=${encodeURIComponent(v)}`)
      .join('&');
    return q ? `/due?${q}` : '/due';
  }
  const go = (change: Record<string, string>) =>
    goto(address(change), { keepFocus: true, noScroll: true, replaceState: true });
  const pick = (key: string) => (e: Event) =>
    void go({ [key]: (e.currentTarget as HTMLSelectElement).value });
  const filtered = $derived(
    ['machine', 'rider', 'task', 'state', 'weekend'].some((k) => data.filter[k as 'task'])
  );
  const head = [
    ['pressing', 'State'],
    ['machine', 'Machine'],
    ['task', 'Task'],
    ['date', 'Left']
  ] as const;
</script>

<svelte:head><title>Due · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-x-6 gap-y-1">
  <h1>What falls due</h1>
  <p class="figure text-lg">
    {#each STATES.filter((s) => list.counts[s]) as s, i (s)}{i > 0 ? ' · ' : ''}<a
        class="no-underline hover:underline"
        href={address({ state: data.filter.state === s ? '' : s })}>{list.counts[s]} {s}</a
      >{/each}
  </p>
  <span class="no-print ml-auto flex gap-4 text-sm"
    ><CsvLink list="due" search={{ ...data.filter }} />
    <button type="button" class="link" onclick={() => print()}>Print</button></span
  >
</div>

<form
  class="no-print mt-3 flex flex-wrap items-start gap-3"
  aria-label="Narrow the list"
  onsubmit={(e) => e.preventDefault()}
>
  <Field label="Machine" class="w-44">
    {#snippet children(a)}<select {...a} class="cell" value={data.filter.machine} onchange={pick('machine')}>
        <option value="">all</option>
        {#each list.choices.machines as m (m.id)}<option value={m.id}>{m.plate} {m.name}</option>{/each}
      </select>{/snippet}
  </Field>
  <Field label="Rider" class="w-40">
    {#snippet children(a)}<select {...a} class="cell" value={data.filter.rider} onchange={pick('rider')}>
        <option value="">all</option>
        {#each list.choices.riders as r (r.id)}<option value={r.id}>{r.name}</option>{/each}
      </select>{/snippet}
  </Field>
  <Field label="Task" class="w-48">
    {#snippet children(a)}<input
        {...a}
        class="cell"
        list="task-names"
        value={data.filter.task}
        placeholder="all"
        onchange={pick('task')}
      />{/snippet}
  </Field>
  <datalist id="task-names"
    >{#each list.choices.tasks as t (t)}<option value={t}></option>{/each}</datalist
  >
  <Field label="State" class="w-48">
    {#snippet children(a)}<select {...a} class="cell" value={data.filter.state} onchange={pick('state')}>
        <option value="">all</option>
        <option value="pressing">whatever presses</option>
        {#each STATES as s (s)}<option>{s}</option>{/each}
      </select>{/snippet}
  </Field>
  <Field label="Before the end of" class="w-52">
    {#snippet children(a)}<select {...a} class="cell" value={data.filter.weekend} onchange={pick('weekend')}>
        <option value="">any time</option>
        {#each list.choices.weekends as w (w.id)}<option value={w.id}
            >{w.name}, {showDay(w.firstDay, list.today)}</option
          >{/each}
      </select>{/snippet}
  </Field>
  {#if filtered}<a class="link mt-8 text-sm" href="/due">Show all</a>{/if}
</form>

{#if list.rows.length === 0}
  <p class="mt-6">
    {#if filtered}Nothing by this. <a class="link" href="/due">Show all</a
      >.{:else if list.choices.machines.length === 0}No machine in the fleet yet. <a
        class="link"
        href="/machines/new">Add the first</a
      >.{:else}Nothing is watched yet. Open a machine and add its first task.{/if}
  </p>
{:else}
  <div class="relative mt-3 overflow-x-auto">
    <table class="sheet-table stacked">
      <thead
        ><tr>
          {#each head as [key, label] (key)}<th aria-sort={data.filter.sort === key ? 'ascending' : undefined}
              ><a class="no-underline hover:underline" href={address({ sort: key })} data-sveltekit-noscroll
                >{label}{data.filter.sort === key ? ' ▾' : ''}</a
              ></th
            >{/each}
          <th>Likely between</th><th>Rider</th><th class="no-print"><span class="sr-only">Do</span></th>
        </tr></thead
      >
      <tbody>
        {#each list.rows as r (r.id)}
          <tr>
            <td class="whole whitespace-nowrap"
              ><StateMark state={r.state} word label={r.parks ? 'not ready' : undefined} />{#if r.inside}<span
                  class="quiet block text-sm">{r.inside}</span
                >{/if}{#if r.limitInside}<strong class="block text-sm whitespace-normal"
                  >{r.limitInside}</strong
                >{/if}</td
            >
            <td class="whitespace-nowrap"
              ><a class="no-underline" href="/machines/{r.machineId}"
                ><span class="plate">{r.plate}</span> {r.machine}</a
              ></td
            >
            <td
              >{#if r.kind !== 'task'}<a
                  class="font-bold no-underline hover:underline"
                  href="/machines/{r.machineId}#findings">{r.name}</a
                >{:else}<a class="font-bold no-underline hover:underline" href="/tasks/{r.id}">{r.name}</a
                >{/if}<span class="quiet block text-sm">{[r.every, r.part].filter(Boolean).join(', ')}</span
              ></td
            >
            <td class="figure text-xl">{r.left.replace(/^in /, '')}</td>
            <td
              data-label="likely"
              class="figure whitespace-nowrap"
              class:quiet={r.likely === 'too little history'}>{r.likely}</td
            >
            <td class="whitespace-nowrap">{r.rider ?? ''}</td>
            <td class="no-print text-right whitespace-nowrap">
              {#if r.job}<a
                  class="do"
                  href={r.visitId ? `/visits/${r.visitId}` : `/machines/${r.machineId}/visit?task=${r.id}`}
                  >Bench</a
                >{:else if r.kind === 'task'}<a class="do" href="/machines/{r.machineId}?done={r.id}#tasks"
                  >Done</a
                >{:else}<a class="do" href="/machines/{r.machineId}#findings">See to it</a>{/if}
              <button
                type="button"
                class="link ml-2 text-sm"
                aria-expanded={open.includes(r.id)}
                aria-label="Why is {r.name} of {r.plate} due?"
                onclick={() => turn(r.id)}>Why?</button
              >
            </td>
          </tr>
          {#if open.includes(r.id)}<tr><td colspan="7" class="sum"><Why lines={r.why} /></td></tr>{/if}
        {/each}
      </tbody>
    </table>
  </div>
  {#if data.pages > 1}
    <p class="no-print mt-3 flex gap-4">
      {#if data.page > 0}<a class="link" href={address({ page: data.page - 1 })}>Nearer</a>{/if}
      <span class="quiet">{data.page + 1} of {data.pages}</span>
      {#if data.page + 1 < data.pages}<a class="link" href={address({ page: data.page + 1 })}>Further off</a
        >{/if}
    </p>
  {/if}
{/if}

<style>
  .sum {
    background: var(--sheet);
    padding: 0.6rem 0.75rem;
  }
</style>
