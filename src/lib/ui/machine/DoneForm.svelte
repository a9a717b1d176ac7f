<!-- A task written down as done, in place. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { showHours } from '$lib/core/hours/hours';
  import { doneSchema } from '$lib/core/schedule/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    task: { taskId: string; name: string; counted: unknown; part: { name: string } | null; perPart: boolean };
    /** Hours of its owner now: the machine's, or the component's own. */
    total: number | null;
    today: string;
    onleave: () => void;
  }
  let { task, total, today, onleave }: Props = $props();
  const form = commandForm(
    'task.done',
    doneSchema,
    () => ({
      id: crypto.randomUUID(),
      taskId: task.taskId,
      day: today,
      hours: '',
      reason: '',
      remark: '',
      worse: '',
      replaced: true
    }),
    {
      says: () => `${task.name} written down. Its count starts again from there.`,
      taken: () => onleave(),
      kept: () => onleave()
    }
  );
  const { data, errors } = form;
</script>

<InPlace label="Write down as done" {form} submit="Write it down" {onleave}>
  <h3 class="text-lg">{task.name}: {task.counted ? 'done' : 'last done'}</h3>
  <div class="mt-2 grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Field label="Day" error={$errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
    <Field
      label={task.part ? `At hours of the ${task.part.name}` : 'At running hours'}
      error={$errors.hours}
      hint={total === null
        ? 'empty: as the book has it; ? if nobody knows'
        : `empty: as the book has it on that day, now ${showHours(total)}; ? if nobody knows`}
      >{#snippet children(a)}<Input
          {...a}
          bind:value={$data.hours}
          inputmode="decimal"
          autocomplete="off"
          class="figure text-lg"
        />{/snippet}</Field
    >
    <Field label="Why now, if early" error={$errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
    >
    <Field label="Remark" error={$errors.remark}
      >{#snippet children(a)}<Input {...a} bind:value={$data.remark} />{/snippet}</Field
    >
    <Field
      label="Worse than it should be? Say what was seen"
      error={$errors.worse}
      hint="proposes a shorter interval; “looked fine” never lengthens one"
      class="lg:col-span-2"
      >{#snippet children(a)}<Input
          {...a}
          bind:value={$data.worse}
          placeholder="oil dark and thin, slack doubled"
        />{/snippet}</Field
    >
    {#if task.perPart}
      <fieldset class="lg:col-span-2">
        <legend class="mb-1 text-sm">The fitted part</legend>
        <label class="mr-4"
          ><input type="radio" bind:group={$data.replaced} value={true} /> a new one went in</label
        >
        <label
          ><input type="radio" bind:group={$data.replaced} value={false} /> looked at, stays: the count goes on</label
        >
      </fieldset>
    {/if}
  </div>
</InPlace>
