<!-- The steps in their order, each with the reason for its place; dragged, or moved by key, to overrule it. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import { flip } from 'svelte/animate';
  import { dragHandleZone, dragHandle, type DndEvent } from 'svelte-dnd-action';
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
  let items = $derived(steps.map((s) => ({ id: s.key, step: s })));
  const still = typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches;

  function consider(e: CustomEvent<DndEvent<{ id: string; step: Step }>>) {
    items = e.detail.items;
  }
  function finalize(e: CustomEvent<DndEvent<{ id: string; step: Step }>>) {
    items = e.detail.items;
    onorder(items.map((i) => i.id));
  }
  function move(index: number, by: number) {
    const keys = items.map((i) => i.id);
    const to = index + by;
    if (to < 0 || to >= keys.length) return;
    [keys[index], keys[to]] = [keys[to]!, keys[index]!];
    onorder(keys);
  }
  const brokenAt = (key: string) => broken.filter((b) => b.key === key);
</script>

<ol
  use:dragHandleZone={{ items, flipDurationMs: still ? 0 : 120, dropTargetStyle: {} }}
  onconsider={consider}
  onfinalize={finalize}
  aria-label="Steps in order"
>
  {#each items as { id, step }, i (id)}
    <li
      animate:flip={{ duration: still ? 0 : 120 }}
      class:wrong={brokenAt(id).length > 0}
      class:gated={step.gate !== null}
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
        {#each brokenAt(id) as b, k (k)}<span class="error block text-sm">{b.message}</span>{/each}
      </span>
      <span class="figure quiet t"
        >{step.gate ? 'if asked' : `${Math.round(begins[id] ?? 0)}′, ${step.minutes} min`}</span
      >
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
  .gated .body {
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
