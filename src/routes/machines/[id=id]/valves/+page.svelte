<script lang="ts">
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import { untrack } from 'svelte';
  import { showBand } from '$lib/core/quantity/band';
  import { figureKind } from '$lib/core/specs/kinds';
  import type { Figure } from '$lib/core/specs/sheet';
  import { SIDES, GAUGE_WORDS } from '$lib/core/valve/head';
  import { showUm } from '$lib/core/valve/limits';
  import { sitOver } from '$lib/ui/sheet/sitting.svelte';
  import AskOne from '$lib/ui/sheet/AskOne.svelte';
  import LayoutForm from '$lib/ui/valve/LayoutForm.svelte';
  import ValveSheet from '$lib/ui/valve/ValveSheet.svelte';

  let { data } = $props();
  let laying = $state(false);
  $effect(() => untrack(() => sitOver(data.sheet?.head.sheetMachineId ?? data.machine.id)));
  const printed = (f: Figure) => f.text ?? showBand(f.band!);
  const missing = $derived(data.sheet ? SIDES.filter((s) => data.sheet!.limits[s] === null) : []);
</script>

<svelte:head><title>Valves · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Valve sheet</h1>
  {#if data.sheet}
    <span class="quiet"
      >{data.engine ? data.engine.name : 'its engine'}{data.sheet.hours === null
        ? ', hours not known'
        : `, ${data.sheet.hours.toFixed(1)} h`}</span
    >
    <span class="ml-auto"><PaperLinks path="/machines/{data.machine.id}/shims.pdf" words="Shim card" /></span>
    <button type="button" class="link no-print text-sm" onclick={() => (laying = !laying)}
      >the head’s layout</button
    >
  {/if}
</div>
{#if !data.sheet || laying}
  {#if !data.sheet}<p class="mt-3">
      The head of this engine is not laid out yet. Pick what it looks like; the clearances come next.
    </p>{/if}
  <LayoutForm
    machineId={data.machine.id}
    now={data.sheet?.head.layout ?? null}
    {...data.sheet ? { onleave: () => (laying = false) } : {}}
  />
{/if}
{#if data.sheet}
  {@const layout = data.sheet.head.layout}
  <p class="mt-1">
    {#each SIDES as side, i (side)}
      {@const l = data.sheet.limits[side]}
      {#if i > 0}<span class="quiet mx-1">·</span>{/if}{side === 'inlet' ? 'Inlet' : 'Exhaust'}
      <strong class="figure text-lg"
        >{l ? `${showUm(l.lo).replace(' mm', '')} to ${showUm(l.hi)}` : 'limits unknown'}</strong
      >
      {#if l}<span class="figure quiet"
          >({showUm(l.lo, 'in').replace(' in', '')} to {showUm(l.hi, 'in')})</span
        >{/if}
    {/each}
    <span class="quiet text-sm">
      {#if data.sheet.sheetOf}from the sheet of {data.sheet.sheetOf}, where this engine’s figures stand;{/if}
      gauge {layout.inletGauge === layout.exhaustGauge
        ? GAUGE_WORDS[layout.inletGauge]
        : `at the inlet ${GAUGE_WORDS[layout.inletGauge]}, at the exhaust ${GAUGE_WORDS[layout.exhaustGauge]}`}</span
    >
  </p>
  {#each missing as side (side)}
    {#if data.sheet.figures[side]}
      <p class="caution mt-2">
        “{printed(data.sheet.figures[side])}” alone sets no limits for the {side} side: the range is wanted, or
        the tolerance.
        <a class="link" href="/machines/{data.sheet.head.sheetMachineId}/sheet">Put the range on the sheet</a
        >.
      </p>
    {:else}
      <AskOne
        ask={{
          key: `${side} valve clearance`,
          label: figureKind(`${side} valve clearance`).label,
          item: null,
          fastenerId: null
        }}
        machineId={data.sheet.head.sheetMachineId}
        sources={data.sources}
      />
    {/if}
  {/each}
  {#key data.sheet.head.id}
    <ValveSheet
      sheet={data.sheet}
      visitId={null}
      tasks={data.tasks}
      printedGuide={data.printedGuide}
      marks={data.marks}
      today={data.today}
    />
  {/key}
{/if}
