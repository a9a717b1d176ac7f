<!-- One of a few, side by side, the one that holds inked: how something is shown, not what is written. -->
<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    options: readonly T[];
    value: T;
    /** What stands before the word of each. */
    before?: string;
    onpick: (to: T) => void;
  }
  let { label, options, value, before = '', onpick }: Props = $props();
</script>

<span class="no-print flex items-center gap-1" role="group" aria-label={label}>
  {#each options as o (o)}<button
      type="button"
      class="one"
      aria-pressed={value === o}
      onclick={() => onpick(o)}>{before}{o}</button
    >{/each}
</span>

<style>
  .one {
    border: 1px solid var(--rule-strong);
    min-height: 2.4rem;
    min-width: 2.8rem;
    padding-inline: 0.7rem;
  }
  .one[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
</style>
