<!-- A timer at a step: kept with the visit, so that it goes on over a reload and on another device. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { BenchVisit } from './bench.svelte';
  import { clockWords } from './beep';

  interface Props {
    bench: BenchVisit;
    stepKey: string;
    /** Seconds that are suggested; null: the mechanic's own. */
    seconds: number | null;
    label: string;
  }
  let { bench, stepKey, seconds, label }: Props = $props();
  let now = $state(Date.now());
  let minutes = $state('');
  let error = $state('');
  const mine = $derived(bench.state.timers.filter((t) => t.stepKey === stepKey));
  const id = $props.id();

  onMount(() => {
    const tick = setInterval(() => (now = Date.now()), 500);
    return () => clearInterval(tick);
  });
  const left = (t: { at: string; seconds: number }) =>
    t.at === '' ? t.seconds : (Date.parse(t.at) + t.seconds * 1000 - now) / 1000;
  function start() {
    const typed = Number(minutes.replace(',', '.'));
    const amount = minutes.trim() === '' ? seconds : Math.round(typed * 60);
    if (amount === null || !Number.isFinite(amount) || amount < 1 || amount > 86_400) {
      error = 'Minutes, such as 3; at most a day.';
      return;
    }
    error = '';
    minutes = '';
    bench.write({ stepKey, action: 'timer', content: { label, seconds: amount } });
  }
</script>

<div class="mb-4">
  {#each mine as t (t.id)}
    <div class="flex flex-wrap items-center gap-4" class:over={left(t) <= 0}>
      <span class="figure text-4xl" role="timer">{left(t) <= 0 ? '0:00' : clockWords(left(t))}</span>
      <span>{t.label}{left(t) <= 0 ? `: over, ${clockWords(left(t))} ago` : ''}</span>
      <button
        type="button"
        class="key"
        onclick={() => bench.write({ stepKey, action: 'timer off', content: { of: t.id } })}
        >{left(t) <= 0 ? 'Seen' : 'Stop'}</button
      >
    </div>
  {/each}
  <div class="mt-1 flex flex-wrap items-end gap-3">
    <button type="button" class="key" onclick={start}
      >{label}: start {seconds !== null && minutes.trim() === '' ? clockWords(seconds) : 'a timer'}</button
    >
    <label class="text-sm" for={id}
      >{seconds === null ? 'minutes' : 'or minutes'}
      <input
        {id}
        class="field figure ml-1 w-20 text-xl"
        inputmode="decimal"
        autocomplete="off"
        bind:value={minutes}
      /></label
    >
  </div>
  {#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
</div>

<style>
  .over {
    border-left: 8px solid var(--done);
    padding-left: 0.75rem;
  }
</style>
