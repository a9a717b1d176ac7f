<!-- A sister machine's whole sheet, brought over as unconfirmed. -->
<script lang="ts">
  import { Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';

  interface Props {
    machineId: string;
    machines: { id: string; plate: string; name: string; kind: string }[];
    onleave: () => void;
  }
  let { machineId, machines, onleave }: Props = $props();
  let fromId = $state('');
  const form = new Form();

  async function save() {
    const sent = await form.send('sheet.copy', { fromMachineId: fromId, toMachineId: machineId });
    if (!sent) return;
    const { copied, left } = sent.data;
    say(
      `${copied} figures came over, unconfirmed${left > 0 ? `; ${left} stood here already` : ''}. Walk down them with this machine’s own manual.`
    );
    await invalidateAll();
    onleave();
  }
</script>

<InPlace label="Copy from a sister machine" {form} submit="Bring its sheet over" onsave={save} {onleave}>
  <Field
    label="From"
    error={form.errors.fromMachineId ? (fromId ? form.errors.fromMachineId : 'Which machine?') : undefined}
    class="max-w-sm"
    >{#snippet children(a)}<Select
        {...a}
        bind:value={fromId}
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
