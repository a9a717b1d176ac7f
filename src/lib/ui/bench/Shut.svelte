<!-- One opened thing put back: a plug torqued, a cap shut, a part in. The torque is the huge number. -->
<script lang="ts">
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { show, showBoth } from '$lib/core/quantity/quantity';
  import { isShut, standInWords, type ItemState } from '$lib/core/visit/state';
  import { untrack } from 'svelte';
  import type { Write } from './bench.svelte';

  interface Props {
    item: ItemState;
    units: 'metric' | 'imperial';
    problem: string | null;
    /** What still stands open behind it; it should not be covered yet. */
    after: string[];
    write: (w: Write) => boolean;
  }
  let { item, units, problem, after, write }: Props = $props();
  const i = $derived(item.item);
  const spec = $derived(i.torque?.quantity ?? null);
  let typed = $state(untrack(() => (item.item.torque?.quantity ? show(item.item.torque.quantity) : '')));
  let reason = $state('');
  let feeling = $state(false);
  let error = $state('');
  const id = $props.id();
  const asks = $derived(problem?.includes('say why') ?? false);

  function torque(e: SubmitEvent) {
    e.preventDefault();
    const parsed = parseQuantity(typed, { dimension: 'torque', unit: spec?.unit });
    if (!parsed.ok) {
      error = parsed.problem.message;
      return;
    }
    error = '';
    write({
      action: 'torqued',
      content: {
        value: parsed.quantity.value,
        unit: parsed.quantity.unit,
        ...(reason.trim() ? { reason: reason.trim() } : {})
      }
    });
  }
  function feel(e: SubmitEvent) {
    e.preventDefault();
    if (write({ action: 'by feel', content: { reason } })) feeling = false;
  }
</script>

<section class="mb-4 border-t-2 pt-3" style="border-color: var(--ink)" aria-label={i.name}>
  <div class="flex flex-wrap items-baseline justify-between gap-3">
    <h3 class="text-xl">{i.name}{i.quantity > 1 ? ` × ${i.quantity}` : ''}</h3>
    <span
      class:font-bold={!isShut(item)}
      style:color={isShut(item) && item.opened ? 'var(--done)' : undefined}>{standInWords(item)}</span
    >
  </div>
  {#if i.place}<p class="quiet">{i.place}</p>{/if}
  {#if i.note}<p class="font-bold">{i.note}</p>{/if}
  {#if i.kind === 'fastener'}
    {#if spec}
      <p class="figure mt-1 text-6xl leading-none">{showBoth(spec, units).main}</p>
      <p class="figure text-xl">{showBoth(spec, units).other}</p>
    {:else}
      <p class="figure mt-1 text-4xl">torque unknown</p>
    {/if}
    <p class="quiet text-sm">
      {i.torque?.source ?? 'not on the sheet: the manual has it'}{i.torque?.unsure
        ? ', not sure'
        : ''}{i.seal === 'none' ? '' : `; ${i.seal}`}
    </p>
  {/if}
  {#if after.length > 0}
    <p class="caution mt-2">Behind it: {after.join('; ')}. Not yet.</p>
  {/if}
  {#if !isShut(item) || !item.opened}
    {#if i.kind === 'fastener'}
      <div class="mt-3 flex flex-wrap items-end gap-3">
        {#if item.stand !== 'by hand'}<button
            type="button"
            class="key"
            onclick={() => write({ action: 'by hand', content: {} })}>In by hand</button
          >{/if}
        <form onsubmit={torque} class="flex flex-wrap items-end gap-3" novalidate>
          <div>
            <label class="block text-sm" for={id}>Wrench set to</label>
            <input
              {id}
              class="field figure w-36 text-2xl"
              autocomplete="off"
              bind:value={typed}
              aria-invalid={error || problem ? true : undefined}
            />
          </div>
          {#if asks}
            <div>
              <label class="block text-sm" for="{id}-why">Why that value</label><input
                id="{id}-why"
                class="field"
                bind:value={reason}
                maxlength="10000"
              />
            </div>
          {/if}
          <button type="submit" class="go" disabled={after.length > 0}>Torqued</button>
        </form>
        {#if !feeling}<button type="button" class="link py-2" onclick={() => (feeling = true)}>By feel</button
          >{/if}
      </div>
      {#if feeling}
        <form onsubmit={feel} class="mt-2 flex flex-wrap items-end gap-3">
          <label class="grow text-sm"
            >Why by feel (it shows in the record)<input
              class="field mt-1 w-full"
              bind:value={reason}
              required
              maxlength="10000"
            /></label
          >
          <button class="key" type="submit">Tight by feel</button>
        </form>
      {/if}
    {:else}
      <button type="button" class="go mt-3" onclick={() => write({ action: 'shut', content: {} })}
        >{i.kind === 'part' ? 'Back in, seated' : 'Shut'}</button
      >
    {/if}
  {:else}
    <button type="button" class="link mt-2 py-2" onclick={() => write({ action: 'off', content: {} })}
      >{i.kind === 'part' ? 'Out again' : 'Off again'}</button
    >
  {/if}
  {#if error || problem}<p class="error mt-1" role="alert">{error || problem}</p>{/if}
</section>
