<script lang="ts">
  import { goto } from '$app/navigation';
  import RecordTable from '$lib/ui/machine/RecordTable.svelte';
  import CsvLink from '$lib/ui/exchange/CsvLink.svelte';

  let { data } = $props();
  const address = (machine: string | null, before: string | null = null) => {
    const q = [machine && `machine=${machine}`, before && `before=${before}`].filter(Boolean).join('&');
    return q ? `/records?${q}` : '/records';
  };
</script>

<svelte:head><title>Records · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-4">
  <h1>Records</h1>
  <label class="flex items-center gap-2 text-sm"
    >Machine <select
      class="cell"
      value={data.machine ?? ''}
      onchange={(e) => void goto(address(e.currentTarget.value || null), { keepFocus: true })}
    >
      <option value="">all, and the shelf</option>
      {#each data.machines as m (m.id)}<option value={m.id}>{m.plate} {m.name}</option>{/each}
    </select></label
  >
  <span class="no-print ml-auto flex gap-4 text-sm"
    ><CsvLink list="records" search={{ machine: data.machine }} />
    <button type="button" class="link" onclick={() => print()}>Print</button></span
  >
</div>
<div class="mt-4">
  {#key `${data.machine} ${data.before}`}<RecordTable
      records={data.records}
      today={data.today}
      whole={data.machine === null}
    />{/key}
</div>
<p class="no-print mt-3 flex gap-4">
  {#if data.before}<a class="link" href={address(data.machine)}>The latest</a>{/if}
  {#if data.older}<a class="link" href={address(data.machine, data.older)}>Older</a>{/if}
</p>
