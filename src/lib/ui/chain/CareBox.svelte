<!-- Cleaned and dressed, by the house rule: when last, and what it ran through since. -->
<script lang="ts">
  import { DRESSINGS } from '$lib/core/chain/form';
  import type { ChainSheet } from '$lib/core/chain/sheet';
  import { showDay } from '$lib/core/time/day';
  import { invalidateAll } from '$app/navigation';
  import { Button } from '../form/controls';
  import { Press } from '../form/press.svelte';
  import { idsFor } from '../form/send';
  import { say } from '../base/page.svelte';

  let { sheet, today }: { sheet: ChainSheet; today: string } = $props();
  const last = $derived(sheet.dressings[0] ?? null);
  const DONE: Record<(typeof DRESSINGS)[number], string> = { lube: 'lubed', wax: 'waxed', dry: 'left dry' };
  const rule = $derived(sheet.rules.dressing);
  const others = $derived(DRESSINGS.filter((d) => d !== rule));
  const press = new Press();
  const error = $derived(Object.values(press.errors)[0]);
  async function write(cleaned: boolean, dressing: (typeof DRESSINGS)[number]) {
    const [id] = idsFor(['dressing', sheet.machineId, sheet.dressings.length, cleaned, dressing], 1);
    if (!(await press.send('chain.dress', { id: id!, machineId: sheet.machineId, cleaned, dressing })))
      return;
    say('Written down.');
    await invalidateAll();
  }
  const since = $derived.by(() => {
    const s = sheet.since;
    if (!s) return '';
    const grounds = s.grounds.map((g) => `${g.hours.toFixed(1)} h of ${g.ground}`);
    return `${s.outings} ${s.outings === 1 ? 'outing' : 'outings'}${s.hours === null ? '' : `, ${s.hours.toFixed(1)} h`}${grounds.length > 0 ? `: ${grounds.join(', ')}` : ''}`;
  });
</script>

<section class="mt-10" aria-label="Cleaning and dressing" id="care">
  <h2>Cleaning and dressing</h2>
  <p class="mt-1">
    {#if last}Last {showDay(last.day, today)}, {last.cleaned ? 'cleaned and ' : ''}{DONE[last.dressing]}, by {last.by}.
      {#if sheet.since && (sheet.since.outings > 0 || (sheet.since.hours ?? 0) > 0)}Since then {since}.{:else}It
        has not run since.{/if}
    {:else}Never written down for this chain.{/if}
    <span class="quiet text-sm">House rule: {rule}.</span>
  </p>
  <div class="no-print mt-2 flex flex-wrap items-center gap-3">
    <Button color="primary" disabled={press.busy} onclick={() => void write(true, rule)}
      >Cleaned and {DONE[rule]}</Button
    >
    <Button color="alternative" disabled={press.busy} onclick={() => void write(false, rule)}
      >only {DONE[rule]}</Button
    >
    {#each others as d (d)}<Button
        color="alternative"
        disabled={press.busy}
        onclick={() => void write(true, d)}>cleaned, {DONE[d]}</Button
      >{/each}
  </div>
  {#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
  <p class="caution mt-2">
    Wheel off the ground, engine off: a chain is never cleaned or lubed while the engine turns it. Solvent
    with gloves and air.
  </p>
</section>
