<!-- Machines against what keeps them from riding: read from across the tent, so the word is large and stands in every line. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { FIRST_LINES, REASONS_SHOWN, workInWords, type BoardRow } from '$lib/core/readiness/board';
  import { RIDES_MARK, type RoundFact } from '$lib/core/readiness/readiness';

  interface Props {
    rows: readonly BoardRow[];
    /** On a wall: larger, and nothing to press. */
    wall?: boolean;
    /** Nothing to press: for those who only look. */
    still?: boolean;
  }
  let { rows, wall = false, still = wall }: Props = $props();
  let drawn = $state(FIRST_LINES);
  /** Machines whose every reason is shown. */
  const unfolded = new SvelteSet<string>();
  onMount(() => (drawn = Infinity));

  function roundWord(r: RoundFact): string {
    switch (r.state) {
      case 'done':
        return 'done';
      case 'not asked':
        return 'not asked';
      case 'begun':
        return `${r.left} left`;
      case 'none':
        return 'not yet';
      case 'ridden since':
        return 'ridden since';
      case 'hours unknown then':
        return 'before its hours were known';
      case 'too old':
        return `${r.days} days old`;
      case 'too old then':
        return `${r.days} days old by then`;
      case 'ridden before':
        return `over at ${r.at}`;
    }
  }
</script>

<table class="sheet-table board stacked" class:wall>
  <thead>
    <tr>
      <th scope="col">Machine</th>
      <th scope="col">May it ride</th>
      <th scope="col">Why not, and what to heed</th>
      <th scope="col">Serviced</th>
      <th scope="col">Round</th>
      <th scope="col">Findings</th>
      <th scope="col">Deferred</th>
      <th scope="col">Parts</th>
      <th scope="col">Work</th>
    </tr>
  </thead>
  <tbody>
    {#each rows.slice(0, drawn) as r (r.machineId)}
      {@const { ready, reasons } = r.readiness}
      {@const clear = r.rides === 'ready'}
      <tr class:off={!ready}>
        <td class="whole"
          ><a class="flex items-center gap-2 no-underline" href="/machines/{r.machineId}"
            ><span class="plate plate-of">{r.plate}</span><span
              ><span class="figure text-lg">{r.name}</span>{#if r.rider}<span class="quiet block text-sm"
                  >{r.rider}</span
                >{/if}</span
            ></a
          ></td
        >
        <td class="whole"
          ><span class="word figure" class:yes={clear} class:due={ready && !clear}
            ><span aria-hidden="true">{RIDES_MARK[r.rides]}</span> {r.rides}</span
          ></td
        >
        <td class="whole">
          {#each unfolded.has(r.machineId) ? reasons : reasons.slice(0, REASONS_SHOWN) as x, k (k)}<span
              class="reason"
              class:blocks={x.blocks}>{x.words}</span
            >{/each}
          {#if reasons.length > REASONS_SHOWN && !unfolded.has(r.machineId)}
            {@const more = reasons.length - REASONS_SHOWN}
            {#if still}<span class="quiet text-sm">and {more} more</span>{:else}<button
                type="button"
                class="link text-sm"
                aria-expanded="false"
                aria-label="and {more} more of {r.plate}"
                onclick={() => unfolded.add(r.machineId)}>and {more} more</button
              >{/if}{/if}
        </td>
        <td data-label="serviced">{r.unserviced === 0 ? 'yes' : `${r.unserviced} due`}</td>
        <td data-label="round"
          >{#if still}{roundWord(r.round)}{:else}<a class="link" href="/machines/{r.machineId}/round"
              >{roundWord(r.round)}</a
            >{/if}</td
        >
        <td data-label="findings"
          >{#if r.findings === 0}none{:else if still}{r.findings}, {r.gravest}{:else}<a
              class="link"
              href="/findings?machine={r.machineId}">{r.findings}, {r.gravest}</a
            >{/if}</td
        >
        <td data-label="deferred">{r.deferred === 0 ? 'none' : r.deferred}</td>
        <td data-label="parts">{r.parts.length === 0 ? 'none' : r.parts.join(', ')}</td>
        <td data-label="work">{workInWords(r.readiness) || 'none'}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .plate-of {
    font-size: 1.75rem;
  }
  .word {
    font-size: 1.5rem;
    white-space: nowrap;
    color: var(--signal);
    font-weight: 700;
  }
  .word.yes {
    color: var(--done);
  }
  /* The long one of the three stands in two lines. */
  .word.due {
    color: var(--ink);
    white-space: normal;
    display: inline-block;
    max-width: 9rem;
    line-height: 1.1;
  }
  .off td:first-child {
    box-shadow: inset 6px 0 var(--signal);
    padding-left: 0.75rem;
  }
  .board td:first-child {
    padding-left: 0.75rem;
  }
  .reason {
    display: block;
  }
  .reason.blocks {
    font-weight: 700;
  }
  /* Read from across the tent, on a screen that is wide enough for it. */
  @media (min-width: 1100px) {
    .wall td {
      font-size: 1.25rem;
    }
    .wall .plate-of {
      font-size: 2.75rem;
    }
    .wall .word {
      font-size: 2.25rem;
    }
  }
</style>
