<!-- What a rider or an owner has to do with: their machines, whether they may ride, their hours. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { showHours } from '$lib/core/hours/hours';
  import { doneAtInWords } from '$lib/core/record/hours';
  import { showDay } from '$lib/core/time/day';
  import { LOGS } from '$lib/ui/offline/names';
  import { mayRide, RIDES_MARK } from '$lib/core/readiness/readiness';
  import { lookAgain } from '$lib/ui/base/again';
  import { openFinding, openHours } from '$lib/ui/base/page.svelte';

  let { data } = $props();
  $effect(() => lookAgain('app:board'));
  onMount(() => {
    // From the sticker on the machine: its hours are to be logged.
    const log = page.url.searchParams.get(LOGS);
    if (log && data.machines.some((m) => m.id === log && m.rides)) openHours(log);
  });
</script>

<svelte:head><title>Your machines · Hour Trail</title></svelte:head>
<h1>Your machines</h1>
{#each data.machines as m (m.id)}
  <section class="machine" id={m.id} aria-label="{m.plate} {m.name}">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <span class="plate text-4xl">{m.plate}</span>
      <span class="figure text-2xl">{m.name}{m.maker ? `, ${m.maker}` : ''}</span>
      <span class="figure text-3xl font-bold"
        >{m.total === null ? 'hours not known' : `${showHours(m.total)} h`}</span
      >
      {#if m.readiness}<span
          class="figure text-2xl font-bold"
          class:yes={mayRide(m.readiness) === 'ready'}
          class:no={!m.readiness.ready}
          ><span aria-hidden="true">{RIDES_MARK[mayRide(m.readiness)]}</span>
          {mayRide(m.readiness)}</span
        >{/if}
    </div>
    {#if m.readiness && m.readiness.reasons.length > 0}
      <ul class="mt-2">
        {#each m.readiness.reasons as r, k (k)}<li class:font-bold={r.blocks}>{r.words}</li>{/each}
      </ul>
    {/if}
    {#if m.rides}
      <div class="mt-3 flex flex-wrap gap-3">
        <button type="button" class="big strong" onclick={() => openHours(m.id)}>Log hours</button>
        <button type="button" class="big" onclick={() => openFinding(m.id)}>Something is wrong with it</button
        >
      </div>
    {/if}
    {#if m.owns}
      <p class="mt-3"><a class="link" href="/machines/{m.id}/owner">Owner’s sheet</a></p>
      <h2 class="mt-3">Done to it lately</h2>
      <ul aria-label="Records of {m.plate}">
        {#each m.records as r (r.id)}
          <li class="rule-b flex flex-wrap items-baseline justify-between gap-x-4 py-1.5">
            <a class="link" href="/records/{r.id}">{r.task}</a>
            <span class="quiet text-sm"
              >{showDay(r.doneOn, data.today)}{r.hours === null ? '' : `, at ${doneAtInWords(r)}`}</span
            >
          </li>
        {:else}<li class="quiet py-1.5">Nothing yet.</li>{/each}
      </ul>
    {/if}
  </section>
{:else}
  <p class="mt-4 max-w-xl">
    No machine of this team is written down as yours. A mechanic says who rides and who owns a machine, on the
    machine’s page.
  </p>
{/each}

<style>
  .machine {
    border-top: 3px solid var(--ink);
    margin-top: 1.25rem;
    padding-top: 0.75rem;
  }
  .big {
    border: 2px solid var(--ink);
    min-height: 3.5rem;
    padding: 0.5rem 1.25rem;
    font-weight: 700;
    font-size: 1.1rem;
  }
  .strong {
    background: var(--signal);
    border-color: var(--signal);
    color: var(--on-signal);
  }
  .yes {
    color: var(--done);
  }
  .no {
    color: var(--signal);
  }
</style>
