<!-- One figure asked for at the bench. Leaving it alone is an answer too: it stays unknown. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { figureKind } from '$lib/core/specs/kinds';
  import { CONFIDENCES, SEALS } from '$lib/core/specs/sheet';
  import type { Ask } from '$lib/core/visit/asks';
  import { send } from '../form/send';
  import type { Sent } from '../base/wire';
  import Asked from './Asked.svelte';
  import { FigureEntry } from './figure-entry.svelte';
  import FigureField from './FigureField.svelte';
  import SourceField from './SourceField.svelte';
  import { keepSitting, sitting } from './sitting.svelte';

  let { ask, machineId, sources }: { ask: Ask; machineId: string; sources: readonly string[] } = $props();
  const kind = $derived(figureKind(ask.key));
  const noteId = $props.id();
  const { item, fastenerId } = untrack(() => ask);
  /** Of a bolt that is on the sheet by its name only: what else is in the hand at this moment. */
  const about = $state(
    untrack(() => ({
      quantity: String(item?.quantity ?? 1),
      thread: item?.thread ?? '',
      seal: item?.seal ?? 'none'
    }))
  );
  const asksAbout = $derived(ask.key === 'torque' && item !== null && item.thread === '');
  /** A nameless plug gets onto the sheet with its first figure, and with what was said of it. */
  const newId = crypto.randomUUID();
  let added = false;
  async function named(): Promise<boolean> {
    if (!item || added) return true;
    if (item.fastenerId !== null) {
      const said = {
        ...(about.quantity !== String(item.quantity) && { quantity: about.quantity }),
        ...(about.thread.trim() !== item.thread && { thread: about.thread }),
        ...(about.seal !== item.seal && { seal: about.seal })
      };
      if (Object.keys(said).length === 0) return true;
      return taken(await send('fastener.change', { fastenerId: item.fastenerId, ...said }));
    }
    const sent = await send('fastener.add', {
      id: newId,
      machineId,
      circuit: item.circuit,
      role: item.role ?? 'other',
      name: item.name,
      place: '',
      quantity: about.quantity,
      magnet: false,
      seal: about.seal,
      head: item.head,
      thread: about.thread,
      pattern: '',
      note: item.note,
      lean: ''
    });
    added = taken(sent);
    return added;
  }
  let refused = $state('');
  function taken(sent: Sent<unknown>): boolean {
    refused = sent.ok ? '' : (Object.values(sent.errors)[0] ?? 'Not taken.');
    return sent.ok;
  }
  const entry = untrack(
    () =>
      new FigureEntry(
        machineId,
        ask.key,
        () => (kind.perFastener ? (item ? (item.fastenerId ?? newId) : fastenerId) : null),
        () => null,
        () => invalidateAll(),
        named,
        kind.perFastener && !(item?.fastenerId ?? fastenerId)
          ? null
          : `${machineId} ${ask.key} ${item?.fastenerId ?? fastenerId ?? ''}`
      )
  );
  /** Nobody had named the manual: its field stays while one types in it. */
  let naming = $state(false);
  const WORDS = ['tighten securely'];
  function say(words: string) {
    entry.typed = words;
    // It is words on purpose: not asked about.
    void entry.save(true);
  }
</script>

<div class="ask" role="group" aria-label="{ask.label}, not on the sheet">
  <label class="grow"
    ><span class="block font-bold"
      >{ask.label}? <span class="quiet font-normal">not on the sheet yet</span></span
    >
    <FigureField
      {entry}
      {kind}
      label={ask.label}
      {noteId}
      class="value"
      placeholder={kind.hint ?? ''}
      saves={sitting.source !== ''}
    /></label
  >
  {#if asksAbout}
    <label
      ><span class="block text-sm">how many</span><input
        class="cell figure"
        style="width: 4rem; min-height: 3rem"
        inputmode="numeric"
        aria-label="{item!.name}: how many"
        bind:value={about.quantity}
      /></label
    >
    <label
      ><span class="block text-sm">thread</span><input
        class="cell"
        style="width: 8rem; min-height: 3rem"
        placeholder="M12 × 1.5"
        aria-label="{item!.name}: thread"
        maxlength="40"
        bind:value={about.thread}
      /></label
    >
    <label
      ><span class="block text-sm">under it</span><select
        class="cell"
        style="width: 9rem; min-height: 3rem"
        aria-label="{item!.name}: washer or ring"
        bind:value={about.seal}
        >{#each SEALS as s (s)}<option value={s}>{s}</option>{/each}</select
      ></label
    >
  {/if}
  {#if ask.key === 'torque'}{#each WORDS as w (w)}<button type="button" class="key" onclick={() => say(w)}
        >{w}</button
      >{/each}{/if}
  {#if naming || sitting.source === ''}<span onfocusin={() => (naming = true)}
      ><span class="block text-sm">from</span><SourceField
        {sources}
        onnamed={() => {
          if (entry.fresh) void entry.save();
        }}
      /></span
    >{:else}<span class="quiet text-sm">from {sitting.source}</span>{/if}
  <input
    class="cell"
    style="width: 5rem; min-height: 3rem"
    placeholder="page"
    aria-label="{ask.label}: page"
    maxlength="20"
    bind:value={entry.page}
  />
  <select
    class="cell"
    style="width: 7rem; min-height: 3rem"
    aria-label="{ask.label}: how sure"
    bind:value={sitting.confidence}
    onchange={keepSitting}
  >
    {#each CONFIDENCES as c (c)}<option value={c}>{c}</option>{/each}
  </select>
  <button type="button" class="key" disabled={entry.busy} onclick={() => void entry.save()}
    >Onto the sheet</button
  >
</div>
<Asked {entry} sources={null} id={noteId} />
{#if refused}<p class="error text-sm" role="alert">{refused}</p>{/if}

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.5rem 0.75rem;
    border: 2px dashed var(--rule-strong);
    padding: 0.5rem 0.75rem;
    margin-block: 0.5rem;
  }
  .ask :global(.value) {
    min-height: 3rem;
    font-size: 1.5rem;
    max-width: 18rem;
  }
</style>
