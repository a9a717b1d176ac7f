<script lang="ts">
  import { FIGURE_KINDS, SECTIONS, type FigureKind, type Section } from '$lib/core/specs/kinds';
  import CopyForm from '$lib/ui/sheet/CopyForm.svelte';
  import FastenerForm from '$lib/ui/sheet/FastenerForm.svelte';
  import FigureLine from '$lib/ui/sheet/FigureLine.svelte';
  import Modifications from '$lib/ui/sheet/Modifications.svelte';

  let { data } = $props();
  let adding = $state(false);
  let copying = $state(false);
  let more = $state<Section[]>([]);
  const torque = FIGURE_KINDS.find((k) => k.key === 'torque')!;
  const of = (key: string, fastenerId: string | null) =>
    data.figures.filter((f) => f.key === key && f.fastenerId === fastenerId);
  const sources = $derived([...new Set(data.figures.map((f) => f.source))]);
  const has = (key: string) => data.figures.some((f) => f.key === key);
  /** What a section shows: figures that are there, what is to be looked up, and on demand whatever else it may hold. */
  const shown = (section: Section): FigureKind[] =>
    FIGURE_KINDS.filter(
      (k) => k.section === section && (has(k.key) || data.starter.includes(k.key) || more.includes(section))
    );
  const sections = $derived(
    SECTIONS.filter(
      (s) =>
        data.sections.includes(s) ||
        FIGURE_KINDS.some((k) => k.section === s && has(k.key)) ||
        more.includes(s)
    )
  );
  const others = $derived(SECTIONS.filter((s) => !sections.includes(s)));
  const rest = (section: Section) =>
    FIGURE_KINDS.filter((k) => k.section === section).length - shown(section).length;
  const wanting = $derived(data.starter.filter((k) => !has(k)).length);
  const unconfirmed = $derived(
    data.figures.filter((f) => !f.superseded && f.confidence === 'unconfirmed').length
  );
</script>

<svelte:head><title>Spec sheet · {data.machine.plate} {data.machine.name} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Spec sheet</h1>
  <span class="no-print ml-auto flex gap-4 text-sm">
    <button type="button" class="link" onclick={() => (copying = !copying)}>Copy from a sister machine</button
    >
    <button type="button" class="link" onclick={() => print()}>Print</button>
  </span>
</div>
<p class="quiet mt-2 max-w-3xl">
  Figures as the machine’s own manual prints them, with their page. What is not here is unknown, and shown so
  at the bench. A later figure takes the place of an earlier one; both stay readable.
</p>
<p class="figure mt-2 text-lg">
  {wanting > 0 ? `${wanting} to look up in the manual` : 'Everything most jobs want is here'}{unconfirmed > 0
    ? ` · ${unconfirmed} unconfirmed`
    : ''}
</p>
{#if copying}<CopyForm
    machineId={data.machine.id}
    machines={data.machines}
    onleave={() => (copying = false)}
  />{/if}
{#each data.odd as o, k (k)}<p class="caution mt-2">{o.message}</p>{/each}

{#each sections as section (section)}
  <section class="mt-6" aria-label={section}>
    <h2>{section}</h2>
    {#each shown(section) as kind (kind.key)}<FigureLine
        {kind}
        label={kind.label}
        machineId={data.machine.id}
        fastenerId={null}
        figures={of(kind.key, null)}
        {sources}
        today={data.today}
      />{/each}
    {#if rest(section) > 0}<button
        type="button"
        class="link no-print mt-1 text-sm"
        onclick={() => (more = [...more, section])}>{rest(section)} more that a manual may print</button
      >{/if}
  </section>
{/each}
{#if others.length > 0}<p class="no-print mt-4 text-sm">
    Not usual on a {data.machine.kind}:
    {#each others as s, i (s)}{i > 0 ? ', ' : ''}<button
        type="button"
        class="link"
        onclick={() => (more = [...more, s])}>{s}</button
      >{/each}
  </p>{/if}

<section class="mt-8" id="fasteners" aria-label="Fasteners">
  <div class="flex items-baseline gap-4">
    <h2>Plugs, caps, covers and bolts</h2>
    {#if !adding}<button type="button" class="link no-print text-sm" onclick={() => (adding = true)}
        >Add one</button
      >{/if}
    <a class="link no-print text-sm" href="/machines/{data.machine.id}/underside"
      >Where they sit, seen from below</a
    >
  </div>
  {#if adding}<FastenerForm machineId={data.machine.id} onleave={() => (adding = false)} />{/if}
  {#each data.fasteners as f (f.id)}
    <div class="mt-3 border-t-2 pt-2" style="border-color: var(--ink)">
      <p>
        <strong>{f.name}</strong>{f.quantity > 1 ? ` × ${f.quantity}` : ''}
        <span class="quiet"
          >{[
            f.role,
            f.circuit,
            f.place,
            f.head,
            f.thread,
            f.pattern,
            f.magnet ? 'magnet' : '',
            f.seal === 'none' ? '' : f.seal
          ]
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
          today={data.today}
        />{/if}
    </div>
  {:else}
    {#if !adding}<p class="mt-2">
        None named yet. Name the drain plug first: at the bench it is what stands on the open list until it is
        torqued.
      </p>{/if}
  {/each}
</section>

<section class="mt-8">
  <Modifications machineId={data.machine.id} rows={data.modifications} today={data.today} />
</section>
