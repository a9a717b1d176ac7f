<!--
  A whole day in one grid: a row a machine, Enter goes down, rows left empty are left alone. Good rows are kept; a doubtful
  one stays, with its question, and so does everything typed in it.
-->
<script lang="ts">
  import { Button, Select } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import type { Person } from '$lib/core/team/team';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { send, type Sent } from '../form/send';
  import Ridden from './Ridden.svelte';
  import { nothingRidden, riddenInWords } from './ridden';
  import Settle, { type Settlement } from './Settle.svelte';

  interface Machine {
    id: string;
    plate: string;
    name: string;
    meter: string | null;
    total: number | null;
    riderId: string | null;
  }
  interface Props {
    machines: Machine[];
    people: Person[];
    events: {
      id: string;
      name: string;
      firstDay: string;
      lastDay: string;
      wholeFleet: boolean;
      machineIds: string[];
    }[];
    today: string;
  }
  let { machines, people, events, today }: Props = $props();

  const none = (): Settlement => ({ as: '', reason: '', oldFinal: '', newStart: '' });
  let day = $state(untrack(() => today));
  let rows = $state(
    untrack(() =>
      machines.map((m) => ({
        machine: m,
        id: crypto.randomUUID(),
        typed: '',
        riderId: m.riderId ?? '',
        remark: '',
        ridden: nothingRidden(),
        details: false,
        askSure: false,
        errors: {} as Record<string, string>,
        doubts: [] as string[],
        ways: [] as string[],
        settlement: none(),
        saved: ''
      }))
    )
  );
  let kind = $state('race');
  /** The events that were on that day; the first of them unless someone says otherwise. */
  const onDay = $derived(events.filter((e) => e.firstDay <= day && day <= e.lastDay));
  let eventId = $derived(onDay[0]?.id ?? '');
  let problem = $state('');
  let busy = $state(false);
  let pasting = $state(false);
  let told = $state('');
  const written = $derived(
    rows.filter(
      (r) => r.typed.trim() !== '' || r.ridden.distance.trim() !== '' || r.ridden.symptoms.length > 0
    )
  );

  function down(e: KeyboardEvent, i: number, column: string) {
    const by = e.key === 'Enter' || e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (by === 0 || (e.ctrlKey && e.key === 'Enter')) return;
    e.preventDefault();
    document.getElementById(`${column}-${i + by}`)?.focus();
  }
  function touch(i: number) {
    const r = rows[i]!;
    r.errors = {};
    r.doubts = [];
    r.ways = [];
    r.settlement = none();
    r.saved = '';
  }
  interface Due {
    name: string;
    left: string;
    state: string;
  }
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    if (written.length === 0) {
      problem = 'Nothing written yet. Fill in the meter of the machines that were out.';
      return;
    }
    busy = true;
    const sent = await send<Sent<{ total: string; due: Due[] }>[]>('/api/raceday', {
      rows: written.map((r) => ({
        id: r.id,
        machineId: r.machine.id,
        typed: r.typed,
        day,
        remark: r.remark,
        ...r.ridden,
        riderId: r.riderId || null,
        outing: kind,
        eventId: eventId || null,
        settlement: r.settlement.as ? r.settlement : null
      }))
    });
    busy = false;
    if (!sent.ok) {
      problem = Object.values(sent.errors)[0] ?? 'Not saved.';
      return;
    }
    problem = '';
    const sentRows = written;
    let good = 0;
    sent.data.forEach((answer, i) => {
      const r = sentRows[i]!;
      if (answer.ok) {
        good += 1;
        const { total, due } = answer.data;
        Object.assign(r, {
          saved: `${total}${due.length > 0 ? `. Now: ${due.map((d) => `${d.name} ${d.left}, ${d.state}`).join('; ')}` : ''}`,
          id: crypto.randomUUID(),
          typed: '',
          remark: '',
          ridden: nothingRidden(),
          details: false,
          askSure: false,
          errors: {},
          doubts: [],
          ways: [],
          settlement: none()
        });
      } else {
        r.askSure = Boolean(answer.more.askSure);
        r.details ||= ['distance', 'before', 'crossings'].some((k) => answer.errors[k]);
        if (!Object.keys(answer.errors).some((k) => k.startsWith('settlement'))) {
          r.doubts = ((answer.more.doubts as { message: string }[]) ?? []).map((d) => d.message);
          r.ways = (answer.more.ways as string[]) ?? [];
        }
        r.errors =
          r.doubts.length > 0
            ? Object.fromEntries(Object.entries(answer.errors).filter(([k]) => k !== 'typed'))
            : answer.errors;
      }
    });
    const left = sent.data.length - good;
    told = `${good} written down.${left > 0 ? ` ${left} asked about below.` : ''}`;
    await invalidateAll();
    if (left > 0)
      document
        .getElementById(
          `typed-${rows.findIndex((r) => r.doubts.length > 0 || Object.keys(r.errors).length > 0)}`
        )
        ?.focus();
  }
</script>

{#if pasting}{#await import('./PasteDay.svelte') then { default: PasteDay }}<PasteDay
      {machines}
      {people}
      {today}
      {day}
      kind={kind as 'race'}
      onleave={() => (pasting = false)}
    />{/await}{/if}
<form onsubmit={save} class="mt-4" aria-label="Race day" novalidate>
  <div class="flex flex-wrap items-start gap-3">
    <Field label="Day" class="w-44"
      >{#snippet children(a)}<input
          {...a}
          type="date"
          class="cell"
          bind:value={day}
          max={today}
        />{/snippet}</Field
    >
    <Field label="Kind" class="w-40"
      >{#snippet children(a)}<Select
          {...a}
          bind:value={kind}
          placeholder=""
          items={['race', 'moto', 'practice', 'ride', 'day out'].map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    {#if onDay.length > 0}
      <Field label="Event" class="w-64"
        >{#snippet children(a)}<Select
            {...a}
            bind:value={eventId}
            placeholder=""
            items={[
              { value: '', name: 'none of these' },
              ...onDay.map((e) => ({ value: e.id, name: e.name }))
            ]}
          />{/snippet}</Field
      >
    {/if}
    <p class="quiet max-w-md pt-6 text-sm">
      <button type="button" class="link" onclick={() => (pasting = !pasting)}>Paste from a spreadsheet</button
      ><br />
      Enter goes down. Rows left empty are left alone. <kbd>+2h30</kbd> is time ridden, <kbd>~</kbd> the machine’s
      usual hours.
    </p>
  </div>

  <div class="mt-4 relative overflow-x-auto">
    <table class="sheet-table">
      <thead
        ><tr
          ><th>Machine</th><th>Stands at</th><th>Meter shows, or time ridden</th><th>Rider</th><th>Ridden</th
          ><th>Remark</th></tr
        ></thead
      >
      <tbody>
        {#each rows as r, i (r.machine.id)}
          <tr class="row">
            <td class="whitespace-nowrap"
              ><span class="plate text-lg">{r.machine.plate}</span> {r.machine.name}</td
            >
            <td class="figure text-lg whitespace-nowrap"
              >{r.machine.total === null
                ? 'not known'
                : `${showHours(machines.find((m) => m.id === r.machine.id)?.total ?? r.machine.total)} h`}</td
            >
            <td>
              <input
                id="typed-{i}"
                class="cell figure text-xl"
                inputmode="decimal"
                autocomplete="off"
                placeholder={r.machine.meter === 'reckoned' ? '2h30 ridden' : ''}
                aria-label="{r.machine.plate} {r.machine.meter === 'reckoned'
                  ? 'time ridden'
                  : 'meter shows'}"
                aria-invalid={r.errors.typed ? true : undefined}
                bind:value={r.typed}
                oninput={() => touch(i)}
                onkeydown={(e) => down(e, i, 'typed')}
              />
            </td>
            <td>
              <select id="rider-{i}" class="cell" aria-label="{r.machine.plate} rider" bind:value={r.riderId}>
                <option value="">not said</option>
                {#each people as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
              </select>
            </td>
            <td
              ><button
                type="button"
                id="ridden-{i}"
                class="cell text-left text-sm"
                aria-expanded={r.details}
                aria-label="{r.machine.plate} how it was ridden"
                onclick={() => (r.details = !r.details)}>{riddenInWords(r.ridden) || 'as usual'}</button
              ></td
            >
            <td
              ><input
                id="remark-{i}"
                class="cell"
                aria-label="{r.machine.plate} remark"
                bind:value={r.remark}
                onkeydown={(e) => down(e, i, 'remark')}
              /></td
            >
          </tr>
          {#if r.details}<tr
              ><td colspan="6" class="details"
                ><Ridden
                  bind:value={r.ridden}
                  errors={r.errors}
                  askSure={r.askSure}
                  metered={r.machine.meter !== 'reckoned'}
                /></td
              ></tr
            >{/if}
          {#if r.saved || r.doubts.length > 0 || Object.keys(r.errors).length > 0}
            <tr>
              <td colspan="6">
                {#if r.saved}<p style:color="var(--done)" class="font-bold">
                    ■ {r.machine.plate} written down: {r.saved}
                  </p>{/if}
                {#each Object.entries(r.errors).filter(([k]) => !k.startsWith('settlement') && !(r.details && ['distance', 'before', 'crossings'].includes(k))) as [k, message] (k)}<p
                    class="error"
                    role="alert"
                  >
                    {message}
                  </p>{/each}
                {#if r.doubts.length > 0}<Settle
                    doubts={r.doubts}
                    ways={r.ways}
                    bind:value={r.settlement}
                    errors={r.errors}
                  />{/if}
              </td>
            </tr>
          {/if}
        {/each}
      </tbody>
    </table>
  </div>
  <FormError message={problem} />
  <div class="mt-4 flex flex-wrap items-center gap-4">
    <Button type="submit" color="primary" size="lg" disabled={busy}
      >Write down {written.length || ''} {written.length === 1 ? 'row' : 'rows'}</Button
    >
    <span role="status">{told}</span>
  </div>
</form>

<style>
  .details {
    background: var(--sheet);
    padding: 0.75rem;
  }
  .row td {
    vertical-align: middle;
  }
</style>
