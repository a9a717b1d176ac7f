<!-- A form of one field: why, in a word, and the button that does it. -->
<script lang="ts" generics="K extends string, T extends Record<K, string>">
  import { Button, Input } from './controls';
  import type { CommandForm } from './command-form';
  import Field from './Field.svelte';

  interface Props {
    /** What the form is called, for who cannot see it. */
    label: string;
    form: CommandForm<T>;
    /** Which of its fields is asked for. */
    field: K;
    /** What is asked. */
    ask: string;
    submit: string;
    color?: 'primary' | 'alternative';
    onleave?: () => void;
  }
  let { label, form, field, ask, submit, color = 'alternative', onleave }: Props = $props();
  // A form is made with the component that holds it, and stays.
  // svelte-ignore state_referenced_locally
  const { data, errors, busy, enhance } = form;
</script>

<form class="flex flex-wrap items-start gap-2" aria-label={label} method="POST" novalidate use:enhance>
  <Field label={ask} error={$errors[field] ?? $errors['']} class="w-full max-w-96"
    >{#snippet children(a)}<Input {...a} bind:value={$data[field]} />{/snippet}</Field
  >
  <Button type="submit" size="sm" {color} class="mt-6" disabled={$busy}>{submit}</Button>
  {#if onleave}<Button type="button" size="sm" color="alternative" class="mt-6" onclick={onleave}
      >Leave</Button
    >{/if}
</form>
