<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { ADDITIVES, OIL_KINDS, RATINGS } from '$lib/core/fluids/can';
  import { oilSchema } from '$lib/core/stores/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const form = commandForm(
    'oil.add',
    oilSchema,
    () => ({
      id: crypto.randomUUID(),
      name: '',
      kind: OIL_KINDS[0] as string,
      grade: '',
      bottle: '1 L',
      stock: '',
      ratings: [] as string[],
      additives: [] as string[]
    }),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Add an oil" {form} submit="Add it" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-5">
    <Field label="Name, as on the can" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field label="Made for" error={$errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          placeholder=""
          bind:value={$data.kind}
          items={OIL_KINDS.map((v) => ({ value: v, name: v }))}
        />{/snippet}</Field
    >
    <Field label="Grade" hint="10W-50" error={$errors.grade}
      >{#snippet children(a)}<Input {...a} bind:value={$data.grade} />{/snippet}</Field
    >
    <Field label="A bottle holds" error={$errors.bottle}
      >{#snippet children(a)}<Input {...a} bind:value={$data.bottle} />{/snippet}</Field
    >
    <Field label="There is now" hint="litres unless you say" error={$errors.stock}
      >{#snippet children(a)}<Input {...a} bind:value={$data.stock} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2" role="group" aria-label="Ratings on the can">
    {#each RATINGS as r (r)}<label><input type="checkbox" value={r} bind:group={$data.ratings} /> {r}</label
      >{/each}
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2" role="group" aria-label="It holds">
    {#each ADDITIVES as r (r)}<label
        ><input type="checkbox" value={r} bind:group={$data.additives} /> holds {r}</label
      >{/each}
  </div>
</InPlace>
