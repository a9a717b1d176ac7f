<!-- A finding ended: put right, its owner told, or left as it was, with what there is to say. -->
<script lang="ts">
  import { CLOSINGS, type Closing, type Severity } from '$lib/core/finding/finding';
  import { closeFindingSchema } from '$lib/core/finding/form';
  import { Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';

  interface Props {
    finding: { id: string; severity: Severity };
    onleave: () => void;
  }
  let { finding, onleave }: Props = $props();
  const form = commandForm(
    'finding.close',
    closeFindingSchema,
    () => ({
      findingId: finding.id,
      how: (finding.severity === 'tell the owner' ? 'owner told' : 'done') as Closing,
      word: ''
    }),
    { taken: () => onleave(), kept: () => onleave() }
  );
  const { data, errors } = form;
  const ASKS: Record<Closing, string> = {
    done: 'What was done: torque and wrench, or what was found',
    'owner told': 'Who was told, and what they said',
    'as it was': 'Why it stays as it was'
  };
</script>

<InPlace label="Close the finding" {form} submit="It is done" {onleave}>
  <OnePick label="How it ends" options={CLOSINGS} bind:value={$data.how} />
  <Field label={ASKS[$data.how]} error={$errors.word} class="mt-3 max-w-xl"
    >{#snippet children(a)}<Input {...a} bind:value={$data.word} />{/snippet}</Field
  >
</InPlace>
