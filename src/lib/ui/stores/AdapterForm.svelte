<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { adapterSchema } from '$lib/core/stores/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const form = commandForm(
    'adapter.add',
    adapterSchema,
    () => ({ id: crypto.randomUUID(), name: '', length: '' }),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Add an adapter" {form} submit="Add it" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2">
    <Field label="Name" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field label="Drive centre to bolt centre" hint="mm unless you say" error={$errors.length}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.length} />{/snippet}</Field
    >
  </div>
</InPlace>
