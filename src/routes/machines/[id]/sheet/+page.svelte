<script lang="ts">
  import { FIGURE_KINDS } from '$lib/core/specs/sheet';
  import FastenerForm from '$lib/ui/machine/FastenerForm.svelte';
  import FigureLine from '$lib/ui/machine/FigureLine.svelte';

  let { data } = $props();
  let adding = $state(false);
  const kinds = FIGURE_KINDS.filter((k) => k.key !== 'torque');
  const torque = FIGURE_KINDS.find((k) => k.key === 'torque')!;
  const of = (key: string, fastenerId: string | null) =>
    data.figures.filter((f) => f.key === key && f.fastenerId === fastenerId);
  const sources = $derived([...new Set(data.figures.map((f) => f.source))]);
</script>

<svelte:head><title>Spec sheet · {data.machine.plate} {data.machine.name} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Spec sheet</h1>
</div>
<p class="quiet mt-2 max-w-3xl">
  Figures as the machine’s own manual prints them, with their page. What is not here is unknown, and shown so
  at the bench. A later figure takes the place of an earlier one; both stay readable.
</p>

<section class="mt-6">
  <h2>Engine oil</h2>
  {#each kinds as kind (kind.key)}<FigureLine
      {kind}
      label={kind.label}
      machineId={data.machine.id}
      fastenerId={null}
      figures={of(kind.key, null)}
      {sources}
    />{/each}
</section>

<section class="mt-8">
  <div class="flex items-baseline gap-4">
    <h2>Plugs, caps, covers and guards</h2>
    {#if !adding}<button type="button" class="link text-sm" onclick={() => (adding = true)}>Add one</button
      >{/if}
  </div>
  {#if adding}<FastenerForm machineId={data.machine.id} onleave={() => (adding = false)} />{/if}
  {#each data.fasteners as f (f.id)}
    <div class="mt-3 border-t-2 pt-2" style="border-color: var(--ink)">
      <p>
        <strong>{f.name}</strong>{f.quantity > 1 ? ` × ${f.quantity}` : ''}
        <span class="quiet"
          >{[f.role, f.circuit, f.place, f.magnet ? 'magnet' : '', f.seal === 'none' ? '' : f.seal]
            .filter(Boolean)
            .join(' · ')}</span
        >
      </p>
      {#if f.note}<p class="text-sm">{f.note}</p>{/if}
      {#if f.role !== 'filler cap'}<FigureLine
          kind={torque}
          label="Torque"
          machineId={data.machine.id}
          fastenerId={f.id}
          figures={of('torque', f.id)}
          {sources}
        />{/if}
    </div>
  {:else}
    {#if !adding}<p class="mt-2">
        None named yet. Name the drain plug first: at the bench it is what stands on the open list until it is
        torqued.
      </p>{/if}
  {/each}
</section>
