<!--
  The fleet, lane over lane on one now line. Only the lanes near the screen are in the page; the others are fetched by id as
  they are scrolled to, so that a thousand machines scroll as well as ten.
-->
<script lang="ts">
  import { createWindowVirtualizer } from '@tanstack/svelte-virtual';
  import { onMount, tick, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { FIRST_LANES, type Lane } from '$lib/core/trail/lane';
  import { HOME_WINDOW } from '$lib/core/trail/scale';
  import LaneRow from './LaneRow.svelte';
  import { marks, percentIn } from './scale';

  let { trail }: { trail: { lanes: Lane[]; order: string[] } } = $props();

  /** Lanes kept above and below the screen. */
  const SPARE = 6;
  /** Pixels, until a lane has been measured. */
  const USUAL_HEIGHT = 97;
  let list: HTMLElement | undefined = $state();
  let above = $state(0);
  const lanes = createWindowVirtualizer<HTMLLIElement>({
    count: untrack(() => trail.order.length),
    estimateSize: () => USUAL_HEIGHT,
    overscan: SPARE,
    // What the server draws, which has no screen.
    initialRect: { width: 0, height: FIRST_LANES * USUAL_HEIGHT }
  });
  $effect(() => {
    const count = trail.order.length;
    const scrollMargin = above;
    untrack(() => $lanes.setOptions({ count, scrollMargin, getItemKey: (i) => trail.order[i]! }));
  });
  const placed = $derived($lanes.getVirtualItems().filter((v) => v.index < trail.order.length));
  let fetched = $state<Record<string, Lane>>({});
  /** Of `fetched`, those that came since the fleet last changed; the others are shown until they do. */
  let fresh = $state<Record<string, true>>({});
  let failed = $state(false);
  /** Ids on their way. */
  let asked: Record<string, true> = {};

  const known = $derived({ ...fetched, ...Object.fromEntries(trail.lanes.map((l) => [l.id, l])) });
  const shown = $derived(placed.map((v) => trail.order[v.index]!));

  // New data: what was fetched before may have moved.
  let before: string[] = [];
  let moved = $state<Record<string, boolean>>({});
  let totals: Record<string, number | null> = {};
  $effect(() => {
    void trail;
    asked = {};
    const next: Record<string, number | null> = {};
    const went: Record<string, boolean> = {};
    for (const l of trail.lanes) {
      next[l.id] = l.total;
      if (before.length > 0 && l.id in totals && totals[l.id] !== l.total) went[l.id] = true;
    }
    totals = next;
    before = trail.order;
    moved = went;
    fresh = Object.fromEntries(trail.lanes.map((l) => [l.id, true as const]));
  });

  $effect(() => {
    const missing = shown.filter((id) => !fresh[id] && !asked[id]);
    if (missing.length === 0) return;
    for (const id of missing) asked[id] = true;
    void fetch('/api/lanes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ids: missing })
    })
      .then(async (r) => {
        if (!r.ok) throw new Error(String(r.status));
        const lanes: Lane[] = (await r.json()).data;
        fetched = { ...fetched, ...Object.fromEntries(lanes.map((l) => [l.id, l])) };
        fresh = { ...fresh, ...Object.fromEntries(lanes.map((l) => [l.id, true as const])) };
        failed = false;
      })
      .catch(() => {
        failed = true;
        for (const id of missing) delete asked[id];
      });
  });

  const measure = () => (above = list ? list.offsetTop : 0);
  onMount(measure);

  let at = -1;
  async function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey || (e.key !== 'j' && e.key !== 'k' && e.key !== 'Enter')) return;
    const target = e.target as HTMLElement;
    if (
      ['INPUT', 'TEXTAREA', 'SELECT', 'BUTTON', 'A'].includes(target.tagName) &&
      (e.key === 'Enter' || target.tagName !== 'A')
    )
      return;
    if (localStorage.getItem('ht_single_keys') === 'off') return;
    if (e.key === 'Enter') {
      if (at >= 0 && trail.order[at]) await goto(`/machines/${trail.order[at]}`);
      return;
    }
    at = Math.max(0, Math.min(trail.order.length - 1, at + (e.key === 'j' ? 1 : -1)));
    if (!placed.some((v) => v.index === at)) $lanes.scrollToIndex(at, { align: 'center' });
    await tick();
    const lane = list?.querySelector<HTMLElement>(`[data-index="${at}"] [data-lane-link]`);
    lane?.focus();
    lane?.scrollIntoView({ block: 'nearest' });
    e.preventDefault();
  }
</script>

<svelte:window onresize={measure} onkeydown={keys} />

<div class="scale figure" aria-hidden="true">
  <svg class="block w-full" height="22">
    {#each marks(HOME_WINDOW) as m (m)}
      <text x="{percentIn(HOME_WINDOW)(m)}%" y="16" text-anchor="middle" fill="var(--ink-2)" font-size="14"
        >{m === 0 ? 'now' : m > 0 ? `+${m / 100} h` : `−${-m / 100} h`}</text
      >
    {/each}
  </svg>
</div>
<ol
  bind:this={list}
  style:padding-top="{(placed[0]?.start ?? above) - above}px"
  style:padding-bottom="{Math.max(0, $lanes.getTotalSize() - ((placed.at(-1)?.end ?? above) - above))}px"
>
  {#each placed as v (trail.order[v.index])}
    {@const id = trail.order[v.index]!}
    <li
      aria-setsize={trail.order.length}
      aria-posinset={v.index + 1}
      data-index={v.index}
      {@attach (li: HTMLLIElement) => untrack(() => $lanes.measureElement(li))}
    >
      {#if known[id]}<LaneRow lane={known[id]} moved={moved[id]} />{:else}<div class="waiting quiet">
          …
        </div>{/if}
    </li>
  {/each}
</ol>
{#if failed}<p class="error" role="alert">Some lanes did not come. Scroll a little to ask again.</p>{/if}

<style>
  .scale {
    margin-top: 0.75rem;
    padding-left: 13.5rem;
    padding-right: 17rem;
    border-bottom: 2px solid var(--ink);
  }
  .waiting {
    min-height: 6rem;
    border-bottom: 1px solid var(--rule);
  }
  @media (max-width: 760px) {
    .scale {
      padding-inline: 0;
    }
  }
</style>
