<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  import { judgeLevel } from '$lib/core/fluids/level';
  import { HOUSE_RULES, showRule } from '$lib/core/rules/rules';
  import { show, showBoth } from '$lib/core/quantity/quantity';

  let { data } = $props();
  const r = $derived(data.record);
  const f = $derived(r.findings);
  /** As the record keeps them: what holds today may be another. */
  const inForce = $derived(
    HOUSE_RULES.flatMap((rule) => {
      const value = r.rules[rule.key] ?? f?.rules[rule.key];
      return value === undefined ? [] : [{ rule, value }];
    })
  );
  const ml = (v: number | null) => {
    if (v === null) return 'not measured';
    const both = showBoth({ dimension: 'volume', base: v, value: v, unit: 'ml' }, data.units);
    return `${both.main} (${both.other})`;
  };
</script>

<svelte:head><title>{r.task} · {r.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  {#if r.machineId}<a href="/machines/{r.machineId}" class="flex items-center gap-3 no-underline"
      ><span class="plate text-3xl">{r.plate}</span><span class="figure text-2xl">{r.machine}</span></a
    >{:else}<span class="quiet">on the shelf</span>{/if}
  <h1>{r.task}</h1>
  <button type="button" class="link no-print ml-auto" onclick={() => print()}>Print</button>
</div>
<p class="figure mt-2 text-2xl">
  {r.doneOn}, at {r.hours === null ? 'hours not known' : `${showHours(r.hours)} h`}, by {r.by}
</p>
{#if r.part}<p class="quiet mt-1">Hours of the {r.part}, its own.</p>{/if}
{#if r.early}<p class="mt-2">Done early, with {r.early}.</p>{/if}
{#if r.perPart && !r.replaced}<p class="mt-2">The part was looked at and stayed; its count goes on.</p>{/if}
{#if r.reason}<p class="mt-2">Why then: {r.reason}</p>{/if}
{#if r.remark}<p class="mt-2 whitespace-pre-wrap">{r.remark}</p>{/if}

{#if f}
  <div class="mt-5 grid gap-8 md:grid-cols-2">
    <section>
      <h2>Oil</h2>
      <table class="sheet-table mt-1">
        <tbody>
          <tr><td>Drained</td><td class="figure text-lg">{ml(f.drainedMl)}</td></tr>
          <tr><td>Poured</td><td class="figure text-lg">{ml(f.pouredMl)}</td></tr>
          <tr
            ><td>Level, as left</td><td
              >{f.level ? `${f.level.method}: ${judgeLevel(f.level).words}` : 'not read'}</td
            ></tr
          >
          <tr><td>Time</td><td class="figure text-lg">{f.minutes} min</td></tr>
        </tbody>
      </table>
      <h2 class="mt-5">As found</h2>
      <table class="sheet-table mt-1">
        <tbody>
          {#each f.debris as d (d.place)}<tr
              ><td>{d.place}</td><td
                >{d.grade}{d.materials.length > 0 ? `; ${d.materials.join(', ')}` : ''}</td
              ></tr
            >{:else}<tr><td>Nothing was judged.</td></tr>{/each}
        </tbody>
      </table>
    </section>
    <section>
      <h2>As left</h2>
      <table class="sheet-table mt-1">
        <tbody>
          {#each f.fasteners as t (t.name)}
            <tr
              ><td
                >{t.name}{t.quantity > 1 ? ` × ${t.quantity}` : ''}<span class="quiet block text-sm"
                  >{t.place}</span
                ></td
              ><td class="figure text-lg"
                >{t.torque ? show(t.torque) : 'by feel'}{#if t.reason}<span
                    class="quiet block font-sans text-sm">{t.reason}</span
                  >{/if}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      {#if f.leftOut.length > 0}
        <h2 class="mt-5">Left out</h2>
        <ul>
          {#each f.leftOut as l (l.title)}<li class="rule-b py-1">{l.title}: {l.reason}</li>{/each}
        </ul>
      {/if}
      {#if f.remarks.length > 0}
        <h2 class="mt-5">Remarks</h2>
        <ul>
          {#each f.remarks as l, i (i)}<li class="rule-b py-1 break-words">{l.title}: {l.remark}</li>{/each}
        </ul>
      {/if}
    </section>
  </div>
{/if}
{#if inForce.length > 0}
  <section class="mt-6" aria-label="House rules in force">
    <h2>House rules in force</h2>
    <p class="mt-1 text-sm">
      {#each inForce as { rule, value }, i (rule.key)}{i > 0 ? '; ' : ''}<span class="quiet"
          >{rule.title.toLowerCase()}:</span
        >
        {showRule(rule, value)}{/each}.
    </p>
  </section>
{/if}
{#if r.visitId}<p class="no-print mt-6">
    <a class="link" href="/visits/{r.visitId}">The visit, step by step</a>
  </p>{/if}
