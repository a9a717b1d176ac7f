<!-- How a task ages and what it is anchored to, with how much faster each strain ages it. -->
<script lang="ts">
  import { Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { CALLS, STRAINS } from '$lib/core/outing/outing';
  import type { HouseRules } from '$lib/core/rules/rules';
  import Field from '../form/Field.svelte';
  import Picks from '../form/Picks.svelte';
  import type { TaskDraft } from './draft';

  interface Props {
    value: TaskDraft;
    errors: Record<string, string>;
    rules: Pick<HouseRules, 'ageing' | 'anchoring'>;
    component: boolean;
  }
  let { value = $bindable(), errors, rules, component }: Props = $props();
</script>

<div class="mt-4 grid items-start gap-3 sm:grid-cols-2">
  <Field label="Ages" hint="the riding may bring it forward, never push it past the book">
    {#snippet children(a)}<Select
        {...a}
        bind:value={value.ageing}
        placeholder=""
        items={[
          { value: '', name: `as the house rule says: ${rules.ageing}` },
          { value: 'by the meter', name: 'by the meter: an hour is an hour' },
          { value: 'by the riding', name: 'by the riding: a hard hour counts for more' }
        ]}
      />{/snippet}
  </Field>
  <Field label="The next is counted" hint="from due keeps a fixed grid">
    {#snippet children(a)}<Select
        {...a}
        bind:value={value.anchoring}
        placeholder=""
        items={[
          { value: '', name: `as the house rule says: ${rules.anchoring}` },
          { value: 'from done', name: 'from when it was done' },
          { value: 'from due', name: 'from when it was due' }
        ]}
      />{/snippet}
  </Field>
</div>
<fieldset class="mt-3">
  <legend class="text-sm">An hour of this counts as so many</legend>
  <div class="mt-1 flex flex-wrap gap-3">
    {#each STRAINS as strain (strain)}
      <Field label={strain} class="w-28" error={errors[`sensitivity.${strain}`]}>
        {#snippet children(a)}<Input
            {...a}
            bind:value={value.sensitivity[strain]}
            inputmode="decimal"
            placeholder="1"
          />{/snippet}
      </Field>
    {/each}
  </div>
</fieldset>
<div class="mt-4">
  <Picks label="Called at once by" options={CALLS} bind:value={value.answers} error={errors.answers} />
</div>
<div class="mt-4 grid gap-2">
  <Checkbox bind:checked={value.perPart}
    >The count belongs to a fitted part: looking at it leaves the count alone, a new one restarts it</Checkbox
  >
  {#if component}<Checkbox bind:checked={value.restartsOnRebuild}
      >A rebuild restarts it, with its first interval</Checkbox
    >{/if}
</div>
