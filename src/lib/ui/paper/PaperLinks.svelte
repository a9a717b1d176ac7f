<!-- Something on paper: the size of the team’s units first, the other beside it. -->
<script lang="ts">
  import { page } from '$app/state';
  import Printer from '@lucide/svelte/icons/printer';
  let { path, words = 'Print' }: { path: string; words?: string } = $props();
  const letter = $derived(`${path}${path.includes('?') ? '&' : '?'}paper=letter`);
  const imperial = $derived(page.data.units === 'imperial');
</script>

<span class="no-print inline-flex flex-wrap items-center gap-x-2">
  <a
    class="link inline-flex items-center gap-1.5 py-1"
    href={imperial ? letter : path}
    target="_blank"
    rel="noopener"><Printer size={16} aria-hidden="true" /> {words}</a
  >
  <a
    class="link quiet text-sm"
    href={imperial ? path : letter}
    target="_blank"
    rel="noopener"
    aria-label="{words} on {imperial ? 'A4' : 'Letter'}">{imperial ? 'A4' : 'Letter'}</a
  >
</span>
