<!-- The field a figure is typed into, as the manual prints it: sent when the hand goes on to the next. -->
<script lang="ts">
  import type { FigureKind } from '$lib/core/specs/kinds';
  import { goOn } from '../form/go-on';
  import type { FigureEntry } from './figure-entry.svelte';

  interface Props {
    entry: FigureEntry;
    kind: FigureKind;
    label: string;
    /** Of what is asked back about it. */
    noteId: string;
    class?: string;
    /** What stands in it while it is empty. */
    placeholder?: string;
    /** Sent as soon as the hand goes on; else only when it is said. */
    saves?: boolean;
  }
  let {
    entry,
    kind,
    label,
    noteId,
    class: className = '',
    placeholder = 'unknown',
    saves = true
  }: Props = $props();

  /** Enter says that it is so, and goes on; an unconfirmed figure is confirmed by it. */
  async function key(e: KeyboardEvent) {
    if (e.key === 'Escape') entry.leave();
    if (e.key !== 'Enter' || (kind.form === 'table' && !e.ctrlKey)) return;
    e.preventDefault();
    const field = e.currentTarget as HTMLElement;
    const walking = entry.unconfirmed;
    if (await entry.confirm()) goOn(field, next(field, walking));
  }
  /** The field after this one; walking down a sister's sheet, the next that nobody has looked up. */
  function next(from: HTMLElement, walking: boolean): HTMLElement | undefined {
    const all = [...document.querySelectorAll<HTMLElement>('[data-figure]')];
    const after = all.slice(all.indexOf(from) + 1);
    return (walking ? after.find((f) => f.dataset.figure === 'unconfirmed') : undefined) ?? after[0];
  }
  const same = $derived({
    'data-figure': entry.unconfirmed ? 'unconfirmed' : '',
    'aria-label': label,
    'aria-invalid': entry.asked ? (true as const) : undefined,
    'aria-describedby': entry.asked ? noteId : undefined
  });
</script>

{#if kind.choices}
  <select
    {...same}
    class="cell {className}"
    value={entry.typed}
    onchange={(e) => {
      entry.typed = e.currentTarget.value;
      if (saves) void entry.save();
    }}
    onkeydown={key}
  >
    <!-- What stands on the sheet is corrected, not emptied. -->
    {#if !entry.now()}<option value="">unknown</option>{/if}
    {#each kind.choices as c (c)}<option value={c}>{c}</option>{/each}
  </select>
{:else if kind.form === 'table'}
  <textarea
    {...same}
    class="cell {className}"
    rows="3"
    maxlength="400"
    placeholder={kind.hint}
    bind:value={entry.typed}
    onkeydown={key}
    onblur={() => saves && void entry.save()}></textarea>
{:else}
  <input
    {...same}
    class="cell figure text-lg {className}"
    autocomplete="off"
    maxlength="400"
    {placeholder}
    title={kind.hint}
    bind:value={entry.typed}
    onkeydown={key}
    onblur={() => saves && void entry.save()}
  />
{/if}
