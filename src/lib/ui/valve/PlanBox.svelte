<!-- Shims: the plans side by side, each by one rule switched or picked by hand; what each moves, buys and leaves; one of them is settled on. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { ValveRules, ValveStand } from '$lib/core/valve/check';
  import {
    CHOICE_WORDS,
    fitsOf,
    isKept,
    missingOf,
    type DrawerShim,
    type PlanOf,
    type Unplanned
  } from '$lib/core/valve/choice';
  import { showUm, type ClearanceUnit } from '$lib/core/valve/limits';
  import type { Layout } from '$lib/core/valve/head';
  import type { KeptPlan } from '$lib/core/valve/stored';
  import { isShimmed } from '$lib/core/valve/head';
  import type { Series } from '$lib/core/valve/shim';
  import { soonOut } from '$lib/core/valve/soon';
  import type { ValveWear } from '$lib/core/valve/wear-of-head';
  import { Button } from '../form/controls';
  import FormError from '../form/FormError.svelte';
  import { Press } from '../form/press.svelte';
  import { Planner } from './planner.svelte';
  import PlanCard from './PlanCard.svelte';
  import SizesForm from './SizesForm.svelte';

  interface Props {
    stands: readonly ValveStand[];
    rules: ValveRules;
    drawer: readonly DrawerShim[];
    series: Series | null;
    acrossUm: number | null;
    headId: string;
    checkId: string;
    unit: ClearanceUnit;
    layout: Layout;
    /** The one that was settled on; null: none. */
    kept: KeptPlan | null;
    wear: readonly ValveWear[];
    /** Running hours to the next check; null: nobody knows. */
    nextInH: number | null;
  }
  let {
    stands,
    rules: house,
    drawer,
    series,
    acrossUm,
    headId,
    checkId,
    unit,
    layout,
    kept,
    wear,
    nextInH
  }: Props = $props();
  /** The house's rules, of which two can be switched here, for this plan. */
  let shimReading = $state(untrack(() => house.shimReading));
  let borderlineValve = $state(untrack(() => house.borderlineValve));
  const rules = $derived({ ...house, shimReading, borderlineValve });
  const planner = new Planner();
  onMount(() => planner.open());
  const soon = $derived(soonOut(stands, wear, rules, nextInH));
  /** The valves that are put right, picked by hand; null: as the rules have it. */
  let byHand = $state(
    untrack(() =>
      kept?.choice === 'by hand' ? kept.fits.map((f) => f.valve) : (null as readonly string[] | null)
    )
  );
  $effect(() =>
    planner.ask(
      $state.snapshot({ stands, rules, drawer, series, picked: { soon, byHand } }) as Parameters<
        Planner['ask']
      >[0]
    )
  );
  let shown = $state(untrack(() => kept?.choice ?? null));
  const plans = $derived(planner.plans);
  const plan = $derived<PlanOf | null>(plans.find((p) => p.choice === shown) ?? plans[0] ?? null);
  const missing = $derived(plan ? missingOf(plan.plan, plan.input, series) : []);
  const takes = $derived(byHand ?? plan?.plan.fits.filter((f) => f.from !== 'itself').map((f) => f.id) ?? []);
  function pick(valve: string, on: boolean) {
    byHand = on ? [...takes, valve] : takes.filter((v) => v !== valve);
    shown = 'by hand';
  }
  const hours = (h: number) => (h < 1 ? 'less than 1 h' : `about ${Math.round(h)} h`);
  const nameOf = (id: string | null) => stands.find((s) => s.valve.id === id)?.name ?? '';
  let sizing = $state(false);
  const READINGS = ['goes', 'middle of the bracket'] as const;
  const BORDERLINE = ['also put right while open', 'leave'] as const;
  const press = new Press();
  const WHY: Record<Unplanned['why'], string> = {
    'its shim is not known': 'read its stamp, and it is planned for',
    'no blade goes': 'not even the thinnest blade goes: nobody knows what it has',
    'not measured': 'not measured yet',
    'no limits': 'its limits are not on the sheet'
  };

  /** @param taken null: none any more */
  async function settle(taken: KeptPlan | null) {
    if (await press.send('valve.plan', { checkId, plan: taken })) await invalidateAll();
  }
</script>

<section class="mt-8" aria-label="Shim plan">
  <div class="flex flex-wrap items-baseline gap-x-4">
    <h2>Shim plan</h2>
    <span class="quiet text-sm"
      >{series
        ? `sizes made: ${showUm(series.thinnest)} to ${showUm(series.thickest)} by ${showUm(series.step)}`
        : 'which sizes are made nobody said: none can be bought'}</span
    >
    <button type="button" class="link no-print text-sm" onclick={() => (sizing = !sizing)}
      >{series ? 'change' : 'say which sizes'}</button
    >
  </div>
  <div class="no-print mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 text-sm">
    <label
      >reckoned from <select class="cell" style="width: auto" bind:value={shimReading}
        >{#each READINGS as r (r)}<option value={r}>{r === 'goes' ? 'the blade that goes' : r}</option
          >{/each}</select
      ></label
    >
    <label
      >a borderline valve <select class="cell" style="width: auto" bind:value={borderlineValve}
        >{#each BORDERLINE as r (r)}<option value={r}>{r}</option>{/each}</select
      ></label
    >
  </div>
  {#each soon as s (s.valve)}
    <p class="mt-2">
      {s.name} is in, and likely out before the next check: in {hours(s.inH)} at its usual wear, the check is in
      {hours(nextInH!)}.
    </p>
  {/each}
  {#if sizing}<SizesForm {headId} {series} {acrossUm} onleave={() => (sizing = false)} />{/if}
  <fieldset class="no-print mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
    <legend class="sr-only">Valves that are put right</legend>
    <span>put right</span>
    {#each stands.filter((s) => isShimmed(s.gauge)) as s (s.valve.id)}
      <label class="pick"
        ><input
          type="checkbox"
          checked={takes.includes(s.valve.id)}
          disabled={plans.length === 0}
          onchange={(e) => pick(s.valve.id, e.currentTarget.checked)}
        />
        {s.name}</label
      >
    {/each}
    {#if byHand}<button
        type="button"
        class="link"
        onclick={() => {
          byHand = null;
          shown = null;
        }}>by the rules again</button
      >{/if}
  </fieldset>
  {#if plans.length === 0}
    <p class="mt-2" role="status">
      {planner.failed ?? (planner.busy ? 'Working it out.' : 'Nothing to plan from yet.')}
    </p>
  {:else}
    <div class="plans" role="radiogroup" aria-label="Plans">
      {#each plans as p (p.choice)}
        <label class="one" class:on={plan?.choice === p.choice}
          ><input
            type="radio"
            name="plan-{checkId}"
            checked={plan?.choice === p.choice}
            onchange={() => (shown = p.choice)}
          />
          <span class="figure text-xl leading-tight font-bold">{CHOICE_WORDS[p.choice]}</span>
          <span class="figure text-lg"
            >{p.plan.fits.filter((f) => f.from !== 'itself').length} to change, {p.plan.bought} to buy</span
          >
          <span class:error={p.plan.outOfSpec > 0} class="text-sm"
            >{p.plan.outOfSpec > 0 ? `${p.plan.outOfSpec} stays out` : 'all in'}; {(
              p.plan.deviation / 1000
            ).toFixed(3)} mm from the aims in all</span
          >
          {#if isKept(p.plan, kept)}<span class="text-sm font-bold" style="color: var(--done)"
              >settled on</span
            >{/if}
        </label>
      {/each}
    </div>
    {#if plan}
      <PlanCard {plan} {stands} {layout} {unit} {wear} {nextInH} />
      {#each missing as m (m.valve)}
        {#if m.well}<p class="mt-2">
            {nameOf(m.valve)} is inside its limits; no shim that is made or there does better. Best would be {showUm(
              m.best
            )}.
          </p>
        {:else}
          <p class="caution mt-2">
            {nameOf(m.valve)} stays {showUm(Math.abs(m.off), unit)} too {m.off < 0 ? 'tight' : 'loose'}: it
            wants {showUm(m.thinnest)} to {showUm(m.thickest)}, best {showUm(m.best)}{m.notMade
              ? ', and no such size is made'
              : plan.rules.buy && series
                ? ''
                : ', and there is none'}.
          </p>
        {/if}
      {/each}
      {#if plan.unplanned.length > 0}<p class="mt-2 text-sm">
          Not in the plan: {plan.unplanned.map((u) => `${nameOf(u.valve)} (${WHY[u.why]})`).join('; ')}.
        </p>{/if}
      <div class="no-print mt-3 flex flex-wrap items-center gap-3">
        {#if !isKept(plan.plan, kept) && plan.plan.fits.some((f) => f.from !== 'itself')}<Button
            color="primary"
            disabled={press.busy}
            onclick={() => settle({ choice: plan.choice, fits: fitsOf(plan.plan) })}>Take this plan</Button
          >{/if}
        {#if kept}<button type="button" class="link" disabled={press.busy} onclick={() => settle(null)}
            >drop the plan that was taken</button
          >{/if}
      </div>
      <button type="button" class="link no-print mt-2 text-sm" onclick={() => print()}
        >print it to carry</button
      >
      <FormError message={Object.values(press.errors)[0]} />
    {/if}
  {/if}
</section>

<style>
  .plans {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
    gap: 0.5rem;
    margin-top: 0.75rem;
  }
  .one {
    position: relative;
    display: grid;
    align-content: start;
    gap: 0.15rem;
    border: 1px solid var(--rule-strong);
    padding: 0.6rem 0.8rem;
    cursor: pointer;
  }
  .one input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    opacity: 0;
    cursor: pointer;
  }
  .pick {
    display: inline-flex;
    align-items: center;
    gap: 0.4rem;
    min-height: 2.75rem;
    cursor: pointer;
  }
  .pick input {
    width: 1.3rem;
    height: 1.3rem;
    accent-color: var(--ink);
  }
  .on {
    border-color: var(--ink);
    box-shadow: inset 0 5px 0 var(--ink);
  }
  .one:has(:focus-visible) {
    outline: 3px solid var(--signal);
    outline-offset: 2px;
  }
</style>
