<!--
  The head from above, front at the top: left and right are those of whoever sits on the machine. Each valve is where it is,
  with what was measured in it and how that stands; tapped, it is the one that is measured.
-->
<script lang="ts">
  import type { ValveVerdict } from '$lib/core/valve/check';
  import { centreOf, exhaustOf, shortName, valveName, valvesOf, type Layout } from '$lib/core/valve/head';
  import { VERDICT_WORDS } from './words';

  interface Props {
    layout: Layout;
    /** How each valve stands, and what is written in it: by its id. */
    valves?: Record<string, { verdict: ValveVerdict; text: string; more?: string }>;
    picked?: string | null;
    onpick?: ((id: string) => void) | null;
    label: string;
    most?: number;
    /** Only the layout, without words. */
    plain?: boolean;
  }
  let {
    layout,
    valves = {},
    picked = null,
    onpick = null,
    label,
    most = 26,
    plain = false
  }: Props = $props();
  const U = 92;
  const R = 0.33;
  const id = $props.id();
  const all = $derived(valvesOf(layout));
  const cylinders = $derived(
    Array.from({ length: layout.cylinders }, (_, i) => ({
      n: i + 1,
      ...centreOf(layout, i + 1),
      to: exhaustOf(layout, i + 1)
    }))
  );
  const box = $derived.by(() => {
    const xs = cylinders.map((c) => c.x);
    const ys = cylinders.map((c) => c.y);
    const [side, end] = plain ? [1.1, 1.1] : [1.45, 1.5];
    const [x, y] = [Math.min(...xs) - side, Math.min(...ys) - end];
    return { x: x * U, y: y * U, w: (Math.max(...xs) + side - x) * U, h: (Math.max(...ys) + end - y) * U };
  });
  const WAY = { front: [0, -1], rear: [0, 1], left: [-1, 0], right: [1, 0] } as const;
  const stroke: Record<ValveVerdict, string> = {
    in: 'var(--done)',
    tight: 'var(--signal)',
    loose: 'var(--signal)',
    borderline: 'var(--ink)',
    undecided: 'var(--ink)',
    'not measured': 'var(--rule-strong)',
    'to be proven': 'var(--ink)',
    'no limits': 'var(--ink-2)'
  };
  const key = (e: KeyboardEvent, valve: string) => {
    if (e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    onpick?.(valve);
  };
</script>

<svg
  viewBox="{box.x} {box.y} {box.w} {box.h}"
  class="w-full"
  style:max-width="{most}rem"
  style:min-width={onpick && layout.row !== 'one behind the other'
    ? `${9 * Math.ceil(layout.cylinders / (layout.row === 'vee' ? 2 : 1))}rem`
    : undefined}
  role="group"
  aria-label={label}
>
  <defs
    ><pattern id="{id}-out" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
      ><rect width="8" height="8" fill="var(--paper)" /><path
        d="M0 0 V8"
        stroke="var(--tape)"
        stroke-width="8"
      /></pattern
    ></defs
  >
  {#if !plain}
    <g font-family="var(--font-plate)" fill="var(--ink-2)" font-size="17">
      <path d="M{box.x + 16} {box.y + 4} l9 14 h-6 v12 h-6 v-12 h-6 z" fill="var(--ink)" />
      <text x={box.x + 32} y={box.y + 22} fill="var(--ink)">front</text>
      <text x={box.x + 4} y={box.y + box.h / 2} font-size="15">left</text>
      <text x={box.x + box.w - 4} y={box.y + box.h / 2} text-anchor="end" font-size="15">right</text>
    </g>
  {/if}
  {#each cylinders as c (c.n)}
    {@const [wx, wy] = WAY[c.to]}
    <g fill="none" stroke="var(--rule-strong)">
      <!-- The port leads out on the exhaust side, and in on the other. -->
      <path
        d="M{(c.x + wx * 1.02 - wy * 0.28) * U} {(c.y + wy * 1.02 - wx * 0.28) * U} l{wx * 0.2 * U} {wy *
          0.2 *
          U} M{(c.x + wx * 1.02 + wy * 0.28) * U} {(c.y + wy * 1.02 + wx * 0.28) * U} l{wx * 0.2 * U} {wy *
          0.2 *
          U}"
        stroke-width="3"
      />
      <circle cx={c.x * U} cy={c.y * U} r={U} fill="var(--sheet)" stroke-width="2" />
    </g>
    {#if !plain}
      <g font-family="var(--font-plate)" fill="var(--ink-2)" font-size="16" text-anchor="middle">
        <text x={(c.x + wx * 1.22) * U} y={(c.y + wy * 1.22) * U + 5}>exhaust</text>
        <text x={(c.x - wx * 1.22) * U} y={(c.y - wy * 1.22) * U + 5}>inlet</text>
        {#if layout.cylinders > 1}<text x={c.x * U} y={c.y * U + 7} font-size="26" fill="var(--ink)"
            >{c.n}</text
          >{:else}<circle cx={c.x * U} cy={c.y * U} r="5" fill="none" stroke="var(--rule-strong)" />{/if}
      </g>
    {/if}
  {/each}
  {#each all as v (v.id)}
    {@const s = valves[v.id]}
    {@const verdict = s?.verdict ?? 'not measured'}
    {@const out = verdict === 'tight' || verdict === 'loose'}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <g
      transform="translate({v.x * U} {v.y * U})"
      role={onpick ? 'button' : 'img'}
      tabindex={onpick ? 0 : undefined}
      aria-label="{valveName(layout, v)}{s
        ? `: ${VERDICT_WORDS[verdict]}${s.text ? `, ${s.text}` : ''}`
        : ''}"
      aria-pressed={onpick ? picked === v.id : undefined}
      class="valve"
      class:cursor-pointer={onpick !== null}
      onclick={() => onpick?.(v.id)}
      onkeydown={(e) => key(e, v.id)}
    >
      <circle class="ring" class:picked={picked === v.id} r={(R + 0.085) * U} />
      <circle
        r={R * U}
        fill={out ? `url(#${id}-out)` : 'var(--paper)'}
        stroke={s ? stroke[verdict] : 'var(--ink-2)'}
        stroke-width={verdict === 'in' || out ? 4 : 2}
        stroke-dasharray={verdict === 'undecided' || verdict === 'borderline' || verdict === 'to be proven'
          ? '6 5'
          : undefined}
      />
      {#if verdict === 'loose'}<circle
          r={(R - 0.06) * U}
          fill="none"
          stroke="var(--signal)"
          stroke-width="2"
        />{/if}
      {#if s && !plain}
        <g text-anchor="middle" font-family="var(--font-plate)" fill="var(--ink)" pointer-events="none">
          <text y="-11" font-size="12.5" fill="var(--ink-2)">{shortName(layout, v)}</text>
          <text y="9" font-size={s.text.length > 6 ? 14 : 20} font-weight="700">{s.text || '–'}</text>
          <text
            y="19"
            font-size="12"
            fill={out ? 'var(--signal)' : 'var(--ink-2)'}
            font-weight={out ? 700 : 500}
            >{s.more ?? (verdict === 'not measured' ? '' : VERDICT_WORDS[verdict])}</text
          >
        </g>
      {/if}
    </g>
  {/each}
</svg>

<style>
  .valve:focus {
    outline: none;
  }
  .ring {
    fill: none;
    stroke: none;
    stroke-width: 5;
  }
  .picked {
    stroke: var(--ink);
  }
  .valve:focus-visible .ring {
    stroke: var(--signal);
  }
</style>
