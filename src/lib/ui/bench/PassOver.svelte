<!-- A point of the map nobody has been at: why not. -->
<script lang="ts">
  import type { Point } from '$lib/core/job/plan';
  import type { BenchVisit } from './bench.svelte';

  let { point, bench, ondone }: { point: Point; bench: BenchVisit; ondone: () => void } = $props();
  let reason = $state('');
  const id = $props.id();
  function save(e: SubmitEvent) {
    e.preventDefault();
    if (bench.write({ action: 'passed over', content: { fastenerId: point.id, reason } })) ondone();
  }
</script>

<form class="caution mb-4" onsubmit={save}>
  <p class="font-bold">{point.name} was not visited{point.place ? `: ${point.place}` : ''}.</p>
  <label class="mt-1 block text-sm" for={id}
    >Why not, this time <input
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
