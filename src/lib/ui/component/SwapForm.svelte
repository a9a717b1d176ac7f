<!-- Two of a kind change places between two machines, in one action. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { swapSchema } from '$lib/core/component/form';
  import { showHours } from '$lib/core/hours/hours';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

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
  const form = commandForm(
    'component.swap',
    swapSchema,
    () => ({
      id: crypto.randomUUID(),
      componentId: component.id,
      withId: '',
      day: today,
      reading: '',
      withReading: '',
      reason: ''
    }),
    {
      says: (_, { withId }) => {
        const gone = others.find((o) => o.id === withId)!;
        return `${component.name} is on ${gone.plate} now, ${gone.name} on ${component.plate}.`;
      },
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
  const other = $derived(others.find((o) => o.id === $data.withId));
  const here = $derived(machines.find((m) => m.id === component.machineId));
  const there = $derived(machines.find((m) => m.id === other?.machineId));
</script>

<InPlace label="Swap" {form} submit="Swap the two" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Field label="With" error={$errors.withId}>
      {#snippet children(a)}<select {...a} class="cell" bind:value={$data.withId}>
          <option value="">Pick the other {component.kind}</option>
          {#each others as o (o.id)}<option value={o.id}
              >{o.name}, on {o.plate} {o.machine}, {showHours(o.total)} h</option
            >{/each}
        </select>{/snippet}
    </Field>
    <Field label="Day" error={$errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
    {#if here?.meter === 'hour meter'}<Field
        label="{here.plate} meter shows, h"
        error={$errors.reading}
        hint="empty: as last read, {here.total === null ? 'not known' : showHours(here.total)}"
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.reading}
            inputmode="decimal"
          />{/snippet}</Field
      >{/if}
    {#if there?.meter === 'hour meter'}<Field
        label="{there.plate} meter shows, h"
        error={$errors.withReading}
        hint="empty: as last read, {there.total === null ? 'not known' : showHours(there.total)}"
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.withReading}
            inputmode="decimal"
          />{/snippet}</Field
      >{/if}
    <Field label="Why" error={$errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
    >
  </div>
  <p class="quiet mt-2 text-sm">
    Tasks of the {component.kind} go along with it; tasks of the machine stay. What sits in an engine goes with
    the engine.
  </p>
</InPlace>
