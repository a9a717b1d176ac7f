<!-- A ride from its track: what moved is an outing with estimated hours, until a reading of the meter comes. -->
<script lang="ts">
  import { v5 } from 'uuid';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { likelyMachine, rideOf, RULE_WORDS, type Ride } from '$lib/core/track/track';
  import { minutesInWords } from '$lib/core/readiness/board';
  import { convert } from '$lib/core/quantity/quantity';
  import type { Person } from '$lib/core/team/team';
  import { showDay, type Day } from '$lib/core/time/day';
  import { Button, Select } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { sendAll } from '../form/send';
  import { say } from '../shell/shell.svelte';
  import { readTrack } from './read';

  interface Props {
    machines: { id: string; plate: string; name: string; riderId: string | null }[];
    people: Person[];
    personId: string | null;
    /** What each rider rode last, the latest first. */
    lately: { riderId: string | null; machineId: string }[];
    today: Day;
    timeZone: string;
    units: 'metric' | 'imperial';
    onleave: () => void;
  }
  let { machines, people, personId, lately, today, timeZone, units, onleave }: Props = $props();
  /** The outing of a track goes by when it was: the same file again is the same outing. */
  const SPACE = '7c1f3a56-0f5b-4a0e-9a6e-6f6a2a1c9d33';
  let ride = $state<Ride | null>(null);
  let id = '';
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  const rides = (p: string | null) =>
    machines.some((m) => m.riderId === p) || lately.some((l) => l.riderId === p);
  let riderId = $state(untrack(() => (rides(personId) ? (personId ?? '') : '')));
  let machineId = $state(untrack(() => likelyMachine(riderId || null, machines, lately) ?? ''));
  let kind = $state('ride');
  const distance = $derived(
    ride === null
      ? ''
      : units === 'metric'
        ? `${(ride.distance / 1000).toFixed(1)} km`
        : `${convert(ride.distance, 'm', 'mi').toFixed(1)} mi`
  );
  const hours = $derived(ride ? ride.moving / 3600 : 0);

  async function open(e: Event) {
    const input = e.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    errors = {};
    ride = null;
    if (!file) return;
    const read = await readTrack(await file.arrayBuffer());
    if (!read.ok) {
      errors = { file: read.message };
      return;
    }
    ride = rideOf(read.segments, timeZone);
    if (ride && ride.moving < 60) {
      errors = { file: 'Nothing in this track moved for a minute.' };
      ride = null;
    }
    if (ride) id = v5(`${ride.from} ${ride.to} ${Math.round(ride.distance)}`, SPACE);
  }
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy || !ride) return;
    if (machineId === '') {
      errors = { machineId: 'Pick a machine.' };
      return;
    }
    busy = true;
    const body = {
      id,
      machineId,
      typed: `+${hours.toFixed(2)}`,
      day: ride.day,
      outing: kind,
      riderId: riderId || null,
      distance,
      sure: true,
      remark: ''
    };
    const [sent] = await sendAll([
      { kind: 'reading.log', body: body as never, id: v5(`${id} logged`, SPACE) }
    ]);
    busy = false;
    errors = sent!.ok ? {} : sent!.errors;
    if (!sent!.ok) return;
    await invalidateAll();
    const { plate } = machines.find((m) => m.id === machineId)!;
    say(`${plate}: ${hours.toFixed(1)} h and ${distance} by its track, until its meter is read.`);
    onleave();
  }
</script>

<form
  class="no-print my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="A ride from its track"
  novalidate
  onsubmit={save}
>
  <label class="block"
    >GPX, TCX or FIT file
    <input
      type="file"
      class="mt-1 block"
      accept=".gpx,.tcx,.fit,application/gpx+xml"
      aria-invalid={errors.file ? true : undefined}
      onchange={open}
    /></label
  >
  {#if errors.file}<p class="error mt-1" role="alert">{errors.file}</p>{/if}
  {#if ride}
    <p class="mt-3 text-lg" role="status">
      <span class="figure text-3xl">{hours.toFixed(1)} h</span> moving,
      <span class="figure text-3xl">{distance}</span>, {showDay(ride.day, today)}
    </p>
    <p class="quiet max-w-2xl text-sm">
      {ride.standing >= 60
        ? `${minutesInWords(ride.standing / 60)} without moving, ${ride.stops === 1 ? 'one stop' : `${ride.stops} stops`}, left out. `
        : ''}{ride.leaps > 0
        ? `${ride.leaps === 1 ? 'One leap' : `${ride.leaps} leaps`} in time or place left out. `
        : ''}{RULE_WORDS}
    </p>
    <div class="mt-3 grid max-w-3xl items-start gap-3 sm:grid-cols-3">
      <Field label="Rider" error={errors.riderId}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={riderId}
            placeholder=""
            onchange={(e: Event) =>
              (machineId =
                likelyMachine((e.currentTarget as HTMLSelectElement).value || null, machines, lately) ??
                machineId)}
            items={[
              { value: '', name: 'nobody named' },
              ...people.map((p) => ({ value: p.id, name: p.name }))
            ]}
          />{/snippet}</Field
      >
      <Field label="Machine" error={errors.machineId}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={machineId}
            placeholder="Pick one"
            items={machines.map((m) => ({ value: m.id, name: `${m.plate}  ${m.name}` }))}
          />{/snippet}</Field
      >
      <Field label="It was" error={errors.outing}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={kind}
            placeholder=""
            items={['ride', 'practice', 'race', 'moto', 'day out'].map((k) => ({ value: k, name: k }))}
          />{/snippet}</Field
      >
    </div>
  {/if}
  <FormError message={errors[''] ?? errors.typed ?? errors.day ?? errors.distance ?? errors.sure} />
  <div class="mt-3 flex gap-3">
    <Button type="submit" color="primary" disabled={!ride || busy}>Write it down</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
