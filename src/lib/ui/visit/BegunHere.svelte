<!-- Visits that were begun on this device and that the server does not know yet. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { timeOfDay } from '$lib/core/time/moment';
  import { listedMachines, type ListedMachine } from '../machine/listed';
  import { begunVisits } from '../offline/begun';
  import { outbox } from '../outbox/outbox.svelte';

  const visits = $derived(begunVisits(outbox.items));
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  let machines = $state<ListedMachine[]>([]);
  onMount(() => {
    void listedMachines().then((m) => (machines = m ?? []));
  });
</script>

{#if visits.length > 0}
  <ul class="rule-b mt-2 pb-2" aria-label="Begun on this device">
    {#each visits as v (v.id)}
      {@const machine = machines.find((m) => m.id === v.machineId)}
      <li>
        <a href="/visits/{v.id}" class="flex min-h-12 flex-wrap items-center gap-x-4 no-underline"
          >{#if machine}<span class="plate text-3xl">{machine.plate}</span><span class="figure text-2xl"
              >{machine.name}</span
            >{/if}
          <span
            >begun on this device at {timeOfDay(new Date(v.at), zone)}; {v.written} written in it{v.closed
              ? ', and closed'
              : ''}</span
          ></a
        >
      </li>
    {/each}
  </ul>
{/if}
