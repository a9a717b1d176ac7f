<!--
  The machine seen from below, drawn: front at the top, so its left hand is on the right of the picture. Each drain, screen,
  filter, filler and check screw stands where the sheet has it. Points can be pointed at, or moved where it is edited.
-->
<script lang="ts">
  import type { Circuit, Fastener } from '$lib/core/specs/sheet';

  interface Props {
    fasteners: Fastener[];
    outline: 'bike' | 'quad';
    /** Shown strong; the others stay faint. Null: all alike. */
    strong?: string[] | null;
    /** Been at. */
    visited?: string[];
    picked?: string | null;
    /** A point was pointed at. */
    onpick?: ((id: string) => void) | null;
    /** An empty place was tapped, in the machine's own left to right and front to rear. */
    onplace?: ((at: { x: number; y: number }) => void) | null;
    onmove?: ((id: string, at: { x: number; y: number }) => void) | null;
    label: string;
    /** Widest it is drawn, rem. */
    most?: number;
  }
  let {
    fasteners,
    outline,
    strong = null,
    visited = [],
    picked = null,
    onpick = null,
    onplace = null,
    onmove = null,
    label,
    most = 26
  }: Props = $props();

  const W = 300;
  const H = 460;
  let svg: SVGSVGElement | undefined = $state();
  let dragging = $state<string | null>(null);
  let moved = $state(false);
  const placed = $derived(fasteners.filter((f) => f.at !== null));
  /** Seen from below the sides change places. */
  const px = (at: { x: number; y: number }) => 45 + (1 - at.x) * (W - 90);
  const py = (at: { x: number; y: number }) => 56 + at.y * (H - 92);
  const SHAPES: Record<string, string> = {
    'drain plug': 'M-11 -11 H11 V11 H-11 Z',
    'screen cap': 'M0 -14 L14 0 L0 14 L-14 0 Z',
    'filter cover': 'M-13 8 V-8 L0 -15 L13 -8 V8 L0 15 Z',
    'filler cap': 'M0 -13 A13 13 0 1 1 -0.01 -13 Z',
    'check screw': 'M0 -13 L13 11 H-13 Z',
    'grease point': 'M-4 -12 H4 V-4 H12 V4 H4 V12 H-4 V4 H-12 V-4 H-4 Z'
  };
  const short: Record<Circuit, string> = {
    engine: 'E',
    gearbox: 'G',
    primary: 'P',
    'front differential': 'F',
    'rear differential': 'R'
  };

  function placeOf(e: PointerEvent | MouseEvent): { x: number; y: number } {
    const box = svg!.getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * W;
    const y = ((e.clientY - box.top) / box.height) * H;
    const part = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 100) / 100;
    return { x: part(1 - (x - 45) / (W - 90)), y: part((y - 56) / (H - 92)) };
  }
  function down(e: PointerEvent, id: string) {
    if (!onmove) return;
    dragging = id;
    moved = false;
    svg!.setPointerCapture(e.pointerId);
    e.preventDefault();
  }
  function move(e: PointerEvent) {
    if (!dragging || !onmove) return;
    moved = true;
    onmove(dragging, placeOf(e));
  }
  function up() {
    if (dragging && !moved) onpick?.(dragging);
    dragging = null;
  }
  function key(e: KeyboardEvent, f: Fastener) {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onpick?.(f.id);
      return;
    }
    // Left on the picture is the machine's right.
    const steps: Record<string, [number, number]> = {
      ArrowLeft: [0.02, 0],
      ArrowRight: [-0.02, 0],
      ArrowUp: [0, -0.02],
      ArrowDown: [0, 0.02]
    };
    const by = steps[e.key];
    if (!by || !onmove || !f.at) return;
    e.preventDefault();
    const part = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 100) / 100;
    onmove(f.id, { x: part(f.at.x + by[0]), y: part(f.at.y + by[1]) });
  }
</script>

<svg
  bind:this={svg}
  viewBox="0 0 {W} {H}"
  class="w-full"
  style:max-width="{most}rem"
  style:touch-action={onmove ? 'none' : undefined}
  role="group"
  aria-label={label}
  onpointermove={move}
  onpointerup={up}
>
  <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
  <rect
    width={W}
    height={H}
    fill="transparent"
    onclick={(e) => onplace?.(placeOf(e))}
    class:cursor-crosshair={onplace !== null}
  />
  <g fill="var(--sheet)" stroke="var(--rule-strong)" stroke-width="2" pointer-events="none">
    {#if outline === 'bike'}
      <rect x="138" y="30" width="24" height="92" rx="12" />
      <path
        d="M120 118 H180 L194 146 L222 176 V306 L196 330 L176 352 H124 L104 330 L78 306 V176 L106 146 Z"
      />
      <path d="M60 196 H78 M222 196 H240 M60 300 H78 M222 300 H240" stroke-width="8" />
      <path d="M124 352 L132 372 H168 L176 352" fill="none" />
      <rect x="134" y="348" width="32" height="96" rx="14" />
    {:else}
      <rect x="34" y="46" width="42" height="92" rx="10" />
      <rect x="224" y="46" width="42" height="92" rx="10" />
      <rect x="28" y="334" width="52" height="100" rx="10" />
      <rect x="220" y="334" width="52" height="100" rx="10" />
      <path d="M76 88 H116 M184 88 H224 M80 384 H122 M178 384 H220" stroke-width="7" />
      <path d="M116 54 H184 L192 150 L206 176 V306 L190 330 L182 430 H118 L110 330 L94 306 V176 L108 150 Z" />
    {/if}
  </g>
  <g font-family="var(--font-plate)" fill="var(--ink)" font-size="17" pointer-events="none">
    <path d="M150 4 L160 20 H153 V30 H147 V20 H140 Z" />
    <text x="166" y="20">front</text>
    <text x="6" y="240" transform="rotate(-90 14 240)" text-anchor="middle">its right</text>
    <text x="294" y="240" transform="rotate(90 286 240)" text-anchor="middle">its left</text>
  </g>
  {#each placed as f (f.id)}
    {@const faint = strong !== null && !strong.includes(f.id)}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <g
      transform="translate({px(f.at!)} {py(f.at!)})"
      opacity={faint ? 0.45 : 1}
      role={onpick || onmove ? 'button' : 'img'}
      tabindex={onpick || onmove ? 0 : undefined}
      aria-label="{f.name}, {f.circuit ?? 'no circuit'}{visited.includes(f.id) ? ', been at' : ''}"
      aria-pressed={onpick ? picked === f.id : undefined}
      class:cursor-pointer={onpick !== null}
      onpointerdown={(e) => down(e, f.id)}
      onclick={() => !onmove && onpick?.(f.id)}
      onkeydown={(e) => key(e, f)}
    >
      <circle r="24" fill="transparent" />
      <path
        d={SHAPES[f.role] ?? 'M-9 -9 H9 V9 H-9 Z'}
        fill={picked === f.id ? 'var(--signal)' : visited.includes(f.id) ? 'var(--done)' : 'var(--paper)'}
        stroke="var(--ink)"
        stroke-width={strong?.includes(f.id) ? 4 : 2}
      />
      <text
        text-anchor="middle"
        y="5"
        font-size="14"
        font-weight="700"
        font-family="var(--font-plate)"
        fill={picked === f.id ? 'var(--on-signal)' : visited.includes(f.id) ? 'var(--paper)' : 'var(--ink)'}
        >{f.circuit ? short[f.circuit] : ''}</text
      >
      {#if f.magnet}<path
          d={SHAPES[f.role] ?? 'M-9 -9 H9 V9 H-9 Z'}
          transform="scale(1.45)"
          fill="none"
          stroke="var(--ink)"
          stroke-width="1"
        />{/if}
    </g>
  {/each}
</svg>
