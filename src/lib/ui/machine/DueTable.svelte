<!-- Tasks, the nearest first: what is left, until when it is tolerated, when it will likely be, and why. -->
<script lang="ts">
  import type { TaskRow } from '$lib/core/schedule/row';
  import Why from '../task/Why.svelte';
  import StateMark from '../trail/StateMark.svelte';

  interface Props {
    rows: TaskRow[];
    /** The machine it stands on; null on the shelf, where nothing can be started. */
    machineId: string | null;
    visitId: string | null;
    /** Where “write down as done” opens its form. */
    doneHref: (taskId: string) => string;
    addHref: string;
  }
  let { rows, machineId, visitId, doneHref, addHref }: Props = $props();
  let open = $state<string[]>([]);
  const turn = (id: string) => (open = open.includes(id) ? open.filter((o) => o !== id) : [...open, id]);
</script>

{#if rows.length === 0}
  <p class="mt-2">Nothing is watched here yet. <a class="link" href={addHref}>Add its first task</a>.</p>
{:else}
  <div class="relative overflow-x-auto">
    <table class="sheet-table stacked mt-2">
      <thead
        ><tr
          ><th>Task</th><th>State</th><th>Left</th><th>Due at</th><th>Limit</th><th>Likely between</th><th
            >Last done</th
          ><th class="no-print"><span class="sr-only">Do</span></th></tr
        ></thead
      >
      <tbody>
        {#each rows as d (d.taskId)}
          <tr id="task-{d.taskId}">
            <td class="whole font-bold"
              ><a class="no-underline hover:underline" href="/tasks/{d.taskId}">{d.name}</a><span
                class="quiet block text-sm font-normal"
                >{d.triggers.map((t) => t.every).join(' or ')}{#if d.part},
                  <a class="link" href="/parts/{d.part.id}">{d.part.name}</a>{/if}</span
              ></td
            >
            <td class="whole whitespace-nowrap"
              ><StateMark state={d.state} word />{#if d.inside}<span class="quiet block text-sm"
                  >{d.inside}</span
                >{/if}{#if d.limitInside}<strong class="block text-sm whitespace-normal"
                  >{d.limitInside}</strong
                >{/if}{#if d.called.length > 0}<span class="block text-sm">called: {d.called.join(', ')}</span
                >{/if}</td
            >
            <td data-label="left" class="figure text-xl"
              >{#each d.triggers as t, i (i)}<span class="block">{t.left}</span>{:else}<a
                  class="link text-base"
                  href="/tasks/{d.taskId}">interval unknown</a
                >{/each}{#if d.noOdometer && machineId}<a
                  class="link block text-sm"
                  href="/machines/{machineId}/meters?odometer">Add an odometer</a
                >{/if}</td
            >
            <td
              data-label={d.triggers.some((t) => t.dueAt) ? 'due at' : undefined}
              class="figure whitespace-nowrap"
              >{#each d.triggers as t, i (i)}<span class="block">{t.dueAt}</span>{/each}</td
            >
            <td data-label="limit" class="figure whitespace-nowrap"
              >{#each d.triggers as t, i (i)}<span class="block">{d.state === 'unknown' ? '' : t.limit}</span
                >{/each}</td
            >
            <td
              data-label="likely"
              class="figure whitespace-nowrap"
              class:quiet={d.likely === 'too little history'}>{d.likely}</td
            >
            <td data-label="last done" class="figure whitespace-nowrap"
              >{#if d.lastDone}{d.lastDone.day}<span class="quiet block">{d.lastDone.hours}</span>{:else}not
                known{/if}</td
            >
            <td class="no-print text-right">
              {#if d.job && machineId}<a
                  class="do mr-2"
                  href={visitId ? `/visits/${visitId}` : `/machines/${machineId}/visit?task=${d.taskId}`}
                  >{visitId ? 'Go on at the bench' : 'Start at the bench'}</a
                >{/if}
              <a class="link text-sm" href={doneHref(d.taskId)}
                >{d.lastDone ? 'Write down as done' : 'Say when it was last done'}</a
              >
              <button
                type="button"
                class="link ml-2 text-sm"
                aria-expanded={open.includes(d.taskId)}
                aria-label="Why is {d.name} due?"
                onclick={() => turn(d.taskId)}>Why?</button
              >
            </td>
          </tr>
          {#if open.includes(d.taskId)}<tr><td colspan="8" class="sum"><Why lines={d.why} /></td></tr>{/if}
        {/each}
      </tbody>
    </table>
  </div>
{/if}

<style>
  .sum {
    background: var(--sheet);
    padding: 0.6rem 0.75rem;
  }
</style>
