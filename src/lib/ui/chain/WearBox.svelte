<!-- How the set wears: the chain over its pitches, the adjusters by their marks, the teeth by their look; and what is put on new. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { elongation, longest, oddLength } from '$lib/core/chain/elongation';
  import { chainEntryStrikeSchema, chainLengthSchema } from '$lib/core/chain/form';
  import type { ChainSheet, SetWear } from '$lib/core/chain/sheet';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { showDay } from '$lib/core/time/day';
  import { commandForm } from '../form/command-form';
  import { Button, Checkbox, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import StrikeCell from '../table/StrikeCell.svelte';
  import StrikeRow from '../table/StrikeRow.svelte';
  import Toggle from '../form/Toggle.svelte';
  import LookForm from './LookForm.svelte';
  import ReplaceForm from './ReplaceForm.svelte';
  import WearChart from './WearChart.svelte';
  import { wearWords } from './words';

  interface Props {
    sheet: ChainSheet;
    wear: SetWear;
    /** Of one pitch, new, mm; null: not on the sheet. */
    pitch: number | null;
    now: { front: number | null; rear: number | null; links: number | null };
    today: string;
  }
  let { sheet, wear, pitch, now, today }: Props = $props();
  const words = $derived(wearWords(wear));
  let over = $state<'hours' | 'outings'>('hours');
  let looking = $state(false);
  let replacing = $state(false);
  /** The length is rather a pitch too many: it is taken once somebody has counted again. */
  let askSure = $state(false);
  const form = commandForm(
    'chain.length',
    chainLengthSchema,
    () =>
      untrack(() => ({
        id: crypto.randomUUID(),
        machineId: sheet.machineId,
        measured: '',
        pitches: String(sheet.lengths.at(-1)?.pitches ?? printedPitches() ?? 20),
        sure: false
      })),
    {
      says: () => 'Written down.',
      taken: () => again(),
      refused: (errors, more) => {
        askSure = Boolean(more['askSure']);
        return errors;
      }
    }
  );
  function again(): void {
    askSure = false;
    form.reset();
  }
  function printedPitches(): number | null {
    const f = sheet.figures.find((x) => x.key === 'chain wear pitches');
    return (f?.band?.from ?? f?.band?.to)?.base ?? null;
  }
  const { data, errors, busy, enhance } = form;
  const typed = $derived.by(() => {
    const [read, pitches] = [
      parseQuantity($data.measured, { dimension: 'length', unit: 'mm' }),
      Number($data.pitches)
    ];
    if (!read.ok || pitch === null || !Number.isInteger(pitches) || pitches < 5) return null;
    return oddLength(read.quantity.base, pitch, pitches)
      ? null
      : elongation(read.quantity.base, pitch, pitches);
  });
  let striking = $state<string | null>(null);
  const strike = commandForm(
    'chain.strike-entry',
    chainEntryStrikeSchema,
    () => ({ entryId: '', reason: '' }),
    {
      body: ({ reason }) => ({ entryId: striking ?? '', reason }),
      taken: () => (striking = null)
    }
  );
  const look = $derived(sheet.looks[0] ?? null);
  const looked = $derived(
    look
      ? [
          look.front && `front teeth ${look.front}`,
          look.rear && `rear teeth ${look.rear}`,
          look.joint && look.joint,
          look.stiff !== null && (look.stiff === 0 ? 'no stiff links' : `${look.stiff} stiff`),
          look.guides && `guides ${look.guides}`,
          look.note
        ].filter(Boolean)
      : []
  );
  const rates = $derived(
    wear.chain.byGround
      ? Object.entries(wear.chain.byGround).map(
          ([g, r]) => `${g === 'clean' ? 'clean ground' : g} ${(r * 10).toFixed(2)} %`
        )
      : []
  );
  const pictured = $derived(sheet.lengths.filter((l) => l.hours !== null));
</script>

<section class="mt-10" aria-label="Wear" id="wear">
  <h2>Wear</h2>
  {#if wear.limit.odd}<p class="caution mt-2">{wear.limit.odd}</p>{/if}
  {#if wear.replace}<p class="caution mt-2">
      <strong
        >Replace {[
          wear.replace.chain && 'the chain',
          wear.replace.front && 'the front sprocket',
          wear.replace.rear && 'the rear sprocket'
        ]
          .filter(Boolean)
          .join(', ')}.</strong
      >
      {wear.replace.why}
    </p>{/if}
  {#if pictured.length > 1}
    <div class="mt-2">
      <Toggle
        label="Over"
        before="over "
        options={['hours', 'outings'] as const}
        value={over}
        onpick={(o) => (over = o)}
      />
    </div>
    {#key `${over} ${JSON.stringify(pictured)}`}<WearChart
        lengths={pictured}
        limit={wear.limit.pct}
        axle={wear.axle.past}
        {over}
        sentence={words}
      />{/key}
  {:else}<p class="mt-1">{words}</p>{/if}
  {#if rates.length > 0}<p class="mt-1">
      In ten hours: {rates.join(', ')}.
    </p>{/if}
  {#if wear.axle.past.length > 0 && wear.axle.slot !== null}<p class="mt-1">
      The axle stands {wear.axle.past.at(-1)!.mm.toFixed(0)} of {wear.axle.slot.toFixed(0)} mm back{wear.axle
        .reaches
        ? `; at the rate it goes its slot ends in about ${Math.round(wear.axle.reaches.likely)} h`
        : ''}.
    </p>{/if}

  <form
    class="no-print mt-4 flex flex-wrap items-start gap-3"
    method="POST"
    aria-label="Length over pitches"
    novalidate
    use:enhance
  >
    <Field label="Pulled straight, over pitches" error={$errors.pitches} class="w-44"
      >{#snippet children(a)}<Input {...a} inputmode="numeric" bind:value={$data.pitches} />{/snippet}</Field
    >
    <Field
      label="from pin to pin"
      error={$errors.measured}
      hint={typed === null
        ? pitch === null
          ? ''
          : `New: ${longest(pitch, Number($data.pitches) || 0, 0).toFixed(1)} mm; worn out: ${longest(pitch, Number($data.pitches) || 0, wear.limit.pct).toFixed(1)} mm`
        : `${typed.toFixed(2)} % longer than new${typed >= wear.limit.pct ? ': worn out' : ''}`}
      class="w-64"
      >{#snippet children(a)}<Input
          {...a}
          placeholder="320.5 or 12 5/8 in"
          bind:value={$data.measured}
        />{/snippet}</Field
    >
    <Button type="submit" color="alternative" class="mt-6" disabled={$busy}>Write it down</Button>
    {#if askSure}<div class="basis-full">
        <Checkbox bind:checked={$data.sure}>I counted again: it is {$data.pitches} pitches</Checkbox>
      </div>{/if}
    <FormError message={$errors['']} />
  </form>

  <div class="mt-4 flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <p>
      {#if look}Looked at {showDay(look.day, today)} by {look.by}: {looked.join(' · ')}.
      {:else}Teeth, joining link and guides were never looked at here.{/if}
    </p>
    <button type="button" class="link no-print" aria-expanded={looking} onclick={() => (looking = !looking)}
      >How it looks now</button
    >
    <button
      type="button"
      class="link no-print"
      aria-expanded={replacing}
      onclick={() => (replacing = !replacing)}>Something new goes on</button
    >
  </div>
  {#if looking}<LookForm machineId={sheet.machineId} onleave={() => (looking = false)} />{/if}
  {#if replacing}<ReplaceForm
      machineId={sheet.machineId}
      replace={wear.replace}
      {now}
      on={sheet}
      onleave={() => (replacing = false)}
    />{/if}

  {#if sheet.lengths.length > 0}
    <details class="mt-3">
      <summary>Every measuring</summary>
      <div class="relative overflow-x-auto">
        <table class="sheet-table stacked mt-1">
          <thead
            ><tr
              ><th>Day</th><th>Chain</th><th>Measured</th><th>Longer</th><th>By</th><th
                ><span class="sr-only">Do</span></th
              ></tr
            ></thead
          >
          <tbody>
            {#each sheet.lengths.toReversed() as l (l.id)}
              <tr>
                <td class="whitespace-nowrap">{showDay(l.day, today)}</td>
                <td data-label="Chain" class="figure"
                  >{l.hours === null ? 'not known' : `${l.hours.toFixed(1)} h`}</td
                >
                <td data-label="Measured" class="figure">{l.measured.toFixed(1)} mm over {l.pitches}</td>
                <td data-label="Longer" class="figure">{l.grown.toFixed(2)} %</td>
                <td data-label="By">{l.by}</td>
                <StrikeCell id={l.id} bind:striking form={strike} />
              </tr>
              {#if striking === l.id}<StrikeRow
                  colspan={6}
                  label="Strike out the measuring"
                  form={strike}
                  onleave={() => (striking = null)}
                />{/if}
            {/each}
          </tbody>
        </table>
      </div>
    </details>
  {/if}
</section>
