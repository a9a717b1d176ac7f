<!-- One fastener, a row: what it is called, its torque, size, seal, thread, count and place; the rest unfolds. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { isInTheWay } from '$lib/core/job/layout/in-the-way';
  import { figureKind } from '$lib/core/specs/kinds';
  import {
    CIRCUITS,
    FASTENER_ROLES,
    SEALS,
    type Circuit,
    type Fastener,
    type FastenerRole,
    type Seal
  } from '$lib/core/specs/sheet';
  import { kindOfFastener } from '$lib/core/specs/usual';
  import Asked from './Asked.svelte';
  import { FastenerEntry, type FastenerFields } from './fastener-entry.svelte';
  import { bothUnits, sourceLine, type SheetFigure } from './figure';
  import { FigureEntry } from './figure-entry.svelte';
  import FigureField from './FigureField.svelte';
  import Unsure from './Unsure.svelte';

  interface Props {
    id: string;
    machineId: string;
    /** Null: it is only offered. */
    fastener: Fastener | null;
    /** What it begins with while it is only offered. */
    start: FastenerFields;
    /** Oils the machine has: what an unnamed circuit may be. */
    circuits: readonly Circuit[];
    figures: SheetFigure[];
    sources: readonly string[];
    onadded: () => void;
  }
  let { id, machineId, fastener, start, circuits, figures, sources, onadded }: Props = $props();
  const TORQUE = figureKind('torque');
  const now = $derived(figures.find((f) => !f.superseded) ?? null);
  const old = $derived(figures.filter((f) => f.superseded));
  const row = untrack(
    () =>
      new FastenerEntry(
        machineId,
        id,
        () => fastener,
        () => start,
        async () => {
          const fresh = !fastener;
          await invalidateAll();
          if (fresh) onadded();
        }
      )
  );
  const torque = untrack(
    () =>
      new FigureEntry(
        machineId,
        'torque',
        () => id,
        () => now,
        () => invalidateAll(),
        () => row.add(),
        fastener ? `${machineId} torque ${id}` : null
      )
  );
  const f = $derived(row.fields);
  let more = $state(false);
  const noteId = $props.id();
  const said = $derived(f.name || 'new fastener');

  type Words =
    'name' | 'head' | 'thread' | 'quantity' | 'place' | 'pattern' | 'lengths' | 'comesWith' | 'lean' | 'note';
  function named() {
    // What it is follows from what it is called, as long as nobody said otherwise.
    if (!fastener && start.name === '') {
      const kind = kindOfFastener(f.name, circuits);
      row.set('role', kind.role);
      row.set('circuit', kind.circuit);
    }
    void row.save();
  }
</script>

{#snippet words(field: Words, label: string, className = '')}
  <input
    class="cell {className}"
    aria-label="{said}: {label}"
    aria-invalid={row.errors[field] ? true : undefined}
    maxlength={field === 'note' ? 10000 : 120}
    autocomplete="off"
    value={f[field]}
    oninput={(e) => row.set(field, e.currentTarget.value)}
    onchange={() => (field === 'name' ? named() : void row.save())}
  />
{/snippet}

<div class="row" class:offered={!fastener} role="group" aria-label={said}>
  <span class="name">{@render words('name', 'name', 'font-bold')}</span>
  <span class="torque"
    ><FigureField
      entry={torque}
      kind={TORQUE}
      label="{said}: torque"
      {noteId}
      class="w-full"
      placeholder={f.role === 'filler cap' || f.role === 'bodywork' ? 'by hand' : 'unknown'}
    /></span
  >
  <span data-label="Size">{@render words('head', 'size')}</span>
  <span data-label="Seal"
    ><select
      class="cell"
      aria-label="{said}: seal"
      value={f.seal}
      onchange={(e) => {
        row.set('seal', e.currentTarget.value as Seal);
        void row.save();
      }}
      >{#each SEALS as s (s)}<option value={s}>{s === 'none' ? 'no seal' : s}</option>{/each}</select
    ></span
  >
  <span data-label="Thread">{@render words('thread', 'thread')}</span>
  <span data-label="Count">{@render words('quantity', 'count')}</span>
  <span data-label="Place">{@render words('place', 'place')}</span>
  <span class="more no-print">
    {#if !fastener && start.name}<button
        type="button"
        class="do"
        aria-label="{said}: it has one"
        disabled={row.busy}
        onclick={() => void row.add()}>it has one</button
      >{:else if fastener}<button
        type="button"
        class="link text-sm"
        aria-label="{said}: more"
        aria-expanded={more}
        onclick={() => (more = !more)}>more</button
      >{/if}
  </span>
</div>
{#if fastener}
  <p class="quiet kind text-sm">
    {[
      f.role,
      f.circuit,
      f.magnet ? 'magnet' : '',
      f.oiled ? 'oiled' : '',
      f.adapter ? 'adapter' : '',
      f.pattern,
      f.note
    ]
      .filter(Boolean)
      .join(' · ')}{#if now}<span class="ml-3">{bothUnits(now).other ?? ''} {sourceLine(now)}</span>{/if}
    {#if now?.confidence === 'unconfirmed'}<button
        type="button"
        class="do no-print"
        aria-label="{said}, torque: the same here"
        onclick={() => void torque.confirm()}>the same here</button
      >{/if}
    {#if isInTheWay(f.role)}<a class="link no-print ml-3" href="/machines/{machineId}/underside#behind-{id}"
        >{fastener.covers.length > 0
          ? `${fastener.covers.length} behind it`
          : f.role === 'guard'
            ? 'all that lies underneath is behind it'
            : 'say what is behind it'}</a
      >{/if}
    {#each now?.doubts ?? [] as d (d.id)}<strong> may be wrong since “{d.what}”</strong>{/each}
  </p>
{/if}
{#if fastener}<Unsure {fastener} {circuits} />{/if}
<Asked entry={torque} {sources} id={noteId} />
{#each Object.entries(row.errors) as [k, words] (k)}<p class="error text-sm" role="alert">{words}</p>{/each}
{#if more && fastener}
  <div class="unfolded">
    <label
      >What it is <select
        class="cell"
        value={f.role}
        onchange={(e) => {
          row.set('role', e.currentTarget.value as FastenerRole);
          void row.save();
        }}
        >{#each FASTENER_ROLES as r (r)}<option>{r}</option>{/each}</select
      ></label
    >
    <label
      >Circuit <select
        class="cell"
        value={f.circuit ?? ''}
        onchange={(e) => {
          row.set('circuit', (e.currentTarget.value || null) as Circuit | null);
          void row.save();
        }}
        ><option value="">none</option>{#each CIRCUITS as c (c)}<option>{c}</option>{/each}</select
      ></label
    >
    <label>Order of tightening {@render words('pattern', 'order of tightening')}</label>
    <label>Bolt lengths by position {@render words('lengths', 'bolt lengths by position')}</label>
    <label>Comes out with it {@render words('comesWith', 'what comes out with it')}</label>
    <label>How it leans to drain {@render words('lean', 'how it leans')}</label>
    <label>Note, shown at its step {@render words('note', 'note')}</label>
    <span class="flex flex-wrap items-center gap-4">
      {#each [['magnet', 'has a magnet'], ['oiled', 'thread oiled'], ['adapter', 'takes an adapter']] as const as [field, label] (field)}<label
          class="inline-flex min-h-10 items-center gap-2"
          ><input
            type="checkbox"
            class="h-5 w-5"
            checked={f[field]}
            onchange={(e) => {
              row.set(field, e.currentTarget.checked);
              void row.save();
            }}
          />{label}</label
        >{/each}
    </span>
    <button type="button" class="link text-sm" onclick={() => void row.remove()}
      >This machine has none: off the sheet</button
    >
    {#each old as o (o.id)}<p class="quiet text-sm">
        <s>{bothUnits(o).main}</s>
        {sourceLine(o)}, superseded
      </p>{/each}
  </div>
{/if}

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(10rem, 2fr) 8.5rem 7rem 8.5rem 7rem 3.5rem minmax(7rem, 1.5fr) 6rem;
    gap: 0.25rem;
    align-items: center;
    padding-top: 0.35rem;
  }
  .row :global(.cell) {
    width: 100%;
    min-width: 0;
  }
  .offered :global(.cell) {
    border-style: dashed;
  }
  .more {
    text-align: right;
  }
  .kind {
    padding: 0.1rem 0.6rem 0.35rem;
    border-bottom: 1px solid var(--rule);
  }
  .unfolded {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
    gap: 0.5rem 1rem;
    align-items: end;
    padding: 0.5rem 0.6rem 1rem;
    border-bottom: 1px solid var(--rule);
  }
  .unfolded label {
    font-size: 0.875rem;
  }
  @media (max-width: 900px) {
    .row {
      grid-template-columns: repeat(6, 1fr);
    }
    .name,
    .torque {
      grid-column: span 3;
    }
    .row > span[data-label] {
      grid-column: span 2;
    }
    .row > span[data-label]::before {
      content: attr(data-label);
      display: block;
      font-size: 0.875rem;
      color: var(--ink-2);
    }
    .more {
      grid-column: span 6;
      text-align: left;
    }
    /* What is only offered takes one line until somebody begins with it. */
    .offered:not(:focus-within) > span[data-label] {
      display: none;
    }
  }
</style>
