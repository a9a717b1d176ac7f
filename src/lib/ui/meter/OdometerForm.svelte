<!-- What the odometer shows. -->
<script lang="ts">
  import { odometerSchema } from '$lib/core/hours/form';
  import { Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    machineId: string;
    today: string;
    onleave: () => void;
  }
  let { machineId, today, onleave }: Props = $props();
  const form = commandForm(
    'odometer.log',
    odometerSchema,
    () => ({ id: crypto.randomUUID(), machineId, typed: '', day: '' }),
    { body: (f) => ({ ...f, day: f.day || today }), taken: () => onleave(), kept: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Log the odometer" {form} submit="Log" {onleave}>
  <div class="grid gap-3 sm:grid-cols-2">
    <Field label="Odometer shows, km" error={$errors.typed}
      >{#snippet children(a)}<Input {...a} bind:value={$data.typed} inputmode="decimal" />{/snippet}</Field
    >
    <Field label="Day" error={$errors.day} hint="empty: today"
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
  </div>
</InPlace>
