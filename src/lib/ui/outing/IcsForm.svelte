<!-- Outings taken in from a calendar file: what each would be, picked, with what all of them have in common asked once. -->
<script lang="ts">
  import { v5 } from 'uuid';
  import { invalidateAll } from '$app/navigation';
  import { likelyKind, verdictOf, type FileEvent, type Verdict } from '$lib/core/calendar/taken';
  import { errorsByField } from '$lib/core/forms';
  import { eventSchema } from '$lib/core/outing/form';
  import { showDays, type Day } from '$lib/core/time/day';
  import { Button, Checkbox, Input } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';
  import { sendAll } from '../form/send';
  import { say } from '../base/page.svelte';
  import { MOST_BYTES, type ReadFile } from '$lib/workers/calendar';
  import { readFile } from '../exchange/read-file';
  import MachinePicks from './MachinePicks.svelte';

  interface Props {
    machines: { id: string; plate: string; name: string }[];
    /** Ids of outings that are planned. */
    planned: readonly string[];
    today: Day;
    timeZone: string;
    onleave: () => void;
  }
  let { machines, planned, today, timeZone, onleave }: Props = $props();
  /** The id of an event by what it goes by in its file: taken in again, it is the same. */
  const SPACE = '2f0e6a2c-5a0f-4f0e-8a76-0b6a9c0d7e41';
  const KINDS = ['race', 'practice', 'day out'] as const;
  interface Line extends FileEvent {
    id: string;
    verdict: Verdict;
    kind: (typeof KINDS)[number];
    take: boolean;
    /** Why the server did not take it. */
    refused: string;
  }
  let lines = $state<Line[]>([]);
  let read = $state<Extract<ReadFile, { ok: true }> | null>(null);
  let errors = $state<Record<string, string>>({});
  let hoursEach = $state('');
  let wholeFleet = $state(true);
  let machineIds = $state<string[]>([]);
  let busy = $state(false);
  let reading = $state(false);
  const taking = $derived(lines.filter((l) => l.take));
  const others = $derived(lines.filter((l) => l.verdict !== 'new' && !l.refused));

  async function open(e: Event) {
    const input = e.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    errors = {};
    lines = [];
    read = null;
    if (!file) return;
    if (file.size > MOST_BYTES) {
      errors = { file: `A calendar file of at most ${MOST_BYTES / 1e6} MB.` };
      return;
    }
    reading = true;
    const found = await readFile({ kind: 'calendar', text: await file.text(), timeZone, today });
    // Another one was picked meanwhile.
    if (file !== input.files?.[0]) return;
    reading = false;
    if (!found.ok) {
      errors = { file: found.message };
      return;
    }
    read = found;
    lines = found.events.map((event) => {
      const id = v5(`${event.uid} ${event.firstDay}`, SPACE);
      const verdict = verdictOf(event, today, planned.includes(id));
      return { ...event, id, verdict, kind: likelyKind(event.name), take: verdict === 'new', refused: '' };
    });
  }
  const bodyOf = (l: Line) => ({
    id: l.id,
    name: l.name,
    kind: l.kind,
    firstDay: l.firstDay,
    lastDay: l.lastDay,
    hoursEach,
    wholeFleet,
    machineIds: wholeFleet ? [] : machineIds
  });
  const AT_ONCE = 50;
  async function take(e: SubmitEvent) {
    e.preventDefault();
    if (busy || taking.length === 0) return;
    const wrong = taking.map((l) => eventSchema.safeParse(bodyOf(l))).find((p) => !p.success);
    errors = wrong && !wrong.success ? errorsByField(wrong.error) : {};
    if (wrong) return;
    busy = true;
    const list = taking;
    let done = 0;
    for (let from = 0; from < list.length; from += AT_ONCE) {
      const some = list.slice(from, from + AT_ONCE);
      const sent = await sendAll(some.map((l) => ({ kind: 'event.plan' as const, body: bodyOf(l) })));
      for (const [i, s] of sent.entries()) {
        const line = some[i]!;
        if (s.ok) done += 1;
        else line.refused = Object.values(s.errors)[0] ?? 'Not taken.';
        if (s.ok) {
          line.verdict = 'planned already';
          line.take = false;
        }
      }
    }
    busy = false;
    await invalidateAll();
    say(done === 1 ? 'One outing is planned.' : `${done} outings are planned.`);
    if (done === list.length) onleave();
  }
</script>

<form
  class="no-print my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Take in a calendar file"
  novalidate
  onsubmit={take}
>
  <Field label="Calendar file (.ics)" error={errors.file}
    >{#snippet children(a)}<input
        {...a}
        type="file"
        class="field w-full max-w-xl"
        accept=".ics,text/calendar"
        onchange={open}
      />{/snippet}</Field
  >
  {#if reading}<p class="mt-3" role="status">Reading the file …</p>{/if}
  {#if read && lines.length === 0}<p class="mt-3">Nothing in it lies on a day.</p>{/if}
  {#if lines.some((l) => l.verdict === 'new' || l.refused)}
    <div class="mt-3">
      {#each lines.filter((l) => l.verdict === 'new' || l.refused) as l (l.id)}
        <div class="rule-b flex flex-wrap items-center gap-x-4 gap-y-1 py-1" role="group" aria-label={l.name}>
          <label class="flex min-h-11 grow items-center gap-3"
            ><input
              type="checkbox"
              class="h-6 w-6 shrink-0"
              style="accent-color: var(--ink)"
              bind:checked={l.take}
            />
            <strong>{l.name}</strong>
            <span class="quiet">{showDays(l.firstDay, l.lastDay, today)}</span></label
          >
          <select class="cell !w-auto" aria-label="What {l.name} is" bind:value={l.kind}
            >{#each KINDS as k (k)}<option>{k}</option>{/each}</select
          >
          {#if l.refused}<p class="error w-full text-sm" role="alert">{l.refused}</p>{/if}
        </div>
      {/each}
    </div>
    <div class="mt-3 max-w-48">
      <Field label="Hours each machine uses" error={errors.hoursEach}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={hoursEach}
            inputmode="decimal"
            placeholder="3.5"
          />{/snippet}</Field
      >
    </div>
    <div class="mt-3"><Checkbox bind:checked={wholeFleet}>The whole fleet goes</Checkbox></div>
    {#if !wholeFleet}<MachinePicks {machines} bind:picked={machineIds} error={errors.machineIds} />{/if}
  {:else if lines.length > 0}<p class="mt-3">Nothing in it is new.</p>{/if}
  {#if others.length > 0}<p class="quiet mt-3 text-sm">
      Left out: {(['planned already', 'over', 'longer than 31 days'] as const)
        .map((v) => [v, others.filter((l) => l.verdict === v).length] as const)
        .filter(([, n]) => n > 0)
        .map(([v, n]) => `${n} ${v}`)
        .join(', ')}.
    </p>{/if}
  {#if read && read.more > 0}<p class="quiet text-sm">
      It goes on past what is shown: take it in again later.
    </p>{/if}
  {#if read && read.unreadable > 0}<p class="error text-sm" role="alert">
      {read.unreadable === 1 ? 'One entry has' : `${read.unreadable} entries have`} no name or no day.
    </p>{/if}
  <div class="mt-3 flex gap-3">
    <Button type="submit" color="primary" disabled={busy || taking.length === 0}
      >{taking.length === 1 ? 'Plan this one' : `Plan these ${taking.length}`}</Button
    >
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
