<script lang="ts">
  import { Button } from '$lib/ui/form/controls';
  import { COMPONENT_KINDS, nameOf } from '$lib/core/component/component';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay } from '$lib/core/time/day';
  import SortTable from '$lib/ui/table/SortTable.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  type Row = (typeof data.components)[number];
  let kind = $state('');
  const shown = $derived(data.components.filter((c) => !kind || c.kind === kind));
  const what = (c: Row) => [c.place, c.kind].filter(Boolean).join(' ');
  const where = (c: Row) =>
    c.scrapped !== null ? 'scrapped' : c.machineId === null ? 'on the shelf' : `${c.plate} ${c.machine}`;
</script>

{#snippet kindCell(c: Row)}{what(c)}{#if c.host}<span class="quiet block text-sm">in {c.host}</span
    >{/if}{/snippet}
{#snippet nameCell(c: Row)}<a class="link" href="/parts/{c.id}">{nameOf(c)}</a>{#if c.note}<span
      class="quiet block text-sm">{c.note}</span
    >{/if}{/snippet}
{#snippet whereCell(c: Row)}{#if c.scrapped !== null}<span class="quiet">scrapped: {c.scrapped}</span
    >{:else if c.machineId === null}on the shelf{:else}<a
      class="no-underline hover:underline"
      href="/machines/{c.machineId}"><span class="plate">{c.plate}</span> {c.machine}</a
    >{/if}{/snippet}
{#snippet hoursCell(c: Row)}{c.broughtKnown ? '' : 'at least '}{showHours(c.total)} h{/snippet}
{#snippet rebuiltCell(c: Row)}{c.rebuiltOn ? `rebuilt ${showDay(c.rebuiltOn, data.today)}` : ''}{/snippet}
{#snippet doCell(c: Row)}{#if c.scrapped === null}<a class="link" href="/parts/{c.id}?do=move"
      >{c.machineId === null ? 'Fit it' : 'Take it off, fit it elsewhere'}</a
    >{/if}{/snippet}

<svelte:head><title>Components · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-4">
  <h1>Components</h1>
  <label class="flex items-center gap-2 text-sm"
    >Kind <select class="cell" bind:value={kind}>
      <option value="">all</option>
      {#each COMPONENT_KINDS as k (k)}<option>{k}</option>{/each}
    </select></label
  >
  <span class="ml-auto text-sm"><CsvLink list="components" search={{ kind }} /></span>
  <Button size="sm" color="primary" class="no-print" href="/parts/new">Add a component</Button>
</div>
<p class="quiet mt-1 max-w-3xl">
  Each carries its own hours from machine to machine: what it brought along, and what every machine ran while
  it was fitted.
</p>

{#if data.components.length === 0}
  <p class="mt-4">
    None named yet. <a class="link" href="/parts/new">Name an engine</a>, and the hours go along when it is
    swapped.
  </p>
{:else}
  <div class="mt-4">
    <SortTable
      rows={shown}
      key={(c) => c.id}
      label="Components"
      columns={[
        { id: 'kind', label: 'Kind', value: what, cell: kindCell },
        { id: 'name', label: 'Name', value: (c) => `${nameOf(c)} ${c.note}`, cell: nameCell },
        { id: 'where', label: 'On', value: where, cell: whereCell },
        {
          id: 'hours',
          label: 'Hours',
          value: (c) => c.total,
          cell: hoursCell,
          class: 'figure text-xl whitespace-nowrap'
        },
        { id: 'rebuilt', label: 'Rebuilt', value: (c) => c.rebuiltOn, cell: rebuiltCell, class: 'text-sm' },
        { id: 'do', label: 'Do', cell: doCell, class: 'text-right text-sm whitespace-nowrap', onScreen: true }
      ]}
    />
  </div>
{/if}
