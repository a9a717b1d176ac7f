<!-- A timer that survives a reload: what is kept is when it ends. -->
<script lang="ts">
  import { onMount } from 'svelte';
  let { id, seconds, label }: { id: string; seconds: number; label: string } = $props();
  const key = $derived(`ht_timer_${id}`);
  let ends = $state<number | null>(null);
  let now = $state(Date.now());
  const left = $derived(ends === null ? seconds : Math.max(0, Math.ceil((ends - now) / 1000)));

  onMount(() => {
    const kept = Number(localStorage.getItem(key));
    if (kept) ends = kept;
    const timer = setInterval(() => (now = Date.now()), 250);
    return () => clearInterval(timer);
  });
  function start() {
    now = Date.now();
    ends = now + seconds * 1000;
    localStorage.setItem(key, String(ends));
  }
  function reset() {
    ends = null;
    localStorage.removeItem(key);
  }
</script>

<div class="mb-4 flex flex-wrap items-center gap-4" class:over={ends !== null && left === 0}>
  <span class="figure text-4xl" role="timer"
    >{Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}</span
  >
  {#if ends === null}<button type="button" class="key" onclick={start}>{label}: start the clock</button
    >{:else}<button type="button" class="key" onclick={reset}
      >{left === 0 ? 'Time is up; again' : 'Stop'}</button
    >{/if}
  {#if ends !== null && left === 0}<span role="alert" class="font-bold">Settled.</span>{/if}
</div>

<style>
  .over {
    border-left: 8px solid var(--done);
    padding-left: 0.75rem;
  }
</style>
