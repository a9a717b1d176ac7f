<script lang="ts">
  import BegunHere from '$lib/ui/visit/BegunHere.svelte';
  import Timers from '$lib/ui/visit/Timers.svelte';
  import { begunVisits } from '$lib/ui/offline/begun';
  import { outbox } from '$lib/ui/outbox/outbox.svelte';
  let { data } = $props();
  const since = (d: Date) =>
    new Intl.DateTimeFormat('en-GB', {
      timeZone: data.team?.timeZone,
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit'
    }).format(d);
</script>

<svelte:head><title>Bench · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-4">
  <h1>At the bench</h1>
  <a class="link no-print" href="/records">Records</a>
  <a class="link no-print" href="/jobs">Jobs, step by step</a>
</div>
<div class="mt-2"><Timers running={data.timers} /></div>
<BegunHere />
{#each data.visits as v (v.id)}
  <a href="/visits/{v.id}" class="visit">
    <span class="flex items-center gap-3"
      ><span class="plate text-3xl">{v.plate}</span><span class="figure text-2xl">{v.machine}</span
      >{#if !v.ready}<strong>not ready</strong>{/if}</span
    >
    <span
      >{v.title}<span class="quiet block text-sm"
        >begun {since(v.startedAt)}, {v.done} of {v.steps} steps</span
      ></span
    >
    <span
      >{#if v.open.length > 0}<strong>Open: {v.open.join(', ')}</strong>{:else}nothing stands open{/if}{#each v.waiting as w, k (k)}<span
          class="block">“{w.title}” waits for {w.to ?? 'whoever comes'}</span
        >{/each}</span
    >
  </a>
{:else}
  {#if begunVisits(outbox.items).length === 0}<p class="mt-4">
      No machine is at the bench. Click a stake on the <a class="link" href="/">trail</a> to start a visit.
    </p>{/if}
{/each}

<style>
  .visit {
    display: grid;
    grid-template-columns: 18rem 16rem 1fr;
    gap: 0.5rem 1.5rem;
    align-items: center;
    min-height: 4.5rem;
    border-bottom: 1px solid var(--rule);
    text-decoration: none;
  }
  .visit:hover {
    background: var(--sheet);
  }
  @media (max-width: 760px) {
    .visit {
      grid-template-columns: 1fr;
      padding-block: 0.75rem;
    }
  }
</style>
