<script lang="ts">
  import { LABEL_SHEETS, STICKER_KINDS, type StickerKind } from '$lib/core/paper/labels';
  import { untrack } from 'svelte';
  import { Button } from '$lib/ui/form/controls';

  let { data } = $props();
  const WORDS: Record<StickerKind, string> = { machine: 'Machines', component: 'Components', shelf: 'Shelf' };
  let sheetKey = $state(
    untrack(() => LABEL_SHEETS.find((s) => (data.units === 'imperial') === (s.page === 'LETTER'))!.key)
  );
  let used = $state(0);
  let picked = $state<string[]>(
    untrack(() => data.stickers.filter((s) => s.kind === 'machine').map((s) => s.id))
  );
  const sheet = $derived(LABEL_SHEETS.find((s) => s.key === sheetKey)!);
  const each = $derived(sheet.across * sheet.down);
  const wrong = $derived(!Number.isInteger(used) || used < 0 || used >= each);
  const sheets = $derived(Math.ceil((picked.length + (wrong ? 0 : used)) / each));
  const of = (kind: StickerKind) => data.stickers.filter((s) => s.kind === kind);
  const all = (kind: StickerKind) => of(kind).every((s) => picked.includes(s.id));
  const whole = $derived(STICKER_KINDS.filter((k) => of(k).length > 0 && all(k)));
  /** A whole kind is named as one: a fleet’s ids would be too long for an address. */
  const href = $derived(
    `/stickers/labels.pdf?${new URLSearchParams([
      ['sheet', sheetKey],
      ['used', String(used)],
      ...whole.map((k) => ['kind', k]),
      ...picked.filter((id) => !whole.some((k) => of(k).some((s) => s.id === id))).map((id) => ['id', id])
    ])}`
  );
  const turn = (kind: StickerKind) => {
    const ids = of(kind).map((s) => s.id);
    picked = all(kind) ? picked.filter((p) => !ids.includes(p)) : [...new Set([...picked, ...ids])];
  };
</script>

<svelte:head><title>Stickers · Hour Trail</title></svelte:head>
<h1>Stickers</h1>
<p class="quiet mt-1 max-w-2xl">
  A code that a phone’s camera reads: on a machine it opens logging its hours, on a component its own page, on
  the shelf what lies there. Stick them where oil and water do not go, and not on a frame number.
</p>
<div class="mt-4 flex flex-wrap items-end gap-4">
  <div>
    <label class="block text-sm" for="sheet">Labels</label>
    <select id="sheet" class="field" bind:value={sheetKey}
      >{#each LABEL_SHEETS as s (s.key)}<option value={s.key}>{s.words}</option>{/each}</select
    >
  </div>
  <div>
    <label class="block text-sm" for="used">Used already on the first sheet</label>
    <input
      id="used"
      class="field figure w-24"
      type="number"
      min="0"
      max={each - 1}
      aria-invalid={wrong ? true : undefined}
      bind:value={used}
    />
  </div>
  {#if picked.length > 0 && !wrong}<Button color="primary" {href} target="_blank" rel="noopener"
      >Make {picked.length === 1 ? 'one sticker' : `${picked.length} stickers`}</Button
    ><span class="quiet"
      >{sheets === 1 ? 'one sheet' : `${sheets} sheets`}; print at full size, not fitted</span
    >
  {:else if wrong}<p class="error" role="alert">0 to {each - 1}: there are {each} on a sheet.</p>
  {:else}<p class="quiet">Pick something below.</p>{/if}
</div>
{#each STICKER_KINDS as kind (kind)}
  {#if of(kind).length > 0}
    <fieldset class="mt-6">
      <legend class="figure text-lg font-bold">{WORDS[kind]}</legend>
      <button type="button" class="link text-sm" onclick={() => turn(kind)}
        >{all(kind) ? 'none' : 'all'}</button
      >
      <div class="mt-1 grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
        {#each of(kind) as s (s.id)}<label class="flex min-h-11 items-center gap-2"
            ><input type="checkbox" value={s.id} bind:group={picked} />
            <span class="figure text-lg">{s.mark}</span>
            <span class="quiet">{s.words}</span></label
          >{/each}
      </div>
    </fieldset>
  {/if}
{/each}
{#if data.stickers.length === 0}<p class="mt-6">
    Nothing to stick one on yet. <a class="link" href="/machines/new">Put a machine in the book</a> first.
  </p>{/if}
