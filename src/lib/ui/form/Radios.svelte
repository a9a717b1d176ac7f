<!-- One of several, as large as a thumb: native radios, so that arrow keys and those who hear the page find their way. -->
<script lang="ts" generics="T extends string">
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    options: readonly T[];
    value: T | null;
    class?: string;
    /** What stands on one, where it is more than its word. */
    one?: Snippet<[T]>;
  }
  let {
    label,
    options,
    value = $bindable(),
    class: className = 'flex flex-wrap gap-2',
    one
  }: Props = $props();
  const name = $props.id();
</script>

<div role="radiogroup" aria-label={label} class={className}>
  {#each options as o (o)}
    <label class="one" class:on={value === o}
      ><input type="radio" {name} value={o} bind:group={value} />{#if one}{@render one(
          o
        )}{:else}{o}{/if}</label
    >
  {/each}
</div>

<style>
  .one {
    position: relative;
    display: grid;
    align-content: center;
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.4rem 1.1rem;
    text-align: left;
    cursor: pointer;
  }
  /* All of it is pressed, wherever the finger lands. */
  input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    opacity: 0;
    cursor: pointer;
  }
  .on {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
  }
  .one:has(:focus-visible) {
    outline: 3px solid var(--signal);
    outline-offset: 2px;
  }
</style>
