<!-- Every check of the slack, the latest first. -->
<script lang="ts">
  import { judgeSlack, slackStand } from '$lib/core/chain/check';
  import { chainStrikeSchema } from '$lib/core/chain/form';
  import { wantedNow, type ChainSheet } from '$lib/core/chain/sheet';
  import { showSlack, type RuleUnit } from '$lib/core/chain/slack-typed';
  import { showDay } from '$lib/core/time/day';
  import { commandForm } from '../form/command-form';
  import StrikeCell from '../table/StrikeCell.svelte';
  import StrikeRow from '../table/StrikeRow.svelte';

  let { sheet, today, unit }: { sheet: ChainSheet; today: string; unit: RuleUnit } = $props();
  const shown = (mm: number) => showSlack(mm, unit);
  const SHOWN = 5;
  let all = $state(false);
  const wanted = $derived(wantedNow(sheet));
  const rows = $derived(all ? sheet.past : sheet.past.slice(0, SHOWN));
  let striking = $state<string | null>(null);
  const form = commandForm('chain.strike', chainStrikeSchema, () => ({ checkId: '', reason: '' }), {
    body: ({ reason }) => ({ checkId: striking ?? '', reason }),
    taken: () => (striking = null)
  });
</script>

{#if sheet.past.length > 0}
  <section class="mt-8" aria-label="Every check">
    <h2>Every check</h2>
    <div class="relative overflow-x-auto">
      <table class="sheet-table stacked mt-1">
        <thead
          ><tr
            ><th>Day</th><th>Chain</th><th>Found</th><th>Adjusted</th><th>Axle tight</th><th>Marks</th><th
              >By</th
            ><th><span class="sr-only">Do</span></th></tr
          ></thead
        >
        <tbody>
          {#each rows as p (p.id)}
            {@const s = slackStand(p.readings, wanted)}
            {@const v = s.now && judgeSlack(s.now.slack, wanted)}
            <tr>
              <td class="whitespace-nowrap">{showDay(p.day, today)}</td>
              <td class="figure whitespace-nowrap"
                >{p.hours === null ? 'another' : `${p.hours.toFixed(1)} h`}</td
              >
              <td data-label="Found" class="figure"
                >{s.found ? shown(s.found.slack) : ''}{s.found?.slackest != null
                  ? ` (${shown(s.found.slackest)} at its slackest)`
                  : ''}</td
              >
              <td data-label="Adjusted" class="figure">{s.adjusted ? shown(s.adjusted.slack) : ''}</td>
              <td data-label="Axle tight" class="figure">{s.tight ? shown(s.tight.slack) : ''}</td>
              <td data-label="Marks" class="figure whitespace-nowrap"
                >{[s.now?.left, s.now?.right].filter((m) => m != null).join(' / ')}</td
              >
              <td data-label="By"
                >{p.by}{#if v === 'too tight' || v === 'too slack'}<strong class="error ml-2">left {v}</strong
                  >{/if}</td
              >
              <StrikeCell id={p.id} bind:striking {form} />
            </tr>
            {#if striking === p.id}<StrikeRow
                colspan={8}
                label="Strike out the check"
                {form}
                onleave={() => (striking = null)}
              />{/if}
          {/each}
        </tbody>
      </table>
    </div>
    {#if sheet.past.length > SHOWN && !all}<button
        type="button"
        class="link no-print mt-1 text-sm"
        onclick={() => (all = true)}>{sheet.past.length - SHOWN} earlier ones</button
      >{/if}
  </section>
{/if}
