<!-- The book's interval again, with a word. -->
<script lang="ts">
  import { backToBookSchema } from '$lib/core/schedule/form';
  import { commandForm } from '../form/command-form';
  import OneWord from '../form/OneWord.svelte';

  let { triggerId }: { triggerId: string } = $props();
  let open = $state(false);
  const form = commandForm('proposal.back-to-book', backToBookSchema, () => ({ triggerId, word: '' }), {
    taken: () => (open = false)
  });
</script>

{#if !open}<button type="button" class="link text-sm" onclick={() => (open = true)}
    >Back to the book’s interval</button
  >
{:else}<OneWord label="Back to the book" {form} field="word" ask="Why" submit="Back to the book" />{/if}
