<!-- What is fitted to a machine now, with its own hours. -->
<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  import { nameOf } from '$lib/core/component/component';

  interface Row {
    id: string;
    kind: string;
    name: string;
    serial: string;
    total: number;
    broughtKnown: boolean;
    host: string | null;
    place: string;
    rebuiltOn: string | null;
  }
  let { machineId, components }: { machineId: string; components: Row[] } = $props();
</script>

{#if components.length === 0}
  <p class="mt-1">
    No component is named on this machine. <a class="link" href="/parts/new?machine={machineId}"
      >Name its engine</a
    >, and its hours go along when it is swapped.
  </p>
{:else}
  <ul class="fitted mt-2">
    {#each components as c (c.id)}
      <li>
        <span class="quiet text-sm"
          >{[c.place, c.kind].filter(Boolean).join(' ')}{c.host ? `, in ${c.host}` : ''}</span
        >
        <a class="no-underline hover:underline" href="/parts/{c.id}">{nameOf(c)}</a>
        <span class="figure text-xl">{c.broughtKnown ? '' : 'at least '}{showHours(c.total)} h</span>
        {#if c.rebuiltOn}<span class="quiet text-sm">rebuilt {c.rebuiltOn}</span>{/if}
      </li>
    {/each}
  </ul>
{/if}

<style>
  .fitted {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
    gap: 0.75rem 1.5rem;
  }
  .fitted li {
    display: flex;
    flex-direction: column;
    border-top: 2px solid var(--ink);
    padding-top: 0.25rem;
  }
</style>
