<!-- One valve: which blade to try, whether it goes, what that says. Large enough for a glove; at a keyboard G goes and D does not. -->
<script lang="ts">
  import type { Blade } from '$lib/core/valve/sheet';
  import { near, nextBlade } from '$lib/core/valve/blades';
  import { spanOf, type Measured } from '$lib/core/valve/clearance';
  import { isOut, NOTHING, wantsNumber, type ValveStand } from '$lib/core/valve/check';
  import { isShimmed } from '$lib/core/valve/head';
  import { bareUm, showUm, type ClearanceUnit } from '$lib/core/valve/limits';
  import { proofInWords } from '$lib/core/valve/proof';
  import { measuredWords } from '$lib/core/valve/typed';
  import type { ValveDesk } from './desk.svelte';
  import Scale from './Scale.svelte';
  import { VERDICT_WORDS } from './words';

  interface Props {
    desk: ValveDesk;
    stand: ValveStand;
    blades: readonly Blade[];
    unit: ClearanceUnit;
    /** The valve after it, by how they are walked; null: none is left. */
    onnext: (() => void) | null;
  }
  let { desk, stand: s, blades, unit, onnext }: Props = $props();
  const out = $derived(isOut(s));
  /** A screw is turned there and then, and read again after the nut. */
  const turning = $derived(!isShimmed(s.gauge) && out && s.left === null);
  const stage = $derived(s.changed || s.left || turning ? ('left' as const) : ('found' as const));
  const now = $derived(stage === 'left' ? s.left : s.found);
  /** Marked as one works; where none is, all. */
  const mine = $derived.by(() => {
    const marked = blades.filter((b) => b.unit === unit);
    return (marked.length > 0 ? marked : blades).map((b) => b.um);
  });
  const markOf = (um: number): ClearanceUnit =>
    blades.some((b) => b.um === um && b.unit === unit)
      ? unit
      : (blades.find((b) => b.um === um)?.unit ?? unit);
  const bracket = $derived(
    now?.measured.by === 'blades' ? now.measured : { by: 'blades' as const, goes: null, stops: null }
  );
  const span = $derived(now ? spanOf(now.measured) : null);
  const lastUm = $derived(s.last ? spanOf(s.last.measured).from : null);
  let chosen = $state<number | null>(null);
  const next = $derived(
    turning && s.limits && blades.length > 0
      ? nextBlade(spanOf(NOTHING), s.limits, mine, near(s.aim!, s.limits))
      : s.next
  );
  const asked = $derived(next?.what === 'try' ? next.blade : null);
  const blade = $derived(chosen ?? asked);
  const between = $derived(
    mine.filter(
      (b) => (bracket.goes === null || b > bracket.goes) && (bracket.stops === null || b < bracket.stops)
    )
  );
  /** Certain, or as certain as these blades make it. */
  const settled = $derived(!turning && !wantsNumber(s));

  async function say(goes: boolean) {
    if (blade === null) return;
    const m: Measured = goes
      ? {
          by: 'blades',
          goes: blade,
          stops: bracket.stops !== null && bracket.stops > blade ? bracket.stops : null
        }
      : {
          by: 'blades',
          goes: bracket.goes !== null && bracket.goes < blade ? bracket.goes : null,
          stops: blade
        };
    const valve = s.valve.id;
    desk.picked = valve;
    if (!(await desk.write(valve, stage, m))) return;
    chosen = null;
    // One press writes and goes on; what is out stays to be looked at.
    if (settled && !out) onnext?.();
  }
  function key(e: KeyboardEvent) {
    const typing =
      e.target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(e.target.tagName);
    if (typing || e.ctrlKey || e.metaKey || e.altKey || desk.busy || blade === null || settled) return;
    if (e.key === 'g') void say(true);
    else if (e.key === 'd') void say(false);
    else return;
    // Not the letters of the frame's own shortcuts while one measures.
    e.preventDefault();
    e.stopPropagation();
  }
</script>

<svelte:window onkeydowncapture={key} />

<section aria-label={s.name} class="panel">
  <div class="flex flex-wrap items-baseline justify-between gap-x-4">
    <h2 class="text-2xl">{s.name}</h2>
    <span class="quiet text-sm">gauge between {s.gauge}</span>
  </div>
  <Scale
    limits={s.limits}
    aim={s.aim}
    {span}
    last={lastUm}
    {unit}
    figures
    label="{s.name}: {now ? measuredWords(now.measured, unit) : 'not measured'}{s.limits
      ? `, limits ${showUm(s.limits.lo, unit)} to ${showUm(s.limits.hi, unit)}`
      : ''}"
  />
  <p class="figure text-2xl" class:error={out} aria-live="polite">
    {VERDICT_WORDS[s.verdict]}{#if now}<span class="quiet text-lg font-normal"
        >, {measuredWords(now.measured, unit)}</span
      >{/if}
  </p>
  {#if s.against}<p class="caution my-1 text-sm">
      {s.against.by} measured {measuredWords(s.against.measured, unit)}. Both cannot be: measure it once more.
    </p>{/if}
  {#if s.last}<p class="quiet text-sm">
      Last time {measuredWords(s.last.measured, unit)}{s.last.hours === null
        ? ''
        : ` at ${s.last.hours.toFixed(1)} h`}.
    </p>{/if}
  {#if turning && s.limits}
    <p class="caution mt-3">
      Loosen the lock-nut, turn the screw until about {showUm(s.aim!, unit)} drags lightly, hold the screw and tighten
      the nut. <strong>Then read it again</strong>: tightening moves it.
    </p>
  {/if}
  {#if blade !== null && !settled}
    <p class="mt-3">
      {stage === 'left' ? 'As left. ' : ''}Try the blade{#if next?.what === 'try' && chosen === null}<span
          class="quiet text-sm"
        >
          : about {Math.max(1, Math.round(next.expected))} more {Math.round(next.expected) > 1
            ? 'tries'
            : 'try'}</span
        >{/if}
    </p>
    <p class="figure text-6xl leading-none font-bold">
      {bareUm(blade, markOf(blade))} <span class="text-2xl font-normal">{markOf(blade)}</span>
      <span class="quiet text-xl font-normal">{showUm(blade, markOf(blade) === 'mm' ? 'in' : 'mm')}</span>
    </p>
    <div class="mt-3 flex flex-wrap gap-3">
      <button type="button" class="key main" disabled={desk.busy} onclick={() => void say(true)}
        >It goes</button
      >
      <button type="button" class="key main" disabled={desk.busy} onclick={() => void say(false)}
        >It does not go</button
      >
    </div>
    <div class="mt-3 flex flex-wrap items-center gap-1" role="group" aria-label="Another blade">
      <span class="quiet mr-1 text-sm">another:</span>
      {#each between as b (b)}
        <button type="button" class="chip figure" aria-pressed={b === blade} onclick={() => (chosen = b)}
          >{bareUm(b, unit)}</button
        >
      {/each}
    </div>
  {:else if blades.length === 0 && !settled}
    <p class="mt-3">
      Which blades there are nobody has listed: type what goes and what does not below. With <a
        class="link"
        href="/stores#blades">the blades in the stores</a
      > it is said which to try.
    </p>
  {:else if settled}
    <div class="mt-3 flex flex-wrap items-center gap-3">
      {#if onnext}<button type="button" class="key main" onclick={onnext}>Next valve</button>{/if}
      {#if now}<button
          type="button"
          class="link text-sm"
          disabled={desk.busy}
          onclick={() => void desk.write(s.valve.id, stage, { by: 'blades', goes: null, stops: null })}
          >measure it anew</button
        >{/if}
    </div>
  {/if}
  {#if s.proof && !s.proof.ok}
    <div class="caution mt-3">
      <p>
        {proofInWords(s.proof, s.verdict, unit)}
      </p>
      {#each s.proof.causes as c, i (i)}
        <p class="text-sm">
          {#if c.what === 'in the wrong place'}Just what the shim meant for {desk.stands.find(
              (x) => x.valve.id === c.of
            )?.name ?? 'another valve'} would leave: are the two exchanged?
          {:else if c.what === 'another size'}As a shim {showUm(Math.abs(c.by))}
            {c.by > 0 ? 'thicker' : 'thinner'} would leave: measure it by micrometer, its stamp may be misread.
          {:else}Something is not seated: dirt under the shim or the bucket, or a cap not down.{/if}
        </p>
      {:else}<p class="text-sm">
          No misread stamp explains it: measure it once more before the cam comes out again.
        </p>{/each}
    </div>
  {/if}
</section>

<style>
  .panel {
    border-top: 3px solid var(--ink);
    padding-top: 0.5rem;
  }
  .main {
    min-width: 9rem;
    min-height: 3.6rem;
    font-size: 1.25rem;
    border: 2px solid var(--ink);
  }
  .main:hover:not(:disabled) {
    background: var(--ink);
    color: var(--paper);
  }
  .chip {
    border: 1px solid var(--rule-strong);
    min-height: 2.5rem;
    min-width: 3rem;
    padding: 0 0.5rem;
    font-size: 1.1rem;
  }
  .chip[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
</style>
