<!-- The steps in their order, each with the reason for its place; dragged, or moved by key, to overrule it. What hangs on an answer
  is folded away behind the step it follows, and moves with it. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import { flip } from 'svelte/animate';
  import { dragHandleZone, dragHandle, type DndEvent } from 'svelte-dnd-action';
  import { gateInWords, withMaybes, type Sure } from '$lib/core/job/gate';
  import type { Step } from '$lib/core/job/plan';
  import type { Broken } from '$lib/core/job/order/overrule';

  interface Props {
    steps: Step[];
    broken: Broken[];
    /** Minutes from the beginning at which each begins, by key. */
    begins: Record<string, number>;
    onorder: (keys: string[]) => void;
  }
  let { steps, broken, begins, onorder }: Props = $props();
  type Item = Sure<Step> & { id: string };
  let items = $derived(withMaybes(steps).map((s): Item => ({ id: s.step.key, ...s })));
  const keysOf = (list: readonly Item[]) => list.flatMap((i) => [i.id, ...i.maybe.map((s) => s.key)]);
  /** What it takes for each of them, said once where it is the same. */
  const when = (maybe: readonly Step[]) => [...new Set(maybe.map((s) => gateInWords(s.gate!, steps)))];
  const still = typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches;

  function consider(e: CustomEvent<DndEvent<Item>>) {
    items = e.detail.items;
  }
  function finalize(e: CustomEvent<DndEvent<Item>>) {
    items = e.detail.items;
    onorder(keysOf(items));
  }
  function move(index: number, by: number) {
    const list = [...items];
    const to = index + by;
    if (to < 0 || to >= list.length) return;
    [list[index], list[to]] = [list[to]!, list[index]!];
    onorder(keysOf(list));
  }
  const brokenAt = (key: string) => broken.filter((b) => b.key === key);
</script>

<ol
  use:dragHandleZone={{ items, flipDurationMs: still ? 0 : 120, dropTargetStyle: {} }}
  onconsider={consider}
  onfinalize={finalize}
  aria-label="Steps in order"
>
  {#each items as { id, step, maybe }, i (id)}
    <li
      animate:flip={{ duration: still ? 0 : 120 }}
      class:wrong={[id, ...maybe.map((s) => s.key)].some((k) => brokenAt(k).length > 0)}
    >
      <span class="figure n">{i + 1}</span>
      <span class="handle" use:dragHandle aria-label="Drag “{step.title}”"><GripVertical size={20} /></span>
      <span class="body">
        <span class="font-bold"
          >{step.title}{step.circuit && !step.title.toLowerCase().includes(step.circuit)
            ? `, ${step.circuit}`
            : ''}</span
        >
        <span class="quiet block text-sm">{step.why}</span>
        {#each [id, ...maybe.map((s) => s.key)] as key (key)}{#each brokenAt(key) as b, k (k)}<span
              class="error block text-sm">{b.message}</span
            >{/each}{/each}
        {#if maybe.length > 0}<details class="maybe text-sm">
            <summary class="link inline-block min-h-8 py-1"
              >{maybe.length} more {maybe.length === 1 ? 'step' : 'steps'}, if {when(maybe).join(
                '; if '
              )}</summary
            >
            {#each maybe as s (s.key)}<span class="block">{s.title}, {s.minutes} min</span>{/each}
          </details>{/if}
      </span>
      <span class="figure quiet t">{Math.round(begins[id] ?? 0)}′, {step.minutes} min</span>
      <span class="no-print moves">
        <button
          type="button"
          aria-label="“{step.title}” earlier"
          disabled={i === 0}
          onclick={() => move(i, -1)}><ArrowUp size={18} class="mx-auto" /></button
        >
        <button
          type="button"
          aria-label="“{step.title}” later"
          disabled={i === items.length - 1}
          onclick={() => move(i, 1)}><ArrowDown size={18} class="mx-auto" /></button
        >
      </span>
    </li>
  {/each}
</ol>

<style>
  li {
    display: grid;
    grid-template-columns: 2rem 1.6rem minmax(0, 1fr) auto auto;
    gap: 0.5rem;
    align-items: center;
    border-bottom: 1px solid var(--rule);
    padding: 0.3rem 0;
    background: var(--paper);
  }
  .n {
    text-align: right;
  }
  .handle {
    cursor: grab;
    color: var(--rule-strong);
    min-height: 2rem;
    display: flex;
    align-items: center;
    justify-content: center;
  }
  .wrong {
    box-shadow: inset 5px 0 var(--signal);
  }
  .maybe {
    border-left: 3px dotted var(--rule-strong);
    padding-left: 0.6rem;
  }
  .moves button {
    min-width: 2rem;
    min-height: 2rem;
    border: 1px solid var(--rule);
  }
  .moves button:disabled {
    opacity: 0.3;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1.6rem 1.4rem minmax(0, 1fr) auto;
    }
    .t {
      display: none;
    }
  }
</style>
