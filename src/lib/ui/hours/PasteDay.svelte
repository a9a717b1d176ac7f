<!-- A race day, or years of them, out of a spreadsheet: columns matched, each row checked, good rows kept, bad ones explained. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { Button } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { PASTE_FIELDS } from '$lib/core/outing/paste';
  import type { OUTING_KINDS } from '$lib/core/outing/outing';
  import type { Person } from '$lib/core/team/team';
  import { Paste } from './paste.svelte';

  interface Props {
    machines: { id: string; plate: string; name: string }[];
    people: Person[];
    today: string;
    day: string;
    kind: (typeof OUTING_KINDS)[number];
    onleave: () => void;
  }
  let { machines, people, today, day, kind, onleave }: Props = $props();
  const paste = new Paste();
  onDestroy(() => paste.leave());
  let text = $state('');
  const share = $derived(paste.progress.of > 0 ? paste.progress.done / paste.progress.of : 0);
  const n = (x: number) => x.toLocaleString('en');
  const MOST_SHOWN = 50;
  const EXAMPLE = 'plate\tdate\thours\tkm\trider\n12\t2026-11-21\t121.3\t34\tInes';

  async function file(e: Event) {
    const f = (e.currentTarget as HTMLInputElement).files?.[0];
    if (!f) return;
    if (f.size > 60_000_000)
      paste.problem = 'That file is over 60 MB. Save only the sheet with the outings, as CSV.';
    else paste.read(await f.text());
  }
  const check = () => paste.check({ machines, people, today, day, kind });
  async function write() {
    await paste.send();
    await invalidateAll();
  }
  function download() {
    const url = URL.createObjectURL(new Blob([paste.badFile()], { type: 'text/csv' }));
    const a = Object.assign(document.createElement('a'), { href: url, download: 'rows-to-put-right.csv' });
    a.click();
    URL.revokeObjectURL(url);
  }
</script>

<section class="my-4 border-2 p-4" style="border-color: var(--ink)" aria-label="Paste from a spreadsheet">
  <div class="flex items-baseline gap-4">
    <h2>From a spreadsheet</h2>
    <button type="button" class="link ml-auto text-sm" onclick={onleave}>Leave</button>
  </div>
  {#if paste.step === 'empty' || paste.step === 'reading'}
    <label class="mt-2 block">
      <span class="text-sm"
        >Paste the cells here, headings and all: machine, day, hours, distance, rider, conditions …</span
      >
      <textarea class="cell figure mt-1 h-32" bind:value={text} placeholder={EXAMPLE}></textarea>
    </label>
    <div class="mt-2 flex flex-wrap items-center gap-4">
      <Button
        color="primary"
        disabled={text.trim() === '' || paste.step === 'reading'}
        onclick={() => paste.read(text)}>Read it</Button
      >
      <label class="text-sm"
        >or a CSV file <input type="file" accept=".csv,.tsv,.txt,text/csv" onchange={file} /></label
      >
    </div>
  {:else if paste.step === 'matching'}
    <p class="mt-2">{n(paste.rows)} rows. What does each column hold?</p>
    <div class="relative mt-2 overflow-x-auto">
      <table class="sheet-table">
        <thead
          ><tr
            >{#each paste.heads as head, i (i)}<th>
                <span class="block">{head}</span>
                <select class="cell" aria-label="Column {head}" bind:value={paste.columns[i]}>
                  <option value={null}>leave out</option>
                  {#each PASTE_FIELDS as f (f)}<option value={f}>{f}</option>{/each}
                </select>
              </th>{/each}</tr
          ></thead
        >
        <tbody
          >{#each paste.sample as cells, r (r)}<tr
              >{#each paste.heads as _, i (i)}<td class="figure">{(cells[i] ?? '').slice(0, 40)}</td
                >{/each}</tr
            >{/each}</tbody
        >
      </table>
    </div>
    {#if !paste.columns.includes('machine')}<p class="error mt-2">Say which column names the machine.</p>{/if}
    {#if !paste.columns.includes('day')}<p class="quiet mt-2 text-sm">
        No day: {day} is taken for every row.
      </p>{/if}
    <div class="mt-3 flex gap-2">
      <Button color="primary" disabled={!paste.columns.includes('machine')} onclick={check}
        >Check the rows</Button
      >
      <Button color="alternative" onclick={() => (paste.step = 'empty')}>Something else</Button>
    </div>
  {/if}
  {#if paste.step === 'checking' || paste.step === 'sending'}
    <div class="mt-3" role="status">
      <p>
        {paste.step === 'checking' ? 'Checking' : 'Writing down'}: {n(paste.progress.done)} of {n(
          paste.progress.of
        )} rows.
      </p>
      <div class="bar mt-1"><div style:width="{share * 100}%"></div></div>
      <Button class="mt-2" color="alternative" onclick={() => paste.cancel()}>Stop</Button>
    </div>
  {/if}
  {#if paste.step === 'checked' || paste.step === 'done'}
    <p class="mt-2" role="status">
      {#if paste.written > 0}<strong style:color="var(--done)">■ {n(paste.written)} written down.</strong
        >{/if}
      {#if paste.cancelled && paste.good.length > 0}Stopped. What was written stays.{/if}
      {#if paste.good.length > 0}{n(paste.good.length)} good.{/if}
      {#if paste.bad.length > 0}{n(paste.bad.length)} to put right.{:else if paste.step === 'done'}Nothing
        left over.{/if}
    </p>
    {#if paste.bad.length > 0}
      <div class="relative mt-2 max-h-96 overflow-auto">
        <table class="sheet-table">
          <thead><tr><th>Row</th><th>Says</th><th>Why not</th></tr></thead>
          <tbody
            >{#each paste.bad.slice(0, MOST_SHOWN) as b (b.line)}<tr
                ><td class="figure">{b.line}</td><td class="figure max-w-96 break-words"
                  >{b.cells.join(' · ').slice(0, 160)}</td
                ><td>{b.problem}</td></tr
              >{/each}</tbody
          >
        </table>
      </div>
      <p class="mt-2 text-sm">
        {#if paste.bad.length > MOST_SHOWN}The first {MOST_SHOWN} are shown.{/if}
        <button type="button" class="link" onclick={download}>Save these rows with the reasons</button>, put
        them right and paste them again.
      </p>
    {/if}
    <div class="mt-3 flex flex-wrap gap-2">
      {#if paste.good.length > 0}<Button color="primary" onclick={write}
          >Write down {n(paste.good.length)} rows</Button
        >{/if}
      <Button
        color="alternative"
        onclick={() => {
          text = '';
          paste.written = 0;
          paste.step = 'empty';
        }}>Paste something else</Button
      >
    </div>
  {/if}
  {#if paste.problem}<p class="error mt-2" role="alert">{paste.problem}</p>{/if}
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
</style>
