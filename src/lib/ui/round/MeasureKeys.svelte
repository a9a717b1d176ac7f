<!-- A number off the gauge: readings to tap or to type; outside its band it is set, left for a reason, or a finding. -->
<script lang="ts">
  import { page } from '$app/state';
  import { judge, showBand, type Band } from '$lib/core/quantity/band';
  import { show, type Quantity } from '$lib/core/quantity/quantity';
  import { readAnswer } from '$lib/core/round/answer';
  import { likelyReadings, unitOf, unitShown, withUnit } from '$lib/core/round/gauge';
  import type { Measure } from '$lib/core/round/check';
  import type { RoundDesk } from './desk.svelte';
  import { UNITS } from '$lib/core/quantity/units';
  import { filledBy } from '../instrument/filled-by';
  import Keys from './Keys.svelte';

  interface Props {
    check: Measure;
    band: Band | null;
    desk: RoundDesk;
    machineId: string;
    /** What it was set to last. */
    last: Quantity | null;
    take: (more?: Parameters<RoundDesk['answer']>[1]) => void;
  }
  let { check, band, desk, machineId, last, take }: Props = $props();
  const id = $props.id();
  const typed = $derived(desk.at(check.key));
  const error = (field: string) => desk.errorOf(check.key, field);
  const unit = $derived(unitShown(check, band, last, page.data.units ?? 'metric'));
  const asRead = (text: string) => withUnit(text, unit, unitOf(check, band));
  const readings = $derived(likelyReadings(check, band, last));
  /** What was found lies outside: it is put right, left so for a reason, or wrong. */
  const outside = $derived.by(() => {
    if (typed.found.trim() === '' || !band) return false;
    const read = readAnswer(check, band, typed);
    return read.ok && judge(read.answer.found!, band) === 'outside';
  });
  /** A reading: taken where it is as it should be. */
  function found(text: string) {
    // A reading that was tapped is no instrument’s.
    const instrument = text === typed.found ? typed.instrument : '';
    desk.type(check.key, { found: asRead(text), set: '', said: 'well', instrument });
    if (!outside) take();
  }
  const enter = (go: () => void) => (e: KeyboardEvent) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    go();
  };
</script>

<Keys label="{check.title}, as found">
  {#each readings as q (q.value)}<button
      type="button"
      class="key figure"
      class:yes={band !== null && judge(q, band) !== 'outside'}
      onclick={() => found(show(q))}>{q.value}</button
    >{/each}
  <input
    class="field figure reads"
    inputmode="decimal"
    aria-label="{check.title}, as found"
    aria-invalid={error('found') ? true : undefined}
    aria-describedby={error('found') ? `${id}-found` : undefined}
    placeholder={unit}
    value={typed.found}
    data-takes={UNITS[unit].dimension}
    oninput={(e) =>
      desk.type(check.key, {
        found: e.currentTarget.value,
        said: 'well',
        instrument: filledBy(e.currentTarget) ?? ''
      })}
    onkeydown={enter(() => found(typed.found))}
  />
  <button type="button" class="key" onclick={() => found(typed.found)}>Found</button>
</Keys>
{#if error('found')}<p id="{id}-found" class="error text-sm" role="alert">{error('found')}</p>{/if}
{#if outside}
  <p class="error mt-1 text-sm" role="status">Outside: {showBand(band!)} is wanted.</p>
  {#if check.sets}
    <Keys label="{check.title}, set to">
      <span>Set to</span>
      {#each readings.filter((q) => judge(q, band!) !== 'outside') as q (q.value)}<button
          type="button"
          class="key figure yes"
          onclick={() => take({ set: show(q) })}>{q.value}</button
        >{/each}
      <input
        class="field figure reads"
        inputmode="decimal"
        aria-label="{check.title}, set to"
        aria-invalid={error('set') ? true : undefined}
        value={typed.set}
        oninput={(e) => desk.type(check.key, { set: e.currentTarget.value })}
        onkeydown={enter(() => typed.set.trim() && take({ set: asRead(typed.set) }))}
      />
    </Keys>
    {#if error('set')}<p class="error text-sm" role="alert">{error('set')}</p>{/if}
  {/if}
  <Keys>
    <input
      class="field grow"
      aria-label="{check.title}: why it stays outside"
      placeholder="it stays so, because"
      maxlength="150"
      value={typed.note}
      oninput={(e) => desk.type(check.key, { note: e.currentTarget.value })}
      onkeydown={enter(() => typed.note.trim() && take({ said: 'well' }))}
    />
    {#if typed.note.trim()}<button type="button" class="key" onclick={() => take({ said: 'well' })}
        >It stays so</button
      >{/if}
    <button type="button" class="key" onclick={() => take({ said: 'wrong' })}>Left wrong: a finding</button>
    {#if check.figure === 'chain slack'}<a class="key link" href="/machines/{machineId}/chain"
        >Adjust it on the chain sheet</a
      >{/if}
  </Keys>
{/if}
