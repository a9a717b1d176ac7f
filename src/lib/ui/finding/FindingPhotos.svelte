<!-- Photos of a finding, and a way to take one in passing. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { takePhoto } from '../form/take-photo';
  import { KEPT } from '../outbox/outbox.svelte';
  import { say, WAITS } from '../base/page.svelte';

  interface Props {
    findingId: string;
    what: string;
    photos: readonly string[];
  }
  let { findingId, what, photos }: Props = $props();
  let busy = $state(false);
  let error = $state('');

  async function take(e: Event) {
    const input = e.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    busy = true;
    error = '';
    const taken = await takePhoto(file, 'finding.photo', { findingId });
    if ('error' in taken) error = taken.error;
    else if (taken.kept) say(KEPT, WAITS);
    else await invalidateAll();
    busy = false;
  }
</script>

<span class="inline-flex flex-wrap items-center gap-2">
  {#each photos as id (id)}<a href="/api/photos/{id}" target="_blank" rel="noopener"
      ><img src="/api/photos/{id}?small" alt="Photo of: {what}" class="h-12" /></a
    >{/each}
  <label class="no-print link cursor-pointer"
    >{busy ? 'Sending the photo …' : 'Photo'}<input
      type="file"
      accept="image/*"
      class="sr-only"
      disabled={busy}
      aria-label="Photo of: {what}"
      onchange={take}
    /></label
  >
  {#if error}<span class="error text-sm" role="alert">{error}</span>{/if}
</span>
