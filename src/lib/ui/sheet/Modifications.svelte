<!-- What was changed on a machine, and which figures that may make wrong. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { MODIFICATION_NAMES, MODIFICATIONS } from '$lib/core/specs/changes';
  import { modificationSchema } from '$lib/core/specs/form';
  import { figureKind } from '$lib/core/specs/kinds';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import { Press } from '../form/press.svelte';

  interface Row {
    id: string;
    what: string;
    words: string;
    day: string;
    undone: string | null;
    by: string;
    why: string;
  }
  let { machineId, rows, today }: { machineId: string; rows: Row[]; today: string } = $props();
  let adding = $state(false);
  const form = commandForm(
    'modification.add',
    modificationSchema,
    () => ({ id: crypto.randomUUID(), machineId, what: '', words: '', day: today }),
    { taken: () => turn() }
  );
  const { data, errors } = form;
  function turn() {
    form.reset();
    adding = !adding;
  }
  const note = new Press();
  const touches = $derived(
    (MODIFICATIONS[$data.what]?.figures ?? []).map((k) => figureKind(k)?.label.toLowerCase() ?? k).join(', ')
  );
  async function undo(modificationId: string) {
    if (await note.send('modification.note', { modificationId, undoneOn: today })) await invalidateAll();
  }
</script>

<div class="flex items-baseline gap-4">
  <h2>Modifications</h2>
  <button type="button" class="link no-print text-sm" onclick={turn}>Something was changed</button>
</div>
{#if adding}
  <InPlace label="Modification" {form} submit="Write it down" onleave={turn}>
    <div class="grid items-start gap-3 sm:grid-cols-[1fr_10rem_2fr]">
      <Field label="What" error={$errors.what}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={$data.what}
            placeholder="Pick one"
            items={MODIFICATION_NAMES.map((m) => ({ value: m, name: m }))}
          />{/snippet}</Field
      >
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
    {#if touches}<p class="quiet mt-2 text-sm">It marks as doubtful: {touches}.</p>{/if}
  </InPlace>
{/if}
{#each rows as m (m.id)}
  <p class="rule-b flex flex-wrap items-baseline gap-x-4 py-2">
    <span class="figure">{showDay(m.day, today)}</span> <strong>{m.what}</strong>
    {m.words}
    <span class="quiet text-sm"
      >{m.why} {m.by}{m.undone ? `. Taken back ${showDay(m.undone, today)}` : ''}</span
    >
    {#if !m.undone}<button type="button" class="link no-print ml-auto text-sm" onclick={() => undo(m.id)}
        >Taken back today</button
      >{/if}
  </p>
{:else}{#if !adding}<p class="quiet mt-1">As it left the maker, as far as the book knows.</p>{/if}{/each}
{#if note.errors['']}<p class="error" role="alert">{note.errors['']}</p>{/if}
