<!-- One figure of a sheet with its source; a new one is written in place and the old one stays below it. -->
<script lang="ts">
  import { Button, Input, Select } from 'flowbite-svelte';
  import { invalidateAll } from '$app/navigation';
  import { otherUnit, show, type Quantity } from '$lib/core/quantity/quantity';
  import { CONFIDENCES, type Figure, type FigureKind } from '$lib/core/specs/sheet';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';

  interface Props {
    kind: FigureKind;
    label: string;
    machineId: string;
    fastenerId: string | null;
    figures: (Figure & { superseded: boolean; by: string })[];
    sources: string[];
  }
  let { kind, label, machineId, fastenerId, figures, sources }: Props = $props();
  const now = $derived(figures.find((f) => !f.superseded));
  const old = $derived(figures.filter((f) => f.superseded));
  let open = $state(false);
  let id = crypto.randomUUID();
  let draft = $state({
    typed: '',
    source: '',
    edition: '',
    page: '',
    confidence: 'printed',
    variant: '',
    sure: false
  });
  let errors = $state<Record<string, string>>({});
  let choices = $state<Quantity[]>([]);
  let askSure = $state(false);
  const listId = $props.id();

  // A sheet shows what is printed, and the other unit beside it, whatever the device prefers.
  const both = (f: Figure) => {
    const q = f.quantity;
    if (!q) return { main: f.text ?? '', other: null };
    return { main: show(q), other: otherUnit(q) === q.unit ? null : show(q, otherUnit(q)) };
  };

  async function save(e: SubmitEvent) {
    e.preventDefault();
    const sent = await send('/api/figures', { ...draft, id, machineId, key: kind.key, fastenerId });
    if (!sent.ok) {
      errors = sent.errors;
      choices = (sent.more.choices as Quantity[]) ?? [];
      askSure = Boolean(sent.more.askSure);
      return;
    }
    id = crypto.randomUUID();
    draft = { ...draft, typed: '', sure: false };
    errors = {};
    choices = [];
    askSure = false;
    open = false;
    await invalidateAll();
  }
</script>

<div class="rule-b flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
  <span class="w-64 max-w-full">{label}</span>
  {#if now}
    <span class="figure text-2xl">{both(now).main}</span>
    {#if both(now).other}<span class="figure quiet">{both(now).other}</span>{/if}
    <span class="quiet text-sm"
      >{[now.source, now.page && `p. ${now.page}`, now.confidence, now.variant]
        .filter(Boolean)
        .join(' · ')}</span
    >
    {#if now.confidence !== 'printed'}<strong class="text-sm">not sure</strong>{/if}
  {:else}
    <span class="figure text-xl">unknown</span>
  {/if}
  <button
    type="button"
    class="link ml-auto text-sm"
    aria-label="{now ? 'Correct' : 'Put in'} {label}"
    onclick={() => (open = !open)}>{now ? 'Correct' : 'Put in'}</button
  >
</div>
{#each old as f (f.id)}<p class="quiet pl-6 text-sm">
    <s>{both(f).main}</s>
    {[f.source, f.page && `p. ${f.page}`, f.confidence].filter(Boolean).join(' · ')}, superseded
  </p>{/each}
{#if open}
  <form
    onsubmit={save}
    class="my-2 border-2 p-3"
    style="border-color: var(--ink)"
    aria-label="{label} figure"
    novalidate
  >
    <div class="grid items-start gap-3 sm:grid-cols-3 lg:grid-cols-6">
      <Field
        label="As printed"
        error={errors.typed}
        hint={kind.dimension === 'torque'
          ? '20 N·m or 95 lbf in'
          : kind.dimension === 'volume'
            ? '1.15 qt or 950 ml'
            : kind.dimension === 'time'
              ? '3 min'
              : undefined}
        class="lg:col-span-2"
      >
        {#snippet children(a)}
          {#if kind.choices}<Select
              {...a}
              bind:value={draft.typed}
              placeholder="Pick one"
              items={kind.choices.map((c) => ({ value: c, name: c }))}
            />{:else}<Input {...a} bind:value={draft.typed} autocomplete="off" />{/if}
        {/snippet}
      </Field>
      <Field label="Manual, or who said so" error={errors.source}
        >{#snippet children(a)}<Input {...a} bind:value={draft.source} list={listId} />{/snippet}</Field
      >
      <Field label="Edition" error={errors.edition}
        >{#snippet children(a)}<Input {...a} bind:value={draft.edition} />{/snippet}</Field
      >
      <Field label="Page" error={errors.page}
        >{#snippet children(a)}<Input {...a} bind:value={draft.page} />{/snippet}</Field
      >
      <Field label="How sure" error={errors.confidence}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={draft.confidence}
            placeholder=""
            items={CONFIDENCES.map((c) => ({ value: c, name: c }))}
          />{/snippet}</Field
      >
    </div>
    <datalist id={listId}
      >{#each sources as s (s)}<option value={s}></option>{/each}</datalist
    >
    {#if choices.length > 0}<p class="mt-2 flex flex-wrap gap-3">
        {#each choices as c (show(c))}<button
            type="button"
            class="border px-3 py-1"
            onclick={() => (draft.typed = show(c))}>{show(c)}</button
          >{/each}
      </p>{/if}
    {#if askSure}<label class="mt-2 block"
        ><input type="checkbox" bind:checked={draft.sure} /> I looked again: it is printed so</label
      >{/if}
    <FormError message={errors['']} />
    <div class="mt-3 flex gap-2">
      <Button type="submit" color="primary" size="sm">Put it on the sheet</Button><Button
        type="button"
        size="sm"
        color="alternative"
        onclick={() => (open = false)}>Leave</Button
      >
    </div>
  </form>
{/if}
