<!-- Which grade of oil for which air temperature, drawn to scale. -->
<script lang="ts">
  import { readGradeTable } from '$lib/core/specs/changes';
  let { text }: { text: string } = $props();
  const table = $derived(readGradeTable(text));
  const LO = -30;
  const HI = 45;
  const at = (c: number) => ((Math.min(HI, Math.max(LO, c)) - LO) / (HI - LO)) * 100;
  const marks = [-30, -20, -10, 0, 10, 20, 30, 40];
</script>

{#if table.ok}
  <svg class="mt-1 block w-full max-w-xl" height={table.spans.length * 26 + 22} role="img" aria-label={text}>
    {#each marks as m (m)}<line
        x1="{at(m)}%"
        x2="{at(m)}%"
        y1="0"
        y2={table.spans.length * 26}
        stroke="var(--rule)"
      />
      <text
        x="{at(m)}%"
        y={table.spans.length * 26 + 16}
        text-anchor={m === LO ? 'start' : 'middle'}
        class="tick">{m} °C</text
      >{/each}
    {#each table.spans as s, i (i)}
      <rect
        x="{at(s.from ?? LO)}%"
        width="{at(s.to ?? HI) - at(s.from ?? LO)}%"
        y={i * 26 + 4}
        height="18"
        fill="var(--sheet)"
        stroke="var(--ink)"
      />
      <text x="{at(s.from ?? LO) + 1}%" y={i * 26 + 18} class="tick">{s.grade}</text>
    {/each}
  </svg>
{:else}<span class="whitespace-pre-line">{text}</span>{/if}

<style>
  .tick {
    font: 500 13px var(--font-plate);
    fill: var(--ink);
  }
</style>
