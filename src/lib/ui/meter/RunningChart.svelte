<!--
  The running total over time: a line through true readings, dashes where it rests on time ridden or estimates, a post where
  a meter was replaced, a cross where a reading was struck out.
-->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { Chart as ChartType } from 'chart.js';

  interface Props {
    steps: { at: number; total: number; estimated: boolean; readingId: string | null }[];
    struck: { at: number; value: number; reason: string }[];
    changes: { at: number; words: string }[];
    timeZone: string;
    sentence: string;
  }
  let { steps, struck, changes, timeZone, sentence }: Props = $props();
  let canvas: HTMLCanvasElement | undefined = $state();

  const day = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric', month: 'short', year: '2-digit' }).format(
      at
    );

  onMount(() => {
    let chart: ChartType | undefined;
    let gone = false;
    void (async () => {
      const [
        { Chart, LineController, LineElement, PointElement, LinearScale, Tooltip },
        { default: annotation }
      ] = await Promise.all([import('chart.js'), import('chartjs-plugin-annotation')]);
      if (gone || !canvas) return;
      Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, annotation);
      const css = getComputedStyle(canvas);
      const probe = document.createElement('span');
      canvas.parentElement!.append(probe);
      // Colours come as light-dark() from the theme; the browser resolves them on an element.
      const colour = (name: string) => {
        probe.style.color = `var(${name})`;
        return getComputedStyle(probe).color;
      };
      const [ink, quiet, rule, signal, done, paper] = [
        '--ink',
        '--ink-2',
        '--rule',
        '--signal',
        '--done',
        '--paper'
      ].map(colour);
      probe.remove();
      // A wrong reading of ten times the hours would flatten all the others: it is drawn at the edge instead.
      const most = Math.max(...steps.map((s) => s.total), 1) / 100;
      const top = Math.ceil(most * 1.08);
      const font = { family: css.fontFamily, size: 13 };
      chart = new Chart(canvas, {
        type: 'line',
        data: {
          datasets: [
            {
              label: 'running total',
              data: steps.map((s) => ({ x: s.at, y: s.total / 100 })),
              borderColor: ink,
              borderWidth: 2,
              segment: {
                borderDash: (c) => (steps[c.p1DataIndex]?.estimated ? [3, 4] : undefined),
                borderColor: (c) => (steps[c.p1DataIndex]?.estimated ? quiet : ink)
              },
              pointRadius: steps.map((s) => (s.estimated ? 4 : steps.length > 150 ? 1.5 : 2.5)),
              pointStyle: steps.map((s) => (s.estimated ? 'rectRot' : 'circle')),
              pointBackgroundColor: steps.map((s) => (s.estimated ? paper : ink)) as string[],
              pointBorderColor: steps.map((s) => (s.estimated ? quiet : ink)) as string[]
            },
            {
              label: 'struck out',
              data: struck.map((s) => ({ x: s.at, y: Math.min(s.value / 100, top) })),
              showLine: false,
              // One of ten times the hours stands at the very edge; it is drawn whole all the same.
              clip: false,
              pointStyle: 'crossRot',
              pointRadius: 8,
              pointBorderWidth: 2,
              pointBorderColor: signal
            }
          ]
        },
        options: {
          responsive: true,
          maintainAspectRatio: false,
          animation: false,
          interaction: { mode: 'nearest', intersect: false },
          scales: {
            x: {
              type: 'linear',
              min: steps[0]?.at,
              max: steps.at(-1)?.at,
              ticks: { callback: (v) => day(Number(v)), color: quiet, font, maxTicksLimit: 8 },
              grid: { color: rule }
            },
            y: {
              max: top,
              title: { display: true, text: 'running hours', color: quiet, font },
              ticks: { color: quiet, font },
              grid: { color: rule }
            }
          },
          plugins: {
            tooltip: {
              callbacks: {
                title: (items) => day(items[0]!.parsed.x ?? 0),
                label: (i) =>
                  i.datasetIndex === 1
                    ? `struck out: ${struck[i.dataIndex]!.value / 100} h, ${struck[i.dataIndex]!.reason}`
                    : `${steps[i.dataIndex]!.total / 100} h${steps[i.dataIndex]!.estimated ? ', estimated' : steps[i.dataIndex]!.readingId ? '' : ', meter closed'}`
              }
            },
            annotation: {
              annotations: changes.map((c) => ({
                type: 'line' as const,
                xMin: c.at,
                xMax: c.at,
                borderColor: done,
                borderWidth: 2,
                label: {
                  display: true,
                  content: c.words,
                  position: 'start' as const,
                  backgroundColor: done,
                  color: paper,
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

<figure class="mt-3">
  <div class="figure relative h-80" role="img" aria-label={sentence}>
    <canvas bind:this={canvas}></canvas>
  </div>
  <figcaption class="mt-1 text-sm">
    {sentence}
    <span class="quiet"
      >Line: read from a meter. Dashes and diamonds: estimated. Post: a meter changed. Cross: struck out.</span
    >
  </figcaption>
</figure>
