<!-- What a task is and when it falls due: the same fields for a first task and for any other. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { BUILT_IN } from '$lib/core/job/built-in/jobs';
  import Field from '../form/Field.svelte';
  import type { TaskDraft } from './draft';
  import Triggers from './Triggers.svelte';

  interface Props {
    value: TaskDraft;
    errors: Record<string, string>;
    prefix?: string;
    others?: { id: string; name: string }[];
    /** Jobs a task can be done by; a team's own where it has some. */
    jobs?: readonly { key: string; title: string }[];
  }
  let { value = $bindable(), errors, prefix = '', others = [], jobs = BUILT_IN }: Props = $props();
  const err = (field: string) => errors[`${prefix}${field}`];
</script>

<div class="grid items-start gap-3 sm:grid-cols-2">
  <Field label="Task" error={err('name')}>
    {#snippet children(a)}<Input
        {...a}
        bind:value={value.name}
        placeholder="Engine oil, screen and filter"
      />{/snippet}
  </Field>
  <Field label="At the bench" error={err('job')}>
    {#snippet children(a)}<Select
        {...a}
        bind:value={value.job}
        placeholder=""
        items={[
          { value: '', name: 'written down as done, no steps' },
          ...jobs.map((j) => ({ value: j.key, name: `step by step: ${j.title}` }))
        ]}
      />{/snippet}
  </Field>
</div>
<div class="mt-3"><Triggers bind:value={value.triggers} {errors} {prefix} {others} /></div>
