<!-- One lane of the home screen: plate, hours, trail, and the nearest stake in words. -->
<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  import type { Lane } from '$lib/core/trail/lane';
  import { HOME_WINDOW } from '$lib/core/trail/scale';
  import { openHours, stakeHref } from '../base/page.svelte';
  import StateMark from './StateMark.svelte';
  import Track from './Track.svelte';

  let { lane, moved = false }: { lane: Lane; moved?: boolean } = $props();
  const age = $derived(
    lane.readDaysAgo === null
      ? 'never read'
      : lane.readDaysAgo === 0
        ? 'read today'
        : lane.readDaysAgo === 1
          ? 'read yesterday'
          : `read ${lane.readDaysAgo} days ago`
  );
  const pressing = $derived(['past limit', 'past due', 'due before the next outing'].includes(lane.state));
</script>

<article class="lane" class:moved aria-label="{lane.plate} {lane.name}">
  <div class="who">
    <a href="/machines/{lane.id}" class="flex items-center gap-2 no-underline hover:underline" data-lane-link>
      <span class="plate text-2xl">{lane.plate}</span>
      <span class="figure truncate text-xl">{lane.name}</span>
    </a>
    <p class="mt-0.5 text-sm">
      <button
        type="button"
        class="figure link text-lg leading-none"
        onclick={() => openHours(lane.id)}
        aria-label="Log hours for {lane.plate} {lane.name}"
        >{lane.total === null ? 'hours not known' : `${showHours(lane.total)} h`}</button
      >
      {#if lane.estimated}<span title="counted from time ridden since the last true reading">est.</span>{/if}
      <span class="quiet">{age}</span>
    </p>
  </div>
  <div class="track"><Track {lane} window={HOME_WINDOW} /></div>
  <div class="next">
    <p class:font-bold={pressing}>
      <StateMark state={lane.state} word label={lane.notReady.length > 0 ? 'not ready' : undefined} />
    </p>
    <p class="leading-snug">
      {#if lane.nextStake}
        <a class="link" href={stakeHref(lane, lane.nextStake)}>{lane.next}</a>
      {:else}
        <a class="link" href="/machines/{lane.id}?task=new#tasks">{lane.next}: add one</a>
      {/if}
      {#if lane.visitId}<a class="link ml-1 whitespace-nowrap" href="/visits/{lane.visitId}">at the bench</a
        >{/if}
    </p>
  </div>
</article>

<style>
  .lane {
    display: grid;
    grid-template-columns: 12.5rem minmax(0, 1fr) 16rem;
    gap: 0 1rem;
    align-items: center;
    min-height: 6rem;
    border-bottom: 1px solid var(--rule);
    overflow: hidden;
  }
  .track {
    overflow: hidden;
  }
  .moved {
    animation: moved 2.5s ease-out;
  }
  @keyframes moved {
    from {
      background: var(--tape);
    }
  }
  @media (max-width: 760px) {
    .lane {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      padding: 0.5rem 0;
    }
    .track {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
