<script lang="ts">
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { SCALES, type Scale } from '$lib/core/fasteners/wrench';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const id = crypto.randomUUID();
  const form = new Form();
  let draft = $state({ name: '', unit: 'N·m' as Scale, low: '', high: '', length: '', calibratedUntil: '' });
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!(await form.send('wrench.add', { ...draft, id }))) return;
    await invalidateAll();
    onleave();
  }
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Add a torque wrench"
  novalidate
>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-3">
    <Field label="Name" error={form.errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={draft.name} />{/snippet}</Field
    >
    <Field label="Its scale is in" error={form.errors.unit}
      >{#snippet children(a)}<Select
          {...a}
          placeholder=""
          bind:value={draft.unit}
          items={SCALES.map((v) => ({ value: v, name: v }))}
        />{/snippet}</Field
    >
    <Field label="From" error={form.errors.low}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={draft.low} />{/snippet}</Field
    >
    <Field label="To" error={form.errors.high}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={draft.high} />{/snippet}</Field
    >
    <Field
      label="Drive centre to middle of the grip"
      hint="mm unless you say; for adapters"
      error={form.errors.length}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={draft.length} />{/snippet}</Field
    >
    <Field label="Calibrated until" error={form.errors.calibratedUntil}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={draft.calibratedUntil} />{/snippet}</Field
    >
  </div>
  <FormError message={form.errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={form.busy}>Add it</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
