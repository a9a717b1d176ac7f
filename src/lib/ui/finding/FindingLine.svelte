<!-- One open finding: what, where, since when, how often; closed, judged otherwise, or waiting for a part, in its place. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { Severity } from '$lib/core/finding/finding';
  import { waitsInWords, type Reminder } from '$lib/core/finding/reminder';
  import { OFTEN, timesInWords } from '$lib/core/finding/repeats';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay, type Day } from '$lib/core/time/day';
  import { Press } from '../form/press.svelte';
  import SeverityMark from './SeverityMark.svelte';
  import CloseForm from './CloseForm.svelte';
  import FindingPhotos from './FindingPhotos.svelte';
  import JudgeForm from './JudgeForm.svelte';
  import WaitForm from './WaitForm.svelte';

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
    /** The machine it is on, where the list is of many. */
    machine?: { id: string; plate: string; name: string } | null;
    /** Where it is put right; null: it is on the shelf. */
    benchAt?: string | null;
    /** What is open in this place among its neighbours, so that only one is. */
    doing: string;
    today: Day;
  }
  let {
    finding: f,
    before = [],
    photos = [],
    machine = null,
    benchAt = machine?.id ?? null,
    doing = $bindable(),
    today
  }: Props = $props();
  const note = new Press();
  const turn = (what: string) => (doing = doing === what ? '' : what);
  const leave = () => (doing = '');
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
      {#if benchAt}<a class="link" href="/machines/{benchAt}/visit?finding={f.id}"
          >Put it right at the bench</a
        >{/if}
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
  {#if doing === `close ${f.id}`}<CloseForm finding={f} onleave={leave} />
  {:else if doing === `regrade ${f.id}`}<JudgeForm finding={f} onleave={leave} />
  {:else if doing === `wait ${f.id}`}<WaitForm findingId={f.id} onleave={leave} />{/if}
</div>
