<script lang="ts">
  import { lookAgain } from '$lib/ui/base/again';
  import Fleet from '$lib/ui/trail/Fleet.svelte';
  import StateMark from '$lib/ui/trail/StateMark.svelte';
  import { STATES } from '$lib/core/schedule/due';
  import { awayInWords } from '$lib/core/schedule/words';
  let { data } = $props();
  $effect(() => lookAgain('app:trail'));
</script>

<svelte:head><title>Trail · {data.team?.name} · Hour Trail</title></svelte:head>

{#if data.teamAssumed && data.team?.isDemo}
  <div class="rule-b mb-3 flex flex-wrap items-baseline gap-x-5 gap-y-1 pb-3">
    <p>
      This is the demo team, with a season in its book. <strong
        >Look round with it, or begin with your own?</strong
      >
    </p>
    <form method="POST" action="/welcome?/stay">
      <button type="submit" class="link">Look round with the demo</button>
    </form>
    <a class="link font-bold" href="/welcome">Set up your own team</a>
  </div>
{/if}

{#if data.backup}<p class="caution mb-3" data-testid="backup">
    {data.backup} On the server: <code>npm run backup</code>.
  </p>{/if}
<div class="flex flex-wrap items-baseline justify-between gap-x-6">
  <h1>{data.team?.name}</h1>
  <ul class="flex flex-wrap gap-x-5 gap-y-1 text-sm" aria-label="Machines by state">
    {#each STATES as state (state)}
      <li class:quiet={!data.trail.counts[state]}>
        <StateMark {state} word /> <span class="figure text-base">{data.trail.counts[state] ?? 0}</span>
      </li>
    {/each}
  </ul>
</div>
{#if data.trail.nextOuting}
  <p class="quiet mt-1 text-sm">
    <span class="tape" aria-hidden="true"></span>
    Next out: {data.trail.nextOuting.name}, {awayInWords(data.trail.today, data.trail.nextOuting.firstDay)}. A
    stake inside a taped stretch is done before it.
  </p>
{/if}

{#if data.trail.order.length === 0}
  <div class="mt-10 max-w-xl">
    <h2>No machine yet</h2>
    <p class="mt-2">
      A lane appears here for each machine: its hours, the work behind it, and what falls due ahead.
    </p>
    <p class="mt-4"><a class="add" href="/machines/new">Add the first machine</a></p>
  </div>
{:else}
  <Fleet trail={data.trail} />
  <p class="mt-4"><a class="link" href="/machines/new">Add a machine</a></p>
{/if}

<style>
  .tape {
    display: inline-block;
    width: 2rem;
    height: 0.8rem;
    background: repeating-linear-gradient(135deg, var(--tape) 0 4px, transparent 4px 8px);
    outline: 1px solid var(--tape);
  }
  .add {
    background: var(--signal);
    color: var(--on-signal);
    padding: 0.6rem 1rem;
    font-weight: 700;
    text-decoration: none;
  }
</style>
