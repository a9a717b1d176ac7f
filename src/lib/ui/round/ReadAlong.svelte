<!-- A number that may be read along with a look: tapped or typed, it answers the check by itself. -->
<script lang="ts">
  import { page } from '$app/state';
  import { judge, showBand, type Band } from '$lib/core/quantity/band';
  import { show } from '$lib/core/quantity/quantity';
  import type { Check, Gauge } from '$lib/core/round/check';
  import { likelyReadings, unitOf, unitShown, withUnit } from '$lib/core/round/gauge';
  import { figureKind } from '$lib/core/specs/kinds';
  import type { RoundDesk } from './desk.svelte';
  import { UNITS } from '$lib/core/quantity/units';
  import { filledBy } from '../instrument/filled-by';
  import Keys from './Keys.svelte';

  interface Props {
    check: Check;
    gauge: Gauge;
    band: Band | null;
    desk: RoundDesk;
    take: (more?: Parameters<RoundDesk['answer']>[1]) => void;
  }
  let { check, gauge, band, desk, take }: Props = $props();
  const id = $props.id();
  const typed = $derived(desk.at(check.key));
  const error = $derived(desk.errorOf(check.key, 'found'));
  const unit = $derived(unitShown(gauge, band, null, page.data.units ?? 'metric'));
  /** A least has no end to offer readings up to. */
  const readings = $derived(band && !gauge.least ? likelyReadings(gauge, band, null) : []);
  const found = (text: string) =>
    take({
      said: 'well',
      found: withUnit(text, unit, unitOf(gauge, band)),
      // A reading that was tapped is no instrument’s.
      instrument: text === typed.found ? typed.instrument : ''
    });
</script>

<Keys label="{check.title}, its number">
  {#each readings as q (q.value)}<button
      type="button"
      class="key figure"
      class:yes={judge(q, band!) !== 'outside'}
      onclick={() => found(show(q))}>{q.value}</button
    >{/each}
  <input
    class="field figure reads"
    inputmode={gauge.figure && figureKind(gauge.figure).signed ? 'text' : 'decimal'}
    aria-label="{check.title}, its number"
    aria-invalid={error ? true : undefined}
    aria-describedby={error ? `${id}-found` : undefined}
    placeholder={unit}
    value={typed.found}
    data-takes={UNITS[unit].dimension}
    oninput={(e) =>
      desk.type(check.key, {
        found: e.currentTarget.value,
        said: 'well',
        instrument: filledBy(e.currentTarget) ?? ''
      })}
    onkeydown={(e) => {
      if (e.key !== 'Enter') return;
      e.preventDefault();
      if (typed.found.trim()) found(typed.found);
    }}
  />
  <button type="button" class="key" disabled={!typed.found.trim()} onclick={() => found(typed.found)}
    >Found</button
  >
  {#if band}<span class="quiet text-sm">{showBand(band)}</span>{/if}
</Keys>
{#if error}<p id="{id}-found" class="error text-sm" role="alert">{error}</p>{/if}
