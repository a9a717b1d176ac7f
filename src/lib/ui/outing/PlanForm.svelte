<!-- An outing that lies ahead: when, how long, and who goes. -->
<script lang="ts">
  import { eventSchema } from '$lib/core/machine/form';
  import { Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import MachinePicks from './MachinePicks.svelte';

  interface Props {
    machines: { id: string; plate: string; name: string }[];
    onleave: () => void;
  }
  let { machines, onleave }: Props = $props();
  const form = commandForm(
    'event.plan',
    eventSchema,
    () => ({
      id: crypto.randomUUID(),
      name: '',
      kind: 'race',
      firstDay: '',
      lastDay: '',
      hoursEach: '',
      wholeFleet: true,
      machineIds: [] as string[]
    }),
    { body: (f) => ({ ...f, lastDay: f.lastDay || f.firstDay }), taken: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Plan an outing" {form} submit="Plan it" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-[2fr_1fr_1fr_1fr_1fr]">
    <Field label="Name" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field label="Kind" error={$errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={$data.kind}
          placeholder=""
          items={['race', 'practice', 'day out'].map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    <Field label="First day" error={$errors.firstDay}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.firstDay} />{/snippet}</Field
    >
    <Field label="Last day" error={$data.lastDay ? $errors.lastDay : undefined} hint="empty: one day"
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.lastDay} />{/snippet}</Field
    >
    <Field label="Hours each uses" error={$errors.hoursEach}
      >{#snippet children(a)}<Input
          {...a}
          bind:value={$data.hoursEach}
          inputmode="decimal"
          placeholder="3.5"
        />{/snippet}</Field
    >
  </div>
  <div class="mt-3"><Checkbox bind:checked={$data.wholeFleet}>The whole fleet goes</Checkbox></div>
  {#if !$data.wholeFleet}
    <MachinePicks {machines} bind:picked={$data.machineIds} error={$errors.machineIds} />
  {/if}
</InPlace>
