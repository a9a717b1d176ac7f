<!-- A six-sided adjuster from its end, with the way round it is turned and as many flats as it goes. A right-hand thread goes in clockwise. -->
<script lang="ts">
  import type { Move } from '$lib/core/chain/advice';
  import type { Drive } from '$lib/core/chain/drive';

  let { move, drive, label }: { move: Move; drive: Drive; label: string } = $props();
  const clockwise = $derived(
    move.by === 'turns' ? (move.way === 'back') === (drive.adjuster.back === 'in') : move.way === 'back'
  );
  /** As far round as it goes, at most once: more is said in words. */
  const share = $derived(
    move.by === 'turns'
      ? Math.min(1, move.turns + move.flats / 6) || 0
      : move.by === 'angle'
        ? Math.min(1, move.turn / 360)
        : 0.25
  );
  const R = 40;
  const end = $derived((share >= 0.97 ? 0.94 : Math.max(share, 0.06)) * 2 * Math.PI * (clockwise ? 1 : -1));
  const at = (a: number, r = R) => `${(r * Math.sin(a)).toFixed(2)} ${(-r * Math.cos(a)).toFixed(2)}`;
  const hexagon = Array.from({ length: 6 }, (_, i) => at(((i + 0.5) * Math.PI) / 3, 26)).join(' L');
</script>

<svg viewBox="-54 -54 108 108" width="108" height="108" role="img" aria-label={label} class="shrink-0">
  {#if move.by === 'turns'}<path d="M{hexagon} Z" fill="var(--sheet)" stroke="var(--ink)" stroke-width="3" />
  {:else}<circle r="26" fill="var(--sheet)" stroke="var(--ink)" stroke-width="3" /><circle
      cx="0"
      cy="-14"
      r="5"
      fill="var(--ink)"
    />{/if}
  {#if move.way === 'none'}<path d="M-10 0 H10" stroke="var(--ink-2)" stroke-width="5" />
  {:else}
    <path
      d="M{at(0)} A{R} {R} 0 {Math.abs(end) > Math.PI ? 1 : 0} {clockwise ? 1 : 0} {at(end)}"
      fill="none"
      stroke="var(--signal)"
      stroke-width="6"
    />
    <path
      d="M-9 -6 L9 0 L-9 6 Z"
      fill="var(--signal)"
      transform="translate({at(end)}) rotate({(end * 180) / Math.PI + (clockwise ? 0 : 180)})"
    />
    <text
      y="8"
      text-anchor="middle"
      font-family="var(--font-plate)"
      font-size="24"
      font-weight="700"
      fill="var(--ink)"
      >{move.by === 'turns'
        ? `${move.turns > 0 ? move.turns : ''}${move.turns > 0 && move.flats > 0 ? '+' : ''}${move.flats > 0 ? `${move.flats}/6` : ''}`
        : move.by === 'notches'
          ? move.notches
          : `${Math.round(move.turn)}°`}</text
    >
  {/if}
</svg>
