<!-- A form in place of a dialog: an inked box with its fields, what is wrong with it as a whole, and its two buttons. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button } from '$lib/ui/form/controls';
  import type { CommandForm } from './command-form';
  import FormError from './FormError.svelte';

  interface Props {
    label: string;
    form: Pick<CommandForm, 'errors' | 'busy' | 'enhance'>;
    submit: string;
    onleave?: () => void;
    children: Snippet;
  }
  let { label, form, submit, onleave, children }: Props = $props();
  // A form is made with the component that holds it, and stays.
  // svelte-ignore state_referenced_locally
  const { errors, busy, enhance } = form;
</script>

<form
  class="no-print my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label={label}
  method="POST"
  novalidate
  use:enhance
>
  {@render children()}
  <FormError message={$errors['']} />
  <div class="mt-3 flex flex-wrap gap-2">
    <Button type="submit" color="primary" disabled={$busy}>{submit}</Button>
    {#if onleave}<Button type="button" color="alternative" onclick={onleave}>Leave</Button>{/if}
  </div>
</form>
