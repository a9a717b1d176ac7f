<!-- A spreadsheet on its way into the book: what it is, how it is understood, what each row would do, and the good ones taken. -->
<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { DATE_ORDERS, DECIMALS } from '$lib/core/exchange/import/dialect';
  import { IMPORT_KEYS, type ImportKey } from '$lib/core/exchange/import/lists';
  import { Button } from '../form/controls';
  import { Import } from './import.svelte';
  import ImportRows from './ImportRows.svelte';

  interface Props {
    /** The only list it may be; null: whichever it looks like. */
    only?: ImportKey | null;
    /** For outings that say neither. */
    usual?: { day: string; kind: string } | null;
    onleave?: () => void;
  }
  let { only = null, usual = null, onleave }: Props = $props();
  const file = new Import(
    untrack(() => only),
    () => usual
  );
  onDestroy(() => file.leave());
  let text = $state('');
  let over = $state(false);
  const n = (x: number) => x.toLocaleString('en');
  const chosen = $derived(file.count(file.chosen));
  const left = $derived(file.lines.some((l) => l.sent === 'no' && l.what !== 'same'));
  const share = $derived(file.progress.of > 0 ? file.progress.done / file.progress.of : 0);
  const looked = $derived(['looked', 'looking', 'sending', 'done'].includes(file.step) && file.table);
  const EXAMPLE = 'plate\tdate\thours\tkm\trider\n12\t2026-11-21\t121.3\t34\tInes';
  const sample = (i: number) =>
    file.table!.rows.find((r) => (r.cells[i] ?? '').trim() !== '')?.cells[i] ?? '';

  const pick = (f: File | undefined) => f && void file.file(f);
  function drop(e: DragEvent) {
    e.preventDefault();
    over = false;
    pick(e.dataTransfer?.files[0]);
  }
  async function take() {
    await file.take();
    await invalidateAll();
  }
  function save() {
    const url = URL.createObjectURL(new Blob(['\uFEFF', file.restFile()], { type: 'text/csv' }));
    const a = Object.assign(document.createElement('a'), { href: url, download: 'rows-to-put-right.csv' });
    a.click();
    URL.revokeObjectURL(url);
  }
</script>

<section class="my-4 border-2 p-4" style="border-color: var(--ink)" aria-label="From a spreadsheet">
  <div class="flex items-baseline gap-4">
    <h2>From a spreadsheet</h2>
    {#if looked}<span class="quiet text-sm"
        >{n(file.table!.rows.length)} rows of {file.name}{file.table!.as && file.table!.as !== 'UTF-8'
          ? `, read as ${file.table!.as}`
          : ''}</span
      >{/if}
    {#if onleave}<button type="button" class="link ml-auto text-sm" onclick={onleave}>Leave</button>
    {:else if looked && file.step !== 'sending'}<button
        type="button"
        class="link ml-auto text-sm"
        onclick={() => file.again()}>Another file</button
      >{/if}
  </div>
  {#if file.step === 'empty' || file.step === 'reading'}
    <label
      class="mt-2 block"
      class:over
      ondragover={(e) => {
        e.preventDefault();
        over = true;
      }}
      ondragleave={() => (over = false)}
      ondrop={drop}
    >
      <span class="text-sm">Paste the cells here, headings and all, or drop a CSV file</span>
      <textarea class="cell figure mt-1 h-28" bind:value={text} placeholder={EXAMPLE}></textarea>
    </label>
    <div class="mt-2 flex flex-wrap items-center gap-4">
      <Button
        color="primary"
        disabled={text.trim() === '' || file.step === 'reading'}
        onclick={() => file.text(text)}>Read it</Button
      >
      <label class="text-sm"
        >or a CSV file <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          onchange={(e) => pick(e.currentTarget.files?.[0])}
        /></label
      >
    </div>
  {/if}
  {#if looked}
    <div class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
      {#if !only}<label class="text-sm"
          ><span class="block">These are</span><select
            class="cell w-40"
            value={file.list}
            disabled={file.step === 'sending'}
            onchange={(e) => file.as(e.currentTarget.value as ImportKey)}
            >{#each IMPORT_KEYS as key (key)}<option value={key}>{key}</option>{/each}</select
          ></label
        >{/if}
      <label class="text-sm"
        ><span class="block">Decimals</span><select
          class="cell w-40"
          bind:value={file.decimal}
          disabled={file.step === 'sending'}
          onchange={() => file.look()}
          >{#each DECIMALS as d (d)}<option value={d}>{d === '.' ? 'point: 12.5' : 'comma: 12,5'}</option
            >{/each}</select
        ></label
      >
      <label class="text-sm"
        ><span class="block">Days</span><select
          class="cell w-44"
          bind:value={file.dates}
          disabled={file.step === 'sending'}
          onchange={() => file.look()}
          >{#each DATE_ORDERS as d (d)}<option value={d}>{d}: {d === 'day first' ? '25/11' : '11/25'}</option
            >{/each}</select
        ></label
      >
      {#if file.detected && !file.detected.decimal.sure}<p class="text-sm">
          {file.detected.decimal.by} may be read two ways: look at the decimals.
        </p>{/if}
      {#if file.detected && !file.detected.dates.sure}<p class="text-sm">
          {file.detected.dates.by} may be read two ways: look at the days.
        </p>{/if}
    </div>
    <div class="relative mt-3 overflow-x-auto">
      <table class="sheet-table columns" aria-label="Columns">
        <thead
          ><tr
            >{#each file.table!.heads as head, i (i)}<th>
                <span class="block">{head || '–'}</span>
                <select
                  class="cell"
                  aria-label="Column {head}"
                  bind:value={file.columns[i]}
                  disabled={file.step === 'sending'}
                  onchange={() => file.look()}
                >
                  <option value={null}>leave out</option>
                  {#each file.fields as f (f.key)}<option value={f.key}>{f.key}</option>{/each}
                </select>
              </th>{/each}</tr
          ></thead
        >
        <tbody
          ><tr
            >{#each file.table!.heads as _, i (i)}<td class="figure quiet">{sample(i).slice(0, 40)}</td
              >{/each}</tr
          ></tbody
        >
      </table>
    </div>
    {#if file.asks}
      <div class="caution mt-2" role="alert">
        <p class="font-bold">What are the hours in this sheet?</p>
        <p class="text-sm">
          No meter in the book tells. Hours ridden are added to what a machine has run; what a meter shows is
          all it has run.
        </p>
        <div class="mt-2 flex flex-wrap gap-3">
          <Button color="alternative" onclick={() => file.hoursAre('shown')}>What the meter showed</Button>
          <Button color="alternative" onclick={() => file.hoursAre('ridden')}>Time ridden</Button>
        </div>
      </div>
    {:else if file.shown}<p class="mt-2 text-sm">
        Its hours are taken as what the meter showed. <button
          type="button"
          class="link"
          onclick={() => file.hoursAre('ridden')}>They are time ridden</button
        >
      </p>{/if}
    {#each file.missing as f (f)}<p class="error mt-2">Say which column holds the {f}.</p>{/each}
    {#if file.list === 'outings' && !file.columns.includes('day') && usual}<p class="quiet mt-2 text-sm">
        No day: {usual.day} is taken for every row.
      </p>{/if}
  {/if}
  {#if file.step === 'looking'}<p class="mt-3" role="status">
      Looking through {n(file.table!.rows.length)} rows.
    </p>{/if}
  {#if file.step === 'sending'}
    <div class="mt-3" role="status">
      <p>Writing down: {n(file.progress.done)} of {n(file.progress.of)}.</p>
      <div class="bar mt-1"><div style:width="{share * 100}%"></div></div>
      <Button class="mt-2" color="alternative" onclick={() => file.stop()}>Stop</Button>
    </div>
  {/if}
  {#if (file.step === 'looked' || file.step === 'done') && file.lines.length > 0}
    <p class="mt-3" role="status">
      {#if file.written > 0}<strong style:color="var(--done)">■ {n(file.written)} written down.</strong>{/if}
      {#if file.stopped && chosen > 0}Stopped. What was written stays.{/if}
      {#if file.written > 0 && !left}Nothing left over.{/if}
    </p>
    <ImportRows {file} />
    <div class="mt-3 flex flex-wrap items-center gap-3">
      {#if chosen > 0}<Button color="primary" onclick={take}
          >Write down {n(chosen)} {chosen === 1 ? 'row' : 'rows'}</Button
        >{:else if file.written === 0 && !file.asks}<p>Nothing of it is new.</p>{/if}
      {#if left}<button type="button" class="link text-sm" onclick={save}
          >Save {chosen > 0 ? 'all of these rows' : 'the rest'} with the reasons</button
        >{/if}
      {#if onleave}<Button
          color="alternative"
          onclick={() => {
            text = '';
            file.again();
          }}>Another file</Button
        >{/if}
    </div>
  {/if}
  {#if file.problem}<p class="error mt-2" role="alert">{file.problem}</p>{/if}
</section>

<style>
  .bar {
    height: 0.6rem;
    border: 1px solid var(--ink);
  }
  .bar div {
    height: 100%;
    background: var(--done);
  }
  .over textarea {
    outline: 3px solid var(--ink);
  }
  .columns select {
    min-width: 8rem;
  }
</style>
