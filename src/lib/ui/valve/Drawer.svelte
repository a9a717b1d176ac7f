<!-- The drawer drawn by size: a column a size, a disc a shim; under the dashed line more are to lie there. Pressed, that size is counted. -->
<script lang="ts">
  import { showUm } from '$lib/core/valve/limits';
  import { stampOf } from '$lib/core/valve/stamp';

  export interface Size {
    stamp: number | null;
    measured: number | null;
    count: number;
    least: number;
  }
  interface Props {
    label: string;
    sizes: Size[];
    picked: string | null;
    onpick: (s: Size) => void;
    keyOf: (s: Size) => string;
  }
  let { label, sizes, picked, onpick, keyOf }: Props = $props();
  const W = 46;
  const MOST = 8;
  const tall = $derived(Math.min(MOST, Math.max(3, ...sizes.map((s) => Math.max(s.count, s.least)))));
  const H = $derived(tall * 13 + 8);
  const name = (s: Size) => (s.stamp !== null ? stampOf(s.stamp) : (s.measured! / 1000).toFixed(3));
</script>

<div class="drawer" role="group" aria-label={label}>
  {#each sizes as s (keyOf(s))}
    <button
      type="button"
      class="size"
      aria-pressed={picked === keyOf(s)}
      aria-label="{s.stamp !== null ? showUm(s.stamp) : showUm(s.measured!)}{s.measured !== null &&
      s.stamp !== null
        ? `, measures ${showUm(s.measured)}`
        : ''}: {s.count}{s.count < s.least ? `, ${s.least} wanted` : ''}"
      onclick={() => onpick(s)}
    >
      <svg width={W} height={H} viewBox="0 0 {W} {H}" aria-hidden="true">
        {#if s.least > 0 && s.measured === null}<path
            d="M2 {H - 4 - s.least * 13} H{W - 2}"
            stroke={s.count < s.least ? 'var(--signal)' : 'var(--rule-strong)'}
            stroke-width="2"
            stroke-dasharray="4 3"
          />{/if}
        {#each { length: Math.min(s.count, MOST) } as _, i (i)}
          <rect
            x="7"
            y={H - 4 - (i + 1) * 13}
            width={W - 14}
            height="10"
            rx="2"
            fill="var(--sheet)"
            stroke="var(--ink)"
            stroke-width="1.6"
          />
        {/each}
        <path d="M0 {H - 2} H{W}" stroke="var(--ink)" stroke-width="3" />
      </svg>
      <span class="figure text-lg leading-none font-bold">{name(s)}</span>
      <span class="figure quiet text-sm leading-tight"
        >{s.count < 0 ? 'count it' : s.count > MOST ? `${s.count} of it` : s.count}</span
      >
      {#if s.measured !== null && s.stamp !== null}<span class="figure text-xs leading-none"
          >{(s.measured / 1000).toFixed(3)}</span
        >{/if}
    </button>
  {/each}
</div>

<style>
  .drawer {
    display: flex;
    flex-wrap: wrap;
    align-items: start;
    gap: 0.3rem 0.15rem;
    margin-top: 0.5rem;
  }
  .size {
    display: grid;
    justify-items: center;
    gap: 0.15rem;
    min-width: 3rem;
    padding: 0.2rem 0.1rem;
  }
  .size[aria-pressed='true'] {
    outline: 3px solid var(--ink);
  }
</style>
