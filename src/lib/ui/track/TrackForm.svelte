<!-- A ride from its track: what moved is an outing with estimated hours, until a reading of the meter comes. -->
<script lang="ts">
  import { v5 } from 'uuid';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { likelyMachine, rideFigures, RULE_WORDS, type Ride } from '$lib/core/track/track';
  import { minutesInWords } from '$lib/core/time/minutes';
  import type { Person } from '$lib/core/team/team';
  import { showDay, type Day } from '$lib/core/time/day';
  import { Button, Select } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { sendAll } from '../form/send';
  import { say } from '../base/page.svelte';
  import { readFile } from '../exchange/read-file';
  import { MOST_BYTES } from '$lib/workers/track';

  interface Props {
    machines: { id: string; plate: string; name: string; riderId: string | null }[];
    people: Person[];
    personId: string | null;
    /** What each rider rode last, the latest first. */
    lately: { riderId: string | null; machineId: string }[];
    /** Which machines stand in the book as ridden on which days. */
    ridden: { machineId: string; day: Day }[];
    today: Day;
    timeZone: string;
    units: 'metric' | 'imperial';
    onleave: () => void;
  }
  let { machines, people, personId, lately, ridden, today, timeZone, units, onleave }: Props = $props();
  /** The outing of a track goes by when it was: the same file again is the same outing. */
  const SPACE = '7c1f3a56-0f5b-4a0e-9a6e-6f6a2a1c9d33';
  let ride = $state<Ride | null>(null);
  let id = '';
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  let reading = $state(false);
  const rides = (p: string | null) =>
    machines.some((m) => m.riderId === p) || lately.some((l) => l.riderId === p);
  let riderId = $state(untrack(() => (rides(personId) ? (personId ?? '') : '')));
  let machineId = $state(untrack(() => likelyMachine(riderId || null, machines, lately) ?? ''));
  let kind = $state('ride');
  const figures = $derived(ride && rideFigures(ride, units));
  const before = $derived(ridden.some((r) => r.machineId === machineId && r.day === ride?.day));
  /** The hours and the distance do not fit, and are to be looked at again. */
  let odd = $state('');

  async function open(e: Event) {
    const input = e.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    errors = {};
    odd = '';
    ride = null;
    if (!file) return;
    if (file.size > MOST_BYTES) {
      errors = { file: `A track of at most ${MOST_BYTES / 1e6} MB.` };
      return;
    }
    reading = true;
    const read = await readFile({ kind: 'track', bytes: await file.arrayBuffer(), timeZone });
    // Another one was picked meanwhile.
    if (file !== input.files?.[0]) return;
    reading = false;
    if (!read.ok) {
      errors = { file: read.message };
      return;
    }
    ({ ride } = read);
    if (ride && ride.moving < 60) {
      errors = { file: 'Nothing in this track moved for a minute.' };
      ride = null;
    }
    if (ride) id = v5(`${ride.from} ${ride.to} ${Math.round(ride.distance)}`, SPACE);
  }
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy || !ride || !figures) return;
    if (machineId === '') {
      errors = { machineId: 'Pick a machine.' };
      return;
    }
    busy = true;
    const body = {
      id,
      machineId,
      typed: figures.typed,
      day: ride.day,
      outing: kind,
      riderId: riderId || null,
      distance: figures.distance,
      sure: odd !== '',
      remark: ''
    };
    const [sent] = await sendAll([
      { kind: 'reading.log', body: body as never, id: v5(`${id} logged`, SPACE) }
    ]);
    busy = false;
    errors = sent!.ok ? {} : sent!.errors;
    if (!sent!.ok) {
      if (sent!.more.askSure) [odd, errors] = [sent!.errors.distance ?? '', {}];
      return;
    }
    await invalidateAll();
    const { plate } = machines.find((m) => m.id === machineId)!;
    say(
      `${plate}: ${figures.hours.toFixed(1)} h and ${figures.distance} by its track, until its meter is read.`
    );
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
  {#if reading}<p class="mt-3" role="status">Reading the file …</p>{/if}
  {#if ride && figures}
    <p class="mt-3 text-lg" role="status">
      <span class="figure text-3xl">{figures.hours.toFixed(1)} h</span> moving,
      <span class="figure text-3xl">{figures.distance}</span>, {showDay(ride.day, today)}
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
  {#if before}<p class="mt-3" style="color: var(--soon)">
      {machines.find((m) => m.id === machineId)?.plate} stands in the book as ridden that day. If that was this
      ride, leave it.
    </p>{/if}
  {#if odd}<p class="error mt-3" role="alert">{odd}</p>{/if}
  <FormError message={errors[''] ?? errors.typed ?? errors.day ?? errors.distance} />
  <div class="mt-3 flex gap-3">
    <Button type="submit" color="primary" disabled={!ride || busy}
      >{odd ? 'It is so, write it down' : 'Write it down'}</Button
    >
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
