<!-- One figure of a sheet with its source; a new one is written in place and the old one stays below it. -->
<script lang="ts">
  import { Input, Select, Textarea } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { show, type Quantity } from '$lib/core/quantity/quantity';
  import type { FigureKind } from '$lib/core/specs/kinds';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { bothUnits, sourceLine, type SheetFigure } from './figure';
  import GradeTable from './GradeTable.svelte';
  import Source from './Source.svelte';

  interface Props {
    kind: FigureKind;
    label: string;
    machineId: string;
    fastenerId: string | null;
    figures: SheetFigure[];
    sources: string[];
    today: string;
  }
  let { kind, label, machineId, fastenerId, figures, sources, today }: Props = $props();
  const now = $derived(figures.find((f) => !f.superseded));
  const old = $derived(figures.filter((f) => f.superseded));
  let open = $state<'write' | 'confirm' | ''>('');
  let id = crypto.randomUUID();
  let draft = $state({ typed: '', variant: '', sure: false });
  let source = $state({ source: '', edition: '', page: '', confidence: 'printed' });
  const form = new Form();
  const note = new Form();
  const choices = $derived((form.more.choices as Quantity[] | undefined) ?? []);
  const turn = (to: 'write' | 'confirm') => (open = open === to ? '' : to);

  async function done() {
    id = crypto.randomUUID();
    draft = { ...draft, typed: '', sure: false };
    open = '';
    await invalidateAll();
  }
  async function save() {
    if (await form.send('figure.add', { ...draft, ...source, id, machineId, key: kind.key, fastenerId }))
      await done();
  }
  async function confirm() {
    if (await form.send('figure.confirm', { ...source, id, figureId: now!.id })) await done();
  }
  async function stillRight(modificationId: string) {
    if (await note.send('modification.note', { modificationId, figureId: now!.id })) await invalidateAll();
  }
</script>

<div class="rule-b flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
  <span class="w-64 max-w-full">{label}</span>
  {#if now}
    {#if kind.form === 'table'}<span class="w-full"><GradeTable text={now.text ?? ''} /></span>{:else}<span
        class="figure text-2xl">{bothUnits(now).main}</span
      >{/if}
    {#if bothUnits(now).other}<span class="figure quiet">{bothUnits(now).other}</span>{/if}
    <span class="quiet text-sm">{sourceLine(now)}</span>
    {#if now.confidence !== 'printed'}<strong class="text-sm"
        >{now.confidence === 'unconfirmed' ? 'look it up for this machine' : 'not sure'}</strong
      >{/if}
  {:else}
    <span class="figure text-xl">unknown</span>
  {/if}
  <span class="no-print ml-auto flex gap-3 text-sm">
    {#if now?.confidence === 'unconfirmed'}<button
        type="button"
        class="link"
        aria-label="Confirm {label}"
        onclick={() => turn('confirm')}>Confirm</button
      >{/if}
    <button
      type="button"
      class="link"
      aria-label="{now ? 'Correct' : 'Put in'} {label}"
      onclick={() => turn('write')}>{now ? 'Correct' : 'Put in'}</button
    >
  </span>
</div>
{#each now?.doubts ?? [] as d (d.id)}<p class="caution my-1 text-sm">
    May be wrong since “{d.what}” on {showDay(d.day, today)}.
    <button type="button" class="link" disabled={note.busy} onclick={() => stillRight(d.id)}
      >Looked again: still right</button
    >
  </p>{/each}
{#each old as f (f.id)}<p class="quiet pl-6 text-sm">
    <s>{bothUnits(f).main}</s>
    {sourceLine(f)}, superseded
  </p>{/each}
{#if open === 'confirm' && now}
  <InPlace
    label="Confirm {label}"
    {form}
    submit="It is the same here"
    onsave={confirm}
    onleave={() => (open = '')}
  >
    <p class="mb-2">Looked up for this machine: {bothUnits(now).main}.</p>
    <div class="grid items-start gap-3 sm:grid-cols-4">
      <Source bind:value={source} errors={form.errors} {sources} />
    </div>
  </InPlace>
{:else if open === 'write'}
  <InPlace
    label="{label} figure"
    {form}
    submit="Put it on the sheet"
    onsave={save}
    onleave={() => (open = '')}
  >
    <div class="grid items-start gap-3 sm:grid-cols-3 lg:grid-cols-6">
      <Field label="As printed" error={form.errors.typed} hint={kind.hint} class="lg:col-span-2">
        {#snippet children(a)}
          {#if kind.choices}<Select
              {...a}
              bind:value={draft.typed}
              placeholder="Pick one"
              items={kind.choices.map((c) => ({ value: c, name: c }))}
            />{:else if kind.form === 'table'}<Textarea
              {...a}
              bind:value={draft.typed}
              rows={4}
              class="w-full"
            />{:else}<Input {...a} bind:value={draft.typed} autocomplete="off" />{/if}
        {/snippet}
      </Field>
      <Source bind:value={source} errors={form.errors} {sources} />
      <Field
        label="Only for"
        error={form.errors.variant}
        hint="serials or variant, if it says so"
        class="lg:col-span-2"
        >{#snippet children(a)}<Input {...a} bind:value={draft.variant} />{/snippet}</Field
      >
    </div>
    {#if choices.length > 0}<p class="mt-2 flex flex-wrap gap-3">
        {#each choices as c, k (k)}<button
            type="button"
            class="border px-3 py-1"
            onclick={() => (draft.typed = show(c))}>{show(c)}</button
          >{/each}
      </p>{/if}
    {#if form.more.askSure}<label class="mt-2 block"
        ><input type="checkbox" bind:checked={draft.sure} /> I looked again: it is printed so</label
      >{/if}
  </InPlace>
{/if}
