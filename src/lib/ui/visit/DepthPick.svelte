<!-- A step at a time, the whole sheet, or one form afterwards: each person's own choice, kept on the device. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { keepDepth, keptDepth, type Depth } from './depth';

  let { depth = $bindable() }: { depth: Depth } = $props();
  onMount(() => {
    // From the code of a card that was filled by hand.
    depth = location.hash === '#written' ? 'after' : keptDepth();
  });
</script>

<fieldset class="ml-auto flex">
  <legend class="sr-only">How it is shown</legend>
  {#each [['lead', 'Step by step'], ['sheet', 'The whole sheet'], ['after', 'Write it down']] as const as [value, words] (value)}
    <label class:on={depth === value}
      ><input
        type="radio"
        class="sr-only"
        name="depth"
        {value}
        bind:group={depth}
        onchange={() => keepDepth(value)}
      />
      {words}</label
    >
  {/each}
</fieldset>

<style>
  label {
    border: 1px solid var(--rule-strong);
    padding: 0.5rem 0.9rem;
    cursor: pointer;
  }
  label + label {
    border-left: 0;
  }
  .on {
    background: var(--ink);
    color: var(--paper);
  }
  label:focus-within {
    outline: 2px solid var(--signal);
    outline-offset: 2px;
  }
</style>
