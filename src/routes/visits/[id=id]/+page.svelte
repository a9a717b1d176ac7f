<script lang="ts">
  import Bench from '$lib/ui/visit/Bench.svelte';
  let { data } = $props();
</script>

<svelte:head><title>{data.visit.plate} {data.visit.machine} at the bench · Hour Trail</title></svelte:head>
{#key data.visit.id}<Bench
    visit={data.visit}
    around={data.around}
    timers={data.timers}
    units={data.units}
  />{/key}
