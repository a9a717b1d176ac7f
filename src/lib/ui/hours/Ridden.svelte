<!-- How it was ridden: distance, ground, weather, water, clutch, and what the rider reports. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { has } from '$lib/core/machine/has';
  import type { Kind } from '$lib/core/machine/machine';
  import { shownBy } from '$lib/core/machine/shown';
  import { CLUTCH_USES, CONDITIONS, SYMPTOMS } from '$lib/core/outing/outing';
  import Field from '../form/Field.svelte';
  import Picks from '../form/Picks.svelte';
  import type { RiddenDraft } from '$lib/core/outing/ridden';

  interface Props {
    value: RiddenDraft;
    errors: Record<string, string>;
    askSure?: boolean;
    /** Whether a meter can have been read before it. */
    metered?: boolean;
    /** Of the machine; null: not known yet. */
    kind: Kind | null;
  }
  let { value = $bindable(), errors, askSure = false, metered = true, kind }: Props = $props();
</script>

<div class="grid items-start gap-3 sm:grid-cols-4">
  <Field label="Distance" error={errors.distance} hint="34 km, 21 mi"
    >{#snippet children(a)}<Input
        {...a}
        bind:value={value.distance}
        inputmode="decimal"
        autocomplete="off"
      />{/snippet}</Field
  >
  {#if metered}<Field label="Meter before, h" error={errors.before} hint="if somebody looked"
      >{#snippet children(a)}<Input
          {...a}
          bind:value={value.before}
          inputmode="decimal"
          autocomplete="off"
        />{/snippet}</Field
    >{/if}
  <Field label="Water crossings" error={errors.crossings}
    >{#snippet children(a)}<Input
        {...a}
        bind:value={value.crossings}
        inputmode="numeric"
        autocomplete="off"
      />{/snippet}</Field
  >
  {#if kind === null || has(kind, 'clutch')}<Field label="Clutch" error={errors.clutch}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={value.clutch}
          placeholder=""
          items={CLUTCH_USES.map((c) => ({ value: c, name: c }))}
        />{/snippet}</Field
    >{/if}
</div>
{#if askSure}<label class="mt-2 block"
    ><input type="checkbox" bind:checked={value.sure} /> I looked again: distance and hours are right</label
  >{/if}
<div class="mt-3 grid gap-3 lg:grid-cols-2">
  <Picks label="Ground and weather" options={CONDITIONS} bind:value={value.conditions} />
  <Picks label="The rider reports" options={shownBy(SYMPTOMS, kind)} bind:value={value.symptoms} />
</div>
