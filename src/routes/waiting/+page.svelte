<!-- What was written on this device and is not in the book: what waits, and what was refused, with what was typed. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { bodyLines } from '$lib/core/command/body-words';
  import { kindWords } from '$lib/core/command/rules';
  import { showMoment } from '$lib/core/time/moment';
  import { listedMachines, type ListedMachine } from '$lib/ui/machine/listed';
  import { askToStay, lookAtStorage, storage } from '$lib/ui/offline/storage.svelte';
  import { onDevice } from '$lib/ui/offline/on-device.svelte';
  import Correct from '$lib/ui/waits/Correct.svelte';
  import LetGo from '$lib/ui/waits/LetGo.svelte';
  import { outbox, UNKEPT, type Kept } from '$lib/ui/outbox/outbox.svelte';

  let { data } = $props();
  const zone = $derived(data.team?.timeZone ?? 'UTC');
  const when = (at: string) => showMoment(new Date(at), data.today ?? at.slice(0, 10), zone);
  const mine = $derived(outbox.waiting.filter((k) => outbox.isMine(k)));
  const others = $derived(outbox.items.filter((k) => !outbox.isMine(k)));
  const nameOf = (id: string) => data.people?.find((p) => p.id === id)?.name ?? 'somebody else';
  /** Less than that of what there is nobody needs to know. */
  const HALF = 0.5;
  let trying = $state(false);
  /** Which of the refused are being put right: what they are then stands in their fields. */
  let correcting = $state<Record<string, boolean>>({});
  /** What machines are called; as this device has them, where the server does not answer. */
  let machines = $state<ListedMachine[]>([]);
  onMount(() => {
    void lookAtStorage();
    // Where they are not to be had, what waits says itself what it is.
    void listedMachines().then((m) => (machines = m ?? []));
  });
  /** Over TLS, or on this machine, a browser keeps pages. */
  const able = $derived(typeof navigator === 'undefined' || 'serviceWorker' in navigator);
  /** Where it was written: the machine, or the page it belongs to. */
  function placeOf(k: Kept): { words: string; href: string } | null {
    const { machineId, visitId } = k.body as { machineId?: string; visitId?: string };
    const machine = machines.find((m) => m.id === machineId);
    if (machine) return { words: `${machine.plate} ${machine.name}`, href: `/machines/${machine.id}` };
    return visitId ? { words: 'at the bench', href: `/visits/${visitId}` } : null;
  }
  async function now() {
    trying = true;
    await outbox.flush();
    trying = false;
  }
</script>

<svelte:head><title>What waits · Hour Trail</title></svelte:head>

{#snippet head(k: Kept)}
  {@const place = placeOf(k)}
  <p>
    {#if place}<a class="link" href={place.href}>{place.words}</a>{/if}
    <span class="font-bold">{kindWords(k.kind)}</span>, written {when(k.at)}
  </p>
{/snippet}
{#snippet typed(k: Kept)}
  {@const lines = bodyLines(k.body)}
  {#if lines.length > 0}<dl class="typed">
      {#each lines as l, i (i)}<dt>{l.name}</dt>
        <dd>{l.value}</dd>{/each}
    </dl>{/if}
{/snippet}

<h1>What waits on this device</h1>
<p class="quiet max-w-2xl">
  Written here, and not in the book yet. It goes by itself, in this order, once the server answers; each once.
  Without a signal that is how hours, findings, photos, rounds, readings and the visits at the bench are kept;
  what plans, sets up or strikes out wants the server.
</p>

{#if outbox.refused.length > 0}
  <section class="mt-5" aria-label="Not taken">
    <h2>Not taken</h2>
    <p class="max-w-2xl">The server refused these. They stay here until you say what is to become of them.</p>
    <ul class="mt-2">
      {#each outbox.refused as k (k.id)}
        <li class="rule-t py-3">
          {#if !correcting[k.id]}<p class="error font-bold">
              {Object.values(k.refused!.errors)[0] ?? 'Not taken.'}
            </p>{/if}
          {@render head(k)}
          {#if !correcting[k.id]}{@render typed(k)}{/if}
          {#key k.refused}<Correct
              kept={k}
              bind:open={() => correcting[k.id] ?? false, (is) => (correcting[k.id] = is)}
            />{/key}
          <p class="flex flex-wrap gap-x-5">
            <button type="button" class="link py-2" onclick={() => outbox.again(k.id)}>Send again</button>
            <LetGo kept={k} />
          </p>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<section class="mt-5" aria-label="Waiting">
  <h2>Waiting</h2>
  {#if mine.length === 0}
    <p>Nothing of yours waits.</p>
  {:else}
    <p class="flex flex-wrap items-center gap-x-4">
      <span
        >{outbox.stuck ??
          (mine.every((k) => outbox.held.includes(k))
            ? 'It waits for what it rests on.'
            : 'On its way.')}</span
      >
      <button type="button" class="key" disabled={trying} onclick={now}
        >{trying ? 'Trying' : 'Try now'}</button
      >
    </p>
    <ol class="mt-2">
      {#each mine as k (k.id)}
        <li class="rule-t py-2">
          {@render head(k)}
          {#if outbox.held.includes(k)}<p class="quiet">Goes once what it rests on was taken.</p>{/if}
          {@render typed(k)}
        </li>
      {/each}
    </ol>
  {/if}
  {#if others.length > 0}<p class="mt-2">
      {others.length} more {others.length === 1 ? 'waits' : 'wait'} for who wrote {others.length === 1
        ? 'it'
        : 'them'} to be in on this device again: {[...new Set(others.map((k) => nameOf(k.who)))].join(', ')}.
    </p>{/if}
</section>

<section class="mt-6" aria-label="On this device">
  <h2>On this device</h2>
  <ul class="facts">
    <li>
      {#if onDevice.taken}{onDevice.taken.pages} pages to look things up in without a signal, as of {when(
          onDevice.taken.at
        )}{onDevice.busy ? '; being read anew' : ''}.
      {:else if onDevice.busy}The pages for a day without a signal are being read; leave this open a moment.
      {:else if able}No pages were read for a day without a signal yet.
      {:else}This browser keeps no pages here: open the app under its https address, as the tent’s code has
        it.
      {/if}
    </li>
    {#if storage.used > HALF}<li>
        {Math.round(storage.used * 100)} % of what this browser may keep is used.
      </li>{/if}
    <li>
      {#if outbox.unkept}{UNKEPT}
      {:else if storage.stays}What is kept stays, even when the device runs short.
      {:else}When this device runs short, the browser may clear what is kept here.
        <button type="button" class="link" onclick={() => askToStay()}>Ask it not to</button>{/if}
    </li>
  </ul>
</section>

<style>
  .typed {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 0 0.8rem;
    margin-block: 0.25rem;
    font-size: 0.95rem;
  }
  .typed dt {
    color: var(--quiet);
  }
  .typed dd {
    overflow-wrap: anywhere;
  }
  .facts li {
    padding-block: 0.2rem;
  }
</style>
