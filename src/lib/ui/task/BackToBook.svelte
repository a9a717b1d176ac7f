<!-- The book's interval again, with a word. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';

  let { triggerId }: { triggerId: string } = $props();
  let open = $state(false);
  let word = $state('');
  const form = new Form();
  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (await form.send('proposal.back-to-book', { triggerId, word })) {
      open = false;
      await invalidateAll();
    }
  }
</script>

{#if !open}<button type="button" class="link text-sm" onclick={() => (open = true)}
    >Back to the book’s interval</button
  >
{:else}
  <form
    class="mt-1 flex flex-wrap items-start gap-3"
    aria-label="Back to the book"
    novalidate
    onsubmit={save}
  >
    <Field label="Why" error={form.errors.word} class="w-80 max-w-full"
      >{#snippet children(a)}<Input {...a} bind:value={word} />{/snippet}</Field
    >
    <Button type="submit" size="sm" color="alternative" class="mt-6">Back to the book</Button>
  </form>
{/if}
