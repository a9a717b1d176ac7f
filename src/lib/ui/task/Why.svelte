<!-- The sum behind a due point, line by line. -->
<script lang="ts">
  import type { WhyLine } from '$lib/core/schedule/why';
  let { lines }: { lines: WhyLine[] } = $props();
</script>

<dl class="why">
  {#each lines as l, i (i)}<dt>{l.head}</dt>
    <dd>{l.text}</dd>{/each}
</dl>

<style>
  .why {
    display: grid;
    grid-template-columns: max-content 1fr;
    column-gap: 1rem;
    row-gap: 0.15rem;
  }
  dt {
    color: var(--ink-2);
  }
  @media (max-width: 560px) {
    .why {
      grid-template-columns: 1fr;
    }
    dd {
      margin-bottom: 0.4rem;
    }
  }
</style>
