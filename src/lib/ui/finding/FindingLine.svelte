<!-- One open finding: what, where, since when, how often; closed, judged otherwise, or waiting for a part, in its place. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { CLOSINGS, SEVERITIES, type Closing, type Severity } from '$lib/core/finding/finding';
  import { closeFindingSchema, findingWaitSchema, regradeSchema } from '$lib/core/finding/form';
  import { waitsInWords, type Reminder } from '$lib/core/finding/reminder';
  import { OFTEN, timesInWords } from '$lib/core/finding/repeats';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay, type Day } from '$lib/core/time/day';
  import { Input } from '$lib/ui/form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';
  import { Press } from '../form/press.svelte';
  import SeverityMark from '../machine/SeverityMark.svelte';
  import FindingPhotos from './FindingPhotos.svelte';
  import WaitsFor from './WaitsFor.svelte';

  interface Props {
    finding: {
      id: string;
      what: string;
      note: string;
      place: string;
      severity: Severity;
      part: string | null;
      day: Day;
      hours: number | null;
      by: string;
      waits: Reminder | null;
    };
    /** When the same was found before, the latest first. */
    before?: readonly Day[];
    photos?: readonly string[];
    machine?: { id: string; plate: string; name: string } | null;
    /** What is open in this place among its neighbours, so that only one is. */
    doing: string;
    today: Day;
  }
  let { finding: f, before = [], photos = [], machine = null, doing = $bindable(), today }: Props = $props();
  const over = { taken: () => (doing = '') };
  const closing = commandForm(
    'finding.close',
    closeFindingSchema,
    () => ({
      findingId: f.id,
      how: (f.severity === 'tell the owner' ? 'owner told' : 'done') as Closing,
      word: ''
    }),
    over
  );
  const { data: closeWith, errors: closeErrors } = closing;
  const judging = commandForm(
    'finding.regrade',
    regradeSchema,
    () => ({ id: crypto.randomUUID(), findingId: f.id, severity: '' as Severity | '', word: '' }),
    over
  );
  const { data: judged, errors: judgeErrors } = judging;
  const waiting = commandForm(
    'finding.wait',
    findingWaitSchema,
    () => ({ id: crypto.randomUUID(), findingId: f.id, waitsFor: 'a part to arrive' as string, part: '' }),
    over
  );
  const { data: wait, errors: waitErrors } = waiting;
  const note = new Press();
  const ASKS: Record<Closing, string> = {
    done: 'What was done: torque and wrench, or what was found',
    'owner told': 'What was done: who was told, and what they said',
    'as it was': 'What was done: nothing, because'
  };

  function turn(what: string) {
    closing.reset();
    judging.reset();
    waiting.reset();
    doing = doing === what ? '' : what;
  }
  async function come(reminderId: string) {
    if (await note.send('reminder.note', { reminderId, now: 'come', word: '' })) await invalidateAll();
  }
  const times = $derived(timesInWords(before.length));
</script>

<div class="rule-b py-2" role="group" aria-label={f.what}>
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    {#if machine}<a class="no-underline" href="/machines/{machine.id}#findings" title={machine.name}
        ><span class="plate">{machine.plate}</span></a
      >{/if}
    <SeverityMark severity={f.severity} />
    <strong>{f.what}</strong>
    <span class="quiet text-sm"
      >{[
        f.place,
        f.part,
        `${showDay(f.day, today)}${f.hours === null ? '' : ` at ${showHours(f.hours)} h`}, ${f.by}`
      ]
        .filter(Boolean)
        .join(' · ')}</span
    >
    <span class="no-print ml-auto flex flex-wrap gap-x-4 gap-y-1">
      {#if f.waits && !f.waits.come}<button type="button" class="link" onclick={() => come(f.waits!.id)}
          >That has come</button
        >{/if}
      <FindingPhotos findingId={f.id} what={f.what} {photos} />
      {#if machine}<a class="link" href="/machines/{machine.id}/visit">To the bench</a>{/if}
      <button type="button" class="link" onclick={() => turn(`wait ${f.id}`)}>It waits for a part</button>
      <button type="button" class="link" onclick={() => turn(`regrade ${f.id}`)}>Judge it otherwise</button>
      <button type="button" class="link" onclick={() => turn(`close ${f.id}`)}>Close it</button>
    </span>
  </div>
  {#if times}<p class="text-sm" class:error={before.length >= OFTEN}>
      Found {times}: before that {before
        .slice(0, 3)
        .map((d) => showDay(d, today))
        .join(', ')}.
      {#if before.length >= OFTEN}Look for the cause.{/if}
    </p>{/if}
  {#if f.note && !f.what.includes(f.note)}<p class="text-sm">{f.note}</p>{/if}
  {#if f.waits}<p class="text-sm">{waitsInWords(f.waits)}</p>{/if}
  {#if note.errors['']}<p class="error mt-1 text-sm" role="alert">{note.errors['']}</p>{/if}
  {#if doing === `close ${f.id}`}
    <InPlace label="Close the finding" form={closing} submit="It is done" onleave={() => turn('')}>
      <OnePick label="How it ends" options={CLOSINGS} bind:value={$closeWith.how} />
      <Field label={ASKS[$closeWith.how]} error={$closeErrors.word} class="mt-3 max-w-xl"
        >{#snippet children(a)}<Input {...a} bind:value={$closeWith.word} />{/snippet}</Field
      >
    </InPlace>
  {:else if doing === `regrade ${f.id}`}
    <InPlace label="Judge it otherwise" form={judging} submit="Keep it" onleave={() => turn('')}>
      <OnePick
        label="How grave"
        options={SEVERITIES.filter((s) => s !== f.severity)}
        bind:value={$judged.severity}
        error={$judgeErrors.severity}
      />
      <Field label="Why" error={$judgeErrors.word} class="mt-3 max-w-xl"
        >{#snippet children(a)}<Input {...a} bind:value={$judged.word} />{/snippet}</Field
      >
    </InPlace>
  {:else if doing === `wait ${f.id}`}
    <InPlace label="It waits" form={waiting} submit="It waits" onleave={() => turn('')}>
      <div class="grid max-w-2xl items-start gap-3 sm:grid-cols-2">
        <WaitsFor
          label="For what"
          bind:waitsFor={$wait.waitsFor}
          bind:part={$wait.part}
          errors={$waitErrors}
        />
      </div>
    </InPlace>
  {/if}
</div>
