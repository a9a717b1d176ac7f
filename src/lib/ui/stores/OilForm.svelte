<script lang="ts">
  import { Button, Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { ADDITIVES, OIL_KINDS, RATINGS } from '$lib/core/fluids/oil';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const id = crypto.randomUUID();
  const form = new Form();
  let draft = $state({ name: '', kind: OIL_KINDS[0] as string, grade: '', bottle: '1 L', stock: '' });
  let ratings = $state<string[]>([]);
  let additives = $state<string[]>([]);
  const turn = (list: string[], v: string) => (list.includes(v) ? list.filter((x) => x !== v) : [...list, v]);
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!(await form.send('oil.add', { ...draft, ratings, additives, id }))) return;
    await invalidateAll();
    onleave();
  }
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Add an oil"
  novalidate
>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-5">
    <Field label="Name, as on the can" error={form.errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={draft.name} />{/snippet}</Field
    >
    <Field label="Made for" error={form.errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          placeholder=""
          bind:value={draft.kind}
          items={OIL_KINDS.map((v) => ({ value: v, name: v }))}
        />{/snippet}</Field
    >
    <Field label="Grade" hint="10W-50" error={form.errors.grade}
      >{#snippet children(a)}<Input {...a} bind:value={draft.grade} />{/snippet}</Field
    >
    <Field label="A bottle holds" error={form.errors.bottle}
      >{#snippet children(a)}<Input {...a} bind:value={draft.bottle} />{/snippet}</Field
    >
    <Field label="There is now" hint="litres unless you say" error={form.errors.stock}
      >{#snippet children(a)}<Input {...a} bind:value={draft.stock} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2" role="group" aria-label="Ratings on the can">
    {#each RATINGS as r (r)}<Checkbox
        checked={ratings.includes(r)}
        onchange={() => (ratings = turn(ratings, r))}>{r}</Checkbox
      >{/each}
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2" role="group" aria-label="It holds">
    {#each ADDITIVES as r (r)}<Checkbox
        checked={additives.includes(r)}
        onchange={() => (additives = turn(additives, r))}>holds {r}</Checkbox
      >{/each}
  </div>
  <FormError message={form.errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={form.busy}>Add it</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
