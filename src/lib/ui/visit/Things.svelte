<!-- Small and foreign things: a spring in a jar, counted out and in; a rag in a hole, wire on the chain, in and taken out. -->
<script lang="ts">
  import { goesIn, thingsInWords, thingStands } from '$lib/core/visit/goes-in';
  import { THINGS } from '$lib/core/visit/entry';
  import type { BenchVisit } from './bench.svelte';

  let { bench, readonly }: { bench: BenchVisit; readonly: boolean } = $props();
  let adding = $state(false);
  let what = $state<(typeof THINGS)[number]>('rag in a hole');
  let name = $state('');
  let count = $state('1');
  let error = $state('');
  const id = $props.id();
  const out = $derived(bench.state.things.filter((t) => !t.in));

  function save(e: SubmitEvent) {
    e.preventDefault();
    const n = Number(count);
    if (!Number.isInteger(n) || n < 1 || n > 50) {
      error = 'How many? From 1 to 50.';
      return;
    }
    const named = name.trim() || what;
    if (bench.write({ action: 'thing out', content: { what, name: named, count: n } })) {
      name = '';
      count = '1';
      error = '';
      adding = false;
    }
  }
</script>

<section class="mt-3" aria-label="Small things">
  <div class="flex flex-wrap items-baseline gap-3">
    <h2 class="text-lg">
      Small things: {thingsInWords(bench.state.things).replace(/small things? /, '') || 'none out'}
    </h2>
    {#if !readonly && !adding}<button type="button" class="link py-2 text-sm" onclick={() => (adding = true)}
        >Count one</button
      >{/if}
  </div>
  {#each out as t (t.id)}
    <p class="flex items-center justify-between gap-3 border-t" style="border-color: var(--rule)">
      <span
        ><strong>{t.count > 1 ? `${t.count} × ` : ''}{t.name}</strong>
        <span class="quiet text-sm">{t.what}, {thingStands(t)}</span></span
      >
      {#if !readonly}<button
          type="button"
          class="link min-h-12"
          onclick={() => bench.write({ action: 'thing in', content: { of: t.id } })}
          >{thingStands(t) === 'out' ? 'Counted in' : 'Taken out'}</button
        >{/if}
    </p>
  {/each}
  {#if adding}
    <form onsubmit={save} class="mt-1 grid gap-2">
      <label class="text-sm" for="{id}-w"
        >What <select id="{id}-w" class="field mt-1 w-full" bind:value={what}
          >{#each THINGS as t (t)}<option value={t}>{t}</option>{/each}</select
        ></label
      >
      <label class="text-sm" for="{id}-n"
        >Which, and where it lies <input
          id="{id}-n"
          class="field mt-1 w-full"
          maxlength="80"
          bind:value={name}
        /></label
      >
      <label class="text-sm" for="{id}-c"
        >How many <input
          id="{id}-c"
          class="field figure mt-1 w-20"
          inputmode="numeric"
          bind:value={count}
        /></label
      >
      {#if error}<p class="error text-sm" role="alert">{error}</p>{/if}
      <div class="flex gap-2">
        <button type="submit" class="key">{goesIn(what, name) ? 'In' : 'Out'}</button><button
          type="button"
          class="key"
          onclick={() => (adding = false)}>Leave</button
        >
      </div>
    </form>
  {/if}
</section>
