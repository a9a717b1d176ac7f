<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import { showKm } from '$lib/core/hours/learned';
  import { awayInWords } from '$lib/core/schedule/words';
  import { showDay, showDays, weekday } from '$lib/core/time/day';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { Press } from '$lib/ui/form/press.svelte';
  import IcsForm from '$lib/ui/outing/IcsForm.svelte';
  import PlanForm from '$lib/ui/outing/PlanForm.svelte';
  import TrackForm from '$lib/ui/track/TrackForm.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  let planning = $state(false);
  let taking = $state(false);
  let tracking = $state(false);
  const press = new Press();
  /** The one that is being changed. */
  let changing = $state<string | null>(null);
  let calledOff = $state<{ id: string; name: string } | null>(null);
  const plates = $derived(new Map(data.machines.map((m) => [m.id, m.plate])));

  async function callOff(event: { id: string; name: string }, off: boolean) {
    if (await press.send('event.call-off', { eventId: event.id, off })) calledOff = off ? event : null;
    await invalidateAll();
  }
  /** What of an outing aged the machine, in one line. */
  const ridden = (o: (typeof data.outings)[number]) =>
    [
      o.distance === null ? '' : showKm(o.distance),
      ...o.conditions,
      o.crossings > 0 ? `${o.crossings} crossings` : '',
      o.clutch === 'usual' ? '' : `clutch ${o.clutch}`,
      ...o.symptoms
    ]
      .filter(Boolean)
      .join(', ');
</script>

<svelte:head><title>Outings · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-4">
  <h1>Outings</h1>
  <a class="link" href="/outings/day">Log a race day, the whole fleet</a>
  {#if !tracking}<button type="button" class="link no-print" onclick={() => (tracking = true)}
      >A ride from its track</button
    >{/if}
  <span class="ml-auto text-sm"
    ><a class="link mr-4" href="/exchange#calendars">In your own calendar</a><CsvLink list="outings" /></span
  >
</div>

{#if tracking && data.team}
  <TrackForm
    machines={data.machines}
    people={data.people}
    personId={data.personId}
    lately={data.lately}
    ridden={data.ridden}
    today={data.today}
    timeZone={data.team.timeZone}
    units={data.units}
    onleave={() => (tracking = false)}
  />
{/if}

<section class="mt-5">
  <div class="flex items-baseline gap-4">
    <h2>Planned</h2>
    {#if !planning}<button type="button" class="link text-sm" onclick={() => (planning = true)}
        >Plan an outing</button
      >{/if}
    {#if !taking}<button type="button" class="link no-print text-sm" onclick={() => (taking = true)}
        >Take in a calendar file</button
      >{/if}
  </div>
  {#if calledOff}<p class="mt-1" role="status">
      {calledOff.name} is called off.
      <button type="button" class="link" onclick={() => callOff(calledOff!, false)}>Undo</button>
    </p>{/if}
  <FormError message={press.errors['']} />
  {#if planning}
    <PlanForm machines={data.machines} onleave={() => (planning = false)} />
  {/if}
  {#if taking && data.team}
    <IcsForm
      machines={data.machines}
      planned={data.plannedIds}
      today={data.today}
      timeZone={data.team.timeZone}
      onleave={() => (taking = false)}
    />
  {/if}
  {#if data.ahead.length === 0}
    <p class="mt-2">
      Nothing planned. What is planned lies over every trail as a taped stretch, and says what to do before
      it.
    </p>
  {:else}
    <div class="relative overflow-x-auto">
      <table class="sheet-table stacked mt-2">
        <thead
          ><tr
            ><th>When</th><th>What</th><th>Hours each</th><th>Who goes</th><th
              ><span class="sr-only">Do</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each data.ahead as e (e.id)}
            <tr>
              <td class="whitespace-nowrap"
                ><span class="figure text-lg">{showDays(e.firstDay, e.lastDay, data.today)}</span>
                <span class="quiet">{awayInWords(data.today, e.firstDay)}</span>{#if e.leavesOn}<span
                    class="quiet block text-sm">leaves {showDay(e.leavesOn, data.today)}</span
                  >{/if}</td
              >
              <td><strong>{e.name}</strong> <span class="quiet">{e.kind}</span></td>
              <td data-label="each" class="figure text-lg"
                >{showHours(e.hoursEach)} h{#each Object.entries(e.otherHours) as [m, h] (m)}<span
                    class="quiet block text-sm">{plates.get(m) ?? '…'}: {showHours(h)} h</span
                  >{/each}</td
              >
              <td data-label="goes:"
                >{e.wholeFleet
                  ? 'the whole fleet'
                  : e.machineIds.map((m) => plates.get(m) ?? '…').join(', ')}</td
              >
              <td class="text-right whitespace-nowrap"
                ><button type="button" class="link mr-3 text-sm" onclick={() => (changing = e.id)}
                  >Change</button
                ><button type="button" class="link text-sm" onclick={() => callOff(e, true)}>Call off</button
                ></td
              >
            </tr>
            {#if changing === e.id}<tr
                ><td colspan="5" class="whole"
                  ><PlanForm machines={data.machines} planned={e} onleave={() => (changing = null)} /></td
                ></tr
              >{/if}
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</section>

<section class="mt-8">
  <h2>Ridden</h2>
  {#if data.outings.length === 0}
    <p class="mt-2">Nothing ridden yet. Press <kbd>l</kbd> to log hours.</p>
  {:else}
    <div class="relative overflow-x-auto">
      <table class="sheet-table stacked mt-2">
        <thead
          ><tr
            ><th>Day</th><th>Machine</th><th>Kind</th><th>Meter after</th><th>Rider</th><th>Ridden</th><th
              >Remark</th
            ></tr
          ></thead
        >
        <tbody>
          {#each data.outings as o (o.id)}
            <tr>
              <td class="figure whitespace-nowrap">{weekday(o.day)} {showDay(o.day, data.today)}</td>
              <td class="whitespace-nowrap"
                ><a class="no-underline hover:underline" href="/machines/{o.machineId}"
                  ><span class="plate">{o.plate}</span> {o.machine}</a
                ></td
              >
              <td>{o.kind}{o.event ? `, ${o.event}` : ''}</td>
              <td class="figure text-lg whitespace-nowrap"
                >{o.value !== null
                  ? `${showHours(o.value)} h`
                  : o.ridden !== null
                    ? `+${showHours(o.ridden)} h ridden`
                    : 'hours not known'}</td
              >
              <td>{o.rider ?? ''}</td>
              <td class="text-sm">{ridden(o)}</td>
              <td class="whole max-w-md break-words"
                >{o.remark.length > 160 ? `${o.remark.slice(0, 160)}…` : o.remark}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if data.older}<p class="mt-3"><a class="link" href="?before={data.older}">Older</a></p>{/if}
  {/if}
</section>
