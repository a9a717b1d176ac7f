<!-- One step: what to do, the next number huge, its caution, and what has to be put in. -->
<script lang="ts">
  import { standInWords, type StepState } from '$lib/core/visit/state';
  import { showBoth } from '$lib/core/quantity/quantity';
  import type { BenchVisit } from './bench.svelte';
  import Amount from './Amount.svelte';
  import Countdown from './Countdown.svelte';
  import DebrisPick from './DebrisPick.svelte';
  import Level from './Level.svelte';
  import Shut from './Shut.svelte';
  import { openHours } from '../shell/shell.svelte';

  interface Props {
    bench: BenchVisit;
    step: StepState;
    units: 'metric' | 'imperial';
    number: number;
    of: number;
    readonly: boolean;
    machineId: string;
    onward: () => void;
    onback: (() => void) | null;
  }
  let { bench, step, units, number, of, readonly, machineId, onward, onback }: Props = $props();
  const s = $derived(step.step);
  const input = $derived(s.input);
  const ml = (v: number) => ({ dimension: 'volume' as const, base: v, value: v, unit: 'ml' as const });
  const big = $derived(
    input.type === 'pour' && input.firstMl !== null ? showBoth(ml(input.firstMl), units) : null
  );
  let leaving = $state(false);
  let reason = $state('');
  let remark = $state('');
  const problem = $derived(
    bench.problemAt === s.key || (input.type === 'close' && input.items.includes(bench.problemAt ?? ''))
      ? bench.problem
      : null
  );

  $effect(() => {
    void s.key;
    leaving = false;
    reason = '';
    remark = '';
  });

  function done(content: object = {}) {
    const ok = bench.write({
      stepKey: s.key,
      action: 'done',
      content: { ...content, ...(remark.trim() ? { remark: remark.trim() } : {}) }
    });
    if (ok) remark = '';
    return ok;
  }
  function doneAndOn(content: object = {}) {
    if (done(content)) onward();
  }
  function leaveOut(e: SubmitEvent) {
    e.preventDefault();
    if (bench.write({ stepKey: s.key, action: 'left out', content: { reason } })) onward();
  }
</script>

<article aria-label="Step {number} of {of}">
  <p class="quiet figure text-lg">Step {number} of {of}</p>
  <h2 class="text-3xl">{s.title}</h2>
  {#if s.caution}<p class="caution mt-3">{s.caution}</p>{/if}
  {#if s.number}
    <div class="mt-4">
      <p class="quiet">{s.number.label}</p>
      {#if big}
        <p class="figure huge">{big.main}</p>
        <p class="figure text-2xl">
          {big.other}{#if input.type === 'pour' && input.heldBackMl}<span class="quiet"
              >, then {showBoth(ml(Math.round(input.heldBackMl)), units).main} by the level</span
            >{/if}
        </p>
      {:else}
        <p class="figure huge">unknown</p>
      {/if}
      <p class="quiet text-sm">
        {#if s.number.quantity}Quantity {showBoth(s.number.quantity, units).main};
        {/if}{s.number.source ?? 'not on the sheet: the manual has it'}{s.number.unsure ? ', not sure' : ''}
      </p>
    </div>
  {/if}
  {#if s.lines.length > 0}<ul class="lines mt-3">
      {#each s.lines as line (line)}<li>{line}</li>{/each}
    </ul>{/if}
  {#if s.key === 'meter' && !readonly}<button
      type="button"
      class="link mt-2"
      onclick={() => openHours(machineId)}>Log a new reading</button
    >{/if}

  <div class="mt-5">
    {#if readonly}
      <p class="quiet">
        {step.done ? 'Done.' : step.leftOut !== null ? `Left out: ${step.leftOut}` : 'Not done.'}
      </p>
    {:else if input.type === 'close'}
      {#each input.items as key (key)}
        {@const i = bench.state.items.find((x) => x.item.key === key)!}
        <Shut
          item={i}
          {units}
          problem={bench.problemAt === key ? bench.problem : null}
          write={(w) => bench.write({ itemKey: key, ...w })}
          after={s.after.length > 0
            ? bench.state.items
                .filter((x) => s.after.includes(x.item.key) && (x.stand === 'off' || x.stand === 'by hand'))
                .map((x) => `${x.item.name} is ${standInWords(x)}`)
            : []}
        />
      {/each}
      {#if step.done}<button type="button" class="go" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'drained'}
      <Amount
        label="Drained"
        hint={input.pouredLastTimeMl === null
          ? 'what went in last time is not known'
          : `last time ${Math.round(input.pouredLastTimeMl)} ml went in`}
        written={step.written.at(-1)?.ml ?? null}
        compare={{ drainedAgainst: input.pouredLastTimeMl }}
        {units}
        onwrite={(v, t) => doneAndOn({ ml: v, asWritten: t })}
      />
    {:else if input.type === 'pour'}
      <Amount
        label="Poured in"
        hint="each pour is added up"
        written={step.done ? step.written.reduce((sum, w) => sum + (w.ml ?? 0), 0) : null}
        compare={{}}
        {units}
        onwrite={(v, t) => done({ ml: v, asWritten: t })}
      />
      {#if step.done}<button type="button" class="go mt-3" onclick={onward}>Next step</button>{/if}
    {:else if input.type === 'debris'}
      {#key s.key}<DebrisPick
          {input}
          written={step.written.at(-1) ?? null}
          onwrite={(c) => doneAndOn(c)}
        />{/key}
    {:else if input.type === 'level'}
      {#if input.settleSeconds}<Countdown
          id="{bench.id}-{s.key}"
          seconds={input.settleSeconds}
          label="Settle"
        />{/if}
      {#key s.key}<Level {input} {units} written={step.written} onwrite={(c) => done(c)} />{/key}
      {#if step.done}<button type="button" class="go mt-3" onclick={onward}>Next step</button>{/if}
    {:else if step.done}
      <p class="figure text-xl" style:color="var(--done)">
        ■ {input.type === 'open' ? 'Off, and on the open list' : 'Done'}
      </p>
      <button type="button" class="go mt-3" onclick={onward}>Next step</button>
    {:else}
      <button type="button" class="go" onclick={() => doneAndOn()}
        >{input.type === 'open' ? 'Off' : 'Done'}</button
      >
    {/if}
    {#if problem && input.type !== 'close'}<p class="error mt-3" role="alert">{problem}</p>{/if}
    {#if step.leftOut !== null && !readonly}<p class="mt-3">Left out: {step.leftOut}</p>{/if}
  </div>

  {#if !readonly}
    {#if input.type !== 'close'}
      <label class="quiet mt-5 block text-sm" for="remark">Remark, kept with this step</label>
      <textarea id="remark" class="field mt-1 w-full" rows="1" maxlength="10000" bind:value={remark}
      ></textarea>
      {#if step.written.some((w) => w.remark)}<p class="text-sm">
          Written: {step.written
            .filter((w) => w.remark)
            .map((w) => w.remark)
            .join(' · ')}
        </p>{/if}
    {/if}
    <div class="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2">
      {#if onback}<button type="button" class="link py-2" onclick={onback}>Step before</button>{/if}
      {#if (step.done && input.type !== 'close') || step.leftOut !== null}<button
          type="button"
          class="link py-2"
          onclick={() => bench.write({ stepKey: s.key, action: 'undone', content: {} })}
          >Undo this step</button
        >{/if}
      {#if s.mayLeaveOut && !step.done && step.leftOut === null && !leaving}<button
          type="button"
          class="link py-2"
          onclick={() => (leaving = true)}>Leave it out</button
        >{/if}
    </div>
    {#if leaving}
      <form onsubmit={leaveOut} class="mt-2 flex flex-wrap items-end gap-3">
        <label class="grow text-sm"
          >Why is it left out?<input
            class="field mt-1 w-full"
            bind:value={reason}
            required
            maxlength="10000"
          /></label
        >
        <button class="key" type="submit">Leave it out</button>
        <button class="key" type="button" onclick={() => (leaving = false)}>Keep it</button>
      </form>
    {/if}
  {/if}
</article>

<style>
  .huge {
    font-size: clamp(3.5rem, 12vw, 6rem);
    line-height: 1;
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
  article :global(.key) {
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.4rem 1.1rem;
  }
  article :global(.field) {
    background: var(--sheet);
    border: 1px solid var(--rule-strong);
    color: var(--ink);
    min-height: 3rem;
    padding: 0.5rem 0.75rem;
  }
</style>
