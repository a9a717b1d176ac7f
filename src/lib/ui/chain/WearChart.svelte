<!-- How much longer the chain has grown, over its running hours or its outings, with the end drawn in; and how far the axle has gone back. -->
<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import { groundBetween, type AxleAt, type LengthAt } from '$lib/core/chain/wear';
  import LineChart from '../chart/LineChart.svelte';

  interface Props {
    lengths: readonly LengthAt[];
    limit: number;
    axle: readonly AxleAt[];
    over: 'hours' | 'outings';
    sentence: string;
  }
  let { lengths, limit, axle, over, sentence }: Props = $props();
  const grounds = $derived(lengths.map((l, i) => groundBetween(lengths[i - 1] ?? null, l)));
  const STYLE = { mud: 'rectRot', sand: 'triangle' } as const;
  const groundOf = (i: number): string =>
    i === 0
      ? ''
      : grounds[i]
        ? `${grounds[i].hours.toFixed(1)} h of it in ${grounds[i].ground}`
        : 'clean ground';

  const draw: ComponentProps<typeof LineChart>['draw'] = ({ ink, quiet, rule, signal, done }, font) => ({
    data: {
      datasets: [
        {
          label: 'longer than new, %',
          data: lengths.map((l) => ({ x: over === 'hours' ? l.hours! : l.outings, y: l.grown })),
          borderColor: ink,
          backgroundColor: ink,
          borderWidth: 2,
          pointRadius: 6,
          pointStyle: grounds.map((g) => (g ? STYLE[g.ground] : 'circle'))
        },
        ...(axle.length > 1
          ? [
              {
                label: 'axle back, mm',
                data: axle.map((a) => ({ x: over === 'hours' ? a.hours : a.outings, y: a.mm })),
                borderColor: done,
                backgroundColor: done,
                borderDash: [7, 4],
                borderWidth: 2,
                pointRadius: 4,
                yAxisID: 'axle'
              }
            ]
          : [])
      ]
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          title: {
            display: true,
            text: over === 'hours' ? 'running hours of the chain' : 'outings of the chain',
            color: quiet,
            font
          },
          ticks: { color: quiet, font },
          grid: { color: rule }
        },
        y: {
          min: 0,
          suggestedMax: limit * 1.15,
          title: { display: true, text: 'longer than new, %', color: quiet, font },
          ticks: { color: quiet, font },
          grid: { color: rule }
        },
        ...(axle.length > 1
          ? {
              axle: {
                position: 'right' as const,
                min: 0,
                title: { display: true, text: 'axle back, mm', color: quiet, font },
                ticks: { color: quiet, font },
                grid: { display: false }
              }
            }
          : {})
      },
      plugins: {
        legend: { position: 'bottom', labels: { usePointStyle: true, color: ink, font } },
        tooltip: {
          callbacks: {
            title: (items) => `${items[0]!.parsed.x}${over === 'hours' ? ' h' : ' outings'}`,
            label: (i) =>
              i.datasetIndex === 0
                ? [`${(i.parsed.y ?? 0).toFixed(2)} % longer than new`, groundOf(i.dataIndex)].filter(Boolean)
                : `axle ${(i.parsed.y ?? 0).toFixed(1)} mm back`
          }
        },
        annotation: {
          annotations: [
            {
              type: 'line' as const,
              yMin: limit,
              yMax: limit,
              borderColor: signal,
              borderWidth: 2,
              label: {
                display: true,
                content: `worn out, ${limit.toFixed(2)} %`,
                position: 'start' as const,
                backgroundColor: 'transparent',
                color: signal,
                yAdjust: -12,
                font
              }
            }
          ]
        }
      }
    }
  });
</script>

{#snippet meaning()}A diamond: ridden in mud since the last one; a triangle: in sand.{/snippet}
<LineChart {draw} {sentence} marks={meaning} />
