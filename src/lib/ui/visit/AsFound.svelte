<!-- How a bolt was found as it was undone or checked: one press; of several, how many of them. -->
<script lang="ts">
  import { FOUND, type Found } from '$lib/core/fasteners/found';
  import type { ItemState } from '$lib/core/visit/items';
  import type { Write } from './bench.svelte';

  interface Props {
    item: ItemState;
    /** Names it, where more than one stands here. */
    named?: boolean;
    write: (w: Write) => boolean;
  }
  let { item, named = false, write }: Props = $props();
  const i = $derived(item.item);
  /** Of several, being asked how many. */
  let asking = $state<Found | null>(null);
  function say(how: Found, count: number | null) {
    const note = count === null ? '' : `${count} of ${i.quantity}`;
    if (write({ itemKey: i.key, action: 'found', content: { how, note } })) asking = null;
  }
  const of = (how: Found) => item.found.find((f) => f.how === how);
</script>

<div class="flex flex-wrap items-center gap-x-4" role="group" aria-label="{i.name}, as found">
  <span class="quiet text-sm">{named ? `${i.name}, as found:` : 'As found:'}</span>
  {#each FOUND as how (how)}
    {@const has = of(how)}
    <button
      type="button"
      class="link min-h-11 py-2 text-sm"
      aria-pressed={has !== undefined || asking === how}
      disabled={has !== undefined}
      onclick={() => (i.quantity > 1 ? (asking = asking === how ? null : how) : say(how, null))}
      >{has ? `■ ${how}${has.note ? `, ${has.note}` : ''}` : how}</button
    >
  {/each}
</div>
{#if asking}
  <div class="flex flex-wrap items-center gap-2 pb-2" role="group" aria-label="How many were {asking}?">
    <span class="text-sm">How many of {i.quantity}?</span>
    {#each { length: i.quantity }, n (n)}<button
        type="button"
        class="key figure"
        onclick={() => say(asking!, n + 1)}>{n + 1}</button
      >{/each}
  </div>
{/if}
