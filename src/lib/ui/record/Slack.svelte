<!-- The slack of a record: as found, adjusted, with the axle tight. -->
<script lang="ts">
  import { slackStand, type Reading } from '$lib/core/chain/check';
  import { inSixteenths, showSlack } from '$lib/core/chain/slack-typed';

  interface Props {
    check: { struck: string | null; readings: Reading[] };
    machineId: string | null;
  }
  let { check, machineId }: Props = $props();
  const stand = $derived(slackStand(check.readings, null));
  const rows = $derived(
    (
      [
        ['As found', stand.found],
        ['Adjusted', stand.adjusted],
        ['Axle tight', stand.tight]
      ] as const
    ).flatMap(([name, r]) => (r ? [{ name, r }] : []))
  );
</script>

<section class="mt-6" aria-label="Chain slack">
  <h2>Chain slack</h2>
  {#if check.struck}<p class="caution mt-1">Struck out: {check.struck}</p>{/if}
  <table class="sheet-table stacked mt-1">
    <thead><tr><th>Read</th><th>Slack</th><th>Slackest place</th><th>Marks</th></tr></thead>
    <tbody>
      {#each rows as { name, r } (name)}
        <tr>
          <td class="font-bold">{name}</td>
          <td data-label="Slack" class="figure">{showSlack(r.slack)} ({inSixteenths(r.slack)})</td>
          <td data-label="Slackest place" class="figure"
            >{r.slackest === null ? '' : showSlack(r.slackest)}</td
          >
          <td data-label="Marks" class="figure">{[r.left, r.right].filter((m) => m !== null).join(' / ')}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if machineId}<a class="link no-print text-sm" href="/machines/{machineId}/chain">the chain sheet</a>{/if}
</section>
