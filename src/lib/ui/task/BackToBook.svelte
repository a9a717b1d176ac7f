<!-- The book's interval again, with a word. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { backToBookSchema } from '$lib/core/schedule/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';

  let { triggerId }: { triggerId: string } = $props();
  let open = $state(false);
  const { data, errors, busy, enhance } = commandForm(
    'proposal.back-to-book',
    backToBookSchema,
    () => ({ triggerId, word: '' }),
    { taken: () => (open = false) }
  );
</script>

{#if !open}<button type="button" class="link text-sm" onclick={() => (open = true)}
    >Back to the book’s interval</button
  >
{:else}
  <form
    class="mt-1 flex flex-wrap items-start gap-3"
    aria-label="Back to the book"
    method="POST"
    novalidate
    use:enhance
  >
    <Field label="Why" error={$errors.word ?? $errors['']} class="w-80 max-w-full"
      >{#snippet children(a)}<Input {...a} bind:value={$data.word} />{/snippet}</Field
    >
    <Button type="submit" size="sm" color="alternative" class="mt-6" disabled={$busy}>Back to the book</Button
    >
  </form>
{/if}
