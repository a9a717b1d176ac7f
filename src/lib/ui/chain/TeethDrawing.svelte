<!-- Three teeth of a sprocket as they wear, the way round it pulls: a scale of our own, drawn. -->
<script lang="ts">
  import type { Teeth } from '$lib/core/chain/wear';

  let { teeth }: { teeth: Teeth } = $props();
  /** One tooth, from valley to valley, 40 wide: what is left of it, pulled to the right. */
  const TOOTH: Record<Teeth, string> = {
    'as new': 'C6 34 8 22 13 10 Q20 4 27 10 C32 22 34 34 40 34',
    rounded: 'C6 34 9 24 14 15 Q20 10 26 15 C31 24 34 34 40 34',
    thin: 'C8 34 12 24 17 8 Q20 3 23 8 C27 24 32 34 40 34',
    hooked: 'C10 34 17 26 24 8 Q30 2 32 8 C28 16 27 36 40 34',
    broken: 'C9 34 13 28 15 24 L19 27 L22 23 L26 26 C29 30 33 34 40 34'
  };
  const curve = $derived(
    [0, 40, 80]
      .map((x) =>
        TOOTH[teeth].replace(/(\d+(?:\.\d+)?) (\d+(?:\.\d+)?)/g, (_, a, b) => `${Number(a) + x} ${b}`)
      )
      .join(' ')
  );
</script>

<svg viewBox="0 0 120 50" width="96" height="40" aria-hidden="true">
  <path d="M0 34 {curve} V50 H0 Z" fill="var(--ink-2)" />
  <path d="M0 34 {curve}" fill="none" stroke="currentColor" stroke-width="2" />
</svg>
