<!--
  The chain from the machine's left, drawn to scale from its own figures: the front sprocket, the arm on its pivot, the rear one.
  The arm is dragged through its travel, the probe along the run; both by keys as well.
-->
<script lang="ts">
  import { along, runsOf, type Point } from '$lib/core/chain/draw';
  import { pitchRadius, type Gears } from '$lib/core/chain/run';
  import { axleAt, type Arm } from '$lib/core/chain/travel';
  import { showSlack, type RuleUnit } from '$lib/core/chain/slack-typed';

  interface Props {
    gears: Gears | null;
    centre: number | null;
    /** Null: its travel is not known, and nothing is dragged. */
    arm: Arm | null;
    /** Of the arm as it is shown, degrees. */
    angle: number;
    at: number;
    /** Slack as it is shown, mm; null: not known. */
    slack: number | null;
    /** So tight that the loop would have to stretch, mm. */
    short?: number;
    unit: RuleUnit;
    onangle?: ((angle: number) => void) | null;
    onat: (at: number) => void;
  }
  let { gears, centre, arm, angle, at, slack, short = 0, unit, onangle = null, onat }: Props = $props();
  /** As drives go, where nothing is known of this one: said so beneath it. */
  const LIKE: Gears = { pitch: 15.875, front: 13, rear: 48 };
  const LIKE_CENTRE = 630;
  const g = $derived(gears ?? LIKE);
  const [r1, r2] = $derived([pitchRadius(g.pitch, g.front), pitchRadius(g.pitch, g.rear)]);
  const axle = $derived<Point>(arm ? axleAt(arm, angle) : { x: centre ?? LIKE_CENTRE, y: 0 });
  const runs = $derived(runsOf(g, axle));
  const probe = $derived(along(runs.lower, at));
  const ends = $derived(arm ? [axleAt(arm, arm.droop), axleAt(arm, arm.bump)] : [axle, axle]);
  /** Room for both ends of the travel: the picture stands still while the arm is dragged. */
  const box = $derived.by(() => {
    const right = Math.max(axle.x, ...ends.map((e) => e.x)) + r2 + 45;
    const up = Math.max(r1, ...ends.map((e) => e.y + r2)) + 30;
    const down = Math.max(r1 + 60, ...ends.map((e) => r2 - e.y)) + 45;
    return { x: -r1 - 40, y: -up, width: right + r1 + 40, height: up + down };
  });
  /** SVG has y downwards. */
  const p = ({ x, y }: Point) => `${x.toFixed(2)} ${(-y).toFixed(2)}`;
  /** A chain hangs in a bow: √¾ of the corner a hand pushes into it. */
  const sag = $derived(((slack ?? 0) / 2) * Math.sqrt(0.75));
  const bow = $derived.by(() => {
    const mid = along(runs.lower, 0.5);
    return `M${p(runs.lower.front)} Q${p({ x: mid.x, y: mid.y - 2 * sag })} ${p(runs.lower.rear)}`;
  });
  const teeth = (r: number, z: number) => `${(Math.PI * r) / z} ${(Math.PI * r) / z}`;

  let svg: SVGSVGElement | undefined = $state();
  let drags = $state<'arm' | 'probe' | null>(null);
  function place(e: PointerEvent): Point {
    const m = svg!.getScreenCTM()!.inverse();
    const q = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    return { x: q.x, y: -q.y };
  }
  function begin(e: PointerEvent, what: 'arm' | 'probe') {
    drags = what;
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
    e.preventDefault();
    (e.currentTarget as SVGElement).focus();
  }
  function move(e: PointerEvent) {
    if (!drags) return;
    const q = place(e);
    if (drags === 'arm' && arm) turn((Math.atan2(q.y - arm.pivot.y, q.x - arm.pivot.x) * 180) / Math.PI);
    if (drags === 'probe') {
      const { front, rear } = runs.lower;
      const d = { x: rear.x - front.x, y: rear.y - front.y };
      slide(((q.x - front.x) * d.x + (q.y - front.y) * d.y) / (d.x * d.x + d.y * d.y));
    }
  }
  const turn = (to: number) => arm && onangle?.(Math.min(arm.bump, Math.max(arm.droop, to)));
  const slide = (to: number) => onat(Math.min(0.9, Math.max(0.1, Math.round(to * 100) / 100)));
  function key(e: KeyboardEvent, by: (step: number) => void, ends: [() => void, () => void]) {
    const steps: Record<string, number> = {
      ArrowUp: 1,
      ArrowRight: 1,
      ArrowDown: -1,
      ArrowLeft: -1,
      PageUp: 5,
      PageDown: -5
    };
    const step = steps[e.key];
    if (step !== undefined) by(step);
    else if (e.key === 'Home') ends[0]();
    else if (e.key === 'End') ends[1]();
    else return;
    e.preventDefault();
  }
  const label = $derived(
    slack === null
      ? 'slack not known'
      : short > 0
        ? `${Math.round(short * 10) / 10} mm short`
        : showSlack(slack, unit)
  );
  const bar = $derived((slack ?? 0) / 2);
</script>

<svg
  bind:this={svg}
  viewBox="{box.x} {box.y} {box.width} {box.height}"
  class="run"
  role="group"
  aria-label="The chain run from the left, the front of the machine at the left"
  onpointermove={move}
  onpointerup={() => (drags = null)}
  onpointercancel={() => (drags = null)}
>
  {#if arm}
    {#each ends as e, i (i)}<line
        x1={arm.pivot.x}
        y1={-arm.pivot.y}
        x2={e.x}
        y2={-e.y}
        stroke="var(--rule-strong)"
        stroke-width="2"
        stroke-dasharray="10 8"
      />{#if Math.abs(angle - (i === 0 ? arm.droop : arm.bump)) > 4}<text
          x={e.x + 12}
          y={-e.y + (i === 0 ? 26 : -10)}
          class="small"
          text-anchor="middle">{i === 0 ? 'hanging' : 'end of travel'}</text
        >{/if}{/each}
    <line
      x1={arm.pivot.x}
      y1={-arm.pivot.y}
      x2={axle.x}
      y2={-axle.y}
      stroke="var(--tape)"
      stroke-width="34"
      stroke-linecap="round"
    />
    <circle
      cx={arm.pivot.x}
      cy={-arm.pivot.y}
      r="9"
      fill="var(--paper)"
      stroke="var(--ink)"
      stroke-width="4"
    />
  {/if}
  <circle r={r1} fill="none" stroke="var(--ink-2)" stroke-width="9" stroke-dasharray={teeth(r1, g.front)} />
  <circle r="5" fill="var(--ink)" />
  <g transform="translate({axle.x} {-axle.y})">
    <circle r={r2} fill="none" stroke="var(--ink-2)" stroke-width="9" stroke-dasharray={teeth(r2, g.rear)} />
    <circle r={r2 - 16} fill="none" stroke="var(--rule)" stroke-width="2" />
    <circle r="5" fill="var(--ink)" />
  </g>
  <path d="M{p(runs.upper.front)} L{p(runs.upper.rear)}" fill="none" stroke="var(--ink)" stroke-width="5" />
  <path
    d="M{p(runs.lower.front)} L{p(runs.lower.rear)}"
    stroke="var(--rule-strong)"
    stroke-width="1.5"
    stroke-dasharray="4 5"
    fill="none"
  />
  <path d={bow} fill="none" stroke={short > 0 ? 'var(--signal)' : 'var(--ink)'} stroke-width="5" />
  <g
    transform="translate({probe.x} {-probe.y})"
    role="slider"
    tabindex="0"
    aria-label="Where along the run slack is measured"
    aria-valuemin={10}
    aria-valuemax={90}
    aria-valuenow={Math.round(at * 100)}
    aria-valuetext="{Math.round(at * 100)} % of the run behind the front sprocket"
    class="grab"
    onpointerdown={(e) => begin(e, 'probe')}
    onkeydown={(e) => key(e, (s) => slide(at + s / 100), [() => slide(0.1), () => slide(0.9)])}
  >
    <rect x="-34" y={-bar - 30} width="68" height={2 * bar + 60} fill="transparent" />
    <path
      d="M0 {-bar} V{bar} M-13 {-bar} H13 M-13 {bar} H13"
      stroke="var(--signal)"
      stroke-width="4"
      fill="none"
    />
    <text
      x="-20"
      y={bar + 30}
      text-anchor="end"
      class="slack"
      fill={short > 0 ? 'var(--signal)' : 'var(--ink)'}>{label}</text
    >
  </g>
  {#if arm && onangle}
    <g
      transform="translate({axle.x} {-axle.y})"
      role="slider"
      tabindex="0"
      aria-label="The swingarm"
      aria-valuemin={arm.droop}
      aria-valuemax={arm.bump}
      aria-valuenow={Math.round(angle * 10) / 10}
      aria-valuetext="{Math.round(angle * 10) / 10}°, {label}"
      class="grab"
      onpointerdown={(e) => begin(e, 'arm')}
      onkeydown={(e) => key(e, (s) => turn(angle + s), [() => turn(arm.droop), () => turn(arm.bump)])}
    >
      <circle r={r2} fill="transparent" />
      <circle r="26" class="knob" />
      <path d="M0 -15 L7 -6 H-7 Z M0 15 L7 6 H-7 Z" fill="var(--paper)" />
    </g>
  {/if}
</svg>

<style>
  .run {
    display: block;
    width: 100%;
    max-height: 26rem;
    user-select: none;
  }
  .grab {
    cursor: grab;
    touch-action: none;
  }
  .grab:focus {
    outline: none;
  }
  .grab:focus-visible .knob,
  .grab:focus-visible path {
    stroke: var(--signal);
    stroke-width: 6;
  }
  .knob {
    fill: var(--ink);
  }
  .small {
    font-family: var(--font-plate);
    font-size: 22px;
    fill: var(--ink-2);
  }
  .slack {
    font-family: var(--font-plate);
    font-size: 40px;
    font-weight: 700;
  }
</style>
