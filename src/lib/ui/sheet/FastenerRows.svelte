<!-- Plugs, caps, covers and bolts, a row each; what most machines of the kind have is offered, and on the sheet once somebody says so. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { untrack } from 'svelte';
  import { unnoted, type Circuit, type Fastener } from '$lib/core/specs/sheet';
  import type { UsualFastener } from '$lib/core/specs/usual';
  import { send } from '../form/send';
  import type { FastenerFields } from './fastener-entry.svelte';
  import FastenerRow from './FastenerRow.svelte';
  import type { SheetFigure } from './figure';
  import PasteRows from './PasteRows.svelte';

  interface Props {
    machineId: string;
    fasteners: Fastener[];
    removed: { id: string; name: string; by: string }[];
    usual: readonly UsualFastener[];
    circuits: readonly Circuit[];
    figures: SheetFigure[];
    sources: readonly string[];
  }
  let { machineId, fasteners, removed, usual, circuits, figures, sources }: Props = $props();

  const blank = (f: Partial<UsualFastener> = {}): FastenerFields => ({
    ...unnoted({ id: '', role: 'other', circuit: null, name: '', ...f }),
    quantity: '1'
  });
  /** Rows not on the sheet: what is usual, and an empty one to go on with. They keep their place when they get onto it. */
  let offered = $state<{ id: string; start: FastenerFields }[]>([]);
  const same = (a: UsualFastener, b: UsualFastener) =>
    a.circuit === null
      ? a.name.toLowerCase() === b.name.toLowerCase()
      : a.role === b.role && a.circuit === b.circuit;
  const missing = $derived(
    usual.filter((u) => !fasteners.some((f) => same(f, u)) && !offered.some((o) => o.start.name === u.name))
  );
  const offer = (list: readonly UsualFastener[]) =>
    list.map((u) => ({ id: crypto.randomUUID(), start: blank(u) }));
  untrack(() => {
    // A sheet nobody has begun shows all there is to say; on one that is there, it is offered on demand.
    offered = [
      ...(fasteners.length === 0 ? offer(missing) : []),
      { id: crypto.randomUUID(), start: blank() }
    ];
  });
  /** In the order in which they first stood on this page. */
  let order = $state<string[]>([]);
  const rows = $derived.by(() => {
    const known = new Map(fasteners.map((f) => [f.id, f]));
    const begun = [...order, ...fasteners.map((f) => f.id), ...offered.map((o) => o.id)];
    return [...new Set(begun)].flatMap((id) => {
      const fastener = known.get(id) ?? null;
      // Taken off again it is among those that can be put back.
      const gone = removed.some((f) => f.id === id);
      const start = gone ? undefined : offered.find((o) => o.id === id)?.start;
      return fastener || start ? [{ id, fastener, start: start ?? blank() }] : [];
    });
  });
  $effect(() => {
    const ids = rows.map((r) => r.id);
    if (ids.join() !== untrack(() => order.join())) order = ids;
  });
  function added() {
    // There is always an empty row to go on with.
    if (!offered.some((o) => o.start.name === '' && !fasteners.some((f) => f.id === o.id)))
      offered = [...offered, { id: crypto.randomUUID(), start: blank() }];
  }
  let pasting = $state(false);
  let error = $state('');
  async function putBack(fastenerId: string) {
    const sent = await send('fastener.remove', { fastenerId, removed: false });
    error = sent.ok ? '' : (Object.values(sent.errors)[0] ?? 'Not put back.');
    if (sent.ok) await invalidateAll();
  }
  const torqueOf = (id: string) => figures.filter((f) => f.key === 'torque' && f.fastenerId === id);
</script>

<div class="head" aria-hidden="true">
  <span>Name</span><span>Torque</span><span>Size</span><span>Seal</span><span>Thread</span><span>Count</span
  ><span>Place</span>
</div>
{#each rows as r (r.id)}
  <FastenerRow
    id={r.id}
    {machineId}
    fastener={r.fastener}
    start={r.start}
    {circuits}
    figures={torqueOf(r.id)}
    {sources}
    onadded={added}
  />
{/each}
<p class="no-print mt-2 flex flex-wrap gap-x-5 text-sm">
  {#if missing.length > 0}<button
      type="button"
      class="link"
      onclick={() => (offered = [...offer(missing), ...offered])}
      >{missing.length} more that most have: {missing
        .slice(0, 3)
        .map((m) => m.name.toLowerCase())
        .join(', ')}{missing.length > 3 ? ' …' : ''}</button
    >{/if}
  <button type="button" class="link" aria-expanded={pasting} onclick={() => (pasting = !pasting)}
    >Paste rows</button
  >
</p>
{#if pasting}<PasteRows {machineId} {circuits} {sources} onleave={() => (pasting = false)} />{/if}
{#each removed as f (f.id)}<p class="quiet no-print text-sm">
    Off the sheet: {f.name}, by {f.by}.
    <button type="button" class="link" onclick={() => putBack(f.id)}>Put it back</button>
  </p>{/each}
{#if error}<p class="error text-sm" role="alert">{error}</p>{/if}

<style>
  .head {
    display: grid;
    grid-template-columns: minmax(10rem, 2fr) 8.5rem 7rem 8.5rem 7rem 3.5rem minmax(7rem, 1.5fr) 6rem;
    gap: 0.25rem;
    font-size: 0.875rem;
    color: var(--ink-2);
    padding-left: 0.6rem;
    border-bottom: 1px solid var(--rule-strong);
  }
  @media (max-width: 900px) {
    .head {
      display: none;
    }
  }
</style>
