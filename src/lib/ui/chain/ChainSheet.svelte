<!-- The chain of one machine: measured and adjusted, seen over its travel, its wear, its gearing, its care. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidate } from '$app/navigation';
  import { page } from '$app/state';
  import { slackProblems } from '$lib/core/chain/check';
  import { placeWords } from '$lib/core/chain/drive';
  import { oddLinks } from '$lib/core/chain/geometry';
  import { setWear, type ChainSheet as Sheet } from '$lib/core/chain/sheet';
  import { loopLength, slackIn, tautLoop } from '$lib/core/chain/run';
  import { centreAt, slackOverTravel } from '$lib/core/chain/travel';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { figureKind } from '$lib/core/specs/kinds';
  import AskOne from '../sheet/AskOne.svelte';
  import { keep, kept } from '../base/kept';
  import { send } from '../form/send';
  import { lookAgain } from '../base/again';
  import Toggle from '../form/Toggle.svelte';
  import { say } from '../base/page.svelte';
  import CareBox from './CareBox.svelte';
  import ChainRun from './ChainRun.svelte';
  import CloseBox from './CloseBox.svelte';
  import { SlackDesk } from './desk.svelte';
  import DriveForm from './DriveForm.svelte';
  import GearingBox from './GearingBox.svelte';
  import SlackCurve from './SlackCurve.svelte';
  import SlackPanel from './SlackPanel.svelte';
  import PastSlack from './PastSlack.svelte';
  import WearBox from './WearBox.svelte';
  import { travelWords, wantedWords } from './words';

  interface Props {
    sheet: Sheet;
    tasks: readonly { id: string; name: string }[];
    sources: readonly string[];
    today: string;
  }
  let { sheet, tasks, sources, today }: Props = $props();
  const first = kept('device', 'ht_slack_in');
  let unit = $state<'mm' | 'in'>(
    first === 'in' || first === 'mm' ? first : page.data.units === 'imperial' ? 'in' : 'mm'
  );
  const desk = untrack(
    () =>
      new SlackDesk(
        () => sheet,
        () => unit
      )
  );
  const now = $derived(desk.now);
  const wear = $derived(setWear(sheet));
  const printed = $derived(sheet.figures.find((f) => f.key === 'chain slack') ?? null);
  const problems = $derived(slackProblems(now.stand, now.wanted));
  const closeId = $props.id();
  let driving = $state(false);
  let asking = $state(false);
  /** The probe while it is dragged: it stands where it was let go once the book has it. */
  let probe = $state<number | null>(null);
  const at = $derived(probe ?? sheet.drive.at);
  /** The arm as it is held; null: where slack is measured. */
  let held = $state<number | null>(null);
  const arm = $derived(now.impossible.length === 0 ? now.geometry.arm : null);
  const angle = $derived(
    arm ? Math.min(arm.bump, Math.max(arm.droop, held ?? now.geometry.angle ?? arm.droop)) : 0
  );
  const loop = $derived(
    now.geometry.gears && now.geometry.centre !== null && now.slack !== null
      ? loopLength(now.geometry.centre, now.geometry.gears, { at: sheet.drive.at, slack: now.slack })
      : null
  );
  const shown = $derived.by(() => {
    const { gears } = now.geometry;
    if (!gears || loop === null) return { slack: now.slack, short: 0 };
    const centre = arm ? centreAt(arm, angle) : now.geometry.centre!;
    return {
      slack: slackIn(loop, centre, gears, at),
      short: Math.max(0, tautLoop(centre, gears) - loop)
    };
  });
  const PLACES = 200;
  const curve = $derived(
    arm && now.geometry.gears && now.geometry.angle !== null && now.slack !== null
      ? slackOverTravel(
          arm,
          now.geometry.gears,
          { at: sheet.drive.at, slack: now.slack, angle: now.geometry.angle },
          PLACES
        )
      : null
  );
  const sentence = $derived(travelWords(now, sheet, unit));
  const odd = $derived(oddLinks(now.figures, sheet.drive));
  /** A check that was left open yesterday is seen to be one. */
  const begun = $derived.by(() => {
    if (!sheet.check) return '';
    const day = dayOf(sheet.check.begunAt, page.data.team?.timeZone ?? 'UTC');
    return day === today ? '' : `${showDay(day, today)} `;
  });
  let settling: ReturnType<typeof setTimeout> | undefined;
  /** Where it is measured is kept once the hand rests. */
  function slide(to: number) {
    probe = to;
    clearTimeout(settling);
    settling = setTimeout(() => void keepPlace(to), 600);
  }
  async function keepPlace(to: number) {
    const sent = await send('chain.place', { machineId: sheet.machineId, at: to });
    if (sent.ok) await invalidate('app:chain');
    else say(Object.values(sent.errors)[0] ?? 'Not kept.');
    if (probe === to) probe = null;
  }
  function turn(to: 'mm' | 'in') {
    unit = to;
    keep('device', 'ht_slack_in', to);
  }
  $effect(() => desk.restore());
  $effect(() => desk.follow());
  // Two people may be at one machine: what the other reads is seen here without a press. Not while one's own is on its way.
  $effect(() => {
    if (!sheet.check) return;
    return lookAgain('app:chain', () => desk.busy);
  });
  const pitch = $derived(now.figures.pitch);
</script>

<div class="mt-1 flex flex-wrap items-baseline gap-x-3 gap-y-1">
  {#if now.wanted}
    {@const w = wantedWords(now.wanted)}
    <span
      >Wanted <strong class="figure text-2xl">{unit === 'mm' ? w.mm : w.inches}</strong>
      <span class="figure quiet">({unit === 'mm' ? w.inches : w.mm})</span></span
    >
    <span class="quiet text-sm"
      >{printed?.text ? `“${printed.text}”, ` : ''}{w.how}; {placeWords(at)}, {sheet.drive.attitude}.
      {#if printed}From {printed.source}{printed.confidence === 'printed'
          ? ''
          : `, ${printed.confidence}`}{/if}</span
    >
  {:else if printed}<span
      >What is wanted is told in words: <strong>“{printed.text}”</strong>. It is measured all the same; what
      is right you judge.</span
    >{/if}
  <button
    type="button"
    class="link no-print ml-auto text-sm"
    aria-expanded={driving}
    onclick={() => (driving = !driving)}>how it is measured and adjusted here</button
  >
</div>
{#if !printed}<AskOne
    ask={{ key: 'chain slack', label: figureKind('chain slack').label, item: null, fastenerId: null }}
    machineId={sheet.machineId}
    {sources}
  />
  <p class="quiet text-sm">As it is printed: 35–45 mm, 1 1/4 in, ± 20 mm, up 30 mm, two fingers.</p>{/if}
{#if driving}<DriveForm
    machineId={sheet.machineId}
    drive={sheet.drive}
    onleave={() => (driving = false)}
  />{/if}
{#each [...now.impossible, ...(odd ? [odd] : [])] as what (what)}<p class="caution mt-2">{what}</p>{/each}

<div class="mt-3 grid items-start gap-x-10 gap-y-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
  <section aria-label="Measure and adjust">
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2>Measure and adjust</h2>
      {#if sheet.check}<span class="quiet text-sm">begun {begun}by {sheet.check.by}</span>{/if}
      <span class="ml-auto"
        ><Toggle
          label="The rule is marked in"
          options={['mm', 'in'] as const}
          value={unit}
          onpick={turn}
        /></span
      >
    </div>
    <p class="caution mt-1">
      {sheet.drive.attitude === 'on the stand, wheel hanging'
        ? 'Engine off, wheel off the ground, fingers clear. Turn the wheel step by step: read where the chain is tightest.'
        : `Engine off, fingers clear. Find the tightest place with the wheel off the ground, then read it there ${sheet.drive.attitude}.`}
    </p>
    {#if desk.said}<p class="error mt-2" role="alert">{desk.said}</p>{/if}
    <SlackPanel {desk} {sheet} {unit} {closeId} />
    {#if sheet.check}{#key sheet.check.id}<CloseBox
          checkId={sheet.check.id}
          {tasks}
          {problems}
          moved={now.stand.moved}
          waits={desk.waits}
          {closeId}
        />{/key}{:else if sheet.past[0]}
      <p class="quiet mt-2 text-sm">
        Last read {showDay(sheet.past[0].day, today)} by {sheet.past[0].by}, below.
      </p>
    {/if}
  </section>

  <section aria-label="Seen over its travel">
    <ChainRun
      gears={now.geometry.gears}
      centre={now.geometry.centre}
      {arm}
      {angle}
      {at}
      slack={shown.slack}
      short={shown.short}
      {unit}
      onangle={arm ? (a) => (held = a) : null}
      onat={slide}
    />
    {#if arm && curve && now.tight && now.geometry.angle !== null && now.slack !== null}
      <SlackCurve
        {curve}
        {arm}
        measured={{ angle: now.geometry.angle, slack: now.slack }}
        tight={now.tight}
        least={sheet.rules.least}
        {unit}
        shown={{ angle, slack: shown.slack ?? 0 }}
        {sentence}
        onangle={(a) => (held = Math.min(arm.bump, Math.max(arm.droop, a)))}
      />
      {#if held !== null}<button type="button" class="link no-print text-sm" onclick={() => (held = null)}
          >back to where it is measured</button
        >{/if}
    {:else}
      <p class="quiet text-sm">
        {now.geometry.centre === null ? 'Not to scale: ' : 'To scale, the arm level: '}{now.missing.length > 0
          ? `${now.missing[0]!.label.toLowerCase()} is not known, and would tell ${now.missing[0]!.tells}.`
          : sheet.drive.attitude === 'on the stand, wheel hanging'
            ? 'it is read below.'
            : 'the angle of the arm in that attitude is not known, and would tell the slack over the whole travel.'}
      </p>
    {/if}
    {#if now.missing.length > 0}
      {#if !arm || asking}{#key now.missing[0]!.key}<AskOne
            ask={{ key: now.missing[0]!.key, label: now.missing[0]!.label, item: null, fastenerId: null }}
            machineId={sheet.machineId}
            {sources}
          />{/key}{/if}
      <p class="no-print text-sm">
        {#if arm && !asking}<button type="button" class="link" onclick={() => (asking = true)}
            >{now.missing.length} more {now.missing.length === 1 ? 'figure' : 'figures'} would tell {now
              .missing[0]!.tells}</button
          >{:else if now.missing.length > 1}<span class="quiet"
            >Then: {now.missing
              .slice(1)
              .map((m) => m.label.toLowerCase())
              .join('; ')}.</span
          >{/if}
      </p>
    {/if}
  </section>
</div>

<PastSlack {sheet} {today} {unit} />
<WearBox
  {sheet}
  {wear}
  {pitch}
  now={{ front: now.figures.front, rear: now.figures.rear, links: now.figures.links }}
  {today}
/>
<GearingBox {sheet} {now} />
<CareBox {sheet} {today} />
