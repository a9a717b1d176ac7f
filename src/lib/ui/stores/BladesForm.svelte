<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { bladesSchema } from '$lib/core/valve/form';
  import { showUm } from '$lib/core/valve/limits';
  import { readBlades } from '$lib/core/valve/stamp';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const form = commandForm(
    'blades.add',
    bladesSchema,
    () => ({ id: crypto.randomUUID(), name: '', blades: '' }),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
  const read = $derived(readBlades($data.blades));
</script>

<InPlace label="Add feeler blades" {form} submit="Add them" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-[14rem_1fr]">
    <Field label="Name" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field
      label="Blades, as they are marked"
      hint={read.ok
        ? `${read.um.length} blades, ${showUm(read.um[0]!, read.unit)} to ${showUm(read.um.at(-1)!, read.unit)}`
        : '0.05 to 0.20 by 0.01, 0.25, 0.30 mm · .002 .003 .004 in'}
      error={$errors.blades}>{#snippet children(a)}<Input {...a} bind:value={$data.blades} />{/snippet}</Field
    >
  </div>
</InPlace>
