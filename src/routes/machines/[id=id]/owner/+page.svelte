<script lang="ts">
  import { goto } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import { isEmpty, type Line } from '$lib/core/owner/sheet';
  import { showDay } from '$lib/core/time/day';

  let { data } = $props();
  const s = $derived(data.sheet);
  const query = $derived(`since=${s.since}`);
</script>

<svelte:head><title>Owner’s sheet · {data.machine.plate} · Hour Trail</title></svelte:head>
{#snippet section(title: string, lines: readonly Line[], none: string, more = 0)}
  <section class="mt-5" aria-label={title}>
    <h2 class="rule">{title}</h2>
    {#each lines as l, k (k)}<div class="line"><strong>{l.what}</strong><span>{l.more}</span></div>
    {:else}<p class="quiet py-1">{none}</p>{/each}
    {#if more > 0}<p class="quiet text-sm">And {more} more.</p>{/if}
  </section>
{/snippet}

<div class="sheet">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
    <a class="no-underline" href="/machines/{data.machine.id}"
      ><span class="plate text-4xl">{data.machine.plate}</span></a
    >
    <div>
      <h1>{data.machine.name}{data.machine.maker ? `, ${data.machine.maker}` : ''}</h1>
      <p class="quiet">
        {s.hours === null ? 'Hours not known' : `${showHours(s.hours)} running hours`}, {showDay(
          s.today,
          s.today
        )}
      </p>
    </div>
    <span class="ml-auto">{data.team?.name}</span>
  </div>
  <div class="no-print mt-3 flex flex-wrap items-baseline gap-x-4 gap-y-2">
    <label class="flex items-center gap-2"
      ><span class="text-sm">Since</span>
      <input
        class="cell"
        type="date"
        value={s.since}
        max={s.today}
        onchange={(e) =>
          e.currentTarget.value &&
          goto(`/machines/${data.machine.id}/owner?since=${e.currentTarget.value}`, { keepFocus: true })}
      /></label
    >
    <a class="link" href="/machines/{data.machine.id}/owner.pdf?{query}" target="_blank" rel="noopener"
      >PDF, A4</a
    >
    <a
      class="link"
      href="/machines/{data.machine.id}/owner.pdf?{query}&paper=letter"
      target="_blank"
      rel="noopener">PDF, Letter</a
    >
    <button type="button" class="link" onclick={() => print()}>Print</button>
  </div>
  {#if isEmpty(s)}<p class="mt-4">
      Nothing was done, found or advised since {showDay(s.since, s.today)}.
    </p>{/if}
  {@render section(
    `Done since ${showDay(s.since, s.today)}`,
    s.done,
    'Nothing was done in that time.',
    s.more.done
  )}
  {@render section('Found, and what became of it', s.found, 'Nothing else was found.', s.more.found)}
  {@render section('Advised', s.advised, 'Nothing stands open.', s.more.advised)}
  {@render section('Next due', s.next, 'Nothing is counted on it yet.', s.more.next)}
  {#if s.photos.length > 0}
    <div class="mt-5 flex flex-wrap gap-4">
      {#each s.photos as p (p.id)}<figure>
          <img src="/api/photos/{p.id}?small" alt={p.words || 'taken at this machine'} class="h-32" />
          <figcaption class="text-sm">{p.words}</figcaption>
        </figure>{/each}
    </div>
  {/if}
</div>

<style>
  .sheet {
    max-width: 52rem;
  }
  .rule {
    border-bottom: 2px solid var(--ink);
  }
  .line {
    display: grid;
    grid-template-columns: minmax(10rem, 42%) 1fr;
    gap: 0.25rem 1rem;
    padding-block: 0.25rem;
    border-bottom: 1px solid var(--rule);
  }
  @media (max-width: 640px) {
    .line {
      grid-template-columns: 1fr;
    }
  }
</style>
