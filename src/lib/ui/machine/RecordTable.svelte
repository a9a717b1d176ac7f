<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  let {
    records
  }: { records: { id: string; task: string; doneOn: string; hours: number | null; by: string }[] } = $props();
</script>

{#if records.length === 0}
  <p class="mt-2">No work written down yet.</p>
{:else}
  <div class="relative overflow-x-auto">
    <table class="sheet-table mt-2">
      <thead><tr><th>Day</th><th>At</th><th>Done</th><th>By</th></tr></thead>
      <tbody>
        {#each records as r (r.id)}
          <tr>
            <td class="figure whitespace-nowrap">{r.doneOn}</td>
            <td class="figure text-lg whitespace-nowrap"
              >{r.hours === null ? 'hours not known' : `${showHours(r.hours)} h`}</td
            >
            <td><a class="link" href="/records/{r.id}">{r.task}</a></td>
            <td>{r.by}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
