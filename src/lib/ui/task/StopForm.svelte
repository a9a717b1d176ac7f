<!-- A task that is no longer watched; its records stay. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { retireSchema } from '$lib/core/schedule/form';
  import { commandForm } from '../form/command-form';
  import OneWord from '../form/OneWord.svelte';

  let { task, back }: { task: { id: string; name: string }; back: string } = $props();
  const form = commandForm('task.retire', retireSchema, () => ({ taskId: task.id, word: '' }), {
    leaves: true,
    says: () => `${task.name} is no longer watched. Its records stay.`,
    taken: () => goto(back)
  });
</script>

<div class="mt-2">
  <OneWord
    label="Stop watching"
    {form}
    field="word"
    ask="Why it is no longer watched"
    submit="Stop watching it"
  />
</div>
