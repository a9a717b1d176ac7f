<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  let { oilId, onleave }: { oilId: string; onleave: () => void } = $props();
  const id = crypto.randomUUID();
  const form = new Form();
  let now = $state('');
  let why = $state('counted');
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!(await form.send('oil.stock', { id, oilId, now, why }))) return;
    await invalidateAll();
    onleave();
  }
</script>

<form onsubmit={save} class="flex flex-wrap items-start gap-3" aria-label="Count it" novalidate>
  <Field label="There is now" hint="litres unless you say" error={form.errors.now}
    >{#snippet children(a)}<Input {...a} bind:value={now} />{/snippet}</Field
  >
  <Field label="Why it differs" hint="bought, spilled, counted" error={form.errors.why}
    >{#snippet children(a)}<Input {...a} bind:value={why} />{/snippet}</Field
  >
  <div class="flex gap-2 pt-7">
    <Button type="submit" color="primary" disabled={form.busy}>Write it down</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
  <FormError message={form.errors['']} />
</form>
