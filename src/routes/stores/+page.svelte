<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import { inBottles } from '$lib/core/fluids/ledger';
  import type { StockedOil } from '$lib/core/stores/toolbox';
  import { showDay } from '$lib/core/time/day';
  import { calibrationWord, onScale, trustedSpan } from '$lib/core/fasteners/wrench';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { bareUm } from '$lib/core/valve/limits';
  import AdapterForm from '$lib/ui/stores/AdapterForm.svelte';
  import BladesForm from '$lib/ui/stores/BladesForm.svelte';
  import OilForm from '$lib/ui/stores/OilForm.svelte';
  import FilterSets from '$lib/ui/stores/FilterSets.svelte';
  import OneMore from '$lib/ui/stores/OneMore.svelte';
  import PutAway from '$lib/ui/stores/PutAway.svelte';
  import StockForm from '$lib/ui/stores/StockForm.svelte';
  import WrenchForm from '$lib/ui/stores/WrenchForm.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  let adding = $state<'wrench' | 'adapter' | 'oil' | 'blades' | ''>('');
  let counting = $state<string | null>(null);
  const bottlesOf = (o: StockedOil) => {
    const { full, openedMl } = inBottles(o.stockMl, o.bottleMl);
    return `${full} full of ${ml(o.bottleMl).main}${openedMl > 1 ? `, ${ml(openedMl).main} opened` : ''}`;
  };
  const ml = (v: number) => showBoth(quantity(Math.round(v), 'ml'), data.units);
</script>

<svelte:head><title>Stores · Hour Trail</title></svelte:head>
<h1>Stores</h1>

<section class="mt-4" aria-label="Torque wrenches">
  <div class="flex items-baseline gap-4">
    <h2>Torque wrenches</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'wrench' ? '' : 'wrench')}>Add one</button
    >
  </div>
  {#if adding === 'wrench'}<WrenchForm onleave={() => (adding = '')} />{/if}
  <table class="sheet-table stacked mt-2">
    <thead
      ><tr
        ><th>Wrench</th><th>Scale</th><th>Trusted</th><th>Drive to grip</th><th>Calibration</th><th>Pulls</th
        ><th><span class="sr-only">Do</span></th></tr
      ></thead
    >
    <tbody>
      {#each data.tools.wrenches as w (w.id)}
        {@const [from, to] = trustedSpan(w)}
        <tr id="thing-{w.id}">
          <td class="font-bold">{w.name}</td>
          <td data-label="Scale" class="figure">{onScale(w.lowNm, w)} to {onScale(w.highNm, w)}</td>
          <td data-label="Trusted" class="figure">{onScale(from, w)} to {onScale(to, w)}</td>
          <td data-label="Drive to grip" class="figure"
            >{w.lengthMm === null ? 'not measured' : `${w.lengthMm} mm`}</td
          >
          <td data-label="Calibration"
            >{#if calibrationWord(w, data.today)}<strong>{calibrationWord(w, data.today)}</strong>{:else}until {showDay(
                w.calibratedUntil!,
                data.today
              )}{/if}</td
          >
          <td data-label="Pulls" class="figure">{w.pulls}</td>
          <td><PutAway id={w.id} what="wrench" name={w.name} /></td>
        </tr>
      {:else}
        <tr><td colspan="7">None yet. Without one, the bench cannot say whether a torque is covered.</td></tr>
      {/each}
    </tbody>
  </table>
  <p class="quiet mt-1 text-sm">A click wrench is trusted from a fifth of its range to the top of it.</p>
</section>

<section class="mt-8" aria-label="Adapters">
  <div class="flex items-baseline gap-4">
    <h2>Adapters</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'adapter' ? '' : 'adapter')}>Add one</button
    >
  </div>
  {#if adding === 'adapter'}<AdapterForm onleave={() => (adding = '')} />{/if}
  {#each data.tools.adapters as a (a.id)}
    <p class="rule-b flex items-baseline gap-4 py-2">
      <strong>{a.name}</strong> <span class="figure">{a.lengthMm} mm from drive to bolt</span>
      <span class="ml-auto"><PutAway id={a.id} what="adapter" name={a.name} /></span>
    </p>
  {:else}<p class="mt-2">None. Where no socket fits, an adapter changes what the wrench is set to.</p>{/each}
</section>

<section class="mt-8" aria-label="Feeler blades" id="blades">
  <div class="flex items-baseline gap-4">
    <h2>Feeler blades</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'blades' ? '' : 'blades')}>Add a set</button
    >
    <a class="link text-sm" href="/stores/shims">Shim drawer</a>
  </div>
  {#if adding === 'blades'}<BladesForm onleave={() => (adding = '')} />{/if}
  {#each data.blades as b (b.id)}
    <p id="thing-{b.id}" class="rule-b flex flex-wrap items-baseline gap-x-4 py-2">
      <strong>{b.name}</strong>
      <span class="figure"
        >{b.um.length} blades: {b.um.map((um) => bareUm(um, b.unit)).join(' ')}
        {b.unit}</span
      >
      <span class="ml-auto"><PutAway id={b.id} what="blades" name={b.name} /></span>
    </p>
  {:else}<p class="mt-2">None. With them the valve sheet says which blade to try next.</p>{/each}
</section>

<FilterSets filters={data.filters} machines={data.machines} />

<section class="mt-8" aria-label="Oils">
  <div class="flex items-baseline gap-4">
    <h2>Oils</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => (adding = adding === 'oil' ? '' : 'oil')}>Add one</button
    >
    <span class="text-sm"><CsvLink list="oils" /></span>
  </div>
  {#if adding === 'oil'}<OilForm onleave={() => (adding = '')} />{/if}
  <table class="sheet-table stacked mt-2">
    <thead
      ><tr
        ><th>Oil</th><th>Made for</th><th>On the can</th><th>There is</th><th
          ><span class="sr-only">Do</span></th
        ></tr
      ></thead
    >
    <tbody>
      {#each data.tools.oils as o (o.id)}
        <tr id="thing-{o.id}">
          <td class="font-bold">{o.name} <span class="figure">{o.grade}</span></td>
          <td data-label="Made for">{o.kind}</td>
          <td data-label="On the can"
            >{[...o.ratings, ...o.additives.map((a) => `holds ${a}`)].join(', ') || 'no rating named'}</td
          >
          <td data-label="There is" class="figure text-lg"
            >{#if o.stockMl < 0}<strong>count it</strong>{:else}{ml(o.stockMl).main}{/if}<span
              class="quiet block text-sm"
              >{o.stockMl < 0 ? `${ml(-o.stockMl).main} more was poured than came in` : bottlesOf(o)}</span
            ></td
          >
          <td
            ><OneMore oil={o} /><button
              type="button"
              class="link no-print mr-3 text-sm"
              onclick={() => (counting = counting === o.id ? null : o.id)}>Stock</button
            ><PutAway id={o.id} what="oil" name={oilInWords(o)} /></td
          >
        </tr>
        {#if counting === o.id}<tr
            ><td colspan="5"><StockForm oil={o} onleave={() => (counting = null)} /></td></tr
          >{/if}
      {:else}
        <tr><td colspan="5">None yet. The bench judges what is here against each machine’s sheet.</td></tr>
      {/each}
    </tbody>
  </table>
</section>
