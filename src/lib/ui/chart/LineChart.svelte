<!--
  A line chart in the colours and the hand of the theme, with the sentence that says the same. The library is fetched when a
  chart is shown.
-->
<script lang="ts" module>
  export type Ink = Record<'ink' | 'quiet' | 'rule' | 'strong' | 'signal' | 'done' | 'paper', string>;
  const NAMES: Ink = {
    ink: '--ink',
    quiet: '--ink-2',
    rule: '--rule',
    strong: '--rule-strong',
    signal: '--signal',
    done: '--done',
    paper: '--paper'
  };

  /** Colours come as light-dark() from the theme; the browser resolves them on an element. */
  function inkOf(near: HTMLElement): Ink {
    const probe = document.createElement('span');
    near.append(probe);
    const resolved = Object.entries(NAMES).map(([name, variable]) => {
      probe.style.color = `var(${variable})`;
      return [name, getComputedStyle(probe).color];
    });
    probe.remove();
    return Object.fromEntries(resolved) as Ink;
  }
</script>

<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import type { Chart as ChartType, ChartConfiguration, FontSpec } from 'chart.js';

  type Line = ChartConfiguration<'line'>;
  interface Props {
    /** What is drawn. Read once, when the chart is shown. */
    draw: (
      ink: Ink,
      font: Partial<FontSpec>
    ) => { data: Line['data']; options: NonNullable<Line['options']> };
    sentence: string;
    /** What the marks mean, after the sentence. */
    marks?: Snippet;
  }
  let { draw, sentence, marks }: Props = $props();
  let canvas: HTMLCanvasElement | undefined = $state();

  onMount(() => {
    let chart: ChartType<'line'> | undefined;
    let gone = false;
    void (async () => {
      const [
        { Chart, LineController, LineElement, PointElement, LinearScale, Tooltip, Legend },
        { default: annotation }
      ] = await Promise.all([import('chart.js'), import('chartjs-plugin-annotation')]);
      if (gone || !canvas) return;
      Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend, annotation);
      const { data, options } = draw(inkOf(canvas.parentElement!), {
        family: getComputedStyle(canvas).fontFamily,
        size: 14
      });
      chart = new Chart(canvas, {
        type: 'line',
        data,
        options: {
          responsive: true,
          maintainAspectRatio: false,
          animation: false,
          interaction: { mode: 'nearest', intersect: false },
          ...options
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
    {#if marks}<span class="quiet">{@render marks()}</span>{/if}
  </figcaption>
</figure>
