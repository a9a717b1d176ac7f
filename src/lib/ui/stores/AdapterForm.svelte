<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  let { onleave }: { onleave: () => void } = $props();
  const id = crypto.randomUUID();
  const form = new Form();
  let draft = $state({ name: '', length: '' });
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!(await form.send('adapter.add', { ...draft, id }))) return;
    await invalidateAll();
    onleave();
  }
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Add an adapter"
  novalidate
>
  <div class="grid items-start gap-3 sm:grid-cols-2">
    <Field label="Name" error={form.errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={draft.name} />{/snippet}</Field
    >
    <Field label="Drive centre to bolt centre" hint="mm unless you say" error={form.errors.length}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={draft.length} />{/snippet}</Field
    >
  </div>
  <FormError message={form.errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={form.busy}>Add it</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
