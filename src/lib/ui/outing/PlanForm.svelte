<!-- An outing that lies ahead: when, how long, when the team leaves, and who goes for how many hours. New, or planned already. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { showHours } from '$lib/core/hours/hours';
  import { eventSchema } from '$lib/core/outing/form';
  import { Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import MachinePicks from './MachinePicks.svelte';

  interface Planned {
    id: string;
    name: string;
    kind: string;
    firstDay: string;
    lastDay: string;
    leavesOn: string | null;
    hoursEach: number;
    wholeFleet: boolean;
    machineIds: string[];
    otherHours: Record<string, number>;
  }
  interface Props {
    machines: { id: string; plate: string; name: string }[];
    /** One that is planned already, to be changed; null: a new one. */
    planned?: Planned | null;
    onleave: () => void;
  }
  let { machines, planned = null, onleave }: Props = $props();
  // A form is of one outing: another has a form of its own.
  const was = untrack(() => planned);
  const form = commandForm(
    was ? 'event.change' : 'event.plan',
    eventSchema,
    () => ({
      id: was?.id ?? crypto.randomUUID(),
      name: was?.name ?? '',
      kind: was?.kind ?? 'race',
      firstDay: was?.firstDay ?? '',
      lastDay: was && was.lastDay !== was.firstDay ? was.lastDay : '',
      leavesOn: was?.leavesOn ?? '',
      hoursEach: was ? showHours(was.hoursEach) : '',
      wholeFleet: was?.wholeFleet ?? true,
      machineIds: was && !was.wholeFleet ? was.machineIds : [],
      /** As typed, by machine; empty: as all the others. */
      other: Object.fromEntries(
        Object.entries(was?.otherHours ?? {}).map(([id, h]) => [id, showHours(h)])
      ) as Record<string, string>
    }),
    {
      body: ({ other, ...f }) => ({
        ...f,
        lastDay: f.lastDay || f.firstDay,
        leavesOn: f.leavesOn || null,
        otherHours: goes(f)
          .filter((m) => other[m.id]?.trim())
          .map((m) => ({ machineId: m.id, hours: other[m.id]! }))
      }),
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
  function goes(f: { wholeFleet: boolean; machineIds: string[] }) {
    return machines.filter((m) => f.wholeFleet || f.machineIds.includes(m.id));
  }
  const going = $derived(goes($data));
  const otherError = $derived(Object.entries($errors).find(([path]) => path.startsWith('otherHours'))?.[1]);
</script>

<InPlace
  label={was ? `Change ${was.name}` : 'Plan an outing'}
  {form}
  submit={was ? 'Save it' : 'Plan it'}
  {onleave}
>
  <div class="grid items-start gap-3 sm:grid-cols-[2fr_1fr_1fr_1fr_1fr_1fr]">
    <Field label="Name" error={$errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={$data.name} />{/snippet}</Field
    >
    <Field label="Kind" error={$errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={$data.kind}
          placeholder=""
          items={['race', 'practice', 'day out'].map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    <Field label="First day" error={$errors.firstDay}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.firstDay} />{/snippet}</Field
    >
    <Field label="Last day" error={$data.lastDay ? $errors.lastDay : undefined} hint="empty: one day"
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.lastDay} />{/snippet}</Field
    >
    <Field label="Leaves on" error={$errors.leavesOn} hint="empty: the first day"
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.leavesOn} />{/snippet}</Field
    >
    <Field label="Hours each uses" error={$errors.hoursEach}
      >{#snippet children(a)}<Input
          {...a}
          bind:value={$data.hoursEach}
          inputmode="decimal"
          placeholder="3.5"
        />{/snippet}</Field
    >
  </div>
  <div class="mt-3"><Checkbox bind:checked={$data.wholeFleet}>The whole fleet goes</Checkbox></div>
  {#if !$data.wholeFleet}
    <MachinePicks {machines} bind:picked={$data.machineIds} error={$errors.machineIds} />
  {/if}
  {#if going.length > 0}
    <details class="mt-3" open={Object.values($data.other).some((t) => t.trim() !== '') || undefined}>
      <summary>Some ride more there, or less</summary>
      <div class="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4 lg:grid-cols-6">
        {#each going as m (m.id)}
          <label class="flex items-baseline gap-2"
            ><span class="plate">{m.plate}</span><input
              class="cell figure w-24"
              inputmode="decimal"
              aria-label="Hours of {m.plate} {m.name}"
              placeholder={$data.hoursEach || 'h'}
              bind:value={$data.other[m.id]}
            /></label
          >
        {/each}
      </div>
      {#if otherError}<p class="error text-sm" role="alert">{otherError}</p>{/if}
    </details>
  {/if}
</InPlace>
