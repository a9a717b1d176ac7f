<!-- What of a visit waits on this device: refused, closed here, or without an answer. -->
<script lang="ts">
  import { shell } from '../shell/shell.svelte';
  import type { BenchVisit } from './bench.svelte';

  let { bench }: { bench: BenchVisit } = $props();
</script>

{#if bench.aside.length > 0}
  <section class="rule-b mt-2 pb-2" aria-label="Not taken by the server">
    <p class="error">
      Not in the book: {bench.aside.length === 1
        ? 'one entry was not taken'
        : `${bench.aside.length} entries were not taken`}. What was written is kept on this device.
    </p>
    <ul>
      {#each bench.aside as a (a.id)}
        <li class="flex flex-wrap items-center gap-x-5">
          <span><span class="font-bold">{a.what}</span> <span class="quiet">{a.why}</span></span>
          <button type="button" class="link py-2" onclick={() => bench.tryAside(a.id)}>Send again</button>
          <button type="button" class="link py-2" onclick={() => bench.dropAside(a.id)}>Let it go</button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if bench.closes}<p class="caution mt-2" role="status">
    Closed here; it goes after what was written before it, and the count starts again then.
    <button type="button" class="link" onclick={() => bench.dropAside(bench.closes!)}
      >Take the close back</button
    >
  </p>{/if}
<!-- Without a connection the head of the page says so, and how much waits. -->
{#if bench.stuck && (bench.unkept || !shell.away)}<p class="error mt-2" role="status">
    {bench.stuck}
    {bench.waiting} written here and {bench.unkept
      ? 'not kept: this browser stores nothing. Leave this page open until it is sent'
      : 'kept'}; sent again by itself.
  </p>{/if}
