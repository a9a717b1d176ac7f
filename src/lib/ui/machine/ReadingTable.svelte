<!-- Readings as they were written, struck-out ones among them. -->
<script lang="ts">
  import { strikeSchema } from '$lib/core/hours/form';
  import { page } from '$app/state';
  import { showHours } from '$lib/core/hours/hours';
  import { showKm } from '$lib/core/hours/learned';
  import type { ReadingRow } from '$lib/core/hours/reading';
  import { dayOf, showDay } from '$lib/core/time/day';
  import OneWord from '../form/OneWord.svelte';
  import { commandForm } from '../form/command-form';

  interface Props {
    readings: ReadingRow[];
    timeZone: string;
    /** Whether they can be struck out here. */
    strike?: boolean;
  }
  let { readings, timeZone, strike = false }: Props = $props();
  const on = (d: Date) => showDay(dayOf(d, timeZone), page.data.today);
  const shows = (r: ReadingRow) =>
    r.counts === 'distance' ? showKm(r.value ?? 0) : `${showHours(r.value ?? 0)} h`;

  let striking = $state('');
  const form = commandForm('reading.strike', strikeSchema, () => ({ readingId: '', reason: '' }), {
    taken: () => (striking = '')
  });
  function turn(readingId: string) {
    form.reset({ readingId });
    striking = striking === readingId ? '' : readingId;
  }
</script>

{#if readings.length === 0}
  <p class="mt-2">Nothing read yet.</p>
{:else}
  <div class="relative overflow-x-auto">
    <table class="sheet-table stacked mt-2">
      <thead
        ><tr
          ><th>Day</th><th>Meter</th><th>By</th><th>Remark</th>{#if strike}<th class="no-print"
              ><span class="sr-only">Do</span></th
            >{/if}</tr
        ></thead
      >
      <tbody>
        {#each readings as r (r.id)}
          <tr class:quiet={r.struck !== null}>
            <td class="figure whitespace-nowrap">{on(r.at)}</td>
            <td class="figure text-lg whitespace-nowrap">
              {#if r.value !== null}{#if r.struck !== null}<s>{shows(r)}</s>{:else}{shows(
                    r
                  )}{/if}{:else if r.struck !== null}<s>+{showHours(r.ridden ?? 0)} h</s>{:else}+{showHours(
                  r.ridden ?? 0
                )} h ridden{/if}
              {#if r.meter > 1}<span class="quiet text-sm">meter {r.meter}</span>{/if}
              {#if r.struck === null && r.total !== null && r.total !== r.value}<span
                  class="quiet block text-sm">machine {showHours(r.total)} h</span
                >{/if}
            </td>
            <td
              >{r.by}{#if r.instrument}<span class="quiet block text-sm">{r.instrument}</span>{/if}</td
            >
            <td class="whole max-w-80 break-words">
              {r.remark.length > 140 ? `${r.remark.slice(0, 140)}…` : r.remark}
              {#if r.struck !== null}<span class="block text-sm">Struck out: {r.struck}</span>{/if}
              {#if r.settled}<span class="quiet block text-sm"
                  >Questioned; {r.settled}: {r.settledReason.slice(0, 140)}</span
                >{/if}
              {#if r.beforeOuting}<span class="quiet block text-sm">before the outing</span>{/if}
              {#if r.value === null}<span class="quiet block text-sm"
                  >estimated from {r.estimatedFrom ?? 'time ridden'}, no meter</span
                >{/if}
            </td>
            {#if strike}<td class="no-print text-right">
                {#if r.struck === null}<button
                    type="button"
                    class="link text-sm"
                    aria-label="Strike out {r.value === null
                      ? `+${showHours(r.ridden ?? 0)} h`
                      : shows(r)} of {on(r.at)}"
                    onclick={() => turn(r.id)}>Strike out</button
                  >{/if}
              </td>{/if}
          </tr>
          {#if striking === r.id}<tr
              ><td class="whole" colspan="5">
                <OneWord
                  label="Strike out"
                  {form}
                  field="reason"
                  ask="Why it is wrong"
                  submit="Strike it out"
                  color="primary"
                  onleave={() => (striking = '')}
                />
              </td></tr
            >{/if}
        {/each}
      </tbody>
    </table>
  </div>
{/if}
