<!--
  A whole day in one grid: a row a machine, Enter goes down, rows left empty are left alone. Good rows are kept; a doubtful
  one stays, with its question, and so does everything typed in it.
-->
<script lang="ts">
  import { Button, Select } from '$lib/ui/form/controls';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { Person } from '$lib/core/team/team';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import type { Logged } from '$lib/core/schedule/logged';
  import { goOn } from '../form/go-on';
  import { sendAll, type Sent } from '../form/send';
  import { writeFindings } from './new-finding';
  import { DayRow, type DayMachine } from './day-row.svelte';
  import DayRowView from './DayRow.svelte';

  interface Props {
    machines: DayMachine[];
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

  let day = $state(untrack(() => today));
  const rows = untrack(() => machines.map((m) => new DayRow(m)));
  let kind = $state('race');
  /** The events that were on that day. Unless someone says otherwise, each machine was where it was planned to be. */
  const onDay = $derived(events.filter((e) => e.firstDay <= day && day <= e.lastDay));
  const PLANNED = 'as planned';
  const NONE = 'none';
  let event = $derived(onDay.length > 0 ? PLANNED : NONE);
  const eventId = $derived(event === PLANNED ? undefined : event === NONE ? null : event);
  /** More rows than anyone brings to a race; the others by a few letters. */
  const MOST_ROWS = 120;
  let words = $state('');
  const shown = $derived.by(() => {
    const w = words.trim().toLowerCase();
    const hit = (r: DayRow) => `${r.machine.plate} ${r.machine.name}`.toLowerCase().includes(w);
    // What is written or asked about stays in sight whatever is looked for.
    return rows.filter((r) => r.written || r.asked || hit(r)).slice(0, MOST_ROWS);
  });
  let problem = $state('');
  let busy = $state(false);
  let pasting = $state(false);
  let told = $state('');
  const written = $derived(rows.filter((r) => r.written));

  function down(e: KeyboardEvent, i: number, column: string) {
    const by = e.key === 'Enter' || e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (by === 0 || (e.ctrlKey && e.key === 'Enter')) return;
    e.preventDefault();
    document.getElementById(`${column}-${i + by}`)?.focus();
  }
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    if (written.length === 0) {
      problem = 'Nothing written yet. Fill in the meter of the machines that were out.';
      return;
    }
    // What stands in an open panel was picked there; the rest is what the line says.
    for (const [i, r] of shown.entries())
      if (!r.details && !r.hear()) {
        problem = `${r.machine.plate}: ${r.errors.ridden}`;
        document.getElementById(`ridden-${i}`)?.focus();
        return;
      }
    busy = true;
    const from = document.activeElement ?? document.body;
    const sentRows = written;
    // Each row is a command of its own, under the row's id: what is sent again after a lost answer is written once.
    const answers = await sendAll(
      sentRows.map((r) => ({ kind: 'reading.log', id: r.id, body: r.body(day, kind, eventId) }))
    );
    busy = false;
    const lost = answers.find((a) => !a.ok && (a.more.retry || a.more.needsWho));
    problem = lost && !lost.ok ? (Object.values(lost.errors)[0] ?? 'Not saved.') : '';
    for (const [i, a] of answers.entries())
      if (a.ok) await writeFindings(sentRows[i]!.machine.id, day, sentRows[i]!.findings);
    answers.forEach((a, i) => {
      if (a.ok || !(a.more.retry || a.more.needsWho)) sentRows[i]!.take(a as Sent<Logged>);
    });
    const good = answers.filter((a) => a.ok).length;
    if (lost && good === 0) return;
    const left = answers.length - good;
    told = `${good} written down.${left > 0 ? ` ${left} asked about below.` : ''}`;
    await invalidateAll();
    if (left > 0) goOn(from, document.getElementById(`typed-${shown.findIndex((r) => r.asked)}`));
  }
</script>

{#if pasting}{#await import('../exchange/ImportPanel.svelte') then { default: ImportPanel }}<ImportPanel
      only="outings"
      usual={{ day, kind }}
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
            bind:value={event}
            placeholder=""
            items={[
              { value: PLANNED, name: `as planned: ${onDay.map((e) => e.name).join(', ')}` },
              ...onDay.map((e) => ({ value: e.id, name: `all at ${e.name}` })),
              { value: NONE, name: 'none of these' }
            ]}
          />{/snippet}</Field
      >
    {/if}
    {#if rows.length > MOST_ROWS}
      <Field label="Machine" class="w-40" hint="{shown.length} of {rows.length} shown"
        >{#snippet children(a)}<input
            {...a}
            type="search"
            class="cell"
            placeholder="plate or name"
            bind:value={words}
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
        {#each shown as r, i (r.machine.id)}
          <DayRowView
            {r}
            {i}
            {people}
            stands={machines.find((m) => m.id === r.machine.id) ?? r.machine}
            ondown={down}
          />
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
