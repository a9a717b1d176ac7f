<!-- The shortcuts, and the switch for those whom single keys get in the way of. -->
<script lang="ts">
  import { Checkbox } from '$lib/ui/form/controls';
  let { single = $bindable() }: { single: boolean } = $props();
  const keys: [string, string][] = [
    ['l', 'log hours'],
    ['f', 'write down a finding'],
    ['/', 'find a machine or a place'],
    ['t', 'Trail'],
    ['u', 'Due: the list over the whole fleet'],
    ['o', 'Outings'],
    ['d', 'race day, the whole fleet'],
    ['b', 'Bench'],
    ['g', 'Board: who may ride'],
    ['i', 'Findings over the whole fleet'],
    ['c', 'Components and the shelf'],
    ['r', 'Records: what was done'],
    ['s', 'Stores: wrenches, adapters, oils'],
    ['w', 'Jobs: the work, step by step'],
    ['h', 'House rules'],
    ['j  k', 'next and last lane; Enter opens it'],
    ['+  −', 'zoom the trail of a machine; ← → move along it'],
    ['?', 'this sheet'],
    ['Esc', 'close what is open']
  ];
</script>

<h2>Shortcuts</h2>
<dl class="mt-2 grid grid-cols-[5rem_1fr] gap-y-1 sm:grid-cols-[5rem_1fr_5rem_1fr]">
  {#each keys as [key, what] (key)}
    <dt class="figure text-lg"><kbd>{key}</kbd></dt>
    <dd>{what}</dd>
  {/each}
</dl>
<Checkbox bind:checked={single} class="mt-3">Single keys work (Ctrl+K always finds)</Checkbox>
