<!-- What riders report and what happens to a machine; and what waits for an event. -->
<script lang="ts">
  import { Button, Input, Select } from 'flowbite-svelte';
  import { invalidateAll } from '$app/navigation';
  import { INCIDENTS, SYMPTOMS } from '$lib/core/outing/outing';
  import type { TaskRow } from '$lib/core/schedule/row';
  import { WAITS_FOR } from '$lib/core/schedule/form';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';

  interface Call {
    id: string;
    kind: string;
    what: string;
    words: string;
    day: string;
    by: string;
    tasks: { id: string; name: string; done: boolean }[];
  }
  interface Props {
    machineId: string;
    calls: Call[];
    reminders: TaskRow[];
    today: string;
  }
  let { machineId, calls, reminders, today }: Props = $props();

  let adding = $state<'call' | 'reminder' | ''>('');
  let id = crypto.randomUUID();
  let what = $state('');
  let words = $state('');
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let waitsFor = $state('the next outing');
  let part = $state('');
  const form = new Form();
  const note = new Form();
  let dropping = $state('');
  let dropWord = $state('');

  async function done() {
    id = crypto.randomUUID();
    adding = '';
    [words, what, part] = ['', '', ''];
    await invalidateAll();
  }
  async function report() {
    if (await form.send('call.report', { id, machineId, what, words, day })) await done();
  }
  async function remind() {
    if (await form.send('reminder.add', { id, machineId, words, waitsFor, part })) await done();
  }
  async function drop(callId: string) {
    if (await note.send('call.drop', { callId, word: dropWord })) {
      dropping = '';
      dropWord = '';
      await invalidateAll();
    }
  }
  let finishing = $state('');
  let finished = $state('');
  async function mark(reminderId: string, now: 'raised' | 'done', word = '') {
    if (!(await note.send('reminder.note', { reminderId, now, word }))) return;
    // Somebody may have opened another one meanwhile; that stays as it is.
    if (finishing === reminderId) {
      finishing = '';
      finished = '';
    }
    await invalidateAll();
  }
</script>

<section id="reported" class="mt-6" aria-label="Reported">
  <div class="flex flex-wrap items-baseline gap-4">
    <h2>Reported, and waiting</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'call' ? '' : 'call')}>Report a symptom or incident</button
    >
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'reminder' ? '' : 'reminder')}>Remind when something happens</button
    >
  </div>
  {#if adding === 'call'}
    <InPlace label="Report" {form} submit="Write it down" onsave={report} onleave={() => (adding = '')}>
      <div class="grid items-start gap-3 sm:grid-cols-[1fr_10rem_2fr]">
        <Field label="What" error={form.errors.what}>
          {#snippet children(a)}<select {...a} class="cell" bind:value={what}>
              <option value="">Pick one</option>
              <optgroup label="Symptom"
                >{#each SYMPTOMS as s (s)}<option>{s}</option>{/each}</optgroup
              >
              <optgroup label="Incident"
                >{#each INCIDENTS as s (s)}<option>{s}</option>{/each}</optgroup
              >
            </select>{/snippet}
        </Field>
        <Field label="Day" error={form.errors.day}
          >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
        >
        <Field label="In words" error={form.errors.words}
          >{#snippet children(a)}<Input {...a} bind:value={words} />{/snippet}</Field
        >
      </div>
    </InPlace>
  {:else if adding === 'reminder'}
    <InPlace label="Remind" {form} submit="Remind" onsave={remind} onleave={() => (adding = '')}>
      <div class="grid items-start gap-3 sm:grid-cols-3">
        <Field label="What is to be done then" error={form.errors.words}
          >{#snippet children(a)}<Input
              {...a}
              bind:value={words}
              placeholder="Read the level again"
            />{/snippet}</Field
        >
        <Field label="It waits for" error={form.errors.waitsFor}
          >{#snippet children(a)}<Select
              {...a}
              bind:value={waitsFor}
              placeholder=""
              items={WAITS_FOR.map((w) => ({ value: w, name: w }))}
            />{/snippet}</Field
        >
        {#if waitsFor === 'a part to arrive'}<Field label="Which part" error={form.errors.part}
            >{#snippet children(a)}<Input {...a} bind:value={part} />{/snippet}</Field
          >{/if}
      </div>
    </InPlace>
  {/if}

  {#each calls as c (c.id)}
    <div class="rule-b py-2">
      <p>
        <strong>{c.what}</strong>
        {c.words}
        <span class="quiet text-sm">{c.kind}, {showDay(c.day, today)}, {c.by}</span>
      </p>
      <p class="text-sm">
        {#if c.tasks.length > 0}Calls {#each c.tasks as t, i (t.id)}{i > 0 ? ', ' : ''}<a
              class="link"
              href="/tasks/{t.id}">{t.name}</a
            >{t.done ? ' (done since)' : ''}{/each}.{:else}No task answers it. Let one be called by it, or
          drop it with a word.{/if}
        <button type="button" class="link ml-2" onclick={() => (dropping = dropping === c.id ? '' : c.id)}
          >Drop it</button
        >
      </p>
      {#if dropping === c.id}
        <form
          class="mt-1 flex flex-wrap items-start gap-2"
          aria-label="Drop {c.what}"
          novalidate
          onsubmit={(e) => {
            e.preventDefault();
            void drop(c.id);
          }}
        >
          <Field label="Why it is dropped" error={note.errors.word} class="w-80 max-w-full"
            >{#snippet children(a)}<Input {...a} bind:value={dropWord} />{/snippet}</Field
          >
          <Button type="submit" size="sm" color="alternative" class="mt-6">Drop it</Button>
        </form>
      {/if}
    </div>
  {/each}
  {#each reminders as r (r.taskId)}
    <p class="rule-b flex flex-wrap items-baseline gap-x-4 py-2">
      <strong>{r.name}</strong><span class="quiet text-sm">{r.reminder!.waitsFor}</span>
      <span class="ml-auto flex gap-3 text-sm">
        {#if !r.reminder!.raised}<button type="button" class="link" onclick={() => mark(r.taskId, 'raised')}
            >That has come</button
          >{/if}
        {#if r.reminder!.keepsOff}<button
            type="button"
            class="link"
            onclick={() => (finishing = finishing === r.taskId ? '' : r.taskId)}>Finish it</button
          >{:else}<button type="button" class="link" onclick={() => mark(r.taskId, 'done')}>Done</button>{/if}
      </span>
    </p>
    {#if finishing === r.taskId}
      <form
        class="flex flex-wrap items-start gap-3 py-2"
        aria-label="Finish it"
        onsubmit={async (e) => {
          e.preventDefault();
          await mark(r.taskId, 'done', finished);
        }}
      >
        <Field
          label="What was done: torque and wrench, or what was found"
          error={note.errors.word}
          class="w-96 max-w-full"
          >{#snippet children(a)}<Input {...a} bind:value={finished} />{/snippet}</Field
        >
        <Button type="submit" size="sm" color="alternative" class="mt-6">It is done</Button>
      </form>
    {/if}
  {/each}
  {#if calls.length === 0 && reminders.length === 0 && !adding}<p class="quiet mt-1">
      Nothing reported, nothing waits.
    </p>{/if}
</section>
