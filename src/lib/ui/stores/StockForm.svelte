<!-- What came in, what went, or what is there, in one field; what the stores will say then is shown before it is written. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { page } from '$app/state';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { stockSchema } from '$lib/core/stores/form';
  import { parseStock, stockAfter, STOCK_WHY } from '$lib/core/stores/stock';
  import type { StockedOil } from '$lib/core/stores/toolbox';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import FormError from '../form/FormError.svelte';

  let { oil, onleave }: { oil: StockedOil; onleave: () => void } = $props();
  const { data, errors, busy, enhance } = commandForm(
    'oil.stock',
    stockSchema,
    () => ({ id: crypto.randomUUID(), oilId: oil.id, now: '', why: '' }),
    { taken: () => onleave() }
  );
  const parsed = $derived(parseStock($data.now));
  const after = $derived(parsed.ok ? stockAfter(parsed.note, oil.stockMl, oil.bottleMl) : null);
  const ml = (v: number) => showBoth(quantity(Math.round(v), 'ml'), page.data.units).main;
</script>

<form
  class="flex flex-wrap items-start gap-3"
  aria-label="Stock of {oil.name}"
  method="POST"
  novalidate
  use:enhance
>
  <Field label="Came, went, or is there" hint="+2 bottles · −0.5 L · 3 L" error={$errors.now}
    >{#snippet children(a)}<Input {...a} bind:value={$data.now} />{/snippet}</Field
  >
  <Field
    label="Why, if you like"
    hint={parsed.ok ? `else: ${STOCK_WHY[parsed.note.what]}` : 'bought, spilled, counted'}
    error={$errors.why}>{#snippet children(a)}<Input {...a} bind:value={$data.why} />{/snippet}</Field
  >
  <div class="flex items-baseline gap-2 pt-7">
    <Button type="submit" color="primary" disabled={$busy}>Write it down</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
    {#if after !== null}<span class="figure">then {ml(after)}</span>{/if}
  </div>
  <FormError message={$errors['']} />
</form>
