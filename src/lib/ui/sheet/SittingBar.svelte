<!-- The manual one sits over: named once, for every figure that follows. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { CONFIDENCES } from '$lib/core/specs/sheet';
  import { keepSitting, sitOver, sitting } from './sitting.svelte';
  import SourceField from './SourceField.svelte';

  let { machineId, sources }: { machineId: string; sources: readonly string[] } = $props();
  onMount(() => sitOver(machineId));
</script>

<fieldset class="bar no-print">
  <legend class="sr-only">Where the figures come from</legend>
  <span class="text-sm">From</span>
  <SourceField {sources} />
  <input
    class="cell edition"
    aria-label="Edition"
    placeholder="edition"
    maxlength="60"
    bind:value={sitting.edition}
    onchange={keepSitting}
  />
  <select class="cell sure" aria-label="How sure" bind:value={sitting.confidence} onchange={keepSitting}>
    {#each CONFIDENCES as c (c)}<option value={c}>{c}</option>{/each}
  </select>
  <span class="quiet text-sm"
    >Named once, kept for this sitting. Enter or Tab goes on; what is left empty stays unknown.</span
  >
</fieldset>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem 0.75rem;
    padding: 0.5rem 0;
    border-block: 2px solid var(--ink);
    background: var(--paper);
    position: sticky;
    top: 0;
    z-index: 2;
  }
  .edition {
    width: 8rem;
  }
  .sure {
    width: 7.5rem;
  }
  @media (max-width: 640px) {
    .bar {
      position: static;
    }
    .edition {
      width: 6rem;
    }
    .bar > .quiet {
      display: none;
    }
  }
</style>
