<!-- What a task is, when it falls due and from where it counts: the same fields for a first task and for any other. -->
<script lang="ts" module>
  export interface TaskDraft {
    name: string;
    job: 'engine-oil' | '';
    everyHours: string;
    limitHours: string;
    firstHours: string;
    firstLimitHours: string;
    everyDays: string;
    limitDays: string;
    lastDone: 'not known' | 'new' | 'done' | '';
    lastDoneHours: string;
    lastDoneDay: string;
    note: string;
  }
  export const emptyTask = (): TaskDraft => ({
    name: '',
    job: '',
    everyHours: '',
    limitHours: '',
    firstHours: '',
    firstLimitHours: '',
    everyDays: '',
    limitDays: '',
    lastDone: '',
    lastDoneHours: '',
    lastDoneDay: '',
    note: ''
  });
  /** As the server takes it. */
  export const asSent = (t: TaskDraft) => ({ ...t, job: t.job || null });
</script>

<script lang="ts">
  import { Input, Radio, Select } from 'flowbite-svelte';
  import Field from '../form/Field.svelte';

  let {
    value = $bindable(),
    errors,
    prefix = '',
    today
  }: { value: TaskDraft; errors: Record<string, string>; prefix?: string; today: string } = $props();
  const err = (field: string) => errors[`${prefix}${field}`];
  const name = $props.id();
</script>

<div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
  <Field label="Task" error={err('name')} class="lg:col-span-2">
    {#snippet children(a)}<Input
        {...a}
        bind:value={value.name}
        placeholder="Engine oil, screen and filter"
      />{/snippet}
  </Field>
  <Field label="At the bench" class="lg:col-span-2" error={err('job')}>
    {#snippet children(a)}<Select
        {...a}
        bind:value={value.job}
        placeholder=""
        items={[
          { value: '', name: 'written down as done, no steps' },
          { value: 'engine-oil', name: 'step by step: engine oil, screen and filter' }
        ]}
      />{/snippet}
  </Field>
  <Field label="Every, hours" error={err('everyHours')} hint="the book’s interval"
    >{#snippet children(a)}<Input {...a} bind:value={value.everyHours} inputmode="decimal" />{/snippet}</Field
  >
  <Field label="Limit, hours" error={err('limitHours')} hint="tolerated up to here"
    >{#snippet children(a)}<Input {...a} bind:value={value.limitHours} inputmode="decimal" />{/snippet}</Field
  >
  <Field label="First time, hours" error={err('firstHours')} hint="after new or a rebuild"
    >{#snippet children(a)}<Input {...a} bind:value={value.firstHours} inputmode="decimal" />{/snippet}</Field
  >
  <Field label="First limit, hours" error={err('firstLimitHours')}
    >{#snippet children(a)}<Input
        {...a}
        bind:value={value.firstLimitHours}
        inputmode="decimal"
      />{/snippet}</Field
  >
  <Field label="Or every, days" error={err('everyDays')} hint="whichever comes first"
    >{#snippet children(a)}<Input {...a} bind:value={value.everyDays} inputmode="numeric" />{/snippet}</Field
  >
  <Field label="Limit, days" error={err('limitDays')}
    >{#snippet children(a)}<Input {...a} bind:value={value.limitDays} inputmode="numeric" />{/snippet}</Field
  >
</div>
<fieldset class="mt-3">
  <legend class="text-sm">Last done</legend>
  <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
    <Radio {name} value="done" bind:group={value.lastDone}>on a day, at these hours</Radio>
    <Radio {name} value="new" bind:group={value.lastDone}>never: the machine is new to this book</Radio>
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
        label="Running hours then"
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
