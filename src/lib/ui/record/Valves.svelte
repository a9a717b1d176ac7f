<!-- The valves of a record: as found, as left, and which shim went where. -->
<script lang="ts">
  import type { Measured } from '$lib/core/valve/clearance';
  import { showUm } from '$lib/core/valve/limits';
  import { thickness, type Shim } from '$lib/core/valve/shim';
  import { measuredWords } from '$lib/core/valve/typed';

  interface Props {
    check: {
      struck: string | null;
      valves: {
        name: string;
        found: Measured | null;
        left: Measured | null;
        shim: Shim | null;
        fitted: Shim | null;
      }[];
    };
  }
  let { check }: Props = $props();
  const um = (s: Shim | null) => (s ? showUm(thickness(s)!) : 'not known');
</script>

<section class="mt-6" aria-label="Valves">
  <h2>Valves</h2>
  {#if check.struck}<p class="caution mt-1">Struck out: {check.struck}</p>{/if}
  <table class="sheet-table stacked mt-1">
    <thead><tr><th>Valve</th><th>As found</th><th>As left</th><th>Shim</th></tr></thead>
    <tbody>
      {#each check.valves as v (v.name)}
        <tr>
          <td class="font-bold">{v.name}</td>
          <td data-label="As found" class="figure">{v.found ? measuredWords(v.found, 'mm') : ''}</td>
          <td data-label="As left" class="figure">{v.left ? measuredWords(v.left, 'mm') : ''}</td>
          <td data-label="Shim" class="figure"
            >{#if v.fitted}{um(v.shim)} → {um(v.fitted)}{:else if v.shim}{um(v.shim)}{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</section>
