<!-- The three readings of slack, judged while they are typed, and what to turn. -->
<script lang="ts">
  import { tick } from 'svelte';
  import {
    judgeSlack,
    STAGES,
    unevenWords,
    VERDICT_WORDS,
    type Reading,
    type Stage
  } from '$lib/core/chain/check';
  import { adviceWords } from '$lib/core/chain/advice';
  import { JUDGED_BY, lineOf } from '$lib/core/judged/by';
  import { setTo } from '$lib/core/chain/shift';
  import { inSixteenths, showSlack, type RuleUnit } from '$lib/core/chain/slack-typed';
  import type { ChainSheet } from '$lib/core/chain/sheet';
  import { FIELDS, type SlackField } from '$lib/core/chain/reading-typed';
  import { goOn } from '../form/go-on';
  import type { SlackDesk } from './desk.svelte';
  import Turned from './Turned.svelte';

  interface Props {
    desk: SlackDesk;
    sheet: ChainSheet;
    unit: RuleUnit;
    /** Of the button that closes the check. */
    closeId: string;
  }
  let { desk, sheet, unit, closeId }: Props = $props();
  const uid = $props.id();
  /** Nearer to what leads it nobody sets it. mm */
  const AS_SET = 2;
  const NAMES: Record<Stage, string> = { found: 'As found', adjusted: 'Adjusted', tight: 'Axle tight' };
  const now = $derived(desk.now);
  /** What stands in the field is the total already, in millimetres. */
  const asTyped = (r: Reading) => Math.abs(parseFloat(r.typed.replace(',', '.')) - r.slack) < 0.05;
  const shown = (mm: number) => showSlack(mm, unit);
  const carrier = $derived(sheet.drive.adjuster.kind === 'eccentric carrier');
  const LABELS = $derived<Record<SlackField, string>>({
    slack: 'tightest place',
    slackest: 'slackest',
    left: carrier ? 'mark' : 'left mark',
    right: 'right mark'
  });
  const fields = $derived(FIELDS.filter((f) => !(carrier && f === 'right')));
  const of = (stage: Stage) => desk.readings.findLast((r) => r.stage === stage) ?? null;
  const said = (stage: Stage): { words: string; bad: boolean } | null => {
    const r = of(stage);
    if (!r) return null;
    const v = judgeSlack(r.slack, now.wanted);
    if (stage === 'adjusted' && now.shift) {
      if (!now.wanted || now.wanted.aim === null) return null;
      const set = setTo(now.wanted.aim, now.shift);
      return Math.abs(r.slack - set) <= AS_SET
        ? { words: 'right before tightening', bad: false }
        : { words: `${shown(set)} before tightening`, bad: true };
    }
    return { words: VERDICT_WORDS[v], bad: v === 'too tight' || v === 'too slack' };
  };
  async function enter(e: KeyboardEvent, stage: Stage) {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    const from = e.currentTarget as HTMLElement;
    if (!(await desk.leave(stage))) return;
    await tick();
    // Found right, or right with the axle tight, there is nothing more to read.
    const next = desk.now.stand.verdict === 'inside' ? undefined : STAGES[STAGES.indexOf(stage) + 1];
    goOn(from, document.getElementById(next ? `${uid}-${next}-slack` : closeId));
  }
  const uneven = $derived(unevenWords(now.stand.found));
  const turns = $derived(now.stand.verdict !== 'inside' && now.advice ? now.advice : null);
</script>

<div class="rows" role="group" aria-label="Slack, three readings">
  {#each STAGES as stage (stage)}
    {@const r = of(stage)}
    {@const verdict = said(stage)}
    <div class="row" role="group" aria-label={NAMES[stage]}>
      <span class="name">{NAMES[stage]}</span>
      {#each fields as f (f)}
        {@const error = desk.errorOf(stage, f)}
        <label class="cellbox" class:wide={f === 'slack'} class:odd={f === 'slackest' && stage === 'tight'}
          ><span class="quiet block text-sm">{LABELS[f]}</span><span class="flex items-baseline gap-1"
            ><input
              id="{uid}-{stage}-{f}"
              class="field figure {f === 'slack' ? 'text-3xl' : 'text-xl'}"
              autocomplete="off"
              inputmode={f === 'slack' ? 'text' : 'decimal'}
              maxlength="60"
              aria-label="{NAMES[stage]}: {LABELS[f]}"
              aria-invalid={error ? true : undefined}
              aria-describedby={error ? `${uid}-${stage}-${f}-note` : undefined}
              value={desk.text(stage, f)}
              oninput={(e) => desk.type(stage, f, e.currentTarget.value)}
              onblur={() => void desk.leave(stage)}
              onkeydown={(e) => void enter(e, stage)}
            />{#if f === 'slack' && /^[\d.,/\s]*$/.test(desk.text(stage, f))}<span class="quiet">{unit}</span
              >{/if}</span
          >
          {#if error}<span id="{uid}-{stage}-{f}-note" class="error block max-w-60 text-sm" role="alert"
              >{error}</span
            >{/if}
        </label>
      {/each}
      <span class="said">
        {#if r}<span class="figure text-xl"
            >{unit === 'in' || !asTyped(r) ? showSlack(r.slack) : inSixteenths(r.slack)}</span
          >{/if}
        {#if verdict}<strong
            class:error={verdict.bad}
            class:right={(!verdict.bad && stage !== 'found') || verdict.words === 'right'}
            >{verdict.words}</strong
          >{/if}
      </span>
    </div>
  {/each}
</div>
{#if uneven}<p class="caution mt-2">{uneven}</p>{/if}
{#if turns && now.advice}
  {@const advice = now.advice}
  <div class="advice mt-4 flex flex-wrap items-center gap-4" aria-live="polite">
    {#if advice.left && advice.right && !advice.blocked}
      {#if JSON.stringify(advice.left) === JSON.stringify(advice.right)}<Turned
          move={advice.left}
          drive={sheet.drive}
          label="Both adjusters"
        />{:else}{#each [['left', advice.left], ['right', advice.right]] as const as [side, m] (side)}<span
            class="text-center"
            ><Turned move={m} drive={sheet.drive} label="The {side} adjuster" /><span class="block text-sm"
              >{side}</span
            ></span
          >{/each}{/if}
    {/if}
    <div class="min-w-60 flex-1">
      <p class="figure text-2xl font-bold">{adviceWords(advice, sheet.drive)}</p>
      <p class="quiet text-sm">
        Set to {shown(advice.set)}{advice.shift
          ? `: tightening the axle ${advice.shift < 0 ? 'takes' : 'gives'} ${shown(Math.abs(advice.shift))} on this machine, and ${shown(advice.aim)} are wanted`
          : advice.shift === null
            ? '; what tightening does on this machine is known after two times'
            : ''}{advice.travel === null
          ? ''
          : `. The axle goes ${Math.abs(advice.travel).toFixed(1)} mm ${advice.travel >= 0 ? 'back' : 'forward'}`}{advice.travelLeft ===
        null
          ? ''
          : `, ${advice.travelLeft.toFixed(0)} mm of its slot are left then`}.
        {#if advice.crooked !== null && Math.abs(advice.crooked) > JUDGED_BY.chain.crooked.is}The wheel stands {Math.abs(
            advice.crooked
          ).toFixed(1)}° crooked: this takes it out. {lineOf(JUDGED_BY.chain.crooked)}{/if}
      </p>
    </div>
  </div>
{:else if now.stand.verdict === 'inside' && now.stand.moved}
  <p class="mt-3 figure text-2xl font-bold">It is right, and stays so with the axle tight.</p>
{/if}

<style>
  .row {
    display: grid;
    grid-template-columns: 6.5rem minmax(7.5rem, 9rem) repeat(3, minmax(5rem, 6rem)) minmax(6rem, 1fr);
    gap: 0.25rem 0.75rem;
    align-items: end;
    border-bottom: 1px solid var(--rule);
    padding-block: 0.5rem;
  }
  .name {
    font-family: var(--font-plate);
    font-weight: 700;
    font-size: 1.25rem;
    padding-bottom: 0.5rem;
  }
  .row input {
    width: 100%;
    padding-inline: 0.5rem;
  }
  .said {
    padding-bottom: 0.6rem;
  }
  .said > * {
    display: block;
  }
  .right {
    color: var(--done);
  }
  .advice {
    border-left: 6px solid var(--signal);
    padding: 0.5rem 0.9rem;
    background: var(--sheet);
  }
  @media (max-width: 700px) {
    .row {
      grid-template-columns: 1fr 1fr 1fr;
    }
    .name {
      grid-column: 1;
      align-self: center;
      padding: 0;
    }
    .wide {
      grid-column: 2 / 4;
    }
    .said {
      grid-column: 1 / 4;
      padding: 0;
    }
    .said > * {
      display: inline;
      margin-right: 0.6rem;
    }
  }
</style>
