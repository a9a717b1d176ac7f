<!-- What was put right in a closed record, and the form for it: the record stays, the correction stands beside it. -->
<script lang="ts">
  import { page } from '$app/state';
  import { CORRECTED, correctionSchema, type Correction } from '$lib/core/record/correction';
  import type { CircuitRecord } from '$lib/core/record/record';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { Input, Select } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    recordId: string;
    circuits: CircuitRecord[];
    corrections: Correction[];
    /** Whether whoever looks may put something right. */
    may: boolean;
  }
  let { recordId, circuits, corrections, may }: Props = $props();
  let open = $state(false);
  const form = commandForm(
    'record.correct',
    correctionSchema,
    // Which of the amounts; empty: something else, in words.
    () => ({ id: crypto.randomUUID(), recordId, what: '', now: '', words: '' }),
    {
      body: ({ what, now, ...rest }) => ({
        ...rest,
        amount: what === '' ? null : { ...amounts[Number(what)]!, now }
      }),
      taken: () => turn()
    }
  );
  const { data, errors } = form;
  function turn() {
    form.reset();
    open = !open;
  }
  const amounts = $derived(circuits.flatMap(({ circuit }) => CORRECTED.map((what) => ({ circuit, what }))));
  const choices = $derived([
    { value: '', name: 'something else, in words' },
    ...amounts.map((x, i) => ({ value: String(i), name: `${x.circuit} oil, ${x.what}` }))
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
        {c.words}
      </p>{/each}
  </section>
{/if}
{#if open}
  <InPlace label="Correct this record" {form} submit="Correct it" onleave={turn}>
    <div class="grid items-start gap-3 sm:grid-cols-3">
      {#if circuits.length > 0}<Field label="What is wrong" error={$errors['amount.circuit']}
          >{#snippet children(a)}<Select
              {...a}
              placeholder=""
              bind:value={$data.what}
              items={choices}
            />{/snippet}</Field
        >{/if}
      {#if $data.what !== ''}<Field label="It was" hint="ml unless you say" error={$errors['amount.now']}
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
