<!-- What was put right in a closed record, and the form for it: the record stays, the correction stands beside it. -->
<script lang="ts">
  import { page } from '$app/state';
  import { CORRECTED, correctionSchema, sealSaidInWords, type Correction } from '$lib/core/record/correction';
  import type { CircuitRecord, JobRecord } from '$lib/core/record/record';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { Input, Select } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    recordId: string;
    circuits: CircuitRecord[];
    fasteners: JobRecord['fasteners'];
    corrections: Correction[];
    /** Whether whoever looks may put something right. */
    may: boolean;
  }
  let { recordId, circuits, fasteners, corrections, may }: Props = $props();
  let open = $state(false);
  const form = commandForm(
    'record.correct',
    correctionSchema,
    // Which of the amounts; empty: something else, in words.
    () => ({ id: crypto.randomUUID(), recordId, what: '', now: '', words: '' }),
    {
      body: ({ what, now, ...rest }) => {
        const seal = seals.find((s) => s.fastenerId === what);
        return {
          ...rest,
          amount: what === '' || seal ? null : { ...amounts[Number(what)]!, now },
          seal: seal ? { fastenerId: seal.fastenerId, now } : null
        };
      },
      taken: () => turn()
    }
  );
  const { data, errors } = form;
  function turn() {
    form.reset();
    open = !open;
  }
  const amounts = $derived(circuits.flatMap(({ circuit }) => CORRECTED.map((what) => ({ circuit, what }))));
  /** Washers and rings that something was said of. */
  const seals = $derived(
    fasteners.flatMap(({ fastenerId, name, seal }) =>
      fastenerId && seal ? [{ fastenerId, name, seal }] : []
    )
  );
  const sealed = $derived(seals.find((s) => s.fastenerId === $data.what));
  /** What is picked says what it may have been. */
  $effect(() => {
    if (sealed && $data.now !== 'new' && $data.now !== 'again')
      $data.now = sealed.seal === 'new' ? 'again' : 'new';
    else if (!sealed && ($data.now === 'new' || $data.now === 'again')) $data.now = '';
  });
  const choices = $derived([
    { value: '', name: 'something else, in words' },
    ...amounts.map((x, i) => ({ value: String(i), name: `${x.circuit} oil, ${x.what}` })),
    ...seals.map((s) => ({ value: s.fastenerId, name: `${s.name}: washer or ring` }))
  ]);
  const ml = (v: number | null) =>
    v === null ? 'not measured' : showBoth(quantity(Math.round(v), 'ml'), page.data.units).main;
</script>

{#if corrections.length > 0}
  <section class="caution mt-3" aria-label="Corrections">
    {#each corrections as c (c.id)}<p class="break-words">
        <strong>Corrected</strong>
        {showDay(dayOf(c.at, page.data.team.timeZone), page.data.today)} by {c.by}:
        {#if c.amount}{c.amount.circuit} oil {c.amount.what},
          <s class="figure">{ml(c.amount.was)}</s>
          <span class="figure font-bold">{ml(c.amount.now)}</span>.{/if}
        {#if c.seal}{c.seal.name}, washer or ring: <s>{sealSaidInWords(c.seal.was)}</s>
          <strong>{sealSaidInWords(c.seal.now)}</strong>.{/if}
        {c.words}
      </p>{/each}
  </section>
{/if}
{#if open}
  <InPlace label="Correct this record" {form} submit="Correct it" onleave={turn}>
    <div class="grid items-start gap-3 sm:grid-cols-3">
      {#if choices.length > 1}<Field
          label="What is wrong"
          error={$errors['amount.circuit'] ?? $errors['seal.fastenerId']}
          >{#snippet children(a)}<Select
              {...a}
              placeholder=""
              bind:value={$data.what}
              items={choices}
            />{/snippet}</Field
        >{/if}
      {#if sealed}<Field label="It was" error={$errors['seal.now']}
          >{#snippet children(a)}<Select
              {...a}
              placeholder=""
              bind:value={$data.now}
              items={(['new', 'again'] as const).map((s) => ({ value: s, name: sealSaidInWords(s) }))}
            />{/snippet}</Field
        >{:else if $data.what !== ''}<Field
          label="It was"
          hint="ml unless you say"
          error={$errors['amount.now']}
          >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.now} />{/snippet}</Field
        >{/if}
      <Field label={$data.what === '' ? 'What was wrong, and how it was' : 'Why'} error={$errors.words}
        >{#snippet children(a)}<Input {...a} bind:value={$data.words} />{/snippet}</Field
      >
    </div>
  </InPlace>
{:else if may}<button type="button" class="link no-print mt-3 text-sm" onclick={turn}
    >Correct something in it</button
  >{/if}
