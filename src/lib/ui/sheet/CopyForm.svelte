<!-- Figures of a sister machine's sheet, taken over one by one as unconfirmed. -->
<script lang="ts">
  import { Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { figureKind } from '$lib/core/specs/kinds';
  import type { Figure } from '$lib/core/specs/sheet';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';
  import { bothUnits } from './figure';

  interface Props {
    machineId: string;
    machines: { id: string; plate: string; name: string; kind: string }[];
    onleave: () => void;
  }
  let { machineId, machines, onleave }: Props = $props();
  interface Offered extends Figure {
    fastener: string | null;
    taken: boolean;
  }
  let fromId = $state('');
  let offered = $state<Offered[]>([]);
  let picked = $state<string[]>([]);
  const form = new Form();
  // One id a figure, so that sending twice copies once.
  const ids: Record<string, string> = {};
  const idFor = (figureId: string) => (ids[figureId] ??= crypto.randomUUID());

  async function look() {
    picked = [];
    offered = [];
    if (!fromId) return;
    const r = await fetch(`/api/figures?machine=${fromId}&for=${machineId}`);
    if (r.ok) offered = (await r.json()).data;
  }
  async function save() {
    const sent = await form.send('sheet.copy', {
      fromMachineId: fromId,
      toMachineId: machineId,
      figures: picked.map((figureId) => ({ id: idFor(figureId), figureId }))
    });
    if (!sent) return;
    say(`${sent.data.copied} figures taken over, unconfirmed. Look each up in this machine’s own manual.`);
    await invalidateAll();
    onleave();
  }
  const nameOf = (f: Offered) => (f.fastener ? `Torque, ${f.fastener}` : (figureKind(f.key)?.label ?? f.key));
</script>

<InPlace
  label="Copy from a sister machine"
  {form}
  submit="Take over {picked.length || ''}"
  onsave={save}
  {onleave}
>
  <Field label="From" error={form.errors.toMachineId} class="max-w-sm"
    >{#snippet children(a)}<Select
        {...a}
        bind:value={fromId}
        onchange={look}
        placeholder="Pick the sister machine"
        items={machines
          .filter((m) => m.id !== machineId)
          .map((m) => ({ value: m.id, name: `${m.plate}  ${m.name}, ${m.kind}` }))}
      />{/snippet}</Field
  >
  <p class="caution my-2 text-sm">
    A figure is true for the machine it is printed for. What is taken over stands as unconfirmed until
    somebody has looked it up.
  </p>
  {#if form.errors.figures}<p class="error text-sm" role="alert">{form.errors.figures}</p>{/if}
  <ul class="grid gap-x-6 sm:grid-cols-2">
    {#each offered as f (f.id)}<li class="rule-b py-1">
        <label
          ><input type="checkbox" value={f.id} bind:group={picked} disabled={f.taken} />
          {nameOf(f)}: <span class="figure">{bothUnits(f).main}</span>
          {#if f.taken}<span class="quiet text-sm">stands here already</span>{/if}</label
        >
      </li>{/each}
  </ul>
  {#if fromId && offered.length === 0}<p class="quiet">Its sheet is empty.</p>{/if}
</InPlace>
