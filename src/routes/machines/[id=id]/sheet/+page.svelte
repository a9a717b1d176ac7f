<script lang="ts">
  import {
    FIGURE_KINDS,
    SECTIONS,
    type FigureKey,
    type FigureKind,
    type Section
  } from '$lib/core/specs/kinds';
  import CopyForm from '$lib/ui/sheet/CopyForm.svelte';
  import { HOUSE_RULES, PER_MACHINE } from '$lib/core/rules/rules';
  import RuleRow from '$lib/ui/rules/RuleRow.svelte';
  import FastenerRows from '$lib/ui/sheet/FastenerRows.svelte';
  import FigureLine from '$lib/ui/sheet/FigureLine.svelte';
  import Modifications from '$lib/ui/sheet/Modifications.svelte';
  import SittingBar from '$lib/ui/sheet/SittingBar.svelte';
  import { Button } from '$lib/ui/form/controls';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  let copying = $state(false);
  let more = $state<Section[]>([]);
  const of = (key: string) => data.figures.filter((f) => f.key === key && f.fastenerId === null);
  const has = (key: string) => data.figures.some((f) => f.key === key);
  /** What a section shows: figures that are there, what is to be looked up, and on demand whatever else it may hold. */
  const shown = (section: Section): FigureKind<FigureKey>[] =>
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
    <CsvLink list="figures" word="Figures as CSV" search={{ machine: data.machine.id }} />
    <CsvLink list="fasteners" word="Fasteners as CSV" search={{ machine: data.machine.id }} />
    <button type="button" class="link" onclick={() => print()}>Print</button>
  </span>
</div>
<p class="quiet mt-2 max-w-3xl">
  Figures as the machine’s own manual prints them. What is not here is unknown, and asked for at the bench. A
  later figure takes the place of an earlier one; both stay readable.
</p>
<p class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
  <span class="figure text-lg"
    >{wanting > 0 ? `${wanting} to look up in the manual` : 'Everything most jobs want is here'}{unconfirmed >
    0
      ? ` · ${unconfirmed} unconfirmed`
      : ''}</span
  >
  <a class="link text-sm" href="#fasteners">Plugs, caps, covers and bolts</a>
  <a class="link text-sm" href="#modifications">Modifications</a>
  <a class="link text-sm" href="#rules">House rules here</a>
  {#if data.figures.length + data.fasteners.length === 0 && data.machines.length > 1}<span class="text-sm"
      >A sister in the fleet?
      <button type="button" class="link" onclick={() => (copying = true)}>Bring her whole sheet over</button
      >.</span
    >{/if}
</p>
{#if copying}<CopyForm
    machineId={data.machine.id}
    machines={data.machines}
    onleave={() => (copying = false)}
  />{/if}
{#key data.machine.id}<SittingBar machineId={data.machine.id} sources={data.sources} />{/key}
{#each data.odd as o, k (k)}<p class="caution mt-2">{o.message}</p>{/each}

{#each sections as section (section)}
  <section class="mt-6" aria-label={section}>
    <h2>{section}</h2>
    {#each shown(section) as kind (kind.key)}<FigureLine
        {kind}
        machineId={data.machine.id}
        figures={of(kind.key)}
        sources={data.sources}
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
    <a class="link no-print text-sm" href="/machines/{data.machine.id}/underside"
      >Where they sit, seen from below</a
    >
  </div>
  {#if data.fasteners.length === 0}<p class="quiet text-sm">
      What most machines of this kind have is offered below, and on the sheet once you write in its row or say
      that this machine has one.
    </p>{/if}
  {#key data.machine.id}<FastenerRows
      machineId={data.machine.id}
      fasteners={data.fasteners}
      removed={data.removed}
      usual={data.usual}
      circuits={data.circuits}
      figures={data.figures}
      sources={data.sources}
    />{/key}
</section>

<p class="no-print mt-6 flex gap-3">
  <Button color="primary" href="/machines/{data.machine.id}/visit">To the bench</Button>
  <Button color="alternative" href="/machines/{data.machine.id}">To the machine</Button>
</p>

<section class="mt-8" id="modifications">
  <Modifications machineId={data.machine.id} rows={data.modifications} today={data.today} />
</section>

<section class="mt-8" id="rules" aria-label="House rules of this machine">
  <h2>House rules that may differ here</h2>
  {#each HOUSE_RULES.filter((r) => PER_MACHINE.includes(r.key)) as rule (rule.key)}
    <RuleRow
      {rule}
      machineId={data.machine.id}
      value={data.rules[rule.key]}
      changes={data.ruleChanges.filter((c) => c.key === rule.key)}
      today={data.today}
    />
  {/each}
</section>
