<script lang="ts">
  import { Button } from '$lib/ui/form/controls';
  import { COMPONENT_KINDS, nameOf } from '$lib/core/component/component';
  import { showHours } from '$lib/core/hours/hours';

  let { data } = $props();
  let kind = $state('');
  const shown = $derived(data.components.filter((c) => !kind || c.kind === kind));
  const on = $derived(shown.filter((c) => c.machineId !== null && c.scrapped === null));
  const shelf = $derived(shown.filter((c) => c.machineId === null && c.scrapped === null));
  const scrapped = $derived(shown.filter((c) => c.scrapped !== null));
  const plates = $derived([
    ...new Map(
      on.map((c) => [c.machineId!, { id: c.machineId!, plate: c.plate!, name: c.machine! }])
    ).values()
  ]);
</script>

{#snippet table(list: typeof shown, shelfRow: boolean)}
  <div class="relative overflow-x-auto">
    <table class="sheet-table stacked">
      <thead class="sr-only"
        ><tr><th>What</th><th>Name</th><th>Hours</th><th>Rebuilt</th><th>Do</th></tr></thead
      >
      <tbody>
        {#each list as c (c.id)}<tr>
            <td class="w-44"
              >{[c.place, c.kind].filter(Boolean).join(' ')}{#if c.host}<span class="quiet block text-sm"
                  >in {c.host}</span
                >{/if}</td
            >
            <td
              ><a class="link" href="/parts/{c.id}">{nameOf(c)}</a>{#if c.note}<span
                  class="quiet block text-sm">{c.note}</span
                >{/if}</td
            >
            <td class="figure w-32 text-xl whitespace-nowrap"
              >{c.broughtKnown ? '' : 'at least '}{showHours(c.total)} h</td
            >
            <td class="quiet w-40 text-sm">{c.rebuiltOn ? `rebuilt ${c.rebuiltOn}` : ''}{c.scrapped ?? ''}</td
            >
            <td class="no-print w-44 text-right text-sm whitespace-nowrap"
              >{#if c.scrapped === null}<a class="link" href="/parts/{c.id}?do=move"
                  >{shelfRow ? 'Fit it' : 'Take it off, fit it elsewhere'}</a
                >{/if}</td
            >
          </tr>{/each}
      </tbody>
    </table>
  </div>
{/snippet}

<svelte:head><title>Components · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-4">
  <h1>Components</h1>
  <label class="flex items-center gap-2 text-sm"
    >Kind <select class="border px-2 py-1" style="background: var(--sheet)" bind:value={kind}>
      <option value="">all</option>
      {#each COMPONENT_KINDS as k (k)}<option>{k}</option>{/each}
    </select></label
  >
  <Button size="sm" color="primary" class="no-print ml-auto" href="/parts/new">Add a component</Button>
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
{/if}
<div class="mt-4 space-y-6">
  <section aria-label="Shelf">
    <h2 class="border-b-2 pb-1" style="border-color: var(--ink)">On the shelf</h2>
    {#if shelf.length > 0}{@render table(shelf, true)}{:else}<p class="quiet mt-1">Nothing.</p>{/if}
  </section>
  {#each plates as m (m.id)}
    <section aria-label="{m.plate} {m.name}">
      <h2 class="border-b-2 pb-1" style="border-color: var(--ink)">
        <a class="no-underline" href="/machines/{m.id}"><span class="plate">{m.plate}</span> {m.name}</a>
      </h2>
      {@render table(
        on.filter((c) => c.machineId === m.id),
        false
      )}
    </section>
  {/each}
  {#if scrapped.length > 0}<section aria-label="Scrapped">
      <h2 class="border-b-2 pb-1" style="border-color: var(--ink)">Scrapped</h2>
      {@render table(scrapped, false)}
    </section>{/if}
</div>
