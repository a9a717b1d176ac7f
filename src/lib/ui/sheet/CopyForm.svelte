<!-- A sister machine's whole sheet, brought over as unconfirmed. -->
<script lang="ts">
  import { Select } from '$lib/ui/form/controls';
  import { copySheetSchema } from '$lib/core/specs/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    machineId: string;
    machines: { id: string; plate: string; name: string; kind: string }[];
    onleave: () => void;
  }
  let { machineId, machines, onleave }: Props = $props();
  const form = commandForm(
    'sheet.copy',
    copySheetSchema,
    () => ({ fromMachineId: '', toMachineId: machineId }),
    {
      says: ({ copied, left }) =>
        `${copied} figures came over, unconfirmed${left > 0 ? `; ${left} stood here already` : ''}. Walk down them with this machine’s own manual.`,
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
</script>

<InPlace label="Copy from a sister machine" {form} submit="Bring its sheet over" {onleave}>
  <Field
    label="From"
    error={$errors.fromMachineId && ($data.fromMachineId ? $errors.fromMachineId : 'Which machine?')}
    class="max-w-sm"
    >{#snippet children(a)}<Select
        {...a}
        bind:value={$data.fromMachineId}
        placeholder="Pick the sister machine"
        items={machines
          .filter((m) => m.id !== machineId)
          .map((m) => ({ value: m.id, name: `${m.plate}  ${m.name}, ${m.kind}` }))}
      />{/snippet}</Field
  >
  <p class="caution mt-2 text-sm">
    Fasteners, their places and every figure come over. A figure is true for the machine it is printed for:
    each stands as unconfirmed until somebody has looked it up. What stands here already stays.
  </p>
</InPlace>
