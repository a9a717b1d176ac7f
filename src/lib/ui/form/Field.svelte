<!-- A labelled field with its error or hint beneath, tied together for those who hear the page. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    error?: string;
    hint?: string;
    class?: string;
    children: Snippet<
      [{ id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean | undefined }]
    >;
  }
  let { label, error, hint, class: className = '', children }: Props = $props();
  const id = $props.id();
</script>

<div class={className}>
  <label for={id} class="mb-1 block text-sm">{label}</label>
  {@render children({
    id,
    'aria-describedby': error || hint ? `${id}-note` : undefined,
    'aria-invalid': error ? true : undefined
  })}
  {#if error}
    <p id="{id}-note" class="error mt-1 text-sm" role="alert">{error}</p>
  {:else if hint}
    <p id="{id}-note" class="quiet mt-1 text-sm">{hint}</p>
  {/if}
</div>
