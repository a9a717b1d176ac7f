<!-- What closing a finding waits for: a part, a tool, somebody to help. -->
<script lang="ts">
  import { findingWaitSchema } from '$lib/core/finding/form';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import WaitsFor from './WaitsFor.svelte';

  let { findingId, onleave }: { findingId: string; onleave: () => void } = $props();
  const form = commandForm(
    'finding.wait',
    findingWaitSchema,
    () => ({
      id: crypto.randomUUID(),
      findingId,
      waitsFor: 'a part to arrive' as string,
      part: '',
      expectedOn: null as string | null
    }),
    { taken: () => onleave(), kept: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="It waits" {form} submit="It waits" {onleave}>
  <div class="grid max-w-2xl items-start gap-3 sm:grid-cols-2">
    <WaitsFor
      label="For what"
      bind:waitsFor={$data.waitsFor}
      bind:part={$data.part}
      bind:expectedOn={$data.expectedOn}
      errors={$errors}
    />
  </div>
</InPlace>
