<!--
  Where each valve's seat went: clearance and shim together over the engine's running hours, from what it was at the first
  check. A new shim alone moves nothing here; a fall is wear. The lowest each may go with the shim it has is drawn in.
-->
<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import LineChart from '../chart/LineChart.svelte';

  export interface Line {
    name: string;
    side: string;
    /** Hours and clearance, µm, as if it had been set as now all along. */
    points: { hours: number; um: number }[];
    lo: number | null;
  }
  let { lines, sentence }: { lines: Line[]; sentence: string } = $props();
  const STYLES = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'cross'] as const;
  const DASHES = [[], [7, 4], [2, 3], [10, 3, 2, 3], [4, 2], [1, 4]];
  const sidesAt = (lo: number) =>
    [...new Set(lines.filter((l) => l.lo === lo).map((l) => l.side))].join(' and ');

  const draw: ComponentProps<typeof LineChart>['draw'] = (
    { ink, quiet, rule, signal, done, strong },
    font
  ) => {
    const limits = [...new Set(lines.flatMap((l) => l.lo ?? []))];
    const colours = [ink, done, quiet, strong];
    return {
      data: {
        datasets: lines.map((l, i) => ({
          label: l.name,
          data: l.points.map((p) => ({ x: p.hours, y: p.um / 1000 })),
          borderColor: colours[i % colours.length]!,
          backgroundColor: colours[i % colours.length]!,
          borderDash: DASHES[i % DASHES.length]!,
          borderWidth: 2,
          pointRadius: 4.5,
          pointStyle: STYLES[i % STYLES.length]!
        }))
      },
      options: {
        scales: {
          x: {
            type: 'linear',
            title: { display: true, text: 'running hours of the engine', color: quiet, font },
            ticks: { color: quiet, font },
            grid: { color: rule }
          },
          y: {
            title: { display: true, text: 'clearance as it is set now, mm', color: quiet, font },
            suggestedMin: Math.min(...limits.map((l) => l / 1000 - 0.02)),
            ticks: { color: quiet, font, callback: (v) => Number(v).toFixed(2) },
            grid: { color: rule }
          }
        },
        plugins: {
          legend: { position: 'bottom', labels: { usePointStyle: true, color: ink, font, boxWidth: 34 } },
          tooltip: {
            callbacks: {
              title: (items) => `${items[0]!.parsed.x} h`,
              label: (i) => `${i.dataset.label}: ${(i.parsed.y ?? 0).toFixed(3)} mm`
            }
          },
          annotation: {
            annotations: limits.map((lo) => ({
              type: 'line' as const,
              yMin: lo / 1000,
              yMax: lo / 1000,
              borderColor: signal,
              borderWidth: 2,
              label: {
                display: true,
                content: `lower limit ${(lo / 1000).toFixed(2)}, ${sidesAt(lo)}`,
                position: 'start' as const,
                backgroundColor: 'transparent',
                color: signal,
                yAdjust: 12,
                font
              }
            }))
          }
        }
      }
    };
  };
</script>

<LineChart {draw} {sentence} />
