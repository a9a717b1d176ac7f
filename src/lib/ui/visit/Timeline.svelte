<!-- The visit on one line: hands on it above, what goes by itself below, to scale. -->
<script lang="ts">
  import type { Ordered } from '$lib/core/job/order/order';

  let { ordered }: { ordered: Ordered } = $props();
  const W = 1000;
  const whole = $derived(Math.max(60, ordered.elapsed));
  const x = (s: number) => (s / whole) * W;
  const jobs = $derived(ordered.plan.jobs.map((j) => j.key));
  const stepOf = $derived(new Map(ordered.plan.steps.map((s) => [s.key, s])));
  /** Waits on rows of their own where they overlap. */
  const waits = $derived.by(() => {
    const ends: number[] = [];
    return ordered.times
      .filter((t) => t.over > t.end)
      .map((t) => {
        let row = ends.findIndex((e) => e <= t.end);
        if (row < 0) row = ends.length;
        ends[row] = t.over;
        return { ...t, row };
      });
  });
  const rows = $derived(Math.max(1, ...waits.map((w) => w.row + 1)));
  const ticks = $derived(
    Array.from({ length: Math.floor(whole / 600) + 1 }, (_, k) => k * 600).filter(
      (t) => whole <= 7200 || t % 1800 === 0
    )
  );
</script>

<svg
  viewBox="0 0 {W} {78 + rows * 24}"
  class="w-full"
  role="img"
  aria-label="{Math.round(ordered.elapsed / 60)} minutes from the first to the last, {Math.round(
    ordered.attended / 60
  )} of them with hands on it"
>
  <defs>
    <pattern id="wait" width="7" height="7" patternTransform="rotate(45)" patternUnits="userSpaceOnUse"
      ><line x1="0" y1="0" x2="0" y2="7" stroke="var(--rule-strong)" stroke-width="3" /></pattern
    >
  </defs>
  {#each ordered.times as t (t.key)}
    {@const s = stepOf.get(t.key)}
    {#if s && t.end > t.start}
      <rect
        x={x(t.start)}
        y="8"
        width={Math.max(2, x(t.end) - x(t.start) - 1.5)}
        height="34"
        fill={s.jobs.length > 1 || jobs.length === 1
          ? 'var(--ink)'
          : jobs.indexOf(s.jobs[0]!) % 2 === 0
            ? 'var(--ink)'
            : 'var(--done)'}><title>{s.title}: {Math.round((t.end - t.start) / 60)} min</title></rect
      >
    {/if}
  {/each}
  {#each waits as w (w.key)}
    {@const s = stepOf.get(w.key)}
    <rect
      x={x(w.end)}
      y={48 + w.row * 24}
      width={x(w.over) - x(w.end)}
      height="17"
      fill="url(#wait)"
      stroke="var(--rule-strong)"
    />
    {#if x(w.over) - x(w.end) > 70}
      <text
        x={x(w.end) + 5}
        y={61 + w.row * 24}
        font-size="15"
        font-family="var(--font-plate)"
        fill="var(--ink)"
        paint-order="stroke"
        stroke="var(--paper)"
        stroke-width="4">{s?.waitFor || 'waits'}</text
      >
    {/if}
  {/each}
  {#each ticks as t (t)}
    <line x1={x(t)} x2={x(t)} y1="0" y2="8" stroke="var(--rule-strong)" />
    <text
      x={Math.min(x(t) + 2, W - 60)}
      y={70 + rows * 24}
      font-size="15"
      font-family="var(--font-plate)"
      fill="var(--ink)">{t / 60} min</text
    >
  {/each}
</svg>
