<!-- What of a visit waits on this device: refused, closed here, or without an answer. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import Correct from '../waits/Correct.svelte';
  import LetGo from '../waits/LetGo.svelte';
  import { shell } from '../base/page.svelte';
  import { UNKEPT } from '../outbox/outbox.svelte';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    machineId: string;
  }
  let { bench, machineId }: Props = $props();
</script>

{#if bench.aside.length > 0}
  <section class="rule-b mt-2 pb-2" aria-label="Not taken by the server">
    <p class="error">
      Not in the book: {bench.aside.length === 1
        ? 'one entry was not taken'
        : `${bench.aside.length} entries were not taken`}. What was written is kept on this device.
    </p>
    <ul>
      {#each bench.aside as a (a.kept.id)}
        <li class="flex flex-wrap items-center gap-x-5">
          <span><span class="font-bold">{a.what}</span> <span class="quiet">{a.why}</span></span>
          <button type="button" class="link py-2" onclick={() => bench.tryAside(a.kept.id)}>Send again</button
          >
          {#key a.kept.refused}<Correct kept={a.kept} />{/key}
          <LetGo
            kept={a.kept}
            ongone={(k) => {
              // Without its beginning there is no visit.
              if (k.kind === 'visit.start') void goto(`/machines/${machineId}`, { replaceState: true });
            }}
          />
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if bench.begins && !bench.closes}<p class="quiet mt-2" role="status">
    Begun on this device; the server does not know it yet.
  </p>{/if}
{#if bench.closes}<p class="caution mt-2" role="status">
    Closed here; it goes after what was written before it, and the count starts again then.
    <button type="button" class="link" onclick={() => bench.takeBack(bench.closes!)}
      >Take the close back</button
    >
  </p>{/if}
<!-- Without a connection the head of the page says so, and how much waits. -->
{#if bench.stuck && (bench.unkept || !shell.away)}<p class="error mt-2" role="status">
    {bench.stuck}
    {bench.waiting} written here{bench.unkept ? `. ${UNKEPT}` : ' and kept; sent again by itself.'}
  </p>{/if}
