<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  interface Row {
    id: string;
    at: Date;
    value: number | null;
    ridden: number | null;
    remark: string;
    by: string;
    settled: string | null;
    settledReason: string;
    struck: string | null;
    meter: number;
  }
  let { readings, timeZone }: { readings: Row[]; timeZone: string } = $props();
  const on = (d: Date) => new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short' }).format(d);
</script>

{#if readings.length === 0}
  <p class="mt-2">Nothing read yet.</p>
{:else}
  <div class="relative overflow-x-auto">
    <table class="sheet-table mt-2">
      <thead><tr><th>Day</th><th>Meter</th><th>By</th><th>Remark</th></tr></thead>
      <tbody>
        {#each readings as r (r.id)}
          <tr class:quiet={r.struck !== null}>
            <td class="figure whitespace-nowrap">{on(r.at)}</td>
            <td class="figure text-lg whitespace-nowrap">
              {#if r.value !== null}{#if r.struck !== null}<s>{showHours(r.value)} h</s>{:else}{showHours(
                    r.value
                  )} h{/if}{:else}+{showHours(r.ridden ?? 0)} h ridden{/if}
              {#if r.meter > 1}<span class="quiet text-sm">meter {r.meter}</span>{/if}
            </td>
            <td>{r.by}</td>
            <td class="max-w-80 break-words">
              {r.remark.length > 140 ? `${r.remark.slice(0, 140)}…` : r.remark}
              {#if r.struck !== null}<span class="block text-sm">Struck out: {r.struck}</span>{/if}
              {#if r.settled}<span class="quiet block text-sm"
                  >Questioned; {r.settled}: {r.settledReason.slice(0, 140)}</span
                >{/if}
              {#if r.value === null}<span class="quiet block text-sm">estimated, no meter</span>{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
