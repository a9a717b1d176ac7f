<!-- A table that is sorted by its headings and narrowed by a word; on a phone each row is a card. -->
<script lang="ts" generics="T extends object">
  import { createTable } from '@tanstack/svelte-table';
  import { untrack } from 'svelte';
  import { features, type Column } from './table';

  interface Props {
    rows: T[];
    columns: Column<T>[];
    /** What each row is known by. */
    key: (row: T) => string;
    /** What the rows are, for who cannot see the table. */
    label: string;
  }
  let { rows, columns, key, label }: Props = $props();
  /** Fewer are seen at a glance. */
  const FEW = 8;

  const table = createTable({
    features,
    columns: untrack(() =>
      columns.map(({ id, value }) => ({
        id,
        accessorFn: (row: T) => value?.(row) ?? undefined,
        enableSorting: value !== undefined,
        enableGlobalFilter: value !== undefined,
        sortFn: (typeof rows.map((r) => value?.(r)).find((v) => v != null) === 'number'
          ? 'basic'
          : 'alphanumeric') as 'basic' | 'alphanumeric',
        sortUndefined: 'last' as const,
        sortDescFirst: false
      }))
    ),
    get data() {
      return rows;
    },
    getRowId: (row: T) => key(row),
    globalFilterFn: 'includesString' as const,
    getColumnCanGlobalFilter: (column: { id: string }) =>
      columns.find((c) => c.id === column.id)?.value !== undefined
  });
  const shown = $derived(table.getRowModel().rows);
  const sorting = $derived(table.atoms.sorting.get()[0] ?? null);
  const word = $derived((table.atoms.globalFilter.get() as string | undefined) ?? '');
  const sorted = (id: string) =>
    sorting?.id === id ? (sorting.desc ? ('descending' as const) : ('ascending' as const)) : undefined;
  const pick = (id: string) => table.setSorting(id === '' ? [] : [{ id, desc: false }]);
</script>

<div class="no-print flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
  {#if rows.length > FEW}<label class="flex items-center gap-2"
      >Find <input
        class="cell w-48"
        type="search"
        value={word}
        oninput={(e) => table.setGlobalFilter(e.currentTarget.value)}
      /></label
    >{/if}
  <label class="flex items-center gap-2 sm:hidden"
    >In the order of <select
      class="cell"
      value={sorting?.id ?? ''}
      onchange={(e) => pick(e.currentTarget.value)}
      ><option value="">as they are</option>{#each columns.filter((c) => c.value) as c (c.id)}<option
          value={c.id}>{c.label.toLowerCase()}</option
        >{/each}</select
    ></label
  >
  {#if word !== ''}<span class="quiet" role="status">{shown.length} of {rows.length}</span>{/if}
</div>
<div class="relative overflow-x-auto">
  <table class="sheet-table stacked" aria-label={label}>
    <thead
      ><tr>
        {#each columns as c (c.id)}<th class:no-print={c.onScreen} aria-sort={sorted(c.id)}
            >{#if c.value}<button
                type="button"
                class="min-h-8 hover:underline"
                onclick={() => table.getColumn(c.id)!.toggleSorting()}
                >{c.label}{sorted(c.id) === 'ascending'
                  ? ' ▾'
                  : sorted(c.id) === 'descending'
                    ? ' ▴'
                    : ''}</button
              >{:else}<span class="sr-only">{c.label}</span>{/if}</th
          >{/each}
      </tr></thead
    >
    <tbody>
      {#each shown as row (row.id)}<tr
          >{#each columns as c (c.id)}<td class={c.class} class:no-print={c.onScreen}
              >{@render c.cell(row.original)}</td
            >{/each}</tr
        >{:else}<tr><td colspan={columns.length}>None says “{word}”.</td></tr>{/each}
    </tbody>
  </table>
</div>
