<!-- What a visit is closed over with a reason: a point of the map nobody has been at, a fill that is not the sheet's. -->
<script lang="ts">
  import { fillKey } from '$lib/core/visit/close';
  import { unexplainedFills } from '$lib/core/visit/fill';
  import type { BenchVisit, Write } from './bench.svelte';

  interface Props {
    /** `point:` or `fill:` and what of it, as the list of what keeps the visit open has it. */
    place: string;
    bench: BenchVisit;
    ondone: () => void;
  }
  let { place, bench, ondone }: Props = $props();
  let reason = $state('');
  const id = $props.id();
  const point = $derived(bench.plan.points.find((p) => `point:${p.id}` === place));
  const fill = $derived(unexplainedFills(bench.plan, bench.state).find((f) => fillKey(f.circuit) === place));
  const words = $derived(
    point ? `${point.name} was not visited${point.place ? `: ${point.place}` : ''}.` : (fill?.words ?? '')
  );
  const entry = $derived.by((): Write | null => {
    if (point) return { action: 'passed over', content: { fastenerId: point.id, reason } };
    return fill
      ? { action: 'fill accepted', content: { circuit: fill.circuit, inMl: fill.inMl, reason } }
      : null;
  });
  /** It was picked from the list of what keeps the visit open, which may be a long way down. */
  const reach = (form: HTMLElement) => {
    form.scrollIntoView({ block: 'center' });
    form.querySelector('input')?.focus({ preventScroll: true });
  };
  function save(e: SubmitEvent) {
    e.preventDefault();
    if (entry && bench.write(entry)) ondone();
  }
</script>

{#if entry}
  <form class="caution mb-4" onsubmit={save} {@attach reach}>
    <p class="font-bold">{words}</p>
    <label class="mt-1 block text-sm" for={id}
      >{point ? 'Why not, this time' : 'Why it stays so'}
      <input
        {id}
        class="mt-1 block min-h-12 w-full border bg-transparent px-3"
        bind:value={reason}
        required
        maxlength="10000"
      /></label
    >
    <div class="mt-2 flex gap-3">
      <button type="submit" class="min-h-12 border px-4">Leave it this time</button>
      <button type="button" class="link min-h-12" onclick={ondone}>Go on</button>
    </div>
  </form>
{/if}
