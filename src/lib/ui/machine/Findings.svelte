<!-- What is wrong with a machine or component until somebody closes it, and what waits for an event. -->
<script lang="ts">
  import { Input, Textarea } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { WAITS_FOR, waitsInWords, type Reminder } from '$lib/core/finding/reminder';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';
  import SeverityMark from './SeverityMark.svelte';

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

  type Doing = '' | 'finding' | 'reminder' | `close ${string}` | `regrade ${string}`;
  let doing = $state<Doing>('');
  const turn = (what: Doing) => {
    doing = doing === what ? '' : what;
    form.errors = {};
    // What was said of one finding is not said of the next.
    [word, severity] = ['', ''];
  };
  const form = new Form();
  const note = new Form();
  let id = crypto.randomUUID();
  let what = $state('');
  let componentId = $state('');
  let place = $state('');
  let story = $state('');
  let severity = $state<Severity | ''>('');
  let word = $state('');
  let words = $state('');
  let waitsFor = $state<(typeof WAITS_FOR)[number]>('the next outing');
  let which = $state('');

  /** Sent and taken: what was typed is cleared, what stands is read anew. */
  async function over(sent: unknown) {
    if (!sent) return;
    id = crypto.randomUUID();
    doing = '';
    [what, componentId, place, story, severity, word, words, which] = ['', '', '', '', '', '', '', ''];
    await invalidateAll();
  }
  const add = async () =>
    over(
      await form.send('finding.add', {
        id,
        machineId: machineId!,
        componentId: componentId || null,
        what,
        place,
        note: story,
        severity
      })
    );
  const close = async (findingId: string) => over(await form.send('finding.close', { findingId, word }));
  const regrade = async (findingId: string) =>
    over(await form.send('finding.regrade', { id, findingId, severity, word }));
  const remind = async () =>
    over(await form.send('reminder.add', { id, machineId: machineId!, words, waitsFor, part: which }));
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
    <InPlace label="Finding" {form} submit="Write it down" onsave={add} onleave={() => turn('')}>
      <div class="grid items-start gap-3 sm:grid-cols-2">
        <Field label="What is wrong" error={form.errors.what}
          >{#snippet children(a)}<Input
              {...a}
              bind:value={what}
              maxlength={200}
              placeholder="Right fork seal weeps"
            />{/snippet}</Field
        >
        {#if parts.length > 0}<Field label="On" error={form.errors.componentId}
            >{#snippet children(a)}<select {...a} class="cell" bind:value={componentId}>
                <option value="">the machine itself</option>
                {#each parts as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
              </select>{/snippet}</Field
          >{/if}
      </div>
      <div class="mt-3">
        <OnePick label="How grave" options={SEVERITIES} bind:value={severity} error={form.errors.severity} />
      </div>
      <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
        <Field label="Where (may be left empty)" error={form.errors.place}
          >{#snippet children(a)}<Input {...a} bind:value={place} maxlength={120} />{/snippet}</Field
        >
        <Field label="More in words (may be left empty)" error={form.errors.note}
          >{#snippet children(a)}<Textarea
              {...a}
              rows={1}
              class="w-full"
              bind:value={story}
            />{/snippet}</Field
        >
      </div>
    </InPlace>
  {:else if doing === 'reminder'}
    <InPlace label="Remind" {form} submit="Remind" onsave={remind} onleave={() => turn('')}>
      <div class="grid items-start gap-3 sm:grid-cols-3">
        <Field label="What is to be done then" error={form.errors.words}
          >{#snippet children(a)}<Input
              {...a}
              bind:value={words}
              placeholder="Read the level again"
            />{/snippet}</Field
        >
        <Field label="It waits for" error={form.errors.waitsFor}
          >{#snippet children(a)}<select {...a} class="cell" bind:value={waitsFor}
              >{#each WAITS_FOR as w (w)}<option>{w}</option>{/each}</select
            >{/snippet}</Field
        >
        {#if waitsFor === 'a part to arrive' || waitsFor === 'a tool to arrive'}<Field
            label={waitsFor === 'a part to arrive' ? 'Which part' : 'Which tool'}
            error={form.errors.part}
            >{#snippet children(a)}<Input {...a} bind:value={which} />{/snippet}</Field
          >{/if}
      </div>
    </InPlace>
  {/if}

  {#each findings as f (f.id)}
    <div class="rule-b py-2" role="group" aria-label={f.what}>
      <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <SeverityMark severity={f.severity} />
        <strong>{f.what}</strong>
        <span class="quiet text-sm"
          >{[
            f.place,
            f.part,
            `${showDay(f.day, today)}${f.hours === null ? '' : ` at ${showHours(f.hours)} h`}, ${f.by}`
          ]
            .filter(Boolean)
            .join(' · ')}</span
        >
        <span class="no-print ml-auto flex gap-4">
          {#if f.waits && !f.waits.come}<button
              type="button"
              class="link"
              onclick={() => mark(f.waits!.id, 'come')}>That has come</button
            >{/if}
          <button type="button" class="link" onclick={() => turn(`regrade ${f.id}`)}
            >Judge it otherwise</button
          >
          <button type="button" class="link" onclick={() => turn(`close ${f.id}`)}>Close it</button>
        </span>
      </div>
      {#if f.note && !f.what.includes(f.note)}<p class="text-sm">{f.note}</p>{/if}
      {#if f.waits}<p class="text-sm">{waitsInWords(f.waits)}</p>{/if}
      {#if doing === `close ${f.id}`}
        <InPlace
          label="Close the finding"
          {form}
          submit="It is done"
          onsave={() => close(f.id)}
          onleave={() => turn('')}
        >
          <Field
            label="What was done: torque and wrench, or what was found"
            error={form.errors.word}
            class="max-w-xl">{#snippet children(a)}<Input {...a} bind:value={word} />{/snippet}</Field
          >
        </InPlace>
      {:else if doing === `regrade ${f.id}`}
        <InPlace
          label="Judge it otherwise"
          {form}
          submit="Keep it"
          onsave={() => regrade(f.id)}
          onleave={() => turn('')}
        >
          <OnePick
            label="How grave"
            options={SEVERITIES.filter((s) => s !== f.severity)}
            bind:value={severity}
            error={form.errors.severity}
          />
          <Field label="Why" error={form.errors.word} class="mt-3 max-w-xl"
            >{#snippet children(a)}<Input {...a} bind:value={word} />{/snippet}</Field
          >
        </InPlace>
      {/if}
    </div>
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
