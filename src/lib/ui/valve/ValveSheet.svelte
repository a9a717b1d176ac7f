<!-- The valves of one head: measured, judged, planned, fitted, proven, closed; and how they wear. On its own page, and at the bench. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { page } from '$app/state';
  import { checkProblems, isBad, standsOf, wantsLeft, wantsNumber } from '$lib/core/valve/check';
  import { showUm, type ClearanceUnit } from '$lib/core/valve/limits';
  import { measuredTyped } from '$lib/core/valve/typed';
  import { isShimmed } from '$lib/core/valve/head';
  import { thickness } from '$lib/core/valve/shim';
  import { soonOut } from '$lib/core/valve/soon';
  import { asPast, wearOfHead } from '$lib/core/valve/wear-of-head';
  import { checkInput, type ValveSheet as Sheet } from '$lib/core/valve/sheet';
  import { keep, kept } from '../base/kept';
  import Toggle from '../form/Toggle.svelte';
  import { lookAgain } from '../base/again';
  import CloseBox from './CloseBox.svelte';
  import { ValveDesk } from './desk.svelte';
  import FitBox from './FitBox.svelte';
  import GuideBox from './GuideBox.svelte';
  import HeadDrawing from './HeadDrawing.svelte';
  import PlanBox from './PlanBox.svelte';
  import ValvePanel from './ValvePanel.svelte';
  import ValveTable from './ValveTable.svelte';
  import WearBox from './WearBox.svelte';
  import { verdictLine } from './words';

  interface Props {
    sheet: Sheet;
    /** The visit it is measured in; null: by itself. */
    visitId: string | null;
    tasks: readonly { id: string; name: string }[];
    printedGuide: string | null;
    /** Taken at its marks, the latest first. */
    marks?: readonly string[];
    today: string;
    /** At the bench: without close, guide and wear, which stand elsewhere there. */
    atBench?: boolean;
  }
  let { sheet, visitId, tasks, printedGuide, marks = [], today, atBench = false }: Props = $props();
  const printed = untrack(() => sheet.figures.inlet?.band ?? sheet.figures.exhaust?.band ?? null);
  const printedIn = (printed?.from ?? printed?.to)?.unit;
  const first = kept('device', 'ht_blades_in');
  let unit = $state<ClearanceUnit>(
    first === 'in' || first === 'mm'
      ? first
      : printedIn === 'in' || page.data.units === 'imperial'
        ? 'in'
        : 'mm'
  );
  const input = $derived(checkInput(sheet, unit));
  const desk = new ValveDesk(() => ({
    headId: sheet.head.id,
    input,
    series: sheet.head.series,
    ranAt: sheet.ranAt,
    coldAfterHours: sheet.coldAfterHours,
    visitId,
    unit
  }));
  const stands = $derived(desk.stands);
  /** As the book has it: what plans and the end of the check go by. */
  const book = $derived(standsOf(input));
  const problems = $derived(checkProblems(book, sheet.rules, unit));
  const open = $derived(sheet.check !== null);
  const changed = $derived(book.some((s) => s.changed));
  const withLeft = $derived(book.some(wantsLeft));
  /** The plan that was settled on is not in yet, or what went in was not right. */
  const toFit = $derived(
    sheet.check?.plan?.fits.some((f) => {
      const s = book.find((x) => x.valve.id === f.valve);
      const again = !s?.changed || (s.left !== null && isBad(s, sheet.rules));
      return f.from !== 'itself' && s?.shim && thickness(s.shim) !== f.shim && again;
    }) ?? false
  );
  let fitting = $state(false);
  /** The one that is measured: picked, or the first that wants a number. */
  const picked = $derived(
    stands.find((s) => s.valve.id === desk.picked) ?? stands.find((s) => wantsNumber(s)) ?? stands[0]!
  );
  const onward = $derived.by(() => {
    const at = stands.findIndex((s) => s.valve.id === picked.valve.id);
    const order = [...stands.slice(at + 1), ...stands.slice(0, at)];
    return order.find((s) => wantsNumber(s)) ?? null;
  });
  const drawn = $derived(
    Object.fromEntries(
      stands.map((s) => {
        const now = s.left ?? s.found;
        return [
          s.valve.id,
          {
            verdict: s.verdict,
            text: now && s.verdict !== 'to be proven' ? measuredTyped(now.measured, unit) : ''
          }
        ];
      })
    )
  );
  const past = $derived(
    sheet.check ? [asPast(book, sheet.check.id, today, sheet.check.hours), ...sheet.past] : sheet.past
  );
  const wear = $derived(wearOfHead(book, past, sheet.rules, sheet.head.series));
  const shimmed = $derived(book.filter((s) => isShimmed(s.gauge)));
  /** Somebody wants shims planned though nothing asks for it. */
  let planning = $state(false);
  const mayPlan = $derived(open && shimmed.some((s) => s.found && (!s.changed || s.left)));
  const planned = $derived(
    mayPlan &&
      (planning ||
        toFit ||
        shimmed.some((s) => s.verdict === 'borderline' || isBad(s, sheet.rules)) ||
        soonOut(shimmed, wear, sheet.rules, sheet.nextInH).length > 0)
  );
  function turn(to: ClearanceUnit) {
    unit = to;
    keep('device', 'ht_blades_in', to);
  }
  $effect(() => desk.restore());
  $effect(() => desk.follow());
  // Two people may be at one head: what the other measures is seen here without a press. Not while one's own is on its way.
  $effect(() => {
    if (!open) return;
    return lookAgain('app:valves', () => desk.busy);
  });
  const ago = $derived.by(() => {
    if (!sheet.ranAt) return null;
    const hours = (Date.now() - sheet.ranAt.getTime()) / 3_600_000;
    return hours < 1
      ? `${Math.max(1, Math.round(hours * 60))} min ago`
      : hours < 48
        ? `${Math.round(hours)} h ago`
        : `${Math.round(hours / 24)} days ago`;
  });
</script>

<div class="no-print mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
  {#if open}
    <p>
      Being measured since {new Intl.DateTimeFormat('en-GB', {
        weekday: 'short',
        hour: '2-digit',
        minute: '2-digit',
        timeZone: page.data.team?.timeZone
      }).format(sheet.check!.begunAt)}, begun by {sheet.check!.by}.
    </p>
  {:else if desk.coldByBook}
    <p>Stone cold by the book: it last ran {ago} at the latest.</p>
  {:else}
    <label class="cold"
      ><input
        type="checkbox"
        checked={desk.cold}
        onchange={(e) => void desk.sayCold(e.currentTarget.checked)}
      /> <strong>It is stone cold.</strong>
      <span class="quiet"
        >{ago ? `By the book it may have run until ${ago}.` : 'When it last ran the book does not know.'} Overnight
        is best.</span
      ></label
    >
  {/if}
  <div class="ml-auto flex items-center gap-1">
    <span class="quiet text-sm">blades in</span>
    <Toggle label="Blades are marked in" options={['mm', 'in'] as const} value={unit} onpick={turn} />
  </div>
</div>
{#if desk.said}<p class="error said mt-2" role="alert">{desk.said}</p>{/if}

<div class="mt-3 grid items-start gap-x-10 gap-y-4 md:grid-cols-[minmax(18rem,26rem)_1fr]">
  <div class="relative overflow-x-auto">
    <HeadDrawing
      layout={sheet.head.layout}
      valves={drawn}
      picked={picked.valve.id}
      onpick={(id) => (desk.picked = id)}
      label="The head from above, front at the top"
      most={sheet.head.layout.cylinders > 2 ? 40 : 26}
    />
  </div>
  {#key picked.valve.id}<ValvePanel
      {desk}
      stand={picked}
      blades={sheet.blades}
      {unit}
      onnext={onward ? () => (desk.picked = onward!.valve.id) : null}
    />{/key}
</div>

<div class="mt-6">
  <ValveTable {desk} {stands} {unit} {withLeft} />
  <p class="quiet no-print mt-1 text-sm">
    0.12 one reading · 0.10–0.15 this blade goes, that one does not · &lt;0.05 not even that one · &gt;0.30
    that one goes · 0.12±0.01 a dial. Enter writes and goes on; with a unit after it, in that unit.
  </p>
</div>

{#if sheet.check}
  {#if planned}<PlanBox
      stands={book}
      rules={sheet.rules}
      drawer={sheet.drawer}
      series={sheet.head.series}
      acrossUm={sheet.head.acrossUm}
      headId={sheet.head.id}
      checkId={sheet.check.id}
      layout={sheet.head.layout}
      {unit}
      kept={sheet.check.plan}
      {wear}
      nextInH={sheet.nextInH}
    />{:else if mayPlan && !book.some(wantsNumber)}<button
      type="button"
      class="link no-print mt-4"
      onclick={() => (planning = true)}>Put a valve right all the same</button
    >{/if}
  {#if sheet.check.plan && (toFit || fitting)}
    <FitBox
      stands={book}
      plan={sheet.check.plan}
      drawer={sheet.drawer}
      series={sheet.head.series}
      checkId={sheet.check.id}
      onleave={() => (fitting = false)}
    />
  {:else if changed}
    <section class="mt-6" aria-label="What went where">
      <h2>What went where</h2>
      {#each book.filter((s) => s.changed) as s (s.valve.id)}
        <p class="rule-b py-1.5">
          <strong>{s.name}</strong>
          <span class="figure text-lg"
            >{s.before ? showUm(thickness(s.before)!) : 'not known'} → {s.shim
              ? showUm(thickness(s.shim)!)
              : 'not known'}</span
          >
        </p>
      {/each}
      <p class="mt-2">
        Tensioner released, two full turns by hand, marks read again: then every changed valve as left, above.
        {#if sheet.check.plan}<button
            type="button"
            class="link no-print ml-2"
            onclick={() => (fitting = true)}>another shim went in</button
          >{/if}
      </p>
    </section>
  {/if}
{/if}

{#if sheet.check && !atBench}
  {#key sheet.check.id}<CloseBox
      checkId={sheet.check.id}
      {tasks}
      {problems}
      visitId={sheet.check.visitId}
    />{/key}
{/if}
{#if !atBench}
  <GuideBox
    headId={sheet.head.id}
    guide={sheet.head.guide}
    cylinders={sheet.head.layout.cylinders}
    printed={printedGuide}
    photos={marks}
  />
  <WearBox {wear} stands={book} past={sheet.past} {unit} {today} />
{/if}
<p class="sr-only" aria-live="polite">{picked.name}: {verdictLine(picked, unit)}</p>

<style>
  /* Whatever is pressed or typed further down, it is seen. */
  .said {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--paper);
    padding-block: 0.35rem;
  }
  .cold {
    border-left: 6px solid var(--signal);
    padding: 0.5rem 0.75rem;
    background: var(--sheet);
    cursor: pointer;
  }
  .cold input {
    width: 1.4rem;
    height: 1.4rem;
    margin-right: 0.4rem;
    accent-color: var(--ink);
  }
</style>
