<script lang="ts">
  import { goto } from '$app/navigation';
  import { SEVERITIES } from '$lib/core/finding/finding';
  import { timesInWords } from '$lib/core/finding/repeats';
  import { showDay } from '$lib/core/time/day';
  import FindingLine from '$lib/ui/finding/FindingLine.svelte';
  import { openFinding } from '$lib/ui/base/page.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  let doing = $state('');
  const all = $derived(Object.values(data.list.counts).reduce((a, b) => a + b, 0));
  function address(more: Partial<typeof data.filter>): string {
    const f = { ...data.filter, ...more };
    const query = [
      f.machine && `machine=${f.machine}`,
      f.severity && `severity=${encodeURIComponent(f.severity)}`,
      f.closed && 'closed'
    ]
      .filter(Boolean)
      .join('&');
    return `/findings${query ? `?${query}` : ''}`;
  }
</script>

<svelte:head><title>Findings · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-x-4 gap-y-2">
  <h1>Findings</h1>
  <span class="quiet">over the whole fleet, the gravest first</span>
  <button type="button" class="do no-print" onclick={() => openFinding(data.filter.machine || null)}
    >Write one down</button
  >
  <span class="no-print ml-auto flex gap-4"
    ><CsvLink list="findings" search={{ ...data.filter }} />
    <a class="link" href="/board">Who may ride</a></span
  >
</div>
<div class="no-print mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
  <label class="flex items-center gap-2"
    ><span class="text-sm">Machine</span>
    <select
      class="cell"
      value={data.filter.machine}
      onchange={(e) => goto(address({ machine: e.currentTarget.value }), { keepFocus: true })}
    >
      <option value="">all</option>
      {#each data.machines as m (m.id)}<option value={m.id}>{m.plate} {m.name}</option>{/each}
    </select></label
  >
  <nav class="flex flex-wrap gap-x-3 gap-y-1" aria-label="How grave">
    <a
      class="link"
      aria-current={data.filter.severity === '' ? 'true' : undefined}
      href={address({ severity: '' })}>all {all}</a
    >
    {#each SEVERITIES as s (s)}{@const n = data.list.counts[s] ?? 0}
      {#if n > 0}<a
          class="link"
          aria-current={data.filter.severity === s ? 'true' : undefined}
          href={address({ severity: s })}>{s} {n}</a
        >{/if}{/each}
  </nav>
  <a class="link" href={address({ closed: !data.filter.closed })}
    >{data.filter.closed ? 'Those that are open' : 'Those that are closed'}</a
  >
</div>

<section class="mt-3" aria-label={data.filter.closed ? 'Closed findings' : 'Open findings'}>
  {#each data.list.rows as f (f.id)}
    {#if f.closed}
      <div class="rule-b py-2" role="group" aria-label={f.what}>
        {#if f.machine}<a class="no-underline" href="/machines/{f.machine.id}#findings"
            ><span class="plate">{f.machine.plate}</span></a
          >{/if}
        <strong>{f.what}</strong>
        <span class="quiet text-sm"
          >{[f.place, f.part, showDay(f.day, data.today), timesInWords(f.before.length)]
            .filter(Boolean)
            .join(' · ')}</span
        >
        <p class="text-sm">
          {showDay(f.closed.day, data.today)}, {f.closed.by}, {f.closedHow}: {f.closed.word}
        </p>
      </div>
    {:else}
      <FindingLine
        finding={f}
        before={f.before}
        photos={f.photos}
        machine={f.machine}
        bind:doing
        today={data.today}
      />
    {/if}
  {:else}
    <p class="py-3">
      {data.filter.closed ? 'Nothing was closed yet.' : 'Nothing is open.'}
      {#if data.filter.machine || data.filter.severity}<a class="link" href="/findings"
          >All findings of the fleet</a
        >{/if}
    </p>
  {/each}
  {#if data.list.more}<p class="quiet py-2 text-sm">
      The first {data.list.rows.length}. Narrow it by machine to see the others.
    </p>{/if}
</section>

<style>
  nav a[aria-current] {
    font-weight: 700;
    text-decoration-color: var(--signal);
    text-decoration-thickness: 3px;
  }
</style>
