<!-- How the valves of this engine wear: the sentence, the chart with the limit drawn in, a line a valve, and every check. -->
<script lang="ts">
  import type { PastCheck, ValveStand } from '$lib/core/valve/check';
  import type { ClearanceUnit } from '$lib/core/valve/limits';
  import { showUm } from '$lib/core/valve/limits';
  import { thickness } from '$lib/core/valve/shim';
  import { measuredTyped } from '$lib/core/valve/typed';
  import type { ValveWear } from '$lib/core/valve/wear-of-head';
  import { checkStrikeSchema } from '$lib/core/valve/form';
  import { showDay } from '$lib/core/time/day';
  import { commandForm } from '../form/command-form';
  import StrikeCell from '../table/StrikeCell.svelte';
  import StrikeRow from '../table/StrikeRow.svelte';
  import WearChart from './WearChart.svelte';
  import { headline, linesOf, wearLine } from './wear-words';

  interface Props {
    wear: readonly ValveWear[];
    stands: readonly ValveStand[];
    past: readonly PastCheck[];
    unit: ClearanceUnit;
    today: string;
  }
  let { wear, stands, past, unit, today }: Props = $props();
  const head = $derived(headline(wear));
  const lines = $derived(linesOf(wear, stands));
  let striking = $state<string | null>(null);
  const form = commandForm('valve.strike', checkStrikeSchema, () => ({ checkId: '', reason: '' }), {
    body: ({ reason }) => ({ checkId: striking ?? '', reason }),
    taken: () => (striking = null)
  });
</script>

<section class="mt-10" aria-label="Wear" id="wear">
  <div class="flex flex-wrap items-baseline gap-x-4">
    <h2>Wear</h2>
    <a class="link no-print text-sm" href="/valves">beside all engines</a>
  </div>
  {#if lines.length > 0}
    {#key JSON.stringify(lines)}<WearChart {lines} sentence={head.words} />{/key}
  {:else}<p class="mt-1">{head.words}</p>{/if}
  <div class="mt-2 grid gap-x-8 sm:grid-cols-2">
    {#each wear.filter((x) => x.valve !== head.valve || x.alarms.length > 0) as w (w.valve)}
      <p class="rule-b py-1.5">
        {wearLine(w)}
        {#each w.alarms as a (a)}<strong class="error ml-1">{a}: plan a head.</strong>{/each}
      </p>
    {/each}
  </div>
  {#if past.length > 0}
    <h3 class="mt-6 text-xl">Every check</h3>
    <div class="relative overflow-x-auto">
      <table class="sheet-table mt-1">
        <thead
          ><tr
            ><th>Day</th><th>Engine</th>{#each stands as s (s.valve.id)}<th>{s.short}</th>{/each}<th
              ><span class="sr-only">Do</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each past as p (p.id)}
            <tr>
              <td class="whitespace-nowrap">{showDay(p.day, today)}</td>
              <td class="figure whitespace-nowrap"
                >{p.hours === null ? 'not known' : `${p.hours.toFixed(1)} h`}</td
              >
              {#each stands as s (s.valve.id)}
                {@const id = s.valve.id}
                <td class="figure whitespace-nowrap">
                  {p.found[id] ? measuredTyped(p.found[id], unit) : ''}
                  {#if p.left[id]}<span class="block">left {measuredTyped(p.left[id], unit)}</span>{/if}
                  {#if p.fitted[id]}<span class="quiet block text-sm"
                      >{p.shims[id] ? showUm(thickness(p.shims[id])!).replace(' mm', '') : '?'} → {showUm(
                        thickness(p.fitted[id])!
                      )}</span
                    >{:else if p.shims[id]}<span class="quiet block text-sm"
                      >shim {showUm(thickness(p.shims[id])!).replace(' mm', '')}</span
                    >{/if}
                </td>
              {/each}
              <StrikeCell id={p.id} bind:striking {form} />
            </tr>
            {#if striking === p.id}<StrikeRow
                colspan={stands.length + 3}
                label="Strike out the check"
                {form}
                onleave={() => (striking = null)}
              />{/if}
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</section>
