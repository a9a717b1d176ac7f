<!-- Two plugs that look alike: which one is being opened, pointed at on the drawing or in words. -->
<script lang="ts">
  import type { Point } from '$lib/core/job/plan';
  import Radios from '../form/Radios.svelte';
  import Underside from './Underside.svelte';
  import type { Around } from '$lib/core/visit/page';

  interface Props {
    around: Around;
    /** The fasteners this step is about. */
    points: string[];
    twins: Point[];
    picked: string | null;
  }
  let { around, points, twins, picked = $bindable() }: Props = $props();
  const mine = $derived(around.fasteners.filter((f) => points.includes(f.id)));
  const mapped = $derived(mine.some((f) => f.at !== null));
</script>

<div class="mb-3 flex flex-wrap gap-6">
  {#if mapped}<div class="w-64">
      <Underside
        fasteners={around.fasteners}
        outline={around.outline}
        strong={[...points, ...twins.map((t) => t.id)]}
        {picked}
        onpick={(id) => (picked = id)}
        label="Point at the one you are opening"
        most={16}
      />
    </div>{/if}
  <div class="min-w-56 flex-1">
    <p class="caution">
      Alike, and of another circuit: {twins
        .map((t) => `${t.name} (${t.place.toLowerCase() || 'place not noted'})`)
        .join(', ')}.
    </p>
    <p class="mt-3 text-lg">
      {mapped ? 'Point at the one you are opening, on the drawing or here:' : 'Which are you opening?'}
    </p>
    <Radios
      label="Which one"
      class="mt-2 grid gap-2"
      options={[...mine, ...twins].map((f) => f.id)}
      bind:value={picked}
      >{#snippet one(id)}{@const f = [...mine, ...twins].find((x) => x.id === id)!}{f.name}<span
          class="block text-sm">{f.place || 'place not noted'}</span
        >{/snippet}</Radios
    >
  </div>
</div>
