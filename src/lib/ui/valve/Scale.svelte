<!--
  One clearance to scale: the limits as a taped stretch, the aim as a dashed tick, what was measured as a bar from the blade
  that goes to the one that does not, the last check as a mark beneath.
-->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Limits, Span } from '$lib/core/valve/clearance';
  import { bareUm, showUm, type ClearanceUnit } from '$lib/core/valve/limits';

  interface Props {
    limits: Limits | null;
    aim?: number | null;
    /** What is measured, or predicted. */
    span?: Span | null;
    /** At the last check, µm. */
    last?: number | null;
    unit: ClearanceUnit;
    /** Ends of the limits in figures. */
    figures?: boolean;
    label: string;
  }
  let { limits, aim = null, span = null, last = null, unit, figures = false, label }: Props = $props();
  const W = 240;
  const id = $props.id();
  const far = $derived(
    Math.max(
      (limits?.hi ?? 200) * 1.5,
      span && Number.isFinite(span.to) ? span.to * 1.1 : (span?.from ?? 0) * 1.2,
      (last ?? 0) * 1.1
    )
  );
  const x = $derived(
    scaleLinear()
      .domain([0, far])
      .range([4, W - 4])
  );
  const H = $derived(figures ? 46 : 26);
  const to = $derived(span ? (Number.isFinite(span.to) ? Math.max(span.to, span.from) : far) : 0);
  const out = $derived(
    limits && span && (span.from > limits.hi || (span.closed ? span.to < limits.lo : span.to <= limits.lo))
  );
</script>

<svg viewBox="0 0 {W} {H}" class="w-full" style="max-width: 20rem" role="img" aria-label={label}>
  <defs
    ><pattern {id} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
      ><rect width="7" height="7" fill="var(--sheet)" /><path
        d="M0 0 V7"
        stroke="var(--done)"
        stroke-width="3"
      /></pattern
    ></defs
  >
  <path d="M{x(0)} 13 H{W - 4}" stroke="var(--rule-strong)" />
  <path d="M{x(0)} 8 V18" stroke="var(--rule-strong)" stroke-width="2" />
  {#if limits}
    <rect
      x={x(limits.lo)}
      y="5"
      width={Math.max(1, x(limits.hi) - x(limits.lo))}
      height="16"
      fill="url(#{id})"
      stroke="var(--done)"
    />
    {#if aim !== null}<path d="M{x(aim)} 2 V24" stroke="var(--ink)" stroke-dasharray="3 3" />{/if}
    {#if figures}
      <g font-family="var(--font-plate)" font-size="15" fill="var(--ink-2)">
        <text x={x(limits.lo)} y="40" text-anchor="end" dx="6">{bareUm(limits.lo, unit)}</text>
        <text x={x(limits.hi)} y="40" dx="-6">{showUm(limits.hi, unit)}</text>
      </g>
    {/if}
  {/if}
  {#if last !== null}<path d="M{x(last)} 20 l-5 6 h10 z" fill="var(--ink-2)" />{/if}
  {#if span}
    {#if to > span.from}
      <rect
        x={x(span.from)}
        y="9"
        width={Math.max(3, x(to) - x(span.from))}
        height="8"
        fill={out ? 'var(--signal)' : 'var(--ink)'}
      />
      <path
        d="M{x(span.from)} 4 V22 {Number.isFinite(span.to) ? `M${x(to)} 4 V22` : ''}"
        stroke={out ? 'var(--signal)' : 'var(--ink)'}
        stroke-width="2"
      />
    {:else}<path
        d="M{x(span.from)} 2 V24"
        stroke={out ? 'var(--signal)' : 'var(--ink)'}
        stroke-width="5"
      />{/if}
  {/if}
</svg>
