<!-- A machine's own trail, with zoom and pan: buttons, keys, wheel with Ctrl, and dragging. -->
<script lang="ts">
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import type { Lane } from '$lib/core/trail/lane';
  import { HOME_WINDOW, pan, zoom } from '$lib/core/trail/scale';
  import Track from './Track.svelte';

  interface Props {
    lane: Lane;
    /** The task to point out. */
    mark?: string;
  }
  let { lane, mark }: Props = $props();
  let view = $state(HOME_WINDOW);
  let box: HTMLElement | undefined = $state();
  let dragged = false;

  function keys(e: KeyboardEvent) {
    const t = e.target as HTMLElement;
    if (['INPUT', 'TEXTAREA', 'SELECT'].includes(t.tagName) || e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === '+' || e.key === '=') view = zoom(view, 0.5);
    else if (e.key === '-') view = zoom(view, 2);
    else if (e.key === 'ArrowRight') view = pan(view, 0.2);
    else if (e.key === 'ArrowLeft') view = pan(view, -0.2);
    else return;
    e.preventDefault();
  }
  function wheel(e: WheelEvent) {
    if (!e.ctrlKey || !box) return;
    e.preventDefault();
    const at =
      view.from + ((e.clientX - box.getBoundingClientRect().left) / box.clientWidth) * (view.to - view.from);
    view = zoom(view, e.deltaY > 0 ? 1.25 : 0.8, at);
  }
  function drag(e: PointerEvent) {
    if (e.button !== 0 || !box) return;
    const start = e.clientX;
    const held = view;
    const width = box.clientWidth;
    dragged = false;
    const move = (m: PointerEvent) => {
      if (Math.abs(m.clientX - start) > 4) dragged = true;
      if (dragged) view = pan(held, (start - m.clientX) / width);
    };
    const stop = () => {
      removeEventListener('pointermove', move);
      removeEventListener('pointerup', stop);
      removeEventListener('pointercancel', stop);
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', stop);
    addEventListener('pointercancel', stop);
  }
  // A drag that ends on a peg is not a click on it.
  function click(e: MouseEvent) {
    if (dragged) e.preventDefault();
    dragged = false;
  }
</script>

<svelte:window onkeydown={keys} />

<div class="mt-4">
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div
    bind:this={box}
    class="box"
    onwheel={wheel}
    onpointerdown={drag}
    onclickcapture={click}
    ondragstart={(e) => e.preventDefault()}
  >
    <Track {lane} window={view} large {mark} />
  </div>
  <div class="no-print mt-1 flex flex-wrap gap-1" role="group" aria-label="Zoom and move">
    <button type="button" class="key" onclick={() => (view = zoom(view, 0.5))} aria-label="Closer"
      ><Plus size={20} /></button
    >
    <button type="button" class="key" onclick={() => (view = zoom(view, 2))} aria-label="Wider"
      ><Minus size={20} /></button
    >
    <button type="button" class="key" onclick={() => (view = pan(view, -0.2))} aria-label="Back"
      ><ArrowLeft size={20} /></button
    >
    <button type="button" class="key" onclick={() => (view = pan(view, 0.2))} aria-label="Ahead"
      ><ArrowRight size={20} /></button
    >
    <button type="button" class="key" onclick={() => (view = HOME_WINDOW)}>now</button>
  </div>
</div>

<style>
  .box {
    overflow: hidden;
    touch-action: pan-y;
    cursor: grab;
    border-block: 1px solid var(--rule);
  }
  .key {
    border: 1px solid var(--rule-strong);
    min-width: 2.5rem;
    padding: 0.2rem 0.6rem;
  }
</style>
