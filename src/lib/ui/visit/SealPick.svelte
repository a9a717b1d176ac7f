<!-- New, or the old one again: the washer or ring of what is being shut, with the uses behind it. -->
<script lang="ts">
  import Radios from '../form/Radios.svelte';
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
  <div class="mt-3 flex flex-wrap items-center gap-2">
    <Radios label="The {item.seal}" options={['new', 'again'] as const} bind:value={seal}
      >{#snippet one(s)}{s === 'new' ? `new ${item.seal}` : `the old ${item.seal} again`}{/snippet}</Radios
    >
    <span class="quiet text-sm">{uses}</span>
  </div>
{/if}
