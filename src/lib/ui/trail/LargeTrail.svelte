<!-- A machine's own trail, with zoom and pan: buttons, keys, two fingers, wheel with Ctrl, and dragging. -->
<script lang="ts">
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import { select } from 'd3-selection';
  import { zoom, type D3ZoomEvent } from 'd3-zoom';
  import { untrack } from 'svelte';
  import type { Lane, Likely } from '$lib/core/trail/lane';
  import { HOME_WINDOW } from '$lib/core/trail/scale';
  import { homeAcross, MAGNIFIED, transformOf, windowOf } from './zoom';
  import Track from './Track.svelte';

  interface Props {
    lane: Lane;
    /** The task to point out. */
    mark?: string;
    likely?: readonly Likely[];
  }
  let { lane, mark, likely = [] }: Props = $props();
  let view = $state(HOME_WINDOW);
  let box: HTMLElement | undefined = $state();
  let width = $state(0);

  const zooming = zoom<HTMLElement, unknown>()
    .scaleExtent(MAGNIFIED)
    .clickDistance(4)
    // The wheel alone and one finger go on with the page.
    .filter((e: WheelEvent | TouchEvent | MouseEvent) => {
      if (e.type === 'wheel') return e.ctrlKey;
      return 'touches' in e ? e.touches.length > 1 : (e as MouseEvent).button === 0 && !e.ctrlKey;
    })
    .on('zoom', (e: D3ZoomEvent<HTMLElement, unknown>) => (view = windowOf(e.transform, width)));
  $effect(() => {
    if (!box || width === 0) return;
    // A narrower page shows the same hours.
    const selected = select(box).call(zooming).on('dblclick.zoom', null);
    zooming.transform(
      selected,
      untrack(() => transformOf(view, width))
    );
    return () => void selected.on('.zoom', null);
  });

  /** @param factor above 1: closer, about now, where it is on screen */
  const closer = (factor: number) => {
    const now = transformOf(view, width).applyX(homeAcross(width)(0));
    zooming.scaleBy(select(box!), factor, [Math.min(width, Math.max(0, now)), 0]);
  };
  /** @param share of the width, ahead of now where it is positive */
  const move = (share: number) =>
    zooming.translateBy(select(box!), (-share * width) / transformOf(view, width).k, 0);
  const home = () => zooming.transform(select(box!), transformOf(HOME_WINDOW, width));

  function keys(e: KeyboardEvent) {
    const t = e.target as HTMLElement;
    if (['INPUT', 'TEXTAREA', 'SELECT'].includes(t.tagName) || e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === '+' || e.key === '=') closer(2);
    else if (e.key === '-') closer(0.5);
    else if (e.key === 'ArrowRight') move(0.2);
    else if (e.key === 'ArrowLeft') move(-0.2);
    else return;
    e.preventDefault();
  }
</script>

<svelte:window onkeydown={keys} />

<div class="mt-4">
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div bind:this={box} bind:clientWidth={width} class="box" ondragstart={(e) => e.preventDefault()}>
    <Track {lane} window={view} large {mark} {likely} />
  </div>
  <div class="no-print mt-1 flex flex-wrap gap-1" role="group" aria-label="Zoom and move">
    <button type="button" class="key" onclick={() => closer(2)} aria-label="Closer"><Plus size={20} /></button
    >
    <button type="button" class="key" onclick={() => closer(0.5)} aria-label="Wider"
      ><Minus size={20} /></button
    >
    <button type="button" class="key" onclick={() => move(-0.2)} aria-label="Back"
      ><ArrowLeft size={20} /></button
    >
    <button type="button" class="key" onclick={() => move(0.2)} aria-label="Ahead"
      ><ArrowRight size={20} /></button
    >
    <button type="button" class="key" onclick={home}>now</button>
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
