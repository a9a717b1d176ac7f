<!--
  The running total over time: a line through true readings, dashes where it rests on time ridden or estimates, a post where
  a meter was replaced, a cross where a reading was struck out.
-->
<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import LineChart from '../chart/LineChart.svelte';

  interface Props {
    steps: { at: number; total: number; estimated: boolean; readingId: string | null }[];
    struck: { at: number; value: number; reason: string }[];
    changes: { at: number; words: string }[];
    timeZone: string;
    sentence: string;
  }
  let { steps, struck, changes, timeZone, sentence }: Props = $props();
  const day = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric', month: 'short', year: '2-digit' }).format(
      at
    );

  const draw: ComponentProps<typeof LineChart>['draw'] = (
    { ink, quiet, rule, signal, done, paper },
    font
  ) => {
    // A wrong reading of ten times the hours would flatten all the others: it is drawn at the edge instead.
    const most = Math.max(...steps.map((s) => s.total), 1) / 100;
    const top = Math.ceil(most * 1.08);
    return {
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
          legend: { display: false },
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
    };
  };
</script>

<LineChart {draw} {sentence}>
  {#snippet marks()}
    Line: read from a meter. Dashes and diamonds: estimated. Post: a meter changed. Cross: struck out.
  {/snippet}
</LineChart>
