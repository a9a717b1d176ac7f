<!-- Two of a kind change places between two machines, in one action. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';

  interface Machine {
    id: string;
    plate: string;
    total: number | null;
    meter: string | null;
  }
  interface Part {
    id: string;
    kind: string;
    name: string;
    total: number;
    machineId: string | null;
    plate: string | null;
    machine: string | null;
  }
  interface Props {
    component: Part;
    others: Part[];
    machines: Machine[];
    today: string;
    onleave: () => void;
  }
  let { component, others, machines, today, onleave }: Props = $props();
  let withId = $state('');
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let reading = $state('');
  let withReading = $state('');
  let reason = $state('');
  const form = new Form();
  const id = crypto.randomUUID();
  const other = $derived(others.find((o) => o.id === withId));
  const here = $derived(machines.find((m) => m.id === component.machineId));
  const there = $derived(machines.find((m) => m.id === other?.machineId));

  async function save() {
    const sent = await form.send('component.swap', {
      id,
      componentId: component.id,
      withId,
      day,
      reading,
      withReading,
      reason
    });
    if (!sent) return;
    say(`${component.name} is on ${other!.plate} now, ${other!.name} on ${component.plate}.`);
    await invalidateAll();
    onleave();
  }
</script>

<InPlace label="Swap" {form} submit="Swap the two" onsave={save} {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Field label="With" error={form.errors.withId}>
      {#snippet children(a)}<select {...a} class="cell" bind:value={withId}>
          <option value="">Pick the other {component.kind}</option>
          {#each others as o (o.id)}<option value={o.id}
              >{o.name}, on {o.plate} {o.machine}, {showHours(o.total)} h</option
            >{/each}
        </select>{/snippet}
    </Field>
    <Field label="Day" error={form.errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
    >
    {#if here?.meter === 'hour meter'}<Field
        label="{here.plate} meter shows, h"
        error={form.errors.reading}
        hint="empty: as last read, {here.total === null ? 'not known' : showHours(here.total)}"
        >{#snippet children(a)}<Input {...a} bind:value={reading} inputmode="decimal" />{/snippet}</Field
      >{/if}
    {#if there?.meter === 'hour meter'}<Field
        label="{there.plate} meter shows, h"
        error={form.errors.withReading}
        hint="empty: as last read, {there.total === null ? 'not known' : showHours(there.total)}"
        >{#snippet children(a)}<Input {...a} bind:value={withReading} inputmode="decimal" />{/snippet}</Field
      >{/if}
    <Field label="Why" error={form.errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={reason} />{/snippet}</Field
    >
  </div>
  <p class="quiet mt-2 text-sm">
    Tasks of the {component.kind} go along with it; tasks of the machine stay. What sits in an engine goes with
    the engine.
  </p>
</InPlace>
