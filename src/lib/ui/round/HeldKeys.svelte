<!-- A fastener tried at its number without opening it: with what, in which order, and how it was found. -->
<script lang="ts">
  import { page } from '$app/state';
  import { lowerEnd, type Band } from '$lib/core/quantity/band';
  import { showBoth } from '$lib/core/quantity/quantity';
  import { HELD, type Held, type TorqueHeld } from '$lib/core/round/check';
  import type { Tried } from '$lib/core/round/torque';
  import type { RoundDesk } from './desk.svelte';
  import Keys from './Keys.svelte';

  interface Props {
    check: TorqueHeld;
    band: Band | null;
    tried: Tried | null;
    take: (more?: Parameters<RoundDesk['answer']>[1]) => void;
  }
  let { check, band, tried, take }: Props = $props();
  const both = $derived(band && showBoth(lowerEnd(band), page.data.units ?? 'metric'));
  /** Moved or loose: how far is asked for, in a tap. */
  let far = $state<Held | null>(null);
  const HOW_FAR = ['a few degrees', 'a flat', 'a quarter turn', 'more'] as const;
  function held(how: Held) {
    if (how === 'moved' || how === 'loose') far = how;
    else take({ choice: how });
  }
  function turned(note: string) {
    take({ choice: far!, note });
    far = null;
  }
</script>

<p class="flex flex-wrap items-baseline gap-x-3">
  {#if both}<strong class="figure text-3xl">{both.main}</strong>{#if both.other}<span class="figure quiet"
        >{both.other}</span
      >{/if}
  {:else}<strong>{check.words ?? 'Its number is not on the sheet.'}</strong>{/if}
  {#if tried?.wrench}<span class="text-sm"
      >{tried.wrench}{tried.adapter ? `, ${tried.adapter}` : `: ${tried.setting}`}{tried.word
        ? `; ${tried.word}`
        : ''}</span
    >{/if}
</p>
{#if tried?.without}<p class="caution text-sm">{tried.without}</p>{/if}
{#if tried && tried.order.length > 0}<p class="text-sm">
    Criss-cross: <span class="figure text-lg">{tried.order.join(' · ')}</span>
  </p>{/if}
{#if check.looseBefore > 0}<p class="text-sm">
    Found loose before: {check.looseBefore === 1 ? 'once' : `${check.looseBefore} times`}.
  </p>{/if}
{#if far === null}
  <Keys>
    {#each HELD as h (h)}<button type="button" class="key" class:yes={h === 'held'} onclick={() => held(h)}
        >{h}</button
      >{/each}
  </Keys>
{:else}
  <Keys label="{check.title}, how far it was {far}">
    <span>{far} by</span>
    {#each HOW_FAR as f (f)}<button type="button" class="key" onclick={() => turned(f)}>{f}</button>{/each}
    <button type="button" class="link text-sm" onclick={() => (far = null)}>not {far}</button>
  </Keys>
{/if}
