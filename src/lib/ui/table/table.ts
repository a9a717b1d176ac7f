import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures
} from '@tanstack/svelte-table';
import type { Snippet } from 'svelte';

/** What our tables can do: sorted by a column, and narrowed to the rows that say something. */
export const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  filteredRowModel: createFilteredRowModel(),
  filterFns: { includesString: filterFn_includesString },
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic }
});

/** A column of a table of T. */
export interface Column<T> {
  id: string;
  /** Its heading. */
  label: string;
  /** What it is sorted and found by: a number sorts as one; null goes last, whichever way. Left out: it is neither. */
  value?: (row: T) => string | number | null;
  cell: Snippet<[T]>;
  class?: string;
  /** Not printed: what only a hand can use. */
  onScreen?: boolean;
}
