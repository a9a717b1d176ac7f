<!-- Photos of a step: this visit's, last time's, and a way to take one. -->
<script lang="ts">
  import type { LastTime } from '$lib/core/job/plan';
  import { showDay } from '$lib/core/time/day';
  import { takePhoto } from '../form/take-photo';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    stepKey: string;
    last: LastTime | null;
    readonly: boolean;
    today: string;
  }
  let { bench, stepKey, last, readonly, today }: Props = $props();
  const mine = $derived(bench.photos.filter((p) => p.stepKey === stepKey));
  let busy = $state(false);
  let error = $state('');

  async function take(e: Event) {
    const input = e.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    busy = true;
    error = '';
    const taken = await takePhoto(file, 'photo.attach', { visitId: bench.id, stepKey });
    if ('id' in taken) bench.photos = [...bench.photos, { id: taken.id, stepKey, by: 'you', at: new Date() }];
    else error = taken.error;
    busy = false;
  }
</script>

{#if last}
  <p class="quiet mt-3 text-sm">
    Last time, {last.day ? showDay(last.day, today) : 'day not noted'}{last.remark ? `: ${last.remark}` : ''}
  </p>
{/if}
<div class="mt-2 flex flex-wrap items-start gap-3">
  {#if last?.photoId}
    <figure>
      <a href="/api/photos/{last.photoId}" target="_blank" rel="noopener"
        ><img src="/api/photos/{last.photoId}?small" alt="As it was last time" class="shot" /></a
      >
      <figcaption class="quiet text-sm">last time</figcaption>
    </figure>
  {/if}
  {#each mine as p (p.id)}
    <figure>
      <a href="/api/photos/{p.id}" target="_blank" rel="noopener"
        ><img src="/api/photos/{p.id}?small" alt="Taken in this visit by {p.by}" class="shot" /></a
      >
      <figcaption class="quiet text-sm">{p.by}</figcaption>
    </figure>
  {/each}
  {#if !readonly}
    <label class="take" class:busy>
      {busy ? 'Sending' : 'Take a photo'}
      <input
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        class="sr-only"
        onchange={take}
        disabled={busy}
      />
    </label>
  {/if}
</div>
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}

<style>
  .shot {
    height: 7rem;
    border: 1px solid var(--rule-strong);
  }
  .take {
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.7rem 1.1rem;
    cursor: pointer;
  }
  .take:focus-within {
    outline: 3px solid var(--signal);
  }
  .busy {
    opacity: 0.6;
  }
</style>
