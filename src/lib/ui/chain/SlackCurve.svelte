<!-- Slack over the travel of the wheel: where it is measured, where it is tightest, and what the house wants left there. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { axleAt, type Arm } from '$lib/core/chain/travel';
  import { showSlack, type RuleUnit } from '$lib/core/chain/slack-typed';

  interface Props {
    /** Pairs of angle and slack, flat. */
    curve: Float64Array;
    arm: Arm;
    measured: { angle: number; slack: number };
    tight: { angle: number | null; slack: number };
    least: number;
    unit: RuleUnit;
    shown: { angle: number; slack: number };
    sentence: string;
    onangle: (angle: number) => void;
  }
  let { curve, arm, measured, tight, least, unit, shown, sentence, onangle }: Props = $props();
  const [WIDTH, HEIGHT, LEFT, BOTTOM, TOP] = [640, 200, 46, 40, 14];
  const low = $derived(axleAt(arm, arm.droop).y);
  /** How far the axle has come up from hanging, mm. */
  const up = (angle: number) => axleAt(arm, angle).y - low;
  const x = $derived(scaleLinear([0, up(arm.bump)], [LEFT, WIDTH - 12]));
  const most = $derived(Math.max(least * 1.5, measured.slack, ...curve.filter((_, i) => i % 2 === 1)));
  const y = $derived(scaleLinear([0, most], [HEIGHT - BOTTOM, TOP]).nice());
  const path = $derived.by(() => {
    let d = '';
    for (let i = 0; i < curve.length; i += 2)
      d += `${i === 0 ? 'M' : 'L'}${x(up(curve[i]!)).toFixed(1)} ${y(curve[i + 1]!).toFixed(1)}`;
    return d;
  });
  /** Two names in one place are read by nobody. */
  const beneath = $derived(
    tight.angle !== null &&
      Math.abs(x(up(tight.angle)) - x(up(measured.angle))) < 170 &&
      y(tight.slack) < HEIGHT - BOTTOM - 34
  );
  function press(e: PointerEvent) {
    if (e.buttons !== 1) return;
    const box = (e.currentTarget as SVGSVGElement).getBoundingClientRect();
    const rise = x.invert(((e.clientX - box.left) / box.width) * WIDTH);
    onangle((Math.asin(Math.min(1, Math.max(-1, (rise + low - arm.pivot.y) / arm.length))) * 180) / Math.PI);
  }
</script>

<figure>
  <svg
    viewBox="0 0 {WIDTH} {HEIGHT}"
    class="curve"
    role="img"
    aria-label={sentence}
    onpointerdown={press}
    onpointermove={press}
  >
    {#each y.ticks(4) as t (t)}
      <line x1={LEFT} x2={WIDTH - 12} y1={y(t)} y2={y(t)} stroke="var(--rule)" />
      <text x={LEFT - 8} y={y(t) + 5} text-anchor="end">{t}</text>
    {/each}
    {#each x.ticks(6) as t (t)}<text x={x(t)} y={HEIGHT - BOTTOM + 20} text-anchor="middle">{t}</text>{/each}
    <text x={WIDTH - 12} y={HEIGHT - 4} text-anchor="end">wheel up from hanging, mm</text>
    <text x={LEFT - 36} y={HEIGHT - 4}>slack, mm</text>
    <line
      x1={LEFT}
      x2={WIDTH - 12}
      y1={y(least)}
      y2={y(least)}
      stroke="var(--signal)"
      stroke-width="2"
      stroke-dasharray="7 5"
    />
    <text x={WIDTH - 12} y={y(least) - 6} text-anchor="end" class="limit"
      >{showSlack(least, unit)} wanted at the tightest</text
    >
    <path d={path} fill="none" stroke="var(--ink)" stroke-width="3" />
    <line
      x1={x(up(shown.angle))}
      x2={x(up(shown.angle))}
      y1={TOP}
      y2={HEIGHT - BOTTOM}
      stroke="var(--rule-strong)"
      stroke-width="2"
    />
    <circle cx={x(up(shown.angle))} cy={y(shown.slack)} r="5" fill="var(--rule-strong)" />
    <rect x={x(up(measured.angle)) - 7} y={y(measured.slack) - 7} width="14" height="14" fill="var(--ink)" />
    <text x={x(up(measured.angle)) + 13} y={y(measured.slack) + 1} class="named"
      >measured, {showSlack(measured.slack, unit)}</text
    >
    {#if tight.angle !== null}
      <circle
        cx={x(up(tight.angle))}
        cy={y(tight.slack)}
        r="8"
        fill="var(--paper)"
        stroke={tight.slack + 0.25 < least ? 'var(--signal)' : 'var(--done)'}
        stroke-width="4"
      />
      <text
        x={x(up(tight.angle))}
        y={y(tight.slack) + (beneath ? 25 : -15)}
        text-anchor={x(up(tight.angle)) > WIDTH * 0.8 ? 'end' : 'middle'}
        class="named">tightest, {showSlack(tight.slack, unit)}</text
      >
    {/if}
  </svg>
  <figcaption class="mt-1">{sentence}</figcaption>
</figure>

<style>
  .curve {
    display: block;
    width: 100%;
    cursor: ew-resize;
    touch-action: pan-y;
  }
  text {
    font-family: var(--font-plate);
    font-size: 15px;
    fill: var(--ink-2);
  }
  .named {
    fill: var(--ink);
    font-weight: 700;
  }
  .limit {
    fill: var(--signal);
  }
</style>
