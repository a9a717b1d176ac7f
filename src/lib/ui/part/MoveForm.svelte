<!-- A component fitted somewhere else, or put on the shelf. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';
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
  let where = $state({ at: '', place: '' });
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let reading = $state('');
  let reason = $state('');
  const form = new Form();
  const id = crypto.randomUUID();
  const read = $derived(
    machines.find(
      (m) =>
        m.id === (where.at.startsWith('machine/') ? where.at.slice(8) : where.at ? '' : component.machineId)
    )
  );

  async function save() {
    const [to, at] = where.at.split('/');
    const sent = await form.send('component.move', {
      id,
      componentId: component.id,
      machineId: to === 'machine' ? at : null,
      hostId: to === 'host' ? at : null,
      place: where.place,
      day,
      reading: read ? reading : '',
      reason
    });
    if (!sent) return;
    say(`${component.name} is ${where.at ? 'fitted' : 'on the shelf'}. Every count goes on from there.`);
    await invalidateAll();
    onleave();
  }
</script>

<InPlace
  label="Fit elsewhere"
  {form}
  submit={where.at ? 'Fit it there' : 'Put it on the shelf'}
  onsave={save}
  {onleave}
>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Place
      bind:value={where}
      kind={component.kind}
      {machines}
      {engines}
      errors={form.errors}
      shelf={component.machineId ? 'on the shelf' : 'pick a place'}
    />
    <Field label="Day" error={form.errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
    >
    {#if read && read.meter === 'hour meter'}<Field
        label="{read.plate} meter shows, h"
        error={form.errors.reading}
        hint="empty: as last read, {read.total === null ? 'not known' : showHours(read.total)}"
        >{#snippet children(a)}<Input {...a} bind:value={reading} inputmode="decimal" />{/snippet}</Field
      >{/if}
    <Field label="Why" error={form.errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={reason} />{/snippet}</Field
    >
  </div>
  {#if where.at}<p class="quiet mt-2 text-sm">What is in that place now goes on the shelf.</p>{/if}
</InPlace>
