<!-- Who rides a machine, whose it is, and what it is called: in a line, and the form to put it right. -->
<script lang="ts">
  import { machineChangeSchema } from '$lib/core/machine/form';
  import type { Person } from '$lib/core/team/team';
  import { Input, Select } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    machine: { id: string; name: string; maker: string; riderId: string | null; ownerId: string | null };
    people: Person[];
  }
  let { machine, people }: Props = $props();
  let open = $state(false);
  const form = commandForm(
    'machine.change',
    machineChangeSchema,
    () => ({
      machineId: machine.id,
      name: machine.name,
      maker: machine.maker,
      riderId: machine.riderId ?? '',
      ownerId: machine.ownerId ?? ''
    }),
    {
      body: (f) => ({ ...f, riderId: f.riderId || null, ownerId: f.ownerId || null }),
      taken: () => (open = false)
    }
  );
  const { data, errors } = form;
  const nameOf = (id: string | null) => people.find((p) => p.id === id)?.name;
  const anybody = (who: string) => [
    { value: '', name: who },
    ...people.map((p) => ({ value: p.id, name: p.name }))
  ];
</script>

{#if open}
  <InPlace label="About this machine" {form} submit="Keep" onleave={() => (open = false)}>
    <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
      <Field label="Called" error={$errors.name}
        >{#snippet children(a)}<Input {...a} bind:value={$data.name} autocomplete="off" />{/snippet}</Field
      >
      <Field label="Maker" error={$errors.maker}
        >{#snippet children(a)}<Input {...a} bind:value={$data.maker} autocomplete="off" />{/snippet}</Field
      >
      <Field label="Rides it" error={$errors.riderId}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={$data.riderId}
            placeholder=""
            items={anybody('nobody in particular')}
          />{/snippet}</Field
      >
      <Field label="Owns it" error={$errors.ownerId} hint="reads what was done to it"
        >{#snippet children(a)}<Select
            {...a}
            bind:value={$data.ownerId}
            placeholder=""
            items={anybody('the team, or nobody written down')}
          />{/snippet}</Field
      >
    </div>
  </InPlace>
{:else}
  <p class="mt-1 text-sm">
    <span class="quiet"
      >{[
        nameOf(machine.riderId) && `ridden by ${nameOf(machine.riderId)}`,
        nameOf(machine.ownerId) && `owned by ${nameOf(machine.ownerId)}`
      ]
        .filter(Boolean)
        .join(', ') || 'no rider written down'}</span
    >
    <button
      type="button"
      class="link no-print ml-2"
      onclick={() => {
        form.reset();
        open = true;
      }}>Rider, owner, name</button
    >
  </p>
{/if}
