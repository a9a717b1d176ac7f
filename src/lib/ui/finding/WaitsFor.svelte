<!-- What something waits for, and which part or tool where it is one. -->
<script lang="ts">
  import { WAITS_FOR } from '$lib/core/finding/reminder';
  import { Input } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';

  interface Props {
    label: string;
    waitsFor: string;
    part: string;
    errors: Record<string, string>;
  }
  let { label, waitsFor = $bindable(), part = $bindable(), errors }: Props = $props();
</script>

<Field {label} error={errors['waitsFor']}
  >{#snippet children(a)}<select {...a} class="cell" bind:value={waitsFor}
      >{#each WAITS_FOR as w (w)}<option>{w}</option>{/each}</select
    >{/snippet}</Field
>
{#if waitsFor === 'a part to arrive' || waitsFor === 'a tool to arrive'}<Field
    label={waitsFor === 'a part to arrive' ? 'Which part' : 'Which tool'}
    error={errors['part']}>{#snippet children(a)}<Input {...a} bind:value={part} />{/snippet}</Field
  >{/if}
