<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import { isCrew } from '$lib/core/access/places';
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import { showDay } from '$lib/core/time/day';
  import { doneAtInWords } from '$lib/core/record/hours';
  import { worstOf } from '$lib/core/debris/trend';
  import { judgeLevel } from '$lib/core/fluids/level';
  import { HOUSE_RULES, showRule } from '$lib/core/rules/rules';
  import { filterInWords } from '$lib/core/visit/items';
  import { ranInWords } from '$lib/core/visit/timers';
  import { showBand } from '$lib/core/quantity/band';
  import { show, showBoth } from '$lib/core/quantity/quantity';
  import Valves from '$lib/ui/record/Valves.svelte';
  import Slack from '$lib/ui/record/Slack.svelte';
  import AtSteps from '$lib/ui/record/AtSteps.svelte';
  import Corrections from '$lib/ui/record/Corrections.svelte';

  let { data } = $props();
  const r = $derived(data.record);
  /** The whole visit: what its jobs share stands in it once. */
  const f = $derived(data.whole);
  const several = $derived(data.jobs.length > 1);
  /** What was done; where its record does not say, the task it settled. */
  const title = $derived(data.jobs.map((j) => j.content?.title || j.task).join(' + '));
  /** Photos of what was judged, beside it. */
  const photosAt = (stepKey: string | null) =>
    data.photos.filter((p) => p.stepKey === stepKey && stepKey !== null);
  const remarksAt = (stepKey: string | null) =>
    (f?.remarks ?? []).filter((x) => x.stepKey === stepKey && stepKey !== null).map((x) => x.remark);
  /** As the record keeps them: what holds today may be another. */
  const inForce = $derived(
    HOUSE_RULES.flatMap((rule) => {
      const value = r.rules[rule.key] ?? f?.rules[rule.key];
      return value === undefined ? [] : [{ rule, value }];
    })
  );
  const circuits = $derived(f?.circuits ?? []);
  const worst = $derived(worstOf((f?.debris ?? []).flatMap((d) => (d.verdict ? [d.verdict] : []))));
  const ml = (v: number | null) => {
    if (v === null) return 'not measured';
    const both = showBoth({ dimension: 'volume', base: v, value: v, unit: 'ml' }, data.units);
    return `${both.main} (${both.other})`;
  };
</script>

<svelte:head><title>{title} · {r.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  {#if r.machineId}<a href="/machines/{r.machineId}" class="flex items-center gap-3 no-underline"
      ><span class="plate text-3xl">{r.plate}</span><span class="figure text-2xl">{r.machine}</span></a
    >{:else}<span class="quiet">on the shelf</span>{/if}
  <h1>{title}</h1>
  <span class="ml-auto"><PaperLinks path="/records/{data.record.id}/record.pdf" words="On paper" /></span>
</div>
<p class="figure mt-2 text-2xl">
  {showDay(r.doneOn, data.today)}, at {doneAtInWords(r)}, by {r.by}
</p>
{#each data.jobs as j (j.id)}
  {#snippet settles()}{#if j.content?.title && j.content.title !== j.task}<span class="quiet"
        >, for “{j.task}”</span
      >{/if}{/snippet}
  {#snippet said()}
    {#if j.early}<p class="mt-1">Done early, with {j.early}.</p>{/if}
    {#if j.perPart && !j.replaced}<p class="mt-1">
        The part was looked at and stayed; its count goes on.
      </p>{/if}
    {#if j.reason}<p class="mt-1">Why then: {j.reason}</p>{/if}
    {#if j.remark}<p class="mt-1 whitespace-pre-wrap">{j.remark}</p>{/if}
  {/snippet}
  {#if several}
    <div class="mt-2">
      <span class="font-bold">{j.content?.title || j.task}</span
      >{@render settles()}{#if j.hours !== r.hours}<span class="figure">, at {doneAtInWords(j)}</span>{/if}
      {@render said()}
    </div>
  {:else}<p>{@render settles()}</p>
    {@render said()}{/if}
{/each}
<Corrections
  recordId={r.id}
  circuits={f?.circuits ?? []}
  fasteners={f?.fasteners ?? []}
  corrections={data.corrections}
  may={!data.you || isCrew(data.you.role)}
/>

{#if f}
  <p class="mt-2">
    {#if f.afterwards}<span class="figure text-xl">Written down afterwards</span><span class="quiet"
        >: how long it took is not known.</span
      >{:else}<span class="figure text-xl">{f.minutes} min</span>{/if}{#if f.estimate && !f.afterwards}<span
        class="quiet"
        >, against about {Math.round(f.estimate.elapsed)} worked out ({Math.round(f.estimate.attended)} with hands
        on it)</span
      >{/if}
  </p>
  {#if worst !== 'carry on'}<p class="caution mt-2">
      <strong>{worst}.</strong> What came out with the oil, below.
    </p>{/if}
  {#if f.deferred.length > 0}
    <div class="caution mt-2">
      <p class="font-bold">Left undone, and keeps the machine from being ready:</p>
      {#each f.deferred as d (d.itemKey)}<p>
          {d.name}, {d.place}: waits for {d.part || d.waitsFor}. {d.reason}
        </p>{/each}
    </div>
  {/if}
  <div class="print-columns mt-5 grid gap-8 md:grid-cols-2">
    <section>
      <h2>Oil</h2>
      {#each circuits as c (c.circuit)}
        <table class="sheet-table mt-1">
          <caption class="text-left font-bold">{c.circuit}</caption>
          <tbody>
            {#if c.oil}<tr
                ><td>Oil</td><td
                  >{oilInWords(c.oil)}{#if c.oil.deviation}<span class="block text-sm"
                      >not the sheet’s, because {c.oil.deviation}</span
                    >{/if}</td
                ></tr
              >{/if}
            <tr><td>Drained</td><td class="figure text-lg">{ml(c.drainedMl)}</td></tr>
            <tr
              ><td>Poured</td><td class="figure text-lg"
                >{ml(c.pouredMl)}{#if c.intoFilterMl}<span class="quiet block font-sans text-sm"
                    >{ml(c.intoFilterMl)} of it into the filter</span
                  >{/if}</td
              ></tr
            >
            {#if c.used}<tr
                ><td>Used since the last change</td><td class="figure"
                  >{Math.round(c.used.ml)} ml{c.used.mlPerHour === null
                    ? ''
                    : `, ${c.used.mlPerHour.toFixed(1)} ml an hour`}</td
                ></tr
              >{/if}
            <tr
              ><td>Level, as left</td><td
                >{c.level ? `${c.level.method}: ${judgeLevel(c.level).words}` : 'not read'}</td
              ></tr
            >
          </tbody>
        </table>
      {:else}<p class="quiet">No oil in this job.</p>{/each}
      {#each data.rises as rise (rise)}<p class="caution mt-1">{rise}</p>{/each}
      <h2 class="mt-5">As found</h2>
      <table class="sheet-table mt-1">
        <tbody>
          {#each f.debris as d, i (i)}<tr
              ><td
                >{d.place}{#each photosAt(d.stepKey) as p (p.id)}<a
                    class="block"
                    href="/api/photos/{p.id}"
                    target="_blank"
                    rel="noopener"><img src="/api/photos/{p.id}?small" alt={d.place} class="h-20" /></a
                  >{/each}</td
              ><td
                >{d.grade}{d.materials.length > 0 ? `; ${d.materials.join(', ')}` : ''}{d.oilLook &&
                d.oilLook !== 'as usual'
                  ? `; oil ${d.oilLook}`
                  : ''}{#if d.verdict}<span class="block text-sm"
                    ><strong>{d.verdict}</strong>{d.overruled
                      ? `, overruled: ${d.overruled}`
                      : `. ${(d.reasons ?? []).join(' ')}`}</span
                  >{/if}{#each remarksAt(d.stepKey) as remark, k (k)}<span class="block break-words"
                    >{remark}</span
                  >{/each}</td
              ></tr
            >{:else}<tr><td>No debris was judged.</td></tr>{/each}
          {#each f.found as x, i (i)}<tr
              ><td>{x.name}</td><td>found {x.how}{x.note ? `: ${x.note}` : ''}</td></tr
            >{/each}
          {#each f.measured as m, i (i)}<tr
              ><td
                >{m.title}{#if m.band}<span class="quiet block text-sm">{showBand(m.band)}</span>{/if}</td
              ><td class="figure"
                >{#if m.found}<span class="quiet">{show(m.found)}, then</span>{/if}
                {show(m.measured)}{m.judged ? `, ${m.judged}` : ''}</td
              ></tr
            >{/each}
          {#each f.instruments as x, i (i)}<tr
              ><td>{x.title}</td><td
                ><span class="figure">{x.said}</span>
                <span class="quiet">read off by {x.instrument}</span></td
              ></tr
            >{/each}
        </tbody>
      </table>
    </section>
    <section>
      <h2>As left</h2>
      <table class="sheet-table mt-1">
        <tbody>
          {#each f.fasteners as t, i (i)}
            <tr
              ><td
                >{t.name}{t.quantity > 1 ? ` × ${t.quantity}` : ''}<span class="quiet block text-sm"
                  >{t.place}</span
                ></td
              ><td class="figure text-lg"
                >{t.torque ? show(t.torque) : t.stand}{#if t.marked}, marked{/if}<span
                  class="quiet block font-sans text-sm"
                  >{[
                    t.reason ?? '',
                    data.wrenches[t.wrenchId ?? ''] ?? '',
                    t.settingNm ? `set to ${t.settingNm.toFixed(1)} N·m with an adapter` : '',
                    t.seal ? `seal: ${t.seal === 'new' ? 'new' : 'the old one again'}` : ''
                  ]
                    .filter(Boolean)
                    .join('; ')}</span
                ></td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      {#if f.fitted.length > 0 || f.ranSeconds}
        <table class="sheet-table mt-3" aria-label="Put in and run">
          <tbody>
            {#each f.fitted as x, i (i)}<tr><td>{x.name}</td><td>{filterInWords(x)}</td></tr>{/each}
            {#if f.ranSeconds}<tr><td>Engine run</td><td class="figure">{ranInWords(f.ranSeconds)}</td></tr
              >{/if}
          </tbody>
        </table>
      {/if}
      {#if f.leftOut.length > 0 || f.passedOver.length > 0}
        <h2 class="mt-5">Left out</h2>
        <ul>
          {#each f.leftOut as l, i (i)}<li class="rule-b py-1">{l.title}: {l.reason}</li>{/each}
          {#each f.passedOver as l, i (i)}<li class="rule-b py-1">
              {l.name}, not visited: {l.reason}
            </li>{/each}
        </ul>
      {/if}
      <AtSteps steps={data.atSteps} />
      {#if f.done.length > 0}<details class="mt-5">
          <summary class="link py-2">{f.done.length} steps, as they were done</summary>
          <ul>
            {#each f.done as d (d.stepKey)}<li class="rule-b py-1">
                {d.title}{#if d.said}<span class="quiet">: {d.said}</span>{/if}
              </li>{/each}
          </ul>
        </details>{/if}
    </section>
  </div>
{/if}
{#if data.valves}<Valves check={data.valves} />{/if}
{#if data.slack}<Slack check={data.slack} machineId={data.record.machineId} />{/if}
{#if inForce.length > 0}
  {#snippet rules()}{#each inForce as { rule, value }, i (rule.key)}{i > 0 ? '; ' : ''}<span class="quiet"
        >{rule.title.toLowerCase()}:</span
      >
      {showRule(rule, value)}{/each}.{/snippet}
  <section class="mt-6 text-sm" aria-label="House rules in force">
    <details class="no-print">
      <summary class="link py-2">House rules in force, {inForce.length}</summary>
      <p>{@render rules()}</p>
    </details>
    <p class="hidden print:block">House rules in force: {@render rules()}</p>
  </section>
{/if}
{#if r.visitId}<p class="no-print mt-6">
    <a class="link" href="/visits/{r.visitId}">The visit, step by step</a>
  </p>{/if}
