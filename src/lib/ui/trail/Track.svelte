<!--
  A trail drawn to scale: pegs behind, stakes ahead, planned outings as taped stretches, all in hours from the now line.
  Positions are percent, so it needs no measuring; what hangs on them is in pixels, so nothing is stretched.
-->
<script lang="ts">
  import { bunch, type Window } from '$lib/core/trail/scale';
  import { marks, percentIn } from './scale';
  import { showHours, showTenths } from '$lib/core/hours/hours';
  import { pressure, type State } from '$lib/core/schedule/state';
  import type { Lane, Likely, Stake } from '$lib/core/trail/lane';
  import Board from './Board.svelte';
  import { stakeHref } from '../base/page.svelte';

  interface Props {
    lane: Lane;
    window: Window;
    /** The machine's own page shows more of everything. */
    large?: boolean;
    /** The task whose stake is pointed out. */
    mark?: string;
    /** What likely wears out between which hours ahead: a range, and no stake. */
    likely?: readonly Likely[];
  }
  let { lane, window: view, large = false, mark, likely = [] }: Props = $props();

  const height = $derived(large ? 214 : 86);
  const ground = $derived(large ? 152 : 64);
  const uid = $props.id();

  const x = $derived(percentIn(view));
  const ranges = $derived(
    likely
      .map((l) => ({
        ...l,
        left: Math.max(0, x(l.from)),
        right: Math.min(100, l.to === null ? 100 : x(l.to))
      }))
      .filter((l) => l.right > l.left)
  );
  const inView = (at: number) => at >= -1 && at <= 101;
  const pegs = $derived(
    bunch(
      lane.pegs.filter((p) => inView(x(-p.behind))),
      (p) => x(-p.behind),
      large ? 1.2 : 1.6
    )
  );
  const placed = $derived(lane.stakes.filter((s): s is Stake & { ahead: number } => s.ahead !== null));
  const stakes = $derived(
    bunch(
      placed.filter((s) => inView(x(s.ahead))),
      (s) => x(s.ahead),
      large ? 1.5 : 2.4
    )
  );
  const beyond = $derived(placed.filter((s) => x(s.ahead) > 101).sort((a, b) => a.ahead - b.ahead));
  const now = $derived(x(0));
  const stretches = $derived(
    lane.stretches
      .map((s) => ({ ...s, left: Math.max(0, x(s.from)), to: Math.min(100, x(s.to)) }))
      .filter((s) => s.to > 0 && s.left < 100 && s.to > s.left)
  );
  const worst = (list: Stake[]): State =>
    list.map((s) => s.state).reduce((a, b) => (pressure(a) <= pressure(b) ? a : b));
  const label = (list: Stake[]) => list.map((s) => `${s.name} ${s.left}, ${s.state}`).join('; ');
  const short = (name: string) =>
    name.length > (large ? 24 : 15) ? `${name.slice(0, large ? 23 : 14).trimEnd()}…` : name;

  /**
   * The row of each label, 0 the lowest. From right to left: a label that would run into the next stake stands above that
   * one's label, so that no pole crosses a word. Where no row is left the label is dropped; the title still tells.
   */
  const rows = $derived.by(() => {
    const top = large ? 4 : 2;
    const width = large ? 15 : 14;
    const result: number[] = [];
    for (let i = stakes.length - 1; i >= 0; i--) {
      const at = x(stakes[i]![0]!.ahead);
      const next = stakes[i + 1];
      const crowded = next !== undefined && at + width > x(next[0]!.ahead);
      const row = crowded ? Math.max(0, result[i + 1]!) + 1 : 0;
      result[i] = row > top || at > (large ? 92 : 90) ? -1 : row;
    }
    return result;
  });
</script>

<svg
  class="block w-full overflow-visible"
  {height}
  role="group"
  aria-label="Trail of {lane.plate} {lane.name}"
>
  <defs>
    <pattern id="{uid}-tape" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
      ><rect width="4" height="8" fill="var(--tape)" /></pattern
    >
    <pattern id="{uid}-likely" width="6" height="6" patternUnits="userSpaceOnUse"
      ><rect width="6" height="6" fill="var(--paper)" /><circle
        cx="3"
        cy="3"
        r="1.4"
        fill="var(--ink-2)"
      /></pattern
    >
  </defs>
  {#each stretches as s (s.id)}
    {@const next = s.id === lane.stretches[0]?.id}
    <!-- The next outing is taped off; those after it are only roped. -->
    <rect
      x="{s.left}%"
      y={ground - (large ? 120 : 56)}
      width="{s.to - s.left}%"
      height={large ? 120 : 56}
      fill={next ? `url(#${uid}-tape)` : 'none'}
      stroke="var(--tape)"
      stroke-width={next ? 2 : 1}
      stroke-dasharray={next ? undefined : '1 5'}><title>{s.name}</title></rect
    >
    {#if large && s.to - s.left > 6}<text
        x="{s.left + 0.5}%"
        y={ground - 126}
        class="tick"
        class:later={!next}>{s.name}</text
      >{/if}
  {/each}
  <line x1="0" x2="{Math.max(0, now)}%" y1={ground} y2={ground} stroke="var(--ink)" stroke-width="3" />
  <line
    x1="{Math.max(0, now)}%"
    x2="100%"
    y1={ground}
    y2={ground}
    stroke="var(--ink)"
    stroke-width="1.5"
    stroke-dasharray="2 4"
  />
  {#if large}
    {#each marks(view) as m (m)}
      <line x1="{x(m)}%" x2="{x(m)}%" y1={ground} y2={ground + 8} stroke="var(--rule-strong)" />
      <text x="{x(m)}%" y={ground + 24} text-anchor="middle" class="tick"
        >{m === 0 ? 'now' : `${m > 0 ? '+' : ''}${showHours(m).replace(/\.0$/, '')}`}</text
      >
      {#if lane.total !== null && lane.total + m >= 0}<text
          x="{x(m)}%"
          y={ground + 42}
          text-anchor="middle"
          class="tick quiet-tick">{showHours(lane.total + m)} h</text
        >{/if}
    {/each}
  {/if}

  {#each likely.filter((l) => x(l.from) > 100) as l (l.name)}
    <a href={l.href} aria-label={l.words}
      ><text x="99.5%" y={ground - 11} text-anchor="end" class="tag"
        >{l.name} in {Math.round(l.from / 100)}{l.to === null
          ? ' h or more'
          : ` to ${Math.round(l.to / 100)} h`} →</text
      ></a
    >
  {/each}
  {#each ranges as l (l.name)}
    <a href={l.href} aria-label={l.words}>
      <rect
        x="{l.left}%"
        y={ground - 6}
        width="{l.right - l.left}%"
        height="12"
        fill="url(#{uid}-likely)"
        stroke="var(--ink-2)"><title>{l.words}</title></rect
      >
      <text x="{l.left}%" dx="4" y={ground - 11} class="tag">{l.name}</text>
    </a>
  {/each}
  {#each pegs as list (list[0]!.recordId)}
    <a
      href="/records/{list[0]!.recordId}"
      aria-label={list.map((p) => `${p.name}, done ${showTenths(p.behind)} h ago`).join('; ')}
    >
      <svg x="{x(-list[0]!.behind)}%" y={ground} overflow="visible">
        <title>{list.map((p) => `${p.name}, ${showTenths(p.behind)} h ago, ${p.day}`).join('\n')}</title>
        <rect x="-9" y="-16" width="18" height="30" fill="transparent" />
        <path d="M0 0v-11" stroke="var(--done)" stroke-width="3.5" />
        {#if list.length > 1}<path d="M5 0v-11" stroke="var(--done)" stroke-width="3.5" />{/if}
      </svg>
    </a>
  {/each}

  {#each stakes as list, i (list[0]!.id)}
    {@const state = worst(list)}
    {@const row = rows[i]!}
    {@const first = list.find((s) => s.state === state)!}
    {@const lift = (large ? 38 : 26) + Math.max(0, row) * (large ? 17 : 15)}
    {#if first.limitAhead !== null && first.limitAhead > list[0]!.ahead}
      <line
        x1="{x(list[0]!.ahead)}%"
        x2="{Math.min(100, x(first.limitAhead))}%"
        y1={ground + 5}
        y2={ground + 5}
        stroke="var(--signal)"
        stroke-width="2"
        stroke-dasharray="5 2"><title>tolerated up to the limit</title></line
      >
    {/if}
    <a href={stakeHref(lane, first)} aria-label={label(list)} class="stake">
      <svg x="{x(list[0]!.ahead)}%" y={ground} overflow="visible">
        <title
          >{list
            .map((s) => `${s.name} ${s.left}${s.inside ? `, ${s.inside}` : ''} (${s.state})`)
            .join('\n')}</title
        >
        <rect x="-8" y={-lift - 2} width="16" height={lift + 10} fill="transparent" />
        {#if row >= 0}<rect
            x="-8"
            y={-lift - 2}
            width={24 + short(first.name).length * 6.2}
            height="17"
            fill="transparent"
          />{/if}
        <path
          d="M0 4V{12 - lift}"
          stroke={state === 'clear'
            ? 'var(--done)'
            : state === 'coming' || state === 'unknown'
              ? 'var(--ink)'
              : 'var(--signal)'}
          stroke-width="2"
          stroke-dasharray={first.estimated ? '3 2' : undefined}
        />
        {#if mark && list.some((s) => s.id === mark)}<circle
            r="9"
            cy="4"
            fill="none"
            stroke="var(--signal)"
            stroke-width="3"><title>this task</title></circle
          >{/if}
        <g transform="translate(0 {-lift})">
          <g transform="scale(0.75)"><Board {state} /></g>
          {#if row >= 0}<text x="16" y="10.5" class="tag"
              >{short(first.name)}{list.length > 1 ? ` +${list.length - 1}` : ''}</text
            >{/if}
        </g>
      </svg>
    </a>
  {/each}
  {#if beyond.length > 0 && stakes.length === 0}
    <text x="99.5%" y={ground - 8} text-anchor="end" class="tag"
      >{short(beyond[0]!.name)} {beyond[0]!.left} →</text
    >
  {/if}
  {#if now >= 0 && now <= 100}
    <line
      x1="{now}%"
      x2="{now}%"
      y1={large ? 14 : 0}
      y2={ground + (large ? 8 : 12)}
      stroke="var(--ink)"
      stroke-width="3"
    />
  {/if}
</svg>

<style>
  .tag {
    font: 500 13px var(--font-plate);
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 3px;
  }
  .tick {
    font: 500 13px var(--font-plate);
    fill: var(--ink);
    font-variant-numeric: tabular-nums;
  }
  .quiet-tick {
    fill: var(--ink-2);
  }
  .stake:hover .tag {
    text-decoration: underline;
  }
  /* On a phone the labels would run into one another; the lane says the nearest stake in words. */
  @media (max-width: 760px) {
    .tag,
    .later {
      display: none;
    }
  }
  a:focus-visible {
    outline: 3px solid var(--signal);
  }
</style>
