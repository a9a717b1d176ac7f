<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { filterSchema, type FilterSet } from '$lib/core/stores/filters';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    /** The set that is counted anew; null: a new one. */
    set: FilterSet | null;
    machines: readonly { id: string; plate: string; name: string }[];
    onleave: () => void;
  }
  let { set, machines, onleave }: Props = $props();
  const form = commandForm(
    'filter.keep',
    filterSchema,
    () => ({
      id: set?.id ?? crypto.randomUUID(),
      name: set?.name ?? '',
      machineIds: set?.machines.map((m) => m.id) ?? [],
      clean: set ? String(Math.max(0, set.clean)) : '',
      dirty: set ? String(Math.max(0, set.dirty)) : ''
    }),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
  const turn = (id: string) =>
    ($data.machineIds = $data.machineIds.includes(id)
      ? $data.machineIds.filter((x) => x !== id)
      : [...$data.machineIds, id]);
</script>

<InPlace
  label={set ? `Count ${set.name}` : 'Add air filters'}
  {form}
  submit={set ? 'Counted' : 'Add them'}
  {onleave}
>
  <div class="grid items-start gap-3 sm:grid-cols-[1fr_9rem_9rem]">
    <Field label="What you call them" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} placeholder="Foam, 250" />{/snippet}</Field
    >
    <Field label="Clean, oiled" error={$errors.clean}
      >{#snippet children(a)}<Input {...a} bind:value={$data.clean} inputmode="numeric" />{/snippet}</Field
    >
    <Field label="To wash" error={$errors.dirty}
      >{#snippet children(a)}<Input {...a} bind:value={$data.dirty} inputmode="numeric" />{/snippet}</Field
    >
  </div>
  <p class="quiet mt-1 text-sm">Besides those that are in the machines.</p>
  <fieldset class="mt-3">
    <legend class="mb-1 text-sm">They fit</legend>
    <div class="flex flex-wrap gap-1">
      {#each machines as m (m.id)}<button
          type="button"
          class="key"
          class:on={$data.machineIds.includes(m.id)}
          aria-pressed={$data.machineIds.includes(m.id)}
          title={m.name}
          onclick={() => turn(m.id)}>{m.plate}</button
        >{/each}
    </div>
    {#if $errors.machineIds}<p class="error mt-1 text-sm" role="alert">{$errors.machineIds}</p>{/if}
  </fieldset>
</InPlace>

<style>
  .on {
    background: var(--ink);
    color: var(--paper);
  }
</style>
