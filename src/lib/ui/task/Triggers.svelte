<!-- When a task falls due: a row a trigger, whichever comes first. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { MEASURES, type Measure } from '$lib/core/schedule/task';
  import Field from '../form/Field.svelte';
  import { emptyTrigger, type TriggerDraft } from './draft';

  interface Props {
    value: TriggerDraft[];
    errors: Record<string, string>;
    prefix?: string;
    /** Tasks whose doings may be counted. */
    others?: { id: string; name: string }[];
  }
  let { value = $bindable(), errors, prefix = '', others = [] }: Props = $props();

  const measures = $derived(MEASURES.filter((m) => m !== 'times' || others.length > 0));
  const UNITS: Record<Measure, string> = {
    hours: 'hours',
    distance: 'km',
    days: 'days',
    outings: 'outings',
    races: 'races',
    times: 'times'
  };
  const err = (i: number, field: string) => errors[`${prefix}triggers.${i}.${field}`];
  const free = $derived(
    measures.find((m) => m === 'times' || !value.some((t) => t.measure === m)) ?? 'hours'
  );
</script>

<fieldset>
  <legend class="text-sm">Falls due, whichever comes first</legend>
  {#each value as t, i (t.id)}
    <div class="rule-b flex flex-wrap items-start gap-3 py-2" role="group" aria-label="Trigger {i + 1}">
      <Field label="Counts" class="w-40" error={err(i, 'measure')}>
        {#snippet children(a)}<Select
            {...a}
            bind:value={t.measure}
            placeholder=""
            items={measures.map((m) => ({ value: m, name: m === 'times' ? 'times of another task' : m }))}
          />{/snippet}
      </Field>
      {#if t.measure === 'times'}
        <Field label="Of" class="w-56" error={err(i, 'ofTaskId')}>
          {#snippet children(a)}<Select
              {...a}
              bind:value={t.ofTaskId}
              placeholder="Pick the task"
              items={others.map((o) => ({ value: o.id, name: o.name }))}
            />{/snippet}
        </Field>
      {/if}
      <Field
        label="Every, {UNITS[t.measure]}"
        class="w-32"
        error={err(i, 'every')}
        hint={i === 0 ? 'the book’s interval' : undefined}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={t.every}
            inputmode="decimal"
            autocomplete="off"
          />{/snippet}</Field
      >
      <Field
        label="Limit, {UNITS[t.measure]}"
        class="w-32"
        error={err(i, 'limit')}
        hint={i === 0 ? 'tolerated up to here' : undefined}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={t.limit}
            inputmode="decimal"
            autocomplete="off"
          />{/snippet}</Field
      >
      <Field
        label="First time, {UNITS[t.measure]}"
        class="w-36"
        error={err(i, 'first')}
        hint={i === 0 ? 'after new or a rebuild' : undefined}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={t.first}
            inputmode="decimal"
            autocomplete="off"
          />{/snippet}</Field
      >
      <Field label="First limit, {UNITS[t.measure]}" class="w-36" error={err(i, 'firstLimit')}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={t.firstLimit}
            inputmode="decimal"
            autocomplete="off"
          />{/snippet}</Field
      >
      {#if value.length > 1}<button
          type="button"
          class="link mt-8 text-sm"
          aria-label="Leave out trigger {i + 1}"
          onclick={() => (value = value.filter((x) => x !== t))}>Leave out</button
        >{/if}
    </div>
  {/each}
  {#if errors[`${prefix}triggers`]}<p class="error mt-1 text-sm" role="alert">
      {errors[`${prefix}triggers`]}
    </p>{/if}
  {#if value.length < 8}<button
      type="button"
      class="link mt-2 text-sm"
      onclick={() => (value = [...value, emptyTrigger(free)])}>Or also by something else</button
    >{/if}
</fieldset>
