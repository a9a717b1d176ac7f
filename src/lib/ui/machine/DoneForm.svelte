<!-- A task written down as done, in place. -->
<script lang="ts">
  import { Button, Input } from 'flowbite-svelte';
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';
  import { say } from '../shell/shell.svelte';

  let {
    task,
    total,
    today,
    onleave
  }: {
    task: { taskId: string; name: string; counted: unknown };
    total: number | null;
    today: string;
    onleave: () => void;
  } = $props();
  // svelte-ignore state_referenced_locally
  let hours = $state(total === null || !task.counted ? '' : showHours(total));
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let remark = $state('');
  let reason = $state('');
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  const id = crypto.randomUUID();

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const sent = await send('/api/done', { id, taskId: task.taskId, day, hours, reason, remark });
    busy = false;
    if (!sent.ok) {
      errors = sent.errors;
      return;
    }
    say(`${task.name} written down. Its count starts again from there.`);
    await invalidateAll();
    onleave();
  }
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Write down as done"
  novalidate
>
  <h3 class="text-lg">{task.name}: {task.counted ? 'done' : 'last done'}</h3>
  <div class="mt-2 grid items-start gap-3 sm:grid-cols-4">
    <Field label="Day" error={errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
    >
    <Field label="At running hours" error={errors.hours} hint="empty if nobody knows"
      >{#snippet children(a)}<Input
          {...a}
          bind:value={hours}
          inputmode="decimal"
          class="figure text-lg"
        />{/snippet}</Field
    >
    <Field label="Why now, if early" error={errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={reason} />{/snippet}</Field
    >
    <Field label="Remark" error={errors.remark}
      >{#snippet children(a)}<Input {...a} bind:value={remark} />{/snippet}</Field
    >
  </div>
  <FormError message={errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={busy}>Write it down</Button><Button
      type="button"
      color="alternative"
      onclick={onleave}>Leave</Button
    >
  </div>
</form>
