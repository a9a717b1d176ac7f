<!-- A component that is no more: off where it was, its history kept. -->
<script lang="ts">
  import { scrapSchema } from '$lib/core/component/form';
  import { Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

  let { componentId, onleave }: { componentId: string; onleave: () => void } = $props();
  const form = commandForm('component.scrap', scrapSchema, () => ({ componentId, reason: '' }), {
    taken: () => onleave()
  });
  const { data, errors } = form;
</script>

<InPlace label="Scrap" {form} submit="Scrap it" {onleave}>
  <Field label="What became of it" error={$errors.reason}
    >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
  >
  <p class="quiet mt-1 text-sm">It comes off where it is. Its history stays readable.</p>
</InPlace>
