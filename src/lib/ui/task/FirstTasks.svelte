<!-- What a new machine asks for: a line a task, ticked or not, its interval as the manual has it. -->
<script lang="ts">
  import { MEASURES } from '$lib/core/schedule/task';
  import type { FirstTask, TriggerDraft } from './draft';

  interface Props {
    tasks: FirstTask[];
    errors: Record<string, string>;
    jobs: readonly { key: string; title: string }[];
    onadd: () => void;
  }
  let { tasks = $bindable(), errors, jobs, onadd }: Props = $props();
  const UNIT: Record<string, string> = { hours: 'h', distance: 'km' };
  const measures = MEASURES.filter((m) => m !== 'times');
  /** The first of what counts is in the line; what else there is, in words. */
  const also = (list: readonly TriggerDraft[]) =>
    list
      .slice(1)
      .map((g) =>
        g.measure === 'times' ? `every ${g.every}. time` : `${g.every} ${UNIT[g.measure] ?? g.measure}`
      )
      .join(', ');
  const wrong = (i: number) =>
    Object.entries(errors)
      .filter(([k]) => k.startsWith(`tasks.${i}.`))
      .map(([, v]) => v);
</script>

<table class="sheet-table stacked mt-2">
  <thead>
    <tr
      ><th>Task</th><th>Every</th><th>Counted in</th><th>Limit</th><th>First time</th><th>At the bench</th
      ></tr
    >
  </thead>
  <tbody>
    {#each tasks as t, i (t.id)}
      {@const [g] = t.triggers}
      <tr class:off={!t.on}>
        <td>
          <span class="flex items-center gap-2">
            <input type="checkbox" class="h-6 w-6" bind:checked={t.on} aria-label={t.name || 'This task'} />
            <input class="cell" bind:value={t.name} aria-label="Task {i + 1}" maxlength="60" />
          </span>
          {#each wrong(i) as w, k (k)}<p class="error text-sm" role="alert">{w}</p>{/each}
        </td>
        {#if g && g.measure !== 'times'}
          <td data-label="Every"
            ><input
              class="cell figure short text-lg"
              bind:value={g.every}
              oninput={() => (t.on = true)}
              aria-label="{t.name}, every"
              aria-invalid={errors[`tasks.${i}.triggers.0.every`] ? true : undefined}
              inputmode="decimal"
              autocomplete="off"
            />{#if also(t.triggers)}<span class="quiet text-sm"> or {also(t.triggers)}</span>{/if}</td
          >
          <td data-label="Counted in"
            ><select class="cell" bind:value={g.measure} aria-label="{t.name}, counted in"
              >{#each measures as m (m)}<option value={m}>{m === 'distance' ? 'km' : m}</option
                >{/each}</select
            ></td
          >
          <td data-label="Limit"
            ><input
              class="cell figure short"
              bind:value={g.limit}
              aria-label="{t.name}, limit"
              inputmode="decimal"
              autocomplete="off"
            /></td
          >
          <td data-label="First time"
            ><input
              class="cell figure short"
              bind:value={g.first}
              aria-label="{t.name}, first time"
              inputmode="decimal"
              autocomplete="off"
            /></td
          >
        {:else}<td colspan="4">{g ? also([g, ...t.triggers]) : 'interval unknown'}</td>{/if}
        <td data-label="At the bench"
          ><select class="cell" bind:value={t.job} aria-label="{t.name}, at the bench">
            <option value="">written down as done</option>
            {#each jobs as j (j.key)}<option value={j.key}>{j.title}</option>{/each}
          </select></td
        >
      </tr>
    {/each}
  </tbody>
</table>
<button type="button" class="link mt-2 text-sm" onclick={onadd}>Another task</button>

<style>
  .off {
    opacity: 0.65;
  }
  .short {
    width: 5.5rem;
    min-width: 4rem;
  }
</style>
