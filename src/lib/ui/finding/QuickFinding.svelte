<!-- A finding, from anywhere: which machine, what, where; the press that says how grave writes it down. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { findingSchema } from '$lib/core/finding/form';
  import { outlineOf } from '$lib/core/machine/places';
  import { Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { takePhoto } from '../form/take-photo';
  import { listedMachines, NOT_READ, type ListedMachine } from '../machine/listed';
  import { readAgain } from '../base/again';
  import { say, shell } from '../base/page.svelte';
  import WhereOn from './WhereOn.svelte';

  let machines = $state<ListedMachine[]>([]);
  let element: HTMLFormElement | undefined = $state();
  /** Taken in passing; sent once the finding is there. */
  let photo = $state<File | null>(null);
  const form = commandForm(
    'finding.add',
    findingSchema,
    () => ({
      id: crypto.randomUUID(),
      machineId: shell.machineId ?? '',
      componentId: null as string | null,
      what: '',
      place: '',
      note: '',
      severity: '' as Severity | ''
    }),
    {
      says: (_, f) =>
        `Written down on ${machines.find((m) => m.id === f.machineId)?.plate ?? 'it'}: ${f.what}`,
      taken: async (_, f) => {
        const taken = photo && (await takePhoto(photo, 'finding.photo', { findingId: f.id }));
        if (taken && 'error' in taken)
          say(`The finding is written down, its photo is not: ${taken.error}`, [
            { text: 'Findings', href: `/findings?machine=${f.machineId}` }
          ]);
        else if (taken) await readAgain();
        shell.panel = null;
      },
      kept: async (f) => {
        // It goes after the finding it belongs to.
        if (photo) await takePhoto(photo, 'finding.photo', { findingId: f.id });
        shell.panel = null;
      }
    }
  );
  const { data, errors, busy, enhance } = form;
  const machine = $derived(machines.find((m) => m.id === $data.machineId));
  onMount(() => {
    element?.querySelector<HTMLElement>(shell.machineId ? 'input' : 'select')?.focus();
    void listedMachines().then((m) => (m ? (machines = m) : say(NOT_READ)));
  });
  function write(severity: Severity) {
    $data.severity = severity;
    element?.requestSubmit();
  }
</script>

<form bind:this={element} aria-label="Write down a finding" method="POST" novalidate use:enhance>
  <div class="grid items-start gap-x-6 gap-y-3 md:grid-cols-[1fr_24rem]">
    <div class="grid gap-3">
      <Field label="Machine" error={$errors.machineId}
        >{#snippet children(a)}<select {...a} class="field w-full" bind:value={$data.machineId}>
            <option value="">which one</option>
            {#each machines as m (m.id)}<option value={m.id}>{m.plate} {m.name}</option>{/each}
          </select>{/snippet}</Field
      >
      <Field label="What is wrong" error={$errors.what}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.what}
            maxlength={200}
            placeholder="Right fork seal weeps"
          />{/snippet}</Field
      >
      <label class="key inline-flex w-fit cursor-pointer items-center"
        >{photo ? `Photo: ${photo.name}` : 'Photo'}<input
          type="file"
          accept="image/*"
          class="sr-only"
          aria-label="Photo of it"
          onchange={(e) => (photo = e.currentTarget.files?.[0] ?? null)}
        /></label
      >
      <FormError message={$errors['']} />
      <div role="group" aria-label="How grave: writes it down" class="flex flex-wrap gap-2">
        {#each SEVERITIES as s (s)}<button type="button" class="key" disabled={$busy} onclick={() => write(s)}
            >{s}</button
          >{/each}
      </div>
      {#if $errors.severity}<p class="error text-sm" role="alert">{$errors.severity}</p>{/if}
    </div>
    <div>
      <WhereOn
        outline={machine ? outlineOf(machine.kind) : 'bike'}
        value={$data.place}
        onpick={(place) => ($data.place = place)}
      />
    </div>
  </div>
</form>

<style>
  .key:hover {
    background: var(--ink);
    color: var(--paper);
  }
</style>
