<script lang="ts">
  import { Button } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { showHours } from '$lib/core/hours/hours';
  import { showKm } from '$lib/core/hours/learned';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { Press } from '$lib/ui/form/press.svelte';
  import ReadingTable from '$lib/ui/machine/ReadingTable.svelte';
  import MeterForm from '$lib/ui/meter/MeterForm.svelte';
  import OdometerForm from '$lib/ui/meter/OdometerForm.svelte';
  import RunningChart from '$lib/ui/meter/RunningChart.svelte';
  import { openHours } from '$lib/ui/base/page.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  let reading = $state(false);
  const fill = new Press();
  const zone = $derived(data.team?.timeZone ?? 'UTC');
  const inUse = $derived(data.meters.find((m) => m.counts === 'hours' && m.removedAt === null) ?? null);
  const odometer = $derived(data.meters.find((m) => m.counts === 'distance' && m.removedAt === null) ?? null);
  /** A task that goes by distance leads here for its odometer. */
  const wantsOdometer = $derived(page.url.searchParams.has('odometer') && odometer === null);
  let changing = $derived(wantsOdometer);
  const on = (d: Date | null) => (d === null ? '' : showDay(dayOf(d, zone), data.today));
  const show = (v: number, counts: string) => (counts === 'distance' ? showKm(v) : `${showHours(v)} h`);
  const changes = $derived(
    data.meters.flatMap((m) =>
      m.counts === 'hours' && m.removedAt
        ? [{ at: m.removedAt.getTime(), words: m.change || 'replaced' }]
        : []
    )
  );
  const estimates = $derived(data.history.steps.filter((s) => s.estimated).length);
  const sentence = $derived(
    `${data.machine.plate} stands at ${data.total === null ? 'unknown hours' : `${showHours(data.total)} h`}${data.estimated ? ', estimated since the last true reading' : ', by its meter'}. ${changes.length === 0 ? 'One meter since the book began' : `${changes.length + 1} meters so far`}${estimates > 0 ? `, ${estimates} points from time ridden or estimates` : ''}${data.history.struck.length > 0 ? `, ${data.history.struck.length} struck out` : ''}.`
  );
  async function estimate(outingId: string) {
    if (await fill.send('outing.estimate', { outingId })) await invalidateAll();
  }
</script>

<svelte:head><title>Meters · {data.machine.plate} {data.machine.name} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Meters and readings</h1>
  <span class="ml-auto text-sm"><CsvLink list="readings" search={{ machine: data.machine.id }} /></span>
</div>

{#if data.history.steps.length > 0}
  {#key data.history}<RunningChart
      steps={data.history.steps}
      struck={data.history.struck}
      {changes}
      timeZone={zone}
      {sentence}
    />{/key}
{:else}<p class="mt-3">Nothing read and nothing ridden yet.</p>{/if}

{#if data.unknown.length > 0}
  <section id="unknown" class="mt-5" aria-label="Outings without hours">
    <h2>Outings nobody read a meter after</h2>
    {#each data.unknown as o (o.id)}
      <p class="rule-b flex flex-wrap items-baseline gap-x-4 py-2">
        <span class="figure">{showDay(o.day, data.today)}</span>
        {o.kind}{o.distance ? `, ${showKm(o.distance)}` : ''}
        {#if o.estimate}<span class="quiet">{o.estimate.words}</span>
          <button
            type="button"
            class="link ml-auto text-sm"
            disabled={fill.busy}
            onclick={() => estimate(o.id)}>Take {showHours(o.estimate.hours)} h as estimated</button
          >{:else}<span class="quiet">its usual hours are not known yet</span>{/if}
      </p>
    {/each}
    {#if fill.errors['']}<p class="error mt-1" role="alert">{fill.errors['']}</p>{/if}
  </section>
{/if}

<div class="mt-6 grid gap-8 lg:grid-cols-[3fr_2fr]">
  <section>
    <div class="flex flex-wrap items-baseline gap-4">
      <h2>Meters</h2>
      <button type="button" class="link text-sm" onclick={() => (changing = !changing)}
        >Something happened to one</button
      >
      {#if odometer}<button type="button" class="link text-sm" onclick={() => (reading = !reading)}
          >Log the odometer</button
        >{/if}
    </div>
    {#if changing}<MeterForm
        machineId={data.machine.id}
        hours={inUse && { kind: inUse.kind, dead: inUse.dead.some((d) => d.until === null) }}
        odometer={odometer !== null}
        today={data.today}
        what={wantsOdometer ? 'odometer added/distance' : ''}
        onleave={() => (changing = false)}
      />{/if}
    {#if reading}<OdometerForm
        machineId={data.machine.id}
        today={data.today}
        onleave={() => (reading = false)}
      />{/if}
    <div class="relative overflow-x-auto">
      <table class="sheet-table stacked mt-2">
        <thead
          ><tr><th>Meter</th><th>From</th><th>Started at</th><th>Until</th><th>Ended at</th><th>Why</th></tr
          ></thead
        >
        <tbody>
          {#each data.meters as m (m.id)}<tr>
              <td
                >{m.kind}{#each m.dead as d (d.since)}{#if d.until === null}<strong class="block text-sm"
                      >dead since {on(new Date(d.since))}: hours from time ridden</strong
                    >{:else}<span class="quiet block text-sm"
                      >dead {on(new Date(d.since))} – {on(new Date(d.until))}{d.counted
                        ? ', went on counting'
                        : ': hours from time ridden'}</span
                    >{/if}{/each}</td
              >
              <td data-label="from" class="figure whitespace-nowrap">{on(m.fittedAt)}</td>
              <td data-label="started at" class="figure whitespace-nowrap">{show(m.firstValue, m.counts)}</td>
              <td data-label="until" class="figure whitespace-nowrap"
                >{m.removedAt ? on(m.removedAt) : 'in use'}</td
              >
              <td data-label="ended at" class="figure whitespace-nowrap"
                >{m.removedAt ? (m.lastValue === null ? 'not read' : show(m.lastValue, m.counts)) : ''}</td
              >
              <td>{[m.change === 'added' ? '' : m.change, m.removedReason].filter(Boolean).join(': ')}</td>
            </tr>{/each}
        </tbody>
      </table>
    </div>
  </section>
  <section>
    <h2>Its own pace</h2>
    <table class="sheet-table mt-2">
      <tbody>
        <tr
          ><td>Speed</td><td class="figure text-lg"
            >{data.learned.speed === null ? 'not known yet' : `${showKm(data.learned.speed)}/h`}</td
          ></tr
        >
        <tr
          ><td>A race</td><td class="figure text-lg"
            >{data.learned.perRace === null ? 'not known yet' : `${showHours(data.learned.perRace)} h`}</td
          ></tr
        >
        <tr
          ><td>An outing</td><td class="figure text-lg"
            >{data.learned.perOuting === null
              ? 'not known yet'
              : `${showHours(data.learned.perOuting)} h`}</td
          ></tr
        >
      </tbody>
    </table>
    <p class="quiet mt-1 text-sm">
      The middle of what its outings say, from three on. It fills gaps, marked as estimated, and questions a
      figure that does not fit.
    </p>
  </section>
</div>

<section class="mt-6">
  <div class="flex items-baseline gap-4">
    <h2>Readings</h2>
    <Button size="xs" color="alternative" onclick={() => openHours(data.machine.id)}>Log hours</Button>
  </div>
  <ReadingTable readings={data.readings} timeZone={zone} strike />
  <p class="no-print mt-2 flex gap-4 text-sm">
    {#if data.older}<a class="link" href="?before={encodeURIComponent(data.older)}">Older</a>{/if}
    {#if !data.newest}<a class="link" href="/machines/{data.machine.id}/meters">Newest</a>{/if}
  </p>
</section>
