<script lang="ts">
  import { untrack } from 'svelte';
  import DayGrid from '$lib/ui/hours/DayGrid.svelte';
  let { data } = $props();
  const first = untrack(() => data.machines);
</script>

<svelte:head><title>Race day · Hour Trail</title></svelte:head>
<h1>A day’s hours, the whole fleet</h1>
{#if first.length === 0}
  <p class="mt-4">There is no machine yet. <a class="link" href="/machines/new">Add the first one</a>.</p>
{:else}
  <DayGrid machines={first} people={data.people} events={data.events} today={data.today} />
{/if}
