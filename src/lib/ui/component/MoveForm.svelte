<!-- A component fitted somewhere else, or put on the shelf. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { moveSchema } from '$lib/core/component/form';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import Place from './Place.svelte';

  interface Machine {
    id: string;
    plate: string;
    name: string;
    total: number | null;
    meter: string | null;
  }
  interface Props {
    component: { id: string; kind: string; name: string; machineId: string | null };
    machines: Machine[];
    engines: { id: string; name: string; plate: string | null }[];
    today: string;
    onleave: () => void;
  }
  let { component, machines, engines, today, onleave }: Props = $props();
  /** The machine whose meter counts: where it goes, or, taken off, where it was. */
  const meterAt = (at: string) =>
    machines.find((m) => m.id === (at.startsWith('machine/') ? at.slice(8) : at ? '' : component.machineId));
  const form = commandForm(
    'component.move',
    moveSchema,
    () => ({
      id: crypto.randomUUID(),
      componentId: component.id,
      where: '',
      place: '',
      day: today,
      reading: '',
      reason: ''
    }),
    {
      body: ({ where, reading, ...rest }) => {
        const [to, at] = where.split('/');
        return {
          ...rest,
          machineId: to === 'machine' ? at! : null,
          hostId: to === 'host' ? at! : null,
          reading: meterAt(where) ? reading : ''
        };
      },
      says: (_, { where }) =>
        `${component.name} is ${where ? 'fitted' : 'on the shelf'}. Every count goes on from there.`,
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
  const read = $derived(meterAt($data.where));
</script>

<InPlace label="Fit elsewhere" {form} submit={$data.where ? 'Fit it there' : 'Put it on the shelf'} {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Place
      bind:at={$data.where}
      bind:place={$data.place}
      kind={component.kind}
      {machines}
      {engines}
      errors={$errors}
      shelf={component.machineId ? 'on the shelf' : 'pick a place'}
    />
    <Field label="Day" error={$errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
    {#if read && read.meter === 'hour meter'}<Field
        label="{read.plate} meter shows, h"
        error={$errors.reading}
        hint="empty: as last read, {read.total === null ? 'not known' : showHours(read.total)}"
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.reading}
            inputmode="decimal"
          />{/snippet}</Field
      >{/if}
    <Field label="Why" error={$errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
    >
  </div>
  {#if $data.where}<p class="quiet mt-2 text-sm">What is in that place now goes on the shelf.</p>{/if}
</InPlace>
