<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { invalidateAll } from '$app/navigation';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';
  import TaskFields, { asSent, emptyTask } from './TaskFields.svelte';

  let { machineId, today, onleave }: { machineId: string; today: string; onleave: () => void } = $props();
  let task = $state(emptyTask());
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  const id = crypto.randomUUID();

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const sent = await send('/api/tasks', { ...asSent(task), id, machineId });
    busy = false;
    if (!sent.ok) {
      errors = sent.errors;
      return;
    }
    await invalidateAll();
    onleave();
  }
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Add a task"
  novalidate
>
  <TaskFields bind:value={task} {errors} {today} />
  <FormError message={errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={busy}>Add the task</Button><Button
      type="button"
      color="alternative"
      onclick={onleave}>Leave</Button
    >
  </div>
</form>
