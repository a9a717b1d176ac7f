<!--
  Where each valve's seat went: clearance and shim together over the engine's running hours, from what it was at the first
  check. A new shim alone moves nothing here; a fall is wear. The lowest each may go with the shim it has is drawn in.
-->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { Chart as ChartType } from 'chart.js';

  export interface Line {
    name: string;
    side: string;
    /** Hours and clearance, µm, as if it had been set as now all along. */
    points: { hours: number; um: number }[];
    lo: number | null;
  }
  let { lines, sentence }: { lines: Line[]; sentence: string } = $props();
  let canvas: HTMLCanvasElement | undefined = $state();
  const STYLES = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'cross'] as const;
  const DASHES = [[], [7, 4], [2, 3], [10, 3, 2, 3], [4, 2], [1, 4]];

  onMount(() => {
    let chart: ChartType | undefined;
    let gone = false;
    void (async () => {
      const [
        { Chart, LineController, LineElement, PointElement, LinearScale, Tooltip, Legend },
        { default: annotation }
      ] = await Promise.all([import('chart.js'), import('chartjs-plugin-annotation')]);
      if (gone || !canvas) return;
      Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend, annotation);
      const css = getComputedStyle(canvas);
      const probe = document.createElement('span');
      canvas.parentElement!.append(probe);
      // Colours come as light-dark() from the theme; the browser resolves them on an element.
      const colour = (name: string) => {
        probe.style.color = `var(${name})`;
        return getComputedStyle(probe).color;
      };
      const [ink, quiet, rule, signal, done, strong] = [
        '--ink',
        '--ink-2',
        '--rule',
        '--signal',
        '--done',
        '--rule-strong'
      ].map(colour);
      probe.remove();
      const font = { family: css.fontFamily, size: 14 };
      const limits = [...new Set(lines.flatMap((l) => l.lo ?? []))];
      const colours = [ink, done, quiet, strong];
      chart = new Chart(canvas, {
        type: 'line',
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
          responsive: true,
          maintainAspectRatio: false,
          animation: false,
          interaction: { mode: 'nearest', intersect: false },
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
                  content: `lower limit ${(lo / 1000).toFixed(2)}, ${[...new Set(lines.filter((l) => l.lo === lo).map((l) => l.side))].join(' and ')}`,
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
      });
    })();
    return () => {
      gone = true;
      chart?.destroy();
    };
  });
</script>

<figure class="mt-2">
  <div class="figure relative h-80" role="img" aria-label={sentence}>
    <canvas bind:this={canvas}></canvas>
  </div>
  <figcaption class="mt-1">{sentence}</figcaption>
</figure>
