<!-- A visit that was done away from the app: one form with what was measured and seen, and each opened point confirmed closed. -->
<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import { untrack } from 'svelte';
  import { GRADES, MATERIALS, type Material } from '$lib/core/debris/debris';
  import { OIL_LOOKS, type OilLook } from '$lib/core/debris/trend';
  import { parseAir, type Air } from '$lib/core/fluids/air';
  import { bestOil } from '$lib/core/job/gather/gather';
  import { LEVEL_METHODS, type LevelMethod } from '$lib/core/specs/sheet';
  import {
    NOT_MEASURED,
    asOnTheSheet,
    aimOfStep,
    levelMethodOf,
    methodKey,
    REMARK,
    filterKey,
    filterSaid,
    numberKey,
    sealKey,
    sealSaid,
    toSay,
    withAnswers,
    writtenAfterwards,
    type Wanted
  } from '$lib/core/visit/afterwards';
  import {
    FILTER_IN,
    levelsAtAGlance,
    nameIn,
    numberOf,
    sealInWords,
    type AtHand
  } from '$lib/core/visit/quick';
  import { FILTERS } from '$lib/core/visit/entry';
  import type { StepState } from '$lib/core/visit/state';
  import { rememberedAir } from './air';
  import { Draft } from './draft.svelte';
  import OnePick from '../form/OnePick.svelte';
  import Picks from '../form/Picks.svelte';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    units: 'metric' | 'imperial';
    readonly: boolean;
    /** Air of the weeks ahead; null: nobody knows. */
    station: Air | null;
    today: string;
    /** The house lets bolts be tightened by feel. */
    byFeel: boolean;
    /** What the valve sheet says of its steps; undefined: no job is about valves. */
    clearances: AtHand['clearances'];
    /** Where it is. */
    valvesHref: string;
    /** Once all of it is written. */
    ondone: () => void;
  }
  let { bench, units, readonly, station, today, byFeel, clearances, valvesHref, ondone }: Props = $props();
  /** What was typed, there again after a reload or a look at the steps. */
  const draft = untrack(() => new Draft(bench.id));
  const { said, closed, why, materials, oilLook, leftOut } = draft;
  $effect(() => draft.keep());
  /** What is wanted or was refused here, by key. */
  let refused = $state<Record<string, Wanted>>({});
  /** The server may refuse later what was taken here. */
  const wrong = $derived<Record<string, Wanted>>(
    bench.problem && bench.problemAt ? { ...refused, [bench.problemAt]: bench.problem } : refused
  );
  const ahead = $derived(
    withAnswers(bench.state, { ...draft.all, units, clearances }, { tools: bench.tools })
  );
  const form = $derived(toSay(ahead));
  const anything = $derived(form.asked.length + form.closed.length + form.done.length > 0);
  const id = $props.id();
  const labelOf = (s: StepState) => {
    const { type } = s.step.input;
    const several = form.asked.filter((x) => x.step.input.type === type).length > 1;
    const of = several && s.step.circuit ? `, ${s.step.circuit}` : '';
    if (type === 'drained') return `Drained${of}`;
    if (type === 'pour') return `Poured in${of}`;
    if (type === 'oil') return `Oil${of}`;
    return nameIn(bench.plan, s.step);
  };
  const ours = (id: string | undefined) => bench.tools.oils.some((o) => o.id === id);
  /** The oil is looked at once, where it came out first. */
  const firstLook = $derived(form.asked.find((s) => s.step.input.type === 'debris')?.step.key);
  const isField = ({ step: { input } }: StepState) =>
    ['drained', 'pour', 'measure', 'slack', 'oil'].includes(input.type);
  const optionsOf = (s: StepState): readonly string[] => {
    const { type } = s.step.input;
    if (type === 'debris') return GRADES;
    if (type === 'choice') return ['yes', 'no'];
    return levelsAtAGlance(levelMethodOf(s, said), aimOfStep(s)).map(([label]) => label);
  };
  // The oil that suits, where the stores have one: seen here, and corrected where another went in.
  untrack(() => {
    for (const { step } of bench.state.steps)
      if (step.input.type === 'oil') {
        const oil = bestOil(step.input.want, bench.tools.oils, parseAir(rememberedAir(today)) ?? station);
        if (oil) said[step.key] ??= oil.id;
      }
  });
  const allClosed = $derived(form.closed.every((i) => closed[i.item.key]));

  function save(e: SubmitEvent) {
    e.preventDefault();
    const { lines, wanted } = writtenAfterwards(
      ahead,
      { ...draft.all, units, clearances },
      {
        tools: bench.tools,
        byFeel
      }
    );
    refused = wanted;
    if (Object.keys(wanted).length > 0) return look();
    for (const { key, entry } of lines)
      if (!bench.write(entry)) {
        refused = { [key]: bench.problem ?? { words: 'Not taken.', asksWhy: false } };
        return look();
      }
    draft.drop();
    ondone();
  }
  /** To the first that is wanted. */
  const look = () =>
    setTimeout(() =>
      document.querySelector<HTMLElement>(`[data-wrong]`)?.scrollIntoView({ block: 'center' })
    );
</script>

{#snippet reason(key: string, label: string)}
  {#if wrong[key]?.asksWhy}<label class="block text-sm"
      >{label}: why <input class="field mt-1 w-full" bind:value={why[key]} maxlength="10000" /></label
    >{/if}
{/snippet}
{#snippet said_(key: string, label: string)}
  {#if wrong[key]}
    <p class="error" data-wrong role="alert">{wrong[key].words}</p>
    {@render reason(key, label)}
  {/if}
{/snippet}

{#if readonly || !anything}
  <p class="mt-2 text-lg">{readonly ? 'This visit is over.' : 'All of it is written down.'}</p>
{:else}
  <form onsubmit={save} aria-label="Write it down" novalidate>
    <p class="quiet">
      For work done away from here. What is not asked about was done; the record says that it was written
      afterwards.
    </p>
    {#if clearances}<p class="mt-2">
        The numbers of the valves stand on the <a class="link" href={valvesHref}>valve sheet</a>, one screen
        for all of them: {clearances.left &&
        form.done.every((s) => s.step.input.type !== 'clearances' || clearances[s.step.input.stage])
          ? 'they are all there.'
          : 'write them there first.'}
      </p>{/if}
    <div class="two mt-3">
      {#each form.asked.filter((s) => isField(s)) as s (s.step.key)}
        {@const { key, input } = s.step}
        <div>
          <label for="{id}-{key}"
            >{labelOf(s)}
            {#if numberOf(bench.plan, s)}<span class="quiet text-sm">{numberOf(bench.plan, s)}</span
              >{/if}</label
          >
          {#if input.type !== 'oil'}
            <input
              id="{id}-{key}"
              class="field figure w-full text-2xl"
              inputmode="decimal"
              autocomplete="off"
              placeholder={input.type === 'measure'
                ? input.unit
                : input.type === 'slack'
                  ? units === 'metric'
                    ? 'mm'
                    : 'in'
                  : units === 'metric'
                    ? 'ml'
                    : 'US qt'}
              aria-invalid={wrong[key] ? true : undefined}
              disabled={leftOut[key] !== undefined}
              bind:value={said[key]}
            />
            {#if input.type === 'drained' && s.step.mayLeaveOut}<label
                class="flex min-h-11 items-center gap-2"
                ><input
                  type="checkbox"
                  class="h-6 w-6"
                  checked={leftOut[key] !== undefined}
                  onchange={(e) => {
                    if (e.currentTarget.checked) leftOut[key] = NOT_MEASURED;
                    else delete leftOut[key];
                  }}
                /> not measured</label
              >{/if}
          {:else}
            {#if bench.tools.oils.length > 0}<select
                id="{id}-{key}"
                class="field w-full"
                bind:value={() => (ours(said[key]) ? said[key] : ''), (v) => (said[key] = v ?? '')}
                ><option value="">another, as its can says</option>{#each bench.tools.oils as o (o.id)}<option
                    value={o.id}>{oilInWords(o)}</option
                  >{/each}</select
              >{/if}
            {#if !ours(said[key])}<input
                id={bench.tools.oils.length > 0 ? undefined : `${id}-${key}`}
                class="field w-full"
                maxlength="120"
                placeholder="name, grade and ratings, as the can says"
                aria-label="{labelOf(s)}, as the can says"
                bind:value={said[key]}
              />{/if}
          {/if}
          {@render said_(key, labelOf(s))}
        </div>
      {/each}
    </div>

    {#each form.asked.filter((s) => !isField(s)) as s (s.step.key)}
      {@const { key, input } = s.step}
      <div class="mt-3">
        {#if input.type === 'level' && input.protocol.method === null}<OnePick
            label="{labelOf(s)}: how is it read?"
            options={LEVEL_METHODS}
            bind:value={() => (said[methodKey(key)] ?? '') as LevelMethod, (v) => (said[methodKey(key)] = v)}
          />{/if}
        <OnePick
          label={numberOf(bench.plan, s) ? `${labelOf(s)}, ${numberOf(bench.plan, s)}` : labelOf(s)}
          options={optionsOf(s)}
          error={wrong[key]?.words}
          bind:value={() => said[key] ?? '', (v) => (said[key] = v)}
        />
        {#if input.type === 'debris' && said[key] && said[key] !== 'none'}<Picks
            label="Of what"
            options={MATERIALS}
            bind:value={() => materials[key] ?? [], (v) => (materials[key] = v as Material[])}
          />{/if}
        {#if input.type === 'debris' && key === firstLook}<OnePick
            label="The oil itself"
            options={OIL_LOOKS}
            bind:value={() => oilLook[key] ?? 'as usual', (v) => (oilLook[key] = v as OilLook)}
          />{/if}
        {@render reason(key, labelOf(s))}
      </div>
    {/each}

    {#if form.closed.length > 0}
      <fieldset class="mt-5">
        <legend class="figure text-xl font-bold">Closed again</legend>
        <label class="all"
          ><input
            type="checkbox"
            class="h-6 w-6"
            checked={allClosed}
            onchange={(e) => {
              const all = e.currentTarget.checked;
              for (const i of form.closed) closed[i.item.key] = all;
            }}
          />
          <span class="font-bold">All {form.closed.length}, as they stand here</span></label
        >
        {#each form.closed as i (i.item.key)}
          {@const { key, name, kind, seal } = i.item}
          <div class="closed">
            <label class="flex min-h-11 grow items-center gap-3"
              ><input type="checkbox" class="h-6 w-6" bind:checked={closed[key]} />
              {name}{i.item.quantity > 1 ? ` × ${i.item.quantity}` : ''}
            </label>
            {#if seal !== 'none'}<select
                class="cell seal"
                aria-label="{name}: {seal}"
                bind:value={() => sealSaid(i, said), (v) => (said[sealKey(key)] = v)}
                >{#each ['new', 'again'] as const as s (s)}<option value={s}>{sealInWords(i.item, s)}</option
                  >{/each}</select
              >{/if}
            {#if i.item.filter}<select
                class="cell seal"
                aria-label="{name}: which"
                bind:value={() => filterSaid(i, said), (v) => (said[filterKey(key)] = v ?? '')}
                >{#each FILTERS as f (f)}<option value={f}>{FILTER_IN[f]}</option>{/each}</select
              ><label
                ><span class="sr-only">{name}: number on it</span><input
                  class="cell w-32"
                  placeholder="number on it"
                  autocomplete="off"
                  maxlength="60"
                  bind:value={() => said[numberKey(key)] ?? '', (v) => (said[numberKey(key)] = v)}
                /></label
              >{/if}
            {#if kind === 'fastener'}<label
                ><span class="sr-only">{name}: torque</span><input
                  class="field figure w-36 text-xl"
                  placeholder="by feel"
                  autocomplete="off"
                  bind:value={() => said[key] ?? asOnTheSheet(i), (v) => (said[key] = v)}
                /></label
              >{/if}
          </div>
          {@render said_(key, name)}
        {/each}
      </fieldset>
    {/if}

    {#if form.done.length > 0}
      <details class="mt-4">
        <summary class="link py-2"
          >{form.done.length} looks and jobs by hand, done unless you say otherwise</summary
        >
        {#each form.done as s (s.step.key)}
          <div class="closed">
            <span class="grow">{nameIn(bench.plan, s.step)}</span>
            {#if s.step.mayLeaveOut}<label class="text-sm"
                >not done, because <input
                  class="field w-56"
                  maxlength="10000"
                  bind:value={leftOut[s.step.key]}
                  aria-label="{nameIn(bench.plan, s.step)}: not done, because"
                /></label
              >{/if}
          </div>
        {/each}
      </details>
    {/if}
    {#each form.done as s (s.step.key)}{#if wrong[s.step.key]}<p class="mt-2 font-bold">
          {nameIn(bench.plan, s.step)}
        </p>
        {@render said_(s.step.key, nameIn(bench.plan, s.step))}{/if}{/each}
    <label class="mt-4 block" for="{id}-remark">Remarks</label>
    <textarea id="{id}-remark" class="field mt-1 w-full" rows="2" maxlength="10000" bind:value={draft.remark}
    ></textarea>
    {@render said_(REMARK, 'Remarks')}
    <button type="submit" class="go mt-4">Write it down and close</button>
  </form>
{/if}

<style>
  .seal {
    width: 12rem;
  }
  .two {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
    gap: 0.75rem 1.5rem;
  }
  .all,
  .closed {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.25rem 1rem;
    border-bottom: 1px solid var(--rule);
    padding-block: 0.2rem;
  }
  .all {
    gap: 0.75rem;
    min-height: 3rem;
    border-color: var(--rule-strong);
  }
  input[type='checkbox'] {
    accent-color: var(--ink);
  }
  .go {
    background: var(--ink);
    color: var(--paper);
    font: 700 1.6rem var(--font-plate);
    min-height: 3.75rem;
    width: 100%;
  }
</style>
