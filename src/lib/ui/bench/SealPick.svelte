<!-- New, or the old one again: the washer or ring of what is being shut, with the uses behind it. -->
<script lang="ts">
  import type { OpenedItem } from '$lib/core/job/plan';

  let { item, seal = $bindable() }: { item: OpenedItem; seal: 'new' | 'again' } = $props();
  const uses = $derived(
    item.sealMost === 1
      ? 'house rule: new every time'
      : item.sealUses === null
        ? 'uses not known'
        : `use ${item.sealUses} of ${item.sealMost} behind it`
  );
</script>

{#if item.seal !== 'none'}
  <div role="radiogroup" aria-label="The {item.seal}" class="mt-3 flex flex-wrap items-center gap-2">
    {#each ['new', 'again'] as const as s (s)}
      <button
        type="button"
        role="radio"
        aria-checked={seal === s}
        class="key"
        class:on={seal === s}
        onclick={() => (seal = s)}>{s === 'new' ? `new ${item.seal}` : `the old ${item.seal} again`}</button
      >
    {/each}
    <span class="quiet text-sm">{uses}</span>
  </div>
{/if}

<style>
  .on {
    background: var(--ink);
    color: var(--paper);
  }
</style>
