<!-- A machine's tasks, the nearest first: what is left, until when it is tolerated, when it will likely be. -->
<script lang="ts">
  import { showAmount, type State } from '$lib/core/schedule/due';
  import { showHours } from '$lib/core/hours/hours';
  import { dayFromNumber, showDay } from '$lib/core/time/day';
  import StateMark from '../trail/StateMark.svelte';

  interface Due {
    taskId: string;
    name: string;
    job: string | null;
    state: State;
    likely: { from: string; to: string } | null;
    inside: string | null;
    counted: { since: 'new' | 'done'; hours: number | null; day: string } | null;
    triggers: {
      measure: 'hours' | 'days';
      interval: number;
      limitAt: number | null;
      dueAt: number | null;
      left: number | null;
    }[];
  }
  let {
    machineId,
    dues,
    visitId,
    today
  }: { machineId: string; dues: Due[]; visitId: string | null; today: string } = $props();
  const point = (at: number | null, measure: 'hours' | 'days') =>
    at === null
      ? 'not known'
      : measure === 'hours'
        ? `${showHours(at)} h`
        : showDay(dayFromNumber(at), today);
</script>

{#if dues.length === 0}
  <p class="mt-2">
    Nothing is watched on this machine yet. <a class="link" href="/machines/{machineId}?task=new#tasks"
      >Add its first task</a
    >.
  </p>
{:else}
  <div class="relative overflow-x-auto">
    <table class="sheet-table mt-2">
      <thead
        ><tr
          ><th>Task</th><th>State</th><th>Left</th><th>Due at</th><th>Limit</th><th>Likely between</th><th
            >Last done</th
          ><th class="no-print"><span class="sr-only">Do</span></th></tr
        ></thead
      >
      <tbody>
        {#each dues as d (d.taskId)}
          <tr>
            <td class="font-bold"
              >{d.name}<span class="quiet block text-sm font-normal"
                >{d.triggers.map((t) => `every ${showAmount(t.interval, t.measure)}`).join(' or ')}{d.counted
                  ?.since === 'new'
                  ? ', first time'
                  : ''}</span
              ></td
            >
            <td class="whitespace-nowrap"
              ><StateMark state={d.state} word />{#if d.inside}<span class="quiet block text-sm"
                  >inside {d.inside}</span
                >{/if}</td
            >
            <td class="figure text-xl whitespace-nowrap">
              {#each d.triggers as t (t.measure)}<span class="block"
                  >{t.left === null
                    ? 'not known'
                    : t.left < 0
                      ? `${showAmount(-t.left, t.measure)} over`
                      : showAmount(t.left, t.measure)}</span
                >{/each}
            </td>
            <td class="figure whitespace-nowrap"
              >{#each d.triggers as t (t.measure)}<span class="block">{point(t.dueAt, t.measure)}</span
                >{/each}</td
            >
            <td class="figure whitespace-nowrap"
              >{#each d.triggers as t (t.measure)}<span class="block"
                  >{t.limitAt === null
                    ? d.state === 'unknown'
                      ? ''
                      : 'none given'
                    : point(t.limitAt, t.measure)}</span
                >{/each}</td
            >
            <td class="figure whitespace-nowrap">
              {#if d.likely}{d.likely.from === d.likely.to
                  ? showDay(d.likely.from, today)
                  : `${showDay(d.likely.from, today)} and ${showDay(d.likely.to, today)}`}{:else}<span
                  class="quiet">too little history</span
                >{/if}
            </td>
            <td class="figure whitespace-nowrap">
              {#if !d.counted}not known{:else if d.counted.since === 'new'}never, new {showDay(
                  d.counted.day,
                  today
                )}{:else}{showDay(d.counted.day, today)}<span class="quiet block"
                  >{d.counted.hours === null ? '' : `${showHours(d.counted.hours)} h`}</span
                >{/if}
            </td>
            <td class="no-print text-right whitespace-nowrap">
              {#if d.job}
                <a
                  class="do"
                  href={visitId ? `/visits/${visitId}` : `/machines/${machineId}/visit?task=${d.taskId}`}
                  >{visitId ? 'Go on at the bench' : 'Start at the bench'}</a
                >
              {/if}
              <a class="link text-sm" href="/machines/{machineId}?done={d.taskId}#tasks"
                >{d.counted ? 'Write down as done' : 'Say when it was last done'}</a
              >
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}

<style>
  .do {
    display: inline-block;
    border: 1px solid var(--ink);
    padding: 0.15rem 0.6rem;
    margin-right: 0.5rem;
    text-decoration: none;
  }
  .do:hover {
    background: var(--ink);
    color: var(--paper);
  }
</style>
