<!-- The whole visit on one page, in working order: its number beside each line, one press a line, entries in place. -->
<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import { parseAir, type Air } from '$lib/core/fluids/air';
  import { oddAt } from '$lib/core/visit/odd';
  import { writtenInWords } from '$lib/core/visit/onward';
  import {
    nameIn,
    numberOf,
    quickAt,
    runFrom,
    putInWords,
    type AtHand,
    type Unsent
  } from '$lib/core/visit/quick';
  import { isLeft, isShut, type StepState } from '$lib/core/visit/state';
  import { rememberedAir } from './air';
  import Amount from './Amount.svelte';
  import AskHere from './AskHere.svelte';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    /** Steps that are called for, in order. */
    called: StepState[];
    /** The step that stands open in its place; null: none does. */
    at: string | null;
    units: 'metric' | 'imperial';
    today: string;
    /** By the simulated station; null: there is none. */
    station: Air | null;
    byFeel: boolean;
    machineId: string;
    sources: readonly string[];
    /** What the valve sheet says of its steps; undefined: no job is about valves. */
    clearances: AtHand['clearances'];
    readonly: boolean;
    onopen: (key: string | null) => void;
    /** The step that stands open, whole. */
    card: Snippet;
  }
  let {
    bench,
    called,
    at,
    units,
    today,
    station,
    byFeel,
    machineId,
    sources,
    clearances,
    readonly,
    onopen,
    card
  }: Props = $props();

  /** What somebody said of the air on this device holds at every step. */
  let said = $state<Air | null>(null);
  onMount(() => {
    said = parseAir(rememberedAir(today));
  });
  const hand = $derived({ tools: bench.tools, today, air: said ?? station, byFeel, clearances });
  /** By the step it begins at: looks that follow one another. */
  const runs = $derived.by(() => {
    const found: Record<string, string[]> = {};
    const taken: string[] = [];
    for (const s of readonly ? [] : called) {
      if (!isLeft(s) || taken.includes(s.step.key)) continue;
      const run = runFrom(bench.state, s.step.key);
      taken.push(...run);
      if (run.length > 1) found[s.step.key] = run;
    }
    return found;
  });
  /** Writes them one after the other; what is refused stops the rest and is said at its line. */
  function press(entries: readonly Unsent[]): boolean {
    return entries.every((e) => bench.write(e));
  }
  /** What the first press at each of these steps writes. */
  const entriesOf = (keys: readonly string[]): Unsent[] =>
    keys.flatMap((key) => {
      const s = called.find((x) => x.step.key === key);
      return s ? (quickAt(bench.state, s, hand)[0]?.entries ?? []) : [];
    });
  /** Which washers, rings and filter such a press puts in: what it writes down it says. */
  function putIn(keys: readonly string[]): string {
    const words = entriesOf(keys).flatMap(({ itemKey, content }) => {
      const item = bench.plan.items.find((i) => i.key === itemKey);
      return item ? putInWords(item, content) : [];
    });
    return words.length > 0 ? `, ${[...new Set(words)].join(', ')}` : '';
  }
  /** Nothing that it would close is open. */
  const notYet = ({ step: { input }, done }: StepState) =>
    input.type === 'close' &&
    !done &&
    bench.state.items.every(
      (i) => !input.items.includes(i.item.key) || (isShut(i) && i.stand !== 'deferred')
    );
  const problemOf = (s: StepState) => {
    const { input, key } = s.step;
    const here =
      bench.problemAt === key || (input.type === 'close' && input.items.includes(bench.problemAt ?? ''));
    return here ? bench.problem : null;
  };
</script>

<ol class="lines" aria-label="The sheet">
  {#each called as s, i (s.step.key)}
    {@const { key, input } = s.step}
    {@const left = isLeft(s)}
    {@const quick = readonly ? [] : quickAt(bench.state, s, hand)}
    {@const words = left ? numberOf(bench.plan, s) : writtenInWords(bench.state, s)}
    {@const problem = problemOf(s)}
    {@const odd = left ? null : oddAt(bench.state, s)}
    <li class:done={!left}>
      <div class="line">
        <span class="figure n">{i + 1}</span>
        <span
          class="tick"
          aria-label={s.done ? 'done' : s.leftOut !== null ? 'left out' : s.handed ? 'waits' : 'to do'}
          >{s.done ? '■' : s.leftOut !== null ? '–' : s.handed ? '…' : '□'}</span
        >
        <button
          type="button"
          class="what"
          aria-expanded={at === key}
          onclick={() => onopen(at === key ? null : key)}
          ><span class:font-bold={left}>{nameIn(bench.plan, s.step)}</span>{#if words}<span
              class="figure number">{words}</span
            >{/if}</button
        >
        {#if at !== key}
          <span class="press">
            {#each quick as q (q.label)}<button type="button" class="key" onclick={() => press(q.entries)}
                >{q.label}</button
              >{/each}
            {#if notYet(s)}<span class="quiet">not opened yet</span
              >{:else if left && quick.length === 0 && input.type !== 'drained' && input.type !== 'pour' && !readonly}<button
                type="button"
                class="key"
                onclick={() => onopen(key)}>Write …</button
              >{/if}
          </span>
        {/if}
      </div>
      {#if left && s.step.caution && at !== key}<p class="caution">{s.step.caution}</p>{/if}
      {#if left && at !== key && !readonly}<div class="asked">
          <AskHere state={bench.state} step={s} {machineId} {sources} />
        </div>{/if}
      {#if left && at !== key && !readonly && (input.type === 'drained' || input.type === 'pour')}
        <div class="amount">
          <Amount
            label={input.type === 'pour' ? 'Poured in' : 'Drained'}
            hint=""
            written={null}
            odd={null}
            {units}
            keptAs="{bench.id} {key}"
            onwrite={(ml, asWritten, _, by) =>
              press([
                {
                  stepKey: key,
                  action: 'done',
                  content: { ml, asWritten, ...by, ...(input.type === 'pour' && { pour: 'poured in' }) }
                }
              ])}
          />
        </div>
      {/if}
      {#if odd && at !== key}<p class="caution" role="status">{odd}</p>{/if}
      {#if problem && at !== key}<p class="error" role="alert">{problem.words}</p>{/if}
      {#if runs[key] && at !== key}<button
          type="button"
          class="key run"
          onclick={() => press(entriesOf(runs[key]!))}
          >{i + 1} to {called.findIndex((c) => c.step.key === runs[key]!.at(-1)) + 1} in one press{putIn(
            runs[key]!
          )}</button
        >{/if}
      {#if at === key}<div class="whole">{@render card()}</div>{/if}
    </li>
  {/each}
</ol>

<style>
  li {
    border-bottom: 1px solid var(--rule);
    padding-block: 0.3rem;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.25rem 0.75rem;
  }
  .n {
    width: 1.75rem;
    text-align: right;
  }
  .tick {
    color: var(--done);
  }
  .what {
    display: flex;
    flex: 1 1 14rem;
    flex-wrap: wrap;
    align-content: center;
    align-items: baseline;
    gap: 0 0.9rem;
    min-height: 3rem;
    text-align: left;
  }
  .number {
    font-size: 1.5rem;
  }
  .done .what {
    color: var(--ink-2);
  }
  .done .number {
    font-size: 1rem;
  }
  .press {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-left: auto;
  }
  .run {
    margin: 0.25rem 0 0.25rem 3.5rem;
    border-color: var(--ink);
  }
  .amount,
  .asked,
  .caution,
  .error {
    margin-left: 3.5rem;
  }
  .amount :global(.go) {
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.4rem 1.1rem;
  }
  .whole :global(article) {
    scroll-margin-top: 4rem;
  }
  .whole {
    border-left: 4px solid var(--signal);
    margin-block: 0.5rem 1rem;
    padding-left: 1rem;
  }
</style>
