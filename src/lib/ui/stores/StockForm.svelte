<!-- What came in, what went, or what is there, in one field; what the stores will say then is shown before it is written. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { parseStock, stockAfter, STOCK_WHY } from '$lib/core/stores/stock';
  import type { StockedOil } from '$lib/core/stores/toolbox';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  let { oil, onleave }: { oil: StockedOil; onleave: () => void } = $props();
  const id = crypto.randomUUID();
  const form = new Form();
  let now = $state('');
  let why = $state('');
  const parsed = $derived(parseStock(now));
  const after = $derived(parsed.ok ? stockAfter(parsed.note, oil.stockMl, oil.bottleMl) : null);
  const ml = (v: number) => showBoth(quantity(Math.round(v), 'ml'), page.data.units).main;
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!(await form.send('oil.stock', { id, oilId: oil.id, now, why }))) return;
    await invalidateAll();
    onleave();
  }
</script>

<form onsubmit={save} class="flex flex-wrap items-start gap-3" aria-label="Stock of {oil.name}" novalidate>
  <Field label="Came, went, or is there" hint="+2 bottles · −0.5 L · 3 L" error={form.errors.now}
    >{#snippet children(a)}<Input {...a} bind:value={now} />{/snippet}</Field
  >
  <Field
    label="Why, if you like"
    hint={parsed.ok ? `else: ${STOCK_WHY[parsed.note.what]}` : 'bought, spilled, counted'}
    error={form.errors.why}>{#snippet children(a)}<Input {...a} bind:value={why} />{/snippet}</Field
  >
  <div class="flex items-baseline gap-2 pt-7">
    <Button type="submit" color="primary" disabled={form.busy}>Write it down</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
    {#if after !== null}<span class="figure">then {ml(after)}</span>{/if}
  </div>
  <FormError message={form.errors['']} />
</form>
