<!-- A task that is no longer watched; its records stay. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { retireSchema } from '$lib/core/schedule/form';
  import { Button, Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';

  let { task, back }: { task: { id: string; name: string }; back: string } = $props();
  const { data, errors, busy, enhance } = commandForm(
    'task.retire',
    retireSchema,
    () => ({ taskId: task.id, word: '' }),
    {
      leaves: true,
      says: () => `${task.name} is no longer watched. Its records stay.`,
      taken: () => goto(back)
    }
  );
</script>

<form
  class="mt-2 flex flex-wrap items-start gap-3"
  aria-label="Stop watching"
  method="POST"
  novalidate
  use:enhance
>
  <Field label="Why it is no longer watched" error={$errors.word ?? $errors['']} class="w-96 max-w-full"
    >{#snippet children(a)}<Input {...a} bind:value={$data.word} />{/snippet}</Field
  >
  <Button type="submit" color="alternative" class="mt-6" disabled={$busy}>Stop watching it</Button>
</form>
