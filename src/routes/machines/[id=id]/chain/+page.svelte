<script lang="ts">
  import { untrack } from 'svelte';
  import { sitOver } from '$lib/ui/sheet/sitting.svelte';
  import ChainSheet from '$lib/ui/chain/ChainSheet.svelte';

  let { data } = $props();
  $effect(() => untrack(() => sitOver(data.machine.id)));
  const worn = $derived(
    [
      ...new Set([data.sheet.chain, data.sheet.front, data.sheet.rear].flatMap((p) => (p ? [p.name] : [])))
    ].join(', ')
  );
</script>

<svelte:head><title>Chain · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Chain sheet</h1>
  <span class="quiet"
    >{worn || 'its chain'}{data.sheet.hours === null
      ? ', hours not known'
      : `, ${data.sheet.hours.toFixed(1)} h, ${data.sheet.outings} outings`}</span
  >
</div>
{#key data.machine.id}<ChainSheet
    sheet={data.sheet}
    tasks={data.tasks}
    sources={data.sources}
    today={data.today}
  />{/key}
