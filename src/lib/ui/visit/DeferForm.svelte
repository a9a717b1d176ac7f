<!-- What cannot be finished now: what it waits for. It keeps the machine from being ready. -->
<script lang="ts">
  import { WAITS_FOR } from '$lib/core/finding/reminder';
  import type { Write } from './bench.svelte';

  let { write, onleave }: { write: (w: Write) => boolean; onleave: () => void } = $props();
  let waitsFor = $state<(typeof WAITS_FOR)[number]>('a tool to arrive');
  let part = $state('');
  let reason = $state('');
  let usable = $state(false);
  const id = $props.id();
  const named = $derived(waitsFor === 'a part to arrive' || waitsFor === 'a tool to arrive');
  function save(e: SubmitEvent) {
    e.preventDefault();
    if (write({ action: 'deferred', content: { waitsFor, part: named ? part : '', reason, usable } }))
      onleave();
  }
</script>

<form onsubmit={save} class="mt-3 flex flex-wrap items-end gap-3" aria-label="Defer it">
  <label class="text-sm" for="{id}-w"
    >It waits for
    <select id="{id}-w" class="field mt-1 block" bind:value={waitsFor}>
      {#each WAITS_FOR as w (w)}<option value={w}>{w}</option>{/each}
    </select></label
  >
  {#if named}<label class="text-sm" for="{id}-p"
      >Which <input id="{id}-p" class="field mt-1 block" bind:value={part} maxlength="120" /></label
    >{/if}
  <label class="grow text-sm" for="{id}-r"
    >Why, and how it stands now <input
      id="{id}-r"
      class="field mt-1 block w-full"
      bind:value={reason}
      required
      maxlength="10000"
    /></label
  >
  <label class="flex min-h-12 items-center gap-2"
    ><input type="checkbox" class="size-6" bind:checked={usable} /> May be ridden until then</label
  >
  <button type="submit" class="key">Defer it</button>
  <button type="button" class="key" onclick={onleave}>Leave</button>
</form>
<p class="quiet mt-1 text-sm">
  {usable
    ? 'It stays a finding, to be fixed; it comes back when its event has come.'
    : 'The machine is not ready until this is done; it comes back when its event has come.'}
</p>
