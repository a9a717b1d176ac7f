<!-- From where a new task counts. -->
<script lang="ts">
  import { Input, Radio } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';
  import type { TaskDraft } from './draft';

  let {
    value = $bindable(),
    errors,
    prefix = '',
    owner = 'machine',
    today
  }: {
    value: TaskDraft;
    errors: Record<string, string>;
    prefix?: string;
    owner?: string;
    today: string;
  } = $props();
  const err = (field: string) => errors[`${prefix}${field}`];
  const name = $props.id();
</script>

<fieldset class="mt-3">
  <legend class="text-sm">Last done</legend>
  <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
    <Radio {name} value="done" bind:group={value.lastDone}>on a day, at these hours</Radio>
    <Radio {name} value="new" bind:group={value.lastDone}>never: the {owner} is new to this book</Radio>
    <Radio {name} value="not known" bind:group={value.lastDone}>nobody knows</Radio>
  </div>
  {#if err('lastDone')}<p class="error mt-1 text-sm" role="alert">{err('lastDone')}</p>{/if}
  {#if value.lastDone === 'done'}
    <div class="mt-2 grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
      <Field label="Day it was last done" error={err('lastDoneDay') ?? err('day')}
        >{#snippet children(a)}<Input
            {...a}
            type="date"
            max={today}
            bind:value={value.lastDoneDay}
          />{/snippet}</Field
      >
      <Field
        label={owner === 'machine' ? 'Running hours then' : 'Its own hours then'}
        error={err('lastDoneHours') ?? err('hours')}
        hint="empty if nobody knows"
        >{#snippet children(a)}<Input
            {...a}
            bind:value={value.lastDoneHours}
            inputmode="decimal"
          />{/snippet}</Field
      >
    </div>
  {:else if value.lastDone === 'not known'}
    <p class="quiet mt-1 text-sm">Its state is shown as unknown until someone says, or does it.</p>
  {/if}
</fieldset>
