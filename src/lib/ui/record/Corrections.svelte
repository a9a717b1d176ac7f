<!-- What was put right in a closed record, and the form for it: the record stays, the correction stands beside it. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { CORRECTED, type Correction } from '$lib/core/record/correction';
  import type { CircuitRecord } from '$lib/core/record/record';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import FormError from '../form/FormError.svelte';

  interface Props {
    recordId: string;
    circuits: CircuitRecord[];
    corrections: Correction[];
  }
  let { recordId, circuits, corrections }: Props = $props();
  const form = new Form();
  let id = crypto.randomUUID();
  let open = $state(false);
  /** Which of the amounts; empty: something else, in words. */
  let what = $state('');
  let now = $state('');
  let words = $state('');
  const amounts = $derived(circuits.flatMap(({ circuit }) => CORRECTED.map((what) => ({ circuit, what }))));
  const choices = $derived([
    { value: '', name: 'something else, in words' },
    ...amounts.map((x, i) => ({ value: String(i), name: `${x.circuit} oil, ${x.what}` }))
  ]);
  const ml = (v: number | null) =>
    v === null ? 'not measured' : showBoth(quantity(Math.round(v), 'ml'), page.data.units).main;
  function leave() {
    [open, what, now, words, form.errors] = [false, '', '', '', {}];
  }
  async function save(e: SubmitEvent) {
    e.preventDefault();
    const amount = what === '' ? null : { ...amounts[Number(what)]!, now };
    if (!(await form.send('record.correct', { id, recordId, amount, words }))) return;
    id = crypto.randomUUID();
    leave();
    await invalidateAll();
  }
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
  <form
    onsubmit={save}
    class="no-print my-3 border-2 p-4"
    style="border-color: var(--ink)"
    aria-label="Correct this record"
    novalidate
  >
    <div class="grid items-start gap-3 sm:grid-cols-3">
      {#if circuits.length > 0}<Field label="What is wrong" error={form.errors['amount.circuit']}
          >{#snippet children(a)}<Select
              {...a}
              placeholder=""
              bind:value={what}
              items={choices}
            />{/snippet}</Field
        >{/if}
      {#if what !== ''}<Field label="It was" hint="ml unless you say" error={form.errors['amount.now']}
          >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={now} />{/snippet}</Field
        >{/if}
      <Field label={what === '' ? 'What was wrong, and how it was' : 'Why'} error={form.errors.words}
        >{#snippet children(a)}<Input {...a} bind:value={words} />{/snippet}</Field
      >
    </div>
    <FormError message={form.errors['']} />
    <div class="mt-3 flex gap-2">
      <Button type="submit" color="primary" disabled={form.busy}>Correct it</Button>
      <Button type="button" color="alternative" onclick={leave}>Leave</Button>
    </div>
  </form>
{:else}<button type="button" class="link no-print mt-3 text-sm" onclick={() => (open = true)}
    >Correct something in it</button
  >{/if}
