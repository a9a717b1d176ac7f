<!-- Log hours, from anywhere: one machine, one reading. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { readingSchema } from '$lib/core/hours/form';
  import type { Person } from '$lib/core/team/team';
  import { commandForm } from '../form/command-form';
  import { filledBy } from '../instrument/filled-by';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { readAgain } from '../base/again';
  import { listedMachines, NOT_READ, type ListedMachine } from '../machine/listed';
  import { say, shell } from '../base/page.svelte';
  import { writeFindings, type NewFinding } from './new-finding';
  import RemarkOffers from './RemarkOffers.svelte';
  import Ridden from './Ridden.svelte';
  import { shownBy } from '$lib/core/machine/shown';
  import { SYMPTOMS } from '$lib/core/outing/outing';
  import { namedIn } from '$lib/core/outing/remark';
  import { nothingRidden, riddenInWords } from '$lib/core/outing/ridden';
  import Settle from './Settle.svelte';

  let {
    people,
    today,
    crew = true,
    onlogged
  }: { people: Person[]; today: string; crew?: boolean; onlogged?: (machineId: string) => void } = $props();

  let machines = $state<ListedMachine[]>([]);
  let machineId = $state(shell.machineId ?? '');
  let ridden = $state(nothingRidden());
  let findings = $state<NewFinding[]>([]);
  let details = $state(false);
  let askSure = $state(false);
  let doubts = $state<string[]>([]);
  let ways = $state<string[]>([]);
  let settlement = $state({ as: '', reason: '', oldFinal: '', newStart: '' });

  const machine = $derived(machines.find((m) => m.id === machineId));
  let riderId = $derived(machine?.riderId ?? '');
  const reckoned = $derived(machine?.meter === 'reckoned');

  let form: HTMLFormElement | undefined = $state();
  // The first thing still to be said.
  onMount(() => {
    form?.querySelector<HTMLElement>(machineId ? 'input' : 'select')?.focus();
    void listedMachines().then((m) => (m ? (machines = m) : say(NOT_READ)));
  });

  /** The damage that was taken from the remark; a mere reading has none. */
  async function writeNamed({ day, outing }: { day: string; outing: string }) {
    if (outing === 'reading' || findings.length === 0) return;
    await writeFindings(machineId, day, findings);
    await readAgain();
  }

  function unsettle() {
    doubts = [];
    ways = [];
    settlement = { as: '', reason: '', oldFinal: '', newStart: '' };
  }

  const { data, errors, busy, enhance } = commandForm(
    'reading.log',
    readingSchema,
    () => ({ id: crypto.randomUUID(), typed: '', day: today, outing: 'ride', remark: '' }),
    {
      body: (f) => ({
        ...f,
        machineId,
        instrument: filledBy(form?.querySelector('[data-takes=time]')) ?? '',
        riderId: riderId || null,
        outing: f.outing === 'reading' ? null : f.outing,
        ...(f.outing === 'reading' ? {} : ridden),
        settlement: settlement.as ? settlement : null
      }),
      refused: (wrong, more) => {
        askSure = Boolean(more.askSure);
        // While a settlement wants another word, its question stays.
        if (!Object.keys(wrong).some((k) => k.startsWith('settlement'))) {
          doubts = ((more.doubts as { message: string }[]) ?? []).map((d) => d.message);
          ways = (more.ways as string[]) ?? [];
        }
        return doubts.length > 0
          ? Object.fromEntries(Object.entries(wrong).filter(([k]) => k !== 'typed'))
          : wrong;
      },
      taken: async ({ plate, total, due }, f) => {
        await writeNamed(f);
        say(
          `${plate} stands at ${total}.${due.length > 0 ? ' Now:' : ''}`,
          due.map((d) => ({ text: `${d.name} ${d.left}, ${d.state}`, href: `/machines/${machineId}#tasks` }))
        );
        shell.panel = null;
        onlogged?.(machineId);
      },
      kept: async (f) => {
        await writeNamed(f);
        shell.panel = null;
      }
    }
  );
  $effect(() => {
    if (['distance', 'before', 'crossings'].some((k) => $errors[k])) details = true;
  });
</script>

<form
  bind:this={form}
  class="grid items-start gap-3 sm:grid-cols-[2fr_1fr_1fr_1fr_2fr_auto]"
  aria-label="Log hours"
  method="POST"
  novalidate
  use:enhance
>
  <Field label="Machine" error={$errors.machineId && 'Pick a machine.'}>
    {#snippet children(a)}
      <Select
        {...a}
        bind:value={machineId}
        onchange={unsettle}
        placeholder="Pick one"
        items={machines.map((m) => ({ value: m.id, name: `${m.plate}  ${m.name}` }))}
      />
    {/snippet}
  </Field>
  <Field
    label={reckoned ? 'Time ridden' : 'Meter shows, h'}
    error={$errors.typed}
    hint={reckoned ? 'such as 2h30; ~ its usual' : '+2h30 ridden; ~ its usual'}
  >
    {#snippet children(a)}
      <Input
        {...a}
        bind:value={$data.typed}
        oninput={unsettle}
        inputmode="decimal"
        autocomplete="off"
        data-takes="time"
        data-bare="h"
        data-of={machine?.plate}
        class="figure text-lg"
      />
    {/snippet}
  </Field>
  <Field label="Day" error={$errors.day}>
    {#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}
  </Field>
  <Field label="After" error={$errors.outing}>
    {#snippet children(a)}
      <Select
        {...a}
        bind:value={$data.outing}
        items={[
          { value: 'ride', name: 'a ride' },
          { value: 'practice', name: 'practice' },
          { value: 'race', name: 'a race' },
          { value: 'moto', name: 'a moto' },
          { value: 'day out', name: 'a day out' },
          { value: 'reading', name: 'just a reading' }
        ]}
      />
    {/snippet}
  </Field>
  <div class="grid grid-cols-2 gap-3">
    <Field label="Rider">
      {#snippet children(a)}<Select
          {...a}
          bind:value={riderId}
          placeholder=""
          items={[{ value: '', name: 'not said' }, ...people.map((p) => ({ value: p.id, name: p.name }))]}
        />{/snippet}
    </Field>
    <Field label="Remark" error={$errors.remark}>
      {#snippet children(a)}<Input {...a} data-takes="words" bind:value={$data.remark} />{/snippet}
    </Field>
  </div>
  <div class="flex gap-2 sm:mt-6">
    <Button type="submit" color="primary" disabled={$busy}>Log</Button>
    <Button type="button" color="alternative" onclick={() => (shell.panel = null)}>Leave</Button>
  </div>
  <div class="sm:col-span-6">
    <FormError message={$errors['']} />
    {#if $data.outing !== 'reading'}
      <RemarkOffers
        named={namedIn($data.remark, shownBy(SYMPTOMS, machine?.kind ?? null))}
        bind:symptoms={ridden.symptoms}
        bind:findings
      />
      <button
        type="button"
        class="link mb-2 text-sm"
        aria-expanded={details}
        onclick={() => (details = !details)}>{details ? 'Less' : 'How it was ridden'}</button
      >
      {#if !details && riddenInWords(ridden)}<span class="quiet text-sm">{riddenInWords(ridden)}</span>{/if}
      {#if details}<Ridden
          bind:value={ridden}
          errors={$errors}
          {askSure}
          metered={!reckoned}
          kind={machine?.kind ?? null}
        />{/if}
    {/if}
    {#if doubts.length > 0}<Settle {doubts} {ways} bind:value={settlement} errors={$errors} />{/if}
    {#if crew}<a class="link text-sm" href="/outings/day" onclick={() => (shell.panel = null)}
        >A whole race day at once</a
      >{/if}
  </div>
</form>
