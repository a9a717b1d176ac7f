<!-- Versions of something that is data, the latest first: who made each, when, and why. -->
<script lang="ts">
  import { showDay, type Day } from '$lib/core/time/day';

  interface Props {
    changes: readonly { version: number; day: Day; by: string; word: string; back: boolean }[];
    today: Day;
    /** What it is back to, where it was taken back. */
    back: string;
  }
  let { changes, today, back }: Props = $props();
</script>

{#if changes.length > 0}
  <section class="mt-8" aria-label="Versions">
    <h2>Versions</h2>
    {#each changes as c (c.version)}
      <p class="rule-b py-1.5">
        <span class="figure">{c.version}</span>
        {showDay(c.day, today)}, {c.by}{c.back ? `: back to ${back}` : ''}{c.word ? `: ${c.word}` : ''}
      </p>
    {/each}
  </section>
{/if}
