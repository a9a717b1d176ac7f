<!-- A task written down as done, in place. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';

  interface Props {
    task: { taskId: string; name: string; counted: unknown; part: { name: string } | null; perPart: boolean };
    /** Hours of its owner now: the machine's, or the component's own. */
    total: number | null;
    today: string;
    onleave: () => void;
  }
  let { task, total, today, onleave }: Props = $props();
  let hours = $state('');
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let remark = $state('');
  let reason = $state('');
  let worse = $state('');
  let replaced = $state(true);
  const form = new Form();
  const id = crypto.randomUUID();

  async function save() {
    const sent = await form.send('task.done', {
      id,
      taskId: task.taskId,
      day,
      hours,
      reason,
      remark,
      worse,
      replaced
    });
    if (!sent) return;
    say(`${task.name} written down. Its count starts again from there.`);
    await invalidateAll();
    onleave();
  }
</script>

<InPlace label="Write down as done" {form} submit="Write it down" onsave={save} {onleave}>
  <h3 class="text-lg">{task.name}: {task.counted ? 'done' : 'last done'}</h3>
  <div class="mt-2 grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Field label="Day" error={form.errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
    >
    <Field
      label={task.part ? `At hours of the ${task.part.name}` : 'At running hours'}
      error={form.errors.hours}
      hint={total === null
        ? 'empty: as the book has it; ? if nobody knows'
        : `empty: as the book has it on that day, now ${showHours(total)}; ? if nobody knows`}
      >{#snippet children(a)}<Input
          {...a}
          bind:value={hours}
          inputmode="decimal"
          autocomplete="off"
          class="figure text-lg"
        />{/snippet}</Field
    >
    <Field label="Why now, if early" error={form.errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={reason} />{/snippet}</Field
    >
    <Field label="Remark" error={form.errors.remark}
      >{#snippet children(a)}<Input {...a} bind:value={remark} />{/snippet}</Field
    >
    <Field
      label="Worse than it should be? Say what was seen"
      error={form.errors.worse}
      hint="proposes a shorter interval; “looked fine” never lengthens one"
      class="lg:col-span-2"
      >{#snippet children(a)}<Input
          {...a}
          bind:value={worse}
          placeholder="oil dark and thin, slack doubled"
        />{/snippet}</Field
    >
    {#if task.perPart}
      <fieldset class="lg:col-span-2">
        <legend class="mb-1 text-sm">The fitted part</legend>
        <label class="mr-4"><input type="radio" bind:group={replaced} value={true} /> a new one went in</label
        >
        <label
          ><input type="radio" bind:group={replaced} value={false} /> looked at, stays: the count goes on</label
        >
      </fieldset>
    {/if}
  </div>
</InPlace>
