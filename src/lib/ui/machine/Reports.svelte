<!-- What riders report and what happens to a machine. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import type { Kind } from '$lib/core/machine/machine';
  import { shownBy } from '$lib/core/machine/shown';
  import { INCIDENTS, SYMPTOMS } from '$lib/core/outing/outing';
  import { callSchema, dropCallSchema } from '$lib/core/schedule/form';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import OneWord from '../form/OneWord.svelte';

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
    kind: Kind;
    calls: Call[];
    today: string;
  }
  let { machineId, kind, calls, today }: Props = $props();

  let adding = $state(false);
  const form = commandForm(
    'call.report',
    callSchema,
    () => ({ id: crypto.randomUUID(), machineId, what: '', words: '', day: today }),
    { taken: () => turn(), kept: () => turn() }
  );
  const { data, errors } = form;
  function turn() {
    form.reset();
    adding = !adding;
  }
  const drop = commandForm('call.drop', dropCallSchema, () => ({ callId: '', word: '' }), {
    taken: () => (dropping = '')
  });
  let dropping = $state('');
  function turnDrop(callId: string) {
    drop.reset({ callId });
    dropping = dropping === callId ? '' : callId;
  }
</script>

<section id="reported" class="mt-6" aria-label="Reported">
  <div class="flex flex-wrap items-baseline gap-4">
    <h2>Reported</h2>
    <button type="button" class="link no-print text-sm" onclick={turn}>Report a symptom or incident</button>
  </div>
  {#if adding}
    <InPlace label="Report" {form} submit="Write it down" onleave={turn}>
      <div class="grid items-start gap-3 sm:grid-cols-[1fr_10rem_2fr]">
        <Field label="What" error={$errors.what}>
          {#snippet children(a)}<select {...a} class="cell" bind:value={$data.what}>
              <option value="">Pick one</option>
              <optgroup label="Symptom"
                >{#each shownBy(SYMPTOMS, kind) as s (s)}<option>{s}</option>{/each}</optgroup
              >
              <optgroup label="Incident"
                >{#each shownBy(INCIDENTS, kind) as s (s)}<option>{s}</option>{/each}</optgroup
              >
            </select>{/snippet}
        </Field>
        <Field label="Day" error={$errors.day}
          >{#snippet children(a)}<Input
              {...a}
              type="date"
              bind:value={$data.day}
              max={today}
            />{/snippet}</Field
        >
        <Field label="In words" error={$errors.words}
          >{#snippet children(a)}<Input {...a} bind:value={$data.words} />{/snippet}</Field
        >
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
        <button type="button" class="link ml-2" onclick={() => turnDrop(c.id)}>Drop it</button>
      </p>
      {#if dropping === c.id}<OneWord
          label="Drop {c.what}"
          form={drop}
          field="word"
          ask="Why it is dropped"
          submit="Drop it"
        />{/if}
    </div>
  {/each}
  {#if calls.length === 0 && !adding}<p class="quiet mt-1">Nothing reported.</p>{/if}
</section>
