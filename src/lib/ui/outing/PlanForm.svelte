<!-- An outing that lies ahead: when, how long, and who goes. -->
<script lang="ts">
  import { eventSchema } from '$lib/core/machine/form';
  import { Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

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
  const toggle = (id: string) =>
    ($data.machineIds = $data.machineIds.includes(id)
      ? $data.machineIds.filter((m) => m !== id)
      : [...$data.machineIds, id]);
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
    <div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Machines that go">
      {#each machines as m (m.id)}<button
          type="button"
          class="machine"
          aria-pressed={$data.machineIds.includes(m.id)}
          onclick={() => toggle(m.id)}>{m.plate} {m.name}</button
        >{/each}
    </div>
    {#if $errors.machineIds}<p class="error text-sm" role="alert">{$errors.machineIds}</p>{/if}
  {/if}
</InPlace>

<style>
  .machine {
    border: 1px solid var(--rule-strong);
    padding: 0.3rem 0.7rem;
  }
  .machine[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
</style>
