<!-- One figure of a sheet: typed in its place, its other unit and where it comes from beside it, and what stood there before. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { FigureKey, FigureKind } from '$lib/core/specs/kinds';
  import { showDay } from '$lib/core/time/day';
  import FormError from '../form/FormError.svelte';
  import { Press } from '../form/press.svelte';
  import Asked from './Asked.svelte';
  import { bothUnits, sourceLine, type SheetFigure } from './figure';
  import { FigureEntry } from './figure-entry.svelte';
  import FigureField from './FigureField.svelte';
  import GradeTable from './GradeTable.svelte';

  interface Props {
    kind: FigureKind<FigureKey>;
    machineId: string;
    figures: SheetFigure[];
    sources: readonly string[];
    today: string;
  }
  let { kind, machineId, figures, sources, today }: Props = $props();
  const now = $derived(figures.find((f) => !f.superseded) ?? null);
  const old = $derived(figures.filter((f) => f.superseded));
  const entry = untrack(
    () =>
      new FigureEntry(
        machineId,
        kind.key,
        () => null,
        () => now,
        () => invalidateAll()
      )
  );
  let more = $state(false);
  const note = new Press();
  const noteId = $props.id();
  async function stillRight(modificationId: string) {
    if (await note.send('modification.note', { modificationId, figureId: now!.id })) await invalidateAll();
  }
</script>

<div class="line" class:unknown={!now}>
  <span>{kind.label}</span>
  <span><FigureField {entry} {kind} label={kind.label} {noteId} class="w-full" /></span>
  <span class="what">
    {#if now}
      {#if bothUnits(now).other}<span class="figure">{bothUnits(now).other}</span>{/if}
      <span class="quiet text-sm">{sourceLine(now)}</span>
      {#if now.confidence === 'unconfirmed'}<button
          type="button"
          class="do no-print"
          aria-label="{kind.label}: the same here"
          onclick={() => void entry.confirm()}>the same here</button
        >{:else if now.confidence !== 'printed'}<strong class="text-sm">not sure</strong>{/if}
    {:else}<span class="quiet text-sm">{kind.hint ?? ''}</span>{/if}
    <button
      type="button"
      class="link no-print ml-auto text-sm"
      aria-label="{kind.label}: page, variant{old.length > 0 ? ', earlier figures' : ''}"
      aria-expanded={more}
      onclick={() => (more = !more)}>page{old.length > 0 ? `, ${old.length} earlier` : ''}</button
    >
  </span>
</div>
{#if now && kind.form === 'table'}<GradeTable text={now.text ?? ''} />{/if}
<Asked {entry} {sources} id={noteId} />
{#each now?.doubts ?? [] as d (d.id)}<p class="caution my-1 text-sm">
    May be wrong since “{d.what}” on {showDay(d.day, today)}.
    <button type="button" class="link" disabled={note.busy} onclick={() => stillRight(d.id)}
      >Looked again: still right</button
    >
  </p>{/each}
<FormError message={note.errors['']} />
{#if more}
  <div class="my-2 flex flex-wrap items-center gap-3 pl-4">
    <label class="text-sm"
      >Page <input
        class="cell"
        style="width: 6rem"
        maxlength="20"
        bind:value={entry.page}
        onblur={() => void entry.save()}
        aria-label="{kind.label}: page"
      /></label
    >
    <label class="text-sm"
      >Only for <input
        class="cell"
        style="width: 14rem"
        maxlength="120"
        bind:value={entry.variant}
        placeholder={now?.variant || 'serials or variant'}
        aria-label="{kind.label}: only for"
      /></label
    >
    <span class="quiet text-sm">said before the figure is put in</span>
  </div>
{/if}
<div class:hidden={!more} class="print:block">
  {#each old as f (f.id)}<p class="quiet pl-4 text-sm">
      <s>{bothUnits(f).main}</s>
      {sourceLine(f)}, superseded
    </p>{/each}
</div>

<style>
  .line {
    display: grid;
    grid-template-columns: minmax(12rem, 18rem) minmax(9rem, 14rem) 1fr;
    align-items: center;
    gap: 0 1rem;
    padding-block: 0.2rem;
    border-bottom: 1px solid var(--rule);
  }
  .what {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.75rem;
  }
  @media (max-width: 640px) {
    .line {
      grid-template-columns: 1fr 10rem;
    }
    .what {
      grid-column: 1 / -1;
    }
  }
</style>
