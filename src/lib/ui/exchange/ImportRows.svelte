<!-- What each row of a file would do, one kind of them at a time. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { WHATS, type What } from '$lib/core/exchange/import/what';
  import type { Import } from './import.svelte';

  let { file }: { file: Import } = $props();
  const AT_ONCE = 50;
  const LABEL: Record<What, string> = {
    new: 'new',
    changed: 'changed',
    doubtful: 'doubtful',
    refused: 'refused',
    same: 'in the book already'
  };
  const counts = $derived(WHATS.map((what) => ({ what, n: file.count(file.of(what)) })));
  /** What wants a look comes first. */
  const wants = (): What =>
    (['doubtful', 'refused', 'changed', 'new', 'same'] as const).find((w) => file.of(w).length > 0) ?? 'new';
  let shown = $state<What>(untrack(wants));
  let most = $state(AT_ONCE);
  const rows = $derived(file.of(shown));
  $effect(() => {
    if (file.of(untrack(() => shown)).length === 0) shown = wants();
  });
  const cells = (line: number) => file.table!.rows.find((r) => r.line === line)?.cells ?? [];
  const all = $derived(rows.length > 0 && rows.every((l) => file.sure.includes(l.lines[0]!)));
  const n = (x: number) => x.toLocaleString('en');
</script>

<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Rows">
  {#each counts as c (c.what)}{#if c.n > 0}<button
        type="button"
        class="tab"
        aria-pressed={shown === c.what}
        onclick={() => {
          shown = c.what;
          most = AT_ONCE;
        }}><b class="figure">{n(c.n)}</b> {LABEL[c.what]}</button
      >{/if}{/each}
</div>
{#if rows.length > 0}
  <div class="relative mt-2 max-h-[28rem] overflow-auto">
    <table class="sheet-table">
      <thead
        ><tr
          >{#if shown === 'doubtful'}<th
              ><label class="whitespace-nowrap"
                ><input
                  type="checkbox"
                  checked={all}
                  onchange={(e) => file.trust(rows, e.currentTarget.checked)}
                /> all are right</label
              ></th
            >{/if}<th>Row</th>{#each file.table!.heads as head, i (i)}<th>{head}</th
            >{/each}{#if shown !== 'same' || rows.some((l) => l.why)}<th
              >{shown === 'changed'
                ? 'What changes'
                : shown === 'new' || shown === 'same'
                  ? 'Note'
                  : 'Why'}</th
            >{/if}</tr
        ></thead
      >
      <tbody>
        {#each rows.slice(0, most) as l (l.lines[0])}
          {#each l.lines as line, k (line)}
            {@const has = cells(line)}
            <tr
              >{#if shown === 'doubtful'}<td
                  >{#if k === 0}<label class="whitespace-nowrap"
                      ><input
                        type="checkbox"
                        checked={file.sure.includes(line)}
                        aria-label="Row {line} is right"
                        onchange={(e) => file.trust([l], e.currentTarget.checked)}
                      /> is right</label
                    >{/if}</td
                >{/if}<td class="figure">{line}</td>{#each file.table!.heads as _, i (i)}<td
                  class="figure max-w-60 break-words">{(has[i] ?? '').slice(0, 80)}</td
                >{/each}{#if shown !== 'same' || rows.some((r) => r.why)}<td class="min-w-60"
                  >{k === 0 ? l.why : ''}</td
                >{/if}</tr
            >
          {/each}
        {/each}
      </tbody>
    </table>
  </div>
  {#if rows.length > most}<button
      type="button"
      class="link mt-1 text-sm"
      onclick={() => (most += 10 * AT_ONCE)}>The first {n(most)} are shown; show more</button
    >{/if}
{/if}

<style>
  .tab {
    border: 1px solid var(--ink);
    padding: 0.35rem 0.75rem;
    min-height: 2.5rem;
  }
  .tab[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
</style>
