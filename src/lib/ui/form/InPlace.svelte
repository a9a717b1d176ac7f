<!-- A form in place of a dialog: an inked box with its fields, what is wrong with it as a whole, and its two buttons. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button } from '$lib/ui/form/controls';
  import type { Form } from './form.svelte';
  import FormError from './FormError.svelte';

  interface Props {
    label: string;
    form: Form;
    submit: string;
    onsave: () => void | Promise<void>;
    onleave?: () => void;
    children: Snippet;
  }
  let { label, form, submit, onsave, onleave, children }: Props = $props();
</script>

<form
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label={label}
  novalidate
  onsubmit={(e) => {
    e.preventDefault();
    void onsave();
  }}
>
  {@render children()}
  <FormError message={form.errors['']} />
  <div class="mt-3 flex flex-wrap gap-2">
    <Button type="submit" color="primary" disabled={form.busy}>{submit}</Button>
    {#if onleave}<Button type="button" color="alternative" onclick={onleave}>Leave</Button>{/if}
  </div>
</form>
