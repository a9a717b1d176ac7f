<!-- What something waits for, and which part or tool where it is one. -->
<script lang="ts">
  import { WAITS_FOR } from '$lib/core/finding/reminder';
  import { Input } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';

  interface Props {
    label: string;
    waitsFor: string;
    part: string;
    /** When that is expected; null: nobody said. */
    expectedOn: string | null;
    errors: Record<string, string>;
  }
  let {
    label,
    waitsFor = $bindable(),
    part = $bindable(),
    expectedOn = $bindable(),
    errors
  }: Props = $props();
</script>

<Field {label} error={errors['waitsFor']}
  >{#snippet children(a)}<select {...a} class="cell" bind:value={waitsFor}
      >{#each WAITS_FOR as w (w)}<option>{w}</option>{/each}</select
    >{/snippet}</Field
>
{#if waitsFor === 'a part to arrive' || waitsFor === 'a tool to arrive'}<Field
    label={waitsFor === 'a part to arrive' ? 'Which part' : 'Which tool'}
    error={errors['part']}>{#snippet children(a)}<Input {...a} bind:value={part} />{/snippet}</Field
  ><Field label="Expected on" error={errors['expectedOn']} hint="empty: not known"
    >{#snippet children(a)}<Input
        {...a}
        type="date"
        bind:value={() => expectedOn ?? '', (v) => (expectedOn = v || null)}
      />{/snippet}</Field
  >{/if}
