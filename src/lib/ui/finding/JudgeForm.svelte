<!-- A finding judged otherwise than before, with why. -->
<script lang="ts">
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { regradeSchema } from '$lib/core/finding/form';
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
    'finding.regrade',
    regradeSchema,
    () => ({ id: crypto.randomUUID(), findingId: finding.id, severity: '' as Severity | '', word: '' }),
    { taken: () => onleave(), kept: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Judge it otherwise" {form} submit="Keep it" {onleave}>
  <OnePick
    label="How grave"
    options={SEVERITIES.filter((s) => s !== finding.severity)}
    bind:value={$data.severity}
    error={$errors.severity}
  />
  <Field label="Why" error={$errors.word} class="mt-3 max-w-xl"
    >{#snippet children(a)}<Input {...a} bind:value={$data.word} />{/snippet}</Field
  >
</InPlace>
