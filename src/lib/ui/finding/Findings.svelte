<!-- What is wrong with a machine or component until somebody closes it, and what waits for an event. -->
<script lang="ts">
  import { Input, Textarea } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { findingSchema, reminderSchema } from '$lib/core/finding/form';
  import { waitsInWords, type Reminder } from '$lib/core/finding/reminder';
  import { showDay, type Day } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import { Press } from '../form/press.svelte';
  import OnePick from '../form/OnePick.svelte';
  import FindingLine from './FindingLine.svelte';
  import WaitsFor from './WaitsFor.svelte';

  interface Open {
    id: string;
    what: string;
    note: string;
    place: string;
    severity: Severity;
    part: string | null;
    day: string;
    hours: number | null;
    by: string;
    waits: Reminder | null;
    before?: Day[];
    photos?: string[];
  }
  interface Closed {
    id: string;
    what: string;
    day: string;
    closed: { day: string; by: string; word: string } | null;
  }
  interface Props {
    /** The machine it is written down on; null on the shelf, where nothing is added. */
    machineId: string | null;
    parts?: { id: string; name: string }[];
    findings: Open[];
    reminders?: Reminder[];
    closed?: Closed[];
    today: string;
  }
  let { machineId, parts = [], findings, reminders = [], closed = [], today }: Props = $props();

  /** What stands open in its place: `finding`, `reminder`, or what is done with one of the findings. */
  let doing = $state('');
  const over = { taken: () => (doing = ''), kept: () => (doing = '') };
  const found = commandForm(
    'finding.add',
    findingSchema,
    () => ({
      id: crypto.randomUUID(),
      machineId: machineId!,
      componentId: '',
      what: '',
      place: '',
      note: '',
      severity: '' as Severity | ''
    }),
    { ...over, body: (typed) => ({ ...typed, componentId: typed.componentId || null }) }
  );
  const { data: finding, errors: findingErrors } = found;
  const reminding = commandForm(
    'reminder.add',
    reminderSchema,
    () => ({
      id: crypto.randomUUID(),
      machineId: machineId!,
      words: '',
      waitsFor: 'the next outing' as string,
      part: '',
      expectedOn: null as string | null
    }),
    over
  );
  const { data: reminder, errors: reminderErrors } = reminding;
  const note = new Press();

  /** Opens one of them, empty: what was said of one finding is not said of the next. */
  function turn(what: string) {
    found.reset();
    reminding.reset();
    doing = doing === what ? '' : what;
  }
  async function mark(reminderId: string, now: 'come' | 'done') {
    if (await note.send('reminder.note', { reminderId, now, word: '' })) await invalidateAll();
  }
</script>

<section id="findings" class="mt-6" aria-label="Findings">
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h2>Findings</h2>
    {#if machineId}
      <button type="button" class="link no-print text-sm" onclick={() => turn('finding')}
        >Write down a finding</button
      >
      <button type="button" class="link no-print text-sm" onclick={() => turn('reminder')}
        >Remind when something happens</button
      >
    {/if}
  </div>
  {#if doing === 'finding'}
    <InPlace label="Finding" form={found} submit="Write it down" onleave={() => turn('')}>
      <div class="grid items-start gap-3 sm:grid-cols-2">
        <Field label="What is wrong" error={$findingErrors.what}
          >{#snippet children(a)}<Input
              {...a}
              bind:value={$finding.what}
              maxlength={200}
              placeholder="Right fork seal weeps"
            />{/snippet}</Field
        >
        {#if parts.length > 0}<Field label="On" error={$findingErrors.componentId}
            >{#snippet children(a)}<select {...a} class="cell" bind:value={$finding.componentId}>
                <option value="">the machine itself</option>
                {#each parts as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
              </select>{/snippet}</Field
          >{/if}
      </div>
      <div class="mt-3">
        <OnePick
          label="How grave"
          options={SEVERITIES}
          bind:value={$finding.severity}
          error={$findingErrors.severity}
        />
      </div>
      <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
        <Field label="Where (may be left empty)" error={$findingErrors.place}
          >{#snippet children(a)}<Input {...a} bind:value={$finding.place} maxlength={120} />{/snippet}</Field
        >
        <Field label="More in words (may be left empty)" error={$findingErrors.note}
          >{#snippet children(a)}<Textarea
              {...a}
              rows={1}
              class="w-full"
              bind:value={$finding.note}
            />{/snippet}</Field
        >
      </div>
    </InPlace>
  {:else if doing === 'reminder'}
    <InPlace label="Remind" form={reminding} submit="Remind" onleave={() => turn('')}>
      <div class="grid items-start gap-3 sm:grid-cols-3">
        <Field label="What is to be done then" error={$reminderErrors.words}
          >{#snippet children(a)}<Input
              {...a}
              bind:value={$reminder.words}
              placeholder="Read the level again"
            />{/snippet}</Field
        >
        <WaitsFor
          label="It waits for"
          bind:waitsFor={$reminder.waitsFor}
          bind:part={$reminder.part}
          bind:expectedOn={$reminder.expectedOn}
          errors={$reminderErrors}
        />
      </div>
    </InPlace>
  {/if}

  {#each findings as f (f.id)}
    <FindingLine finding={f} before={f.before} photos={f.photos} benchAt={machineId} bind:doing {today} />
  {/each}
  {#each reminders as r (r.id)}
    <p class="rule-b flex flex-wrap items-baseline gap-x-4 py-2">
      <strong>{r.words}</strong><span class="quiet text-sm">{waitsInWords(r)}</span>
      <span class="no-print ml-auto flex gap-4">
        {#if !r.come}<button type="button" class="link" onclick={() => mark(r.id, 'come')}
            >That has come</button
          >{/if}
        <button type="button" class="link" onclick={() => mark(r.id, 'done')}>Done</button>
      </span>
    </p>
  {/each}
  {#if note.errors['']}<p class="error mt-1 text-sm" role="alert">{note.errors['']}</p>{/if}
  {#if findings.length === 0 && reminders.length === 0 && doing === ''}<p class="quiet mt-1">
      Nothing is open.
    </p>{/if}
  {#if closed.length > 0}
    <details class="mt-2">
      <summary class="text-sm">Closed: {closed.length}</summary>
      {#each closed as f (f.id)}<p class="rule-b py-1 text-sm">
          <strong>{f.what}</strong>, {showDay(f.day, today)}. Closed {showDay(f.closed!.day, today)} by {f
            .closed!.by}: {f.closed!.word}
        </p>{/each}
    </details>
  {/if}
</section>
