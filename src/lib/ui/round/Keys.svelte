<!-- Keys of a check, as large as a thumb: what is as it should be has the calm border. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let { label, children }: { label?: string; children: Snippet } = $props();
</script>

<div class="keys" role={label ? 'group' : undefined} aria-label={label}>{@render children()}</div>

<style>
  .keys {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem;
    margin-top: 0.4rem;
  }
  .keys :global(.key) {
    background: var(--sheet);
    padding-inline: 0.8rem;
    min-width: 3rem;
  }
  .keys :global(.figure) {
    font-size: 1.25rem;
  }
  .keys :global(.yes) {
    border: 2px solid var(--done);
  }
  .keys :global(.key[aria-pressed='true']) {
    background: var(--ink);
    color: var(--paper);
  }
  .keys :global(.strong) {
    background: var(--signal);
    border-color: var(--signal);
    color: var(--on-signal);
    font-weight: 700;
  }
  .keys :global(.reads) {
    width: 6rem;
  }
  .keys :global(.grow) {
    flex: 1 1 10rem;
    min-width: 0;
  }
</style>
