<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { SCALES } from '$lib/core/fasteners/wrench';
  import { wrenchSchema } from '$lib/core/stores/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const form = commandForm(
    'wrench.add',
    wrenchSchema,
    () => ({
      id: crypto.randomUUID(),
      name: '',
      unit: 'N·m' as string,
      low: '',
      high: '',
      length: '',
      calibratedUntil: ''
    }),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Add a torque wrench" {form} submit="Add it" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-3">
    <Field label="Name" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field label="Its scale is in" error={$errors.unit}
      >{#snippet children(a)}<Select
          {...a}
          placeholder=""
          bind:value={$data.unit}
          items={SCALES.map((v) => ({ value: v, name: v }))}
        />{/snippet}</Field
    >
    <Field label="From" error={$errors.low}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.low} />{/snippet}</Field
    >
    <Field label="To" error={$errors.high}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.high} />{/snippet}</Field
    >
    <Field
      label="Drive centre to middle of the grip"
      hint="mm unless you say; for adapters"
      error={$errors.length}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.length} />{/snippet}</Field
    >
    <Field label="Calibrated until" error={$errors.calibratedUntil}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.calibratedUntil} />{/snippet}</Field
    >
  </div>
</InPlace>
