<!-- One step: what to do, the next number huge, its caution, and what has to be put in. -->
<script lang="ts">
  import { oddAt, oilSaid } from '$lib/core/visit/odd';
  import { goesOn } from '$lib/core/visit/onward';
  import { isShut, standInWords, type StepState, measuredAt } from '$lib/core/visit/state';
  import type { DoneContent } from '$lib/core/visit/entry';
  import { runSeconds } from '$lib/core/visit/timers';
  import { whyNow } from '$lib/core/visit/why';
  import type { BenchVisit } from './bench.svelte';
  import type { Around } from '$lib/core/visit/page';
  import Amount from './Amount.svelte';
  import AsFound from './AsFound.svelte';
  import AskHere from './AskHere.svelte';
  import DebrisPick from './DebrisPick.svelte';
  import HandOver from './HandOver.svelte';
  import LeaveOut from './LeaveOut.svelte';
  import Level from './Level.svelte';
  import Measure from './Measure.svelte';
  import OilPick from './OilPick.svelte';
  import Photos from './Photos.svelte';
  import Pour from './Pour.svelte';
  import Ran from './Ran.svelte';
  import Shut from './Shut.svelte';
  import Slack from './Slack.svelte';
  import StepTimer from './StepTimer.svelte';
  import WhichOne from './WhichOne.svelte';
  import Underside from './Underside.svelte';
  import Valves from './Valves.svelte';
  import Gather from './Gather.svelte';
  import type { Gathered } from '$lib/core/job/gather/gather';
  import { Unsent } from '../form/unsent.svelte';
  import { openHours } from '../base/page.svelte';

  interface Props {
    bench: BenchVisit;
    around: Around;
    step: StepState;
    units: 'metric' | 'imperial';
    number: number;
    of: number;
    readonly: boolean;
    machineId: string;
    /** What to lay out, for the step that lays it out. */
    gathered: Gathered;
    laid: string[];
    onlaid: (text: string) => void;
    onward: () => void;
    onback: (() => void) | null;
    /** Puts it behind the next one; null where there is none. */
    onlater: (() => void) | null;
  }
  let {
    bench,
    around,
    step,
    units,
    number,
    of,
    readonly,
    machineId,
    gathered,
    laid,
    onlaid,
    onward,
    onback,
    onlater
  }: Props = $props();
  const s = $derived(step.step);
  const why = $derived(whyNow(bench.state, step));
  const input = $derived(s.input);
  let leaving = $state(false);
  /** Of this step: gone on and come back, it is still there. */
  const remark = $derived(new Unsent(`${bench.id} ${s.key} remark`));
  let pointedAt = $state<string | null>(null);
  const problem = $derived(
    bench.problemAt === s.key || (input.type === 'close' && input.items.includes(bench.problemAt ?? ''))
      ? bench.problem
      : null
  );
  const covered = $derived(
    bench.state.items
      .filter((x) => s.after.includes(x.item.key) && !isShut(x))
      .map((x) => `${x.item.name} is ${standInWords(x)}`)
  );
  const mapped = $derived(around.fasteners.some((f) => s.points.includes(f.id) && f.at !== null));
  /** Two plugs look alike: which is being opened is asked before it comes off. */
  const asksWhich = $derived(input.type === 'open' && input.twins.length > 0 && !step.done && !readonly);
  const timed = $derived(
    input.type === 'level' && input.protocol.settleSeconds
      ? { seconds: input.protocol.settleSeconds, label: 'Settle' }
      : s.wait > 0 && input.type !== 'start'
        ? { seconds: s.wait * 60, label: s.waitFor || 'Wait' }
        : input.type === 'start'
          ? // As the sheet says; where it does not, as long as the mechanic says.
            { seconds: runSeconds(bench.state), label: 'Run' }
          : s.heats && s.minutes > 0
            ? { seconds: s.minutes * 60, label: 'Run' }
            : null
  );

  $effect(() => {
    void s.key;
    leaving = false;
    pointedAt = null;
  });

  function done(content: DoneContent = {}) {
    const ok = bench.write({
      stepKey: s.key,
      action: 'done',
      content: { ...content, ...(remark.value.trim() ? { remark: remark.value.trim() } : {}) }
    });
    if (!ok) return false;
    remark.value = '';
    return true;
  }
  /** Writing is also going on, where nothing is left to do here. */
  function onwardIf(ok: boolean): boolean {
    const now = bench.state.steps.find((x) => x.step.key === s.key);
    if (ok && now && goesOn(bench.state, now)) onward();
    return ok;
  }
  const doneAndOn = (content: DoneContent = {}) => onwardIf(done(content));
  function leaveOut(reason: string) {
    const left = bench.write({ stepKey: s.key, action: 'left out', content: { reason } });
    if (left) onward();
    return left;
  }
</script>

<article aria-label="Step {number} of {of}">
  <p class="quiet figure text-lg">Step {number} of {of}{why ? ` · ${why}` : ''}</p>
  <h2 class="text-3xl">{s.title}</h2>
  {#if s.caution}<p class="caution mt-3">{s.caution}</p>{/if}
  {#if s.lines.length > 0}<ul class="lines mt-3">
      {#each s.lines as line, k (k)}<li>{line}</li>{/each}
    </ul>{/if}
  {#if s.key === 'gather'}<div class="mt-3">
      <Gather {gathered} {units} laid={readonly ? undefined : laid} {onlaid} today={around.today} />
    </div>{/if}
  {#if s.key === 'meter' && !readonly}<button
      type="button"
      class="link mt-2"
      onclick={() => openHours(machineId)}>Log a new reading</button
    >{/if}
  {#if mapped && !asksWhich && (input.type === 'open' || input.type === 'close')}
    <details class="mt-3">
      <summary class="link py-2">Where it is, seen from below</summary>
      <Underside
        fasteners={around.fasteners}
        outline={around.outline}
        strong={s.points}
        label="The machine seen from below"
        most={18}
      />
    </details>
  {/if}

  <div class="mt-5">
    {#if timed && !readonly}{#key s.key}<StepTimer
          {bench}
          stepKey={s.key}
          seconds={timed.seconds}
          label={timed.label}
        />{/key}{/if}
    {#if !readonly && input.type !== 'close'}{#key s.key}<AskHere
          state={bench.state}
          {step}
          {machineId}
          sources={around.sources}
        />{/key}{/if}
    {#if readonly && input.type !== 'pour'}
      <p class="quiet">
        {step.done ? 'Done.' : step.leftOut !== null ? `Left out: ${step.leftOut}` : 'Not done.'}
      </p>
    {:else if input.type === 'close'}
      {#each input.items as key (key)}
        {@const i = bench.state.items.find((x) => x.item.key === key)!}
        <AskHere state={bench.state} {step} {machineId} sources={around.sources} itemKey={key} />
        <Shut
          item={i}
          tools={around.tools}
          {units}
          today={around.today}
          house={around.byFeel}
          problem={bench.problemAt === key ? bench.problem : null}
          write={(w) => onwardIf(bench.write({ itemKey: key, ...w }))}
          after={covered}
          keptAs="{bench.id} {key}"
        />
      {/each}
      {#if step.done}<button type="button" class="go next" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'oil'}
      {#key s.key}<OilPick
          {input}
          oils={around.tools.oils}
          expected={around.air}
          today={around.today}
          written={step.written.at(-1) ?? null}
          {problem}
          onwrite={(c) => doneAndOn(c)}
        />{/key}
    {:else if input.type === 'choice'}
      <div role="group" aria-label={s.title} class="choice flex flex-wrap gap-3">
        {#each ['yes', 'no'] as const as answer (answer)}
          <button
            type="button"
            aria-pressed={step.written.at(-1)?.answer === answer}
            class="go"
            class:faint={step.done && step.written.at(-1)?.answer !== answer}
            onclick={() => doneAndOn({ answer })}>{answer}</button
          >
        {/each}
      </div>
    {:else if input.type === 'clearances' && around.valves}
      {#key s.key}<Valves
          {input}
          valves={around.valves}
          visitId={bench.id}
          {machineId}
          today={around.today}
          done={step.done}
          onwrite={(clearances) => doneAndOn({ clearances })}
          {onward}
        />{/key}
    {:else if input.type === 'slack'}
      {#key s.key}<Slack
          {bench}
          {input}
          {step}
          sheet={around.chain}
          {units}
          {machineId}
          onwrite={(slack, instrument) => doneAndOn({ slack, ...(instrument && { instrument }) })}
        />{/key}
      {#if step.done}<button type="button" class="go next mt-3" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'measure'}
      {#key s.key}<Measure
          {input}
          written={measuredAt(step)}
          {units}
          keptAs="{bench.id} {s.key}"
          onwrite={(measured, instrument) => doneAndOn({ measured, ...(instrument && { instrument }) })}
        />{/key}
      {#if step.done}<button type="button" class="go next mt-3" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'drained'}
      {@const written = step.written.at(-1)?.ml ?? null}
      {#key s.key}<Amount
          label="Drained"
          hint={input.pouredLastTimeMl === null
            ? 'what went in last time is not known'
            : `last time ${Math.round(input.pouredLastTimeMl)} ml went in`}
          {written}
          odd={oddAt(bench.state, step)}
          {units}
          keptAs="{bench.id} {s.key}"
          onwrite={(v, t, _, by) => doneAndOn({ ml: v, asWritten: t, ...by })}
        />{/key}
      {#if step.done}<button type="button" class="go next mt-3" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'pour'}
      {#key s.key}<Pour {bench} step={s} {input} {units} {readonly} onwrite={(c) => doneAndOn(c)} />{/key}
      {#if step.done && !readonly}<button type="button" class="go next mt-3" onclick={onward}
          >Next step</button
        >{/if}
    {:else if input.type === 'debris'}
      {#key s.key}<DebrisPick
          {input}
          written={step.written.at(-1) ?? null}
          today={around.today}
          oilSaid={oilSaid(bench.state, step)}
          keptAs="{bench.id} {s.key}"
          onwrite={(c) => doneAndOn(c)}
        />{/key}
    {:else if input.type === 'level'}
      {#key s.key}<Level
          {input}
          {units}
          written={step.written}
          keptAs="{bench.id} {s.key}"
          onwrite={(c) => doneAndOn(c)}
        />{/key}
      {#if step.done}<button type="button" class="go next mt-3" onclick={onward}>Next step</button>{/if}
    {:else if step.done}
      <p class="figure text-xl" style:color="var(--done)">
        ■ {input.type === 'open' ? 'Off, and on the open list' : 'Done'}
      </p>
      <button type="button" class="go next mt-3" onclick={onward}>Next step</button>
    {:else}
      {#if asksWhich && input.type === 'open'}
        <WhichOne {around} points={s.points} twins={input.twins} bind:picked={pointedAt} />
      {/if}
      {#if input.type === 'start'}{#key s.key}<Ran
            seconds={runSeconds(bench.state)}
            onran={(c) => doneAndOn(c)}
          />{/key}{:else}<button
          type="button"
          class="go"
          onclick={() => doneAndOn(pointedAt ? { pointedAt } : {})}
          >{input.type === 'open' ? 'Off' : 'Done'}</button
        >{/if}
    {/if}
    {#if input.type === 'open' && !readonly}
      {@const bolts = bench.state.items.filter(
        (i) => i.item.kind === 'fastener' && input.items.includes(i.item.key)
      )}
      {#each bolts as item (item.item.key)}<AsFound
          {item}
          named={bolts.length > 1}
          write={(w) => bench.write(w)}
        />{/each}
    {/if}
    {#if problem && input.type !== 'close'}<p class="error mt-3" role="alert">{problem.words}</p>{/if}
    {#if step.leftOut !== null && !readonly}<p class="mt-3">Left out: {step.leftOut}</p>{/if}
  </div>

  {#if !readonly && input.type !== 'close'}
    <label class="quiet mt-5 block text-sm" for="remark"
      >Remark, kept with this step and shown here next time</label
    >
    <textarea id="remark" class="field mt-1 w-full" rows="1" maxlength="10000" bind:value={remark.value}
    ></textarea>
    {#if step.written.some((w) => w.remark)}<p class="text-sm">
        Written: {step.written
          .filter((w) => w.remark)
          .map((w) => w.remark)
          .join(' · ')}
      </p>{/if}
  {/if}
  {#key s.key}<Photos {bench} stepKey={s.key} last={s.last} {readonly} today={around.today} />{/key}
  {#if !readonly}
    <div class="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2">
      {#if onback}<button type="button" class="link py-2" onclick={onback}>Step before</button>{/if}
      {#if (step.done && input.type !== 'close') || step.leftOut !== null}<button
          type="button"
          class="link py-2"
          onclick={() => bench.write({ stepKey: s.key, action: 'undone', content: {} })}
          >Undo this step</button
        >{/if}
      {#if onlater && !step.done && step.leftOut === null}<button
          type="button"
          class="link py-2"
          onclick={onlater}>Do it later</button
        >{/if}
      {#if s.mayLeaveOut && !step.done && step.leftOut === null && !leaving}<button
          type="button"
          class="link py-2"
          onclick={() => (leaving = true)}>Leave it out</button
        >{/if}
      {#if !step.done && step.leftOut === null}{#key s.key}<HandOver
            {bench}
            {step}
            people={around.people}
            {onward}
          />{/key}{/if}
    </div>
    {#if leaving}
      {#key s.key}<LeaveOut
          keptAs="{bench.id} {s.key}"
          onleft={leaveOut}
          onkeep={() => (leaving = false)}
        />{/key}
    {/if}
  {/if}
</article>

<style>
  .faint {
    opacity: 0.5;
  }
  .lines li {
    padding-block: 0.35rem;
    border-bottom: 1px solid var(--rule);
    font-size: 1.1rem;
  }
  article :global(.go) {
    background: var(--ink);
    color: var(--paper);
    font: 700 1.6rem var(--font-plate);
    min-height: 3.75rem;
    min-width: min(100%, 18rem);
    padding: 0.4rem 2rem;
  }
  /* On a phone the main button is always on the screen, at the thumb; what else there is to press stands in its place. */
  @media (max-width: 900px) {
    article {
      padding-bottom: 5rem;
    }
    article :global(.go),
    .choice {
      position: fixed;
      inset: auto 0 0 0;
      z-index: 3;
      width: 100%;
      margin: 0;
      border-top: 4px solid var(--paper);
    }
    .choice .go {
      position: static;
      flex: 1;
      min-width: 0;
    }
    article:has(:global(.next)) :global(.go:not(.next)),
    article :global(section:has(.go) ~ section .go),
    article :global(section:has(.pull) form .go) {
      position: static;
      width: auto;
      border: 0;
    }
  }
  @media print {
    article :global(.go) {
      display: none;
    }
  }
</style>
