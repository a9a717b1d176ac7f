<script lang="ts">
  import { dayOf, showDay } from '$lib/core/time/day';
  import { toOrder } from '$lib/core/valve/drawer';
  import { showUm } from '$lib/core/valve/limits';
  import { thickness } from '$lib/core/valve/shim';
  import CountForm from '$lib/ui/valve/ShimCountForm.svelte';
  import Drawer, { type Size } from '$lib/ui/valve/Drawer.svelte';
  import ListForm from '$lib/ui/valve/ShimListForm.svelte';

  let { data } = $props();
  let picked = $state<string | null>(null);
  let adding = $state<'one' | 'list' | ''>('');
  const keyOf = (s: { across?: number; stamp: number | null; measured: number | null }) =>
    `${s.across ?? ''} ${s.stamp} ${s.measured}`;
  const acrosses = $derived([...new Set(data.drawer.map((d) => d.across))].sort((a, b) => a - b));
  const of = (across: number) => data.drawer.filter((d) => d.across === across);
  const chosen = $derived(data.drawer.find((d) => keyOf(d) === picked) ?? null);
  const name = (across: number) =>
    across === 0 ? 'How far across nobody said' : `${across / 1000} mm across`;
  const short = $derived(toOrder(data.drawer));
  const inDrawer = (across: number | null, size: number | null) =>
    size !== null &&
    data.drawer.some((d) => d.across === (across ?? 0) && thickness(d) === size && d.count > 0);
  const there = $derived(data.drawer.reduce((n, d) => n + Math.max(0, d.count), 0));
</script>

<svelte:head><title>Shims · Stores · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
  <h1>Shim drawer</h1>
  <a class="link text-sm" href="/stores">Stores</a>
  <button
    type="button"
    class="link no-print text-sm"
    onclick={() => ((adding = adding === 'one' ? '' : 'one'), (picked = null))}>Another size</button
  >
  <button
    type="button"
    class="link no-print text-sm"
    onclick={() => (adding = adding === 'list' ? '' : 'list')}>A whole list</button
  >
  <a class="link no-print text-sm" href="/stores/shims.csv" download>As a file</a>
  <span class="quiet text-sm">{there} {there === 1 ? 'shim' : 'shims'}</span>
</div>
{#if adding === 'one'}<CountForm size={null} onleave={() => (adding = '')} />{/if}
{#if adding === 'list'}<ListForm onleave={() => (adding = '')} />{/if}

{#each acrosses as across (across)}
  <section class="mt-5" aria-label={name(across)}>
    <h2>{name(across)}</h2>
    <Drawer
      label={name(across)}
      sizes={of(across)}
      {picked}
      keyOf={(s: Size) => keyOf({ ...s, across })}
      onpick={(s) => {
        const key = keyOf({ ...s, across });
        picked = picked === key ? null : key;
        adding = '';
      }}
    />
    {#if chosen && chosen.across === across}{#key picked}<CountForm
          size={chosen}
          onleave={() => (picked = null)}
        />{/key}{/if}
  </section>
{:else}
  <p class="mt-4">
    Nothing in it yet. Count a size, or bring a whole list; what comes out of engines lands here by itself,
    and plans take from here first.
  </p>
{/each}
{#if acrosses.length > 0}<p class="quiet mt-2 text-sm">
    The figure is what is stamped; the small one beneath what a micrometer reads. A dashed line: so many are
    to lie there.
  </p>{/if}
{#if short.length > 0}<p class="mt-3">
    <strong>To order:</strong>
    {short
      .map((s) => `${s.missing} × ${showUm(s.stamp)}${s.across ? ` (${s.across / 1000})` : ''}`)
      .join(', ')}
  </p>{/if}

<section class="mt-8" aria-label="Likely wanted">
  <h2>What the next checks likely want</h2>
  {#each data.needs as n (n.machineId)}
    <p class="rule-b py-2">
      <a class="plate no-underline" href="/machines/{n.machineId}/valves">{n.plate}</a>
      <span class="quiet"
        >{n.ahead === null ? '' : n.ahead <= 0 ? 'due now:' : `in ${n.ahead.toFixed(1)} h:`}</span
      >
      {#each n.needs as x, i (x.valve)}{i > 0 ? ', ' : ''}{x.name.toLowerCase()}
        <strong class="figure text-lg">{x.size === null ? `about ${showUm(x.best)}` : showUm(x.size)}</strong>
        <span class="quiet text-sm"
          >{inDrawer(n.acrossUm, x.size) ? 'in the drawer' : 'not in the drawer'}</span
        >{/each}
    </p>
  {:else}<p class="mt-1">
      By what is known of their wear, no valve will have closed up past its limit by its next check.
    </p>{/each}
</section>

{#if data.movements.length > 0}
  <section class="mt-8" aria-label="What came and went">
    <h2>What came and went</h2>
    <table class="sheet-table stacked mt-1">
      <thead
        ><tr><th>Day</th><th>Shim</th><th>How many</th><th>What for</th><th>Engine</th><th>By</th></tr></thead
      >
      <tbody>
        {#each data.movements as m (m.id)}
          <tr>
            <td>{showDay(dayOf(m.at, data.timeZone), data.today)}</td>
            <td class="figure text-lg"
              >{m.stamp === null
                ? showUm(m.measured!)
                : showUm(m.stamp)}{#if m.stamp !== null && m.measured !== null}<span
                  class="quiet ml-1 text-sm">measures {showUm(m.measured)}</span
                >{/if}</td
            >
            <td data-label="How many" class="figure">{m.count > 0 ? `+${m.count}` : `−${-m.count}`}</td>
            <td>{m.why}</td>
            <td data-label="Engine">{[m.plate, m.engine].filter(Boolean).join(', ')}</td>
            <td>{m.by}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/if}
