<!-- Which oil goes in: the stores judged against the sheet, the air and what is inside; the wrong bottle is stopped. -->
<script lang="ts">
  import type { Air } from '$lib/core/fluids/air';
  import { gradesIn, oilInWords } from '$lib/core/fluids/can';
  import { canOf, judgeOil, mixing, spanWords } from '$lib/core/fluids/oil';
  import type { DoneContent } from '$lib/core/visit/entry';
  import type { Problem } from './bench.svelte';
  import type { StepInput } from '$lib/core/job/plan';
  import type { StockedOil } from '$lib/core/stores/toolbox';
  import { untrack } from 'svelte';
  import Radios from '../form/Radios.svelte';
  import AirField from './AirField.svelte';

  interface Props {
    input: Extract<StepInput, { type: 'oil' }>;
    oils: StockedOil[];
    /** By the simulated station; null: there is none. */
    expected: Air | null;
    today: string;
    written: DoneContent | null;
    problem: Problem | null;
    onwrite: (c: DoneContent) => boolean;
  }
  let { input, oils, expected, today, written, problem, onwrite }: Props = $props();
  let picked = $state<string | null>(untrack(() => written?.oilId ?? null));
  let other = $state(untrack(() => (written?.oilId === null ? (written.oil ?? '') : '')));
  let air = $state<Air | null>(untrack(() => expected));
  let deviation = $state('');
  const id = $props.id();
  const list = $derived(
    oils
      .map((oil) => ({ oil, verdict: judgeOil(canOf(oil), input.want, air) }))
      .sort(
        (a, b) =>
          a.verdict.stop.length - b.verdict.stop.length ||
          a.verdict.word.length - b.verdict.word.length ||
          b.oil.stockMl - a.oil.stockMl
      )
  );
  const chosen = $derived(list.find((x) => x.oil.id === picked));
  const asks = $derived((chosen && chosen.verdict.stop.length > 0) || problem?.asksWhy);
  const litres = (ml: number) => `${(ml / 1000).toFixed(2).replace(/0$/, '')} L`;

  function save() {
    const why = deviation.trim() ? { deviation: deviation.trim() } : {};
    if (chosen) onwrite({ oilId: chosen.oil.id, oil: chosen.oil.name, oilGrade: chosen.oil.grade, ...why });
    else onwrite({ oilId: null, oil: other.trim(), oilGrade: gradesIn(other)[0] ?? '', ...why });
  }
</script>

<p class="text-lg">
  {#if input.want.grade}The sheet wants <strong>{input.want.grade}</strong>.{:else}<strong
      >Which oil it wants is not on the sheet: look it up in the manual.</strong
    >{/if}
  {input.quantityMl === null ? '' : `It takes ${litres(input.quantityMl)}.`}
  {#if input.want.wetClutch !== false && !input.circuit.includes('differential')}{input.want.wetClutch ===
    null
      ? 'Whether its clutch runs in it is not on the sheet: taken as if it did.'
      : 'Its clutch runs in it: JASO MA or MA2, no friction modifiers.'}{/if}
</p>
<p class="quiet">
  Inside now: {input.inside ? oilInWords(input.inside) : 'not known'}.
</p>
{#if input.want.table.length > 0}
  <div class="mt-2">
    <AirField label="Air it will be ridden in until the next change" bind:air station={expected} {today} />
  </div>
  <p class="quiet text-sm">
    Its table: {input.want.table.map((s) => `${s.grade} ${spanWords(s)}`).join(' · ')}
  </p>
{/if}
{#if list.length > 0}
  <Radios
    label="Oil"
    class="mt-3 grid gap-2"
    options={list.map((x) => x.oil.id)}
    bind:value={() => picked, (v) => ((picked = v), (other = ''))}
  >
    {#snippet one(id)}
      {@const { oil, verdict } = list.find((x) => x.oil.id === id)!}
      <span class="figure text-xl font-bold">{verdict.stop.length > 0 ? '✕ ' : ''}{oilInWords(oil)}</span>
      <span class="text-sm"
        >{[oil.kind, ...oil.ratings, ...oil.additives.map((a) => `holds ${a}`)].join(' · ')}; {litres(
          oil.stockMl
        )} there</span
      >
      {#if verdict.stop.length > 0}<span class="font-bold">Stop. {verdict.stop.join(' ')}</span>{/if}
      {#each verdict.word as w, k (k)}<span>{w}</span>{/each}
      {#if picked === oil.id && mixing(oil, input.inside)}<span class="text-sm"
          >Another than is inside: drain it well.</span
        >{/if}
    {/snippet}
  </Radios>
{:else}<p class="quiet mt-3">No oil is in the stores. Name what goes in, below.</p>{/if}
<label class="mt-3 block text-sm" for="{id}-other"
  >Another, not from our stores: name, grade and ratings as the can says
  <input
    id="{id}-other"
    class="field mt-1 w-full"
    maxlength="120"
    bind:value={other}
    oninput={() => (picked = null)}
  /></label
>
{#if asks}<label class="mt-3 block" for="{id}-why"
    >It goes in all the same: say why <input
      id="{id}-why"
      class="field mt-1 w-full"
      maxlength="10000"
      bind:value={deviation}
    /></label
  >{/if}
<button type="button" class="go mt-3" onclick={save}>This oil</button>
{#if written?.oil}<p class="mt-2">
    Written: {oilInWords({ name: written.oil, grade: written.oilGrade ?? '' })}{written.deviation
      ? `, because ${written.deviation}`
      : ''}
  </p>{/if}
