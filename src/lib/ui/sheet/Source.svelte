<!-- Where a figure comes from: the same fields for a new one and for one that is confirmed. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { CONFIDENCES } from '$lib/core/specs/sheet';
  import Field from '../form/Field.svelte';

  interface Props {
    value: { source: string; edition: string; page: string; confidence: string };
    errors: Record<string, string>;
    sources: string[];
  }
  let { value = $bindable(), errors, sources }: Props = $props();
  const listId = $props.id();
</script>

<Field label="Manual, or who said so" error={errors.source}
  >{#snippet children(a)}<Input {...a} bind:value={value.source} list={listId} />{/snippet}</Field
>
<Field label="Edition" error={errors.edition}
  >{#snippet children(a)}<Input {...a} bind:value={value.edition} />{/snippet}</Field
>
<Field label="Page" error={errors.page}
  >{#snippet children(a)}<Input {...a} bind:value={value.page} />{/snippet}</Field
>
<Field label="How sure" error={errors.confidence}
  >{#snippet children(a)}<Select
      {...a}
      bind:value={value.confidence}
      placeholder=""
      items={CONFIDENCES.map((c) => ({ value: c, name: c }))}
    />{/snippet}</Field
>
<datalist id={listId}
  >{#each sources as s (s)}<option value={s}></option>{/each}</datalist
>
