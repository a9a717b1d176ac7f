<!-- Every number the program judges by where neither a sheet nor a house rule does: what it decides, why, and whose it is. -->
<script lang="ts">
  import { JUDGED_BY, type Judged } from '$lib/core/judged/by';
  const about = Object.entries(JUDGED_BY).map(([name, list]): [string, Judged[]] => [
    name,
    Object.values(list)
  ]);
</script>

<section class="mt-8" aria-label="What the program judges by">
  <h2 class="border-b-2 pb-1" style="border-color: var(--ink)">What the program judges by</h2>
  <p class="quiet mt-1 max-w-3xl text-sm">
    Numbers that no sheet gives and no house decides. Where it says ours, we drew the line: the machine’s
    manual and a mechanic who knows the machine go before it.
  </p>
  {#each about as [name, list] (name)}
    <details class="border-b" style="border-color: var(--rule)">
      <summary class="figure min-h-11 py-2 text-lg font-bold"
        >{name[0]!.toUpperCase()}{name.slice(1)} <span class="quiet font-normal">{list.length}</span></summary
      >
      <table class="sheet-table">
        <thead><tr><th>What it decides</th><th>The line</th><th>Why</th><th>Source</th></tr></thead>
        <tbody>
          {#each list as j (j.decides)}<tr
              ><td>{j.decides}</td><td class="figure whitespace-nowrap">{j.shown}</td><td>{j.why}</td><td
                class="whitespace-nowrap">{j.source}</td
              ></tr
            >{/each}
        </tbody>
      </table>
    </details>
  {/each}
</section>

<style>
  @media (max-width: 760px) {
    thead {
      position: absolute;
      clip-path: inset(50%);
    }
    tr {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 0 1rem;
      padding-block: 0.4rem;
      border-bottom: 1px solid var(--rule);
    }
    td {
      border: 0;
      padding: 0;
    }
    td:nth-child(n + 3) {
      color: var(--quiet, inherit);
      font-size: 0.875rem;
    }
  }
</style>
