<!-- What goes where: the head with the shim of each valve, and a line each; a card to carry to the engine. -->
<script lang="ts">
  import type { ValveStand } from '$lib/core/valve/check';
  import { bandOf, takenOut, type PlanOf } from '$lib/core/valve/choice';
  import type { Span } from '$lib/core/valve/clearance';
  import { bareUm, showUm, type ClearanceUnit } from '$lib/core/valve/limits';
  import { thickness } from '$lib/core/valve/shim';
  import { stampOf } from '$lib/core/valve/stamp';
  import type { Layout } from '$lib/core/valve/head';
  import { lastsH } from '$lib/core/valve/wear';
  import type { ValveWear } from '$lib/core/valve/wear-of-head';
  import HeadDrawing from './HeadDrawing.svelte';
  import Scale from './Scale.svelte';

  interface Props {
    plan: PlanOf;
    stands: readonly ValveStand[];
    layout: Layout;
    unit: ClearanceUnit;
    wear: readonly ValveWear[];
    /** Running hours to the next check; null: nobody knows. */
    nextInH: number | null;
  }
  let { plan, stands, layout, unit, wear, nextInH }: Props = $props();
  const of = (id: string) => stands.find((s) => s.valve.id === id)!;
  const fits = $derived(plan.plan.fits);
  const bought = $derived(
    [...new Set(fits.flatMap((f) => (f.from === 'bought' ? [f.shim] : [])))]
      .sort((a, b) => a - b)
      .map((um) => [um, fits.filter((f) => f.from === 'bought' && f.shim === um).length] as const)
  );
  const band = (span: Span) =>
    span.closed || !Number.isFinite(span.to)
      ? showUm(span.from, unit)
      : `${bareUm(span.from, unit)} to ${showUm(span.to, unit)}`;
  const from = (f: (typeof fits)[number]) =>
    f.from === 'itself'
      ? 'stays'
      : f.from === 'another valve'
        ? `from ${of(f.of!).short}`
        : f.from === 'drawer'
          ? 'from the drawer'
          : 'buy it';
  /** How long what is predicted lasts, in words; empty: nobody knows, or it does not close up. */
  function lasts(id: string, predicted: number): string {
    const { limits } = of(id);
    const h = limits && lastsH(predicted, limits.lo, wear.find((w) => w.valve === id)?.rate ?? null);
    if (h === null) return '';
    const short = nextInH !== null && h < nextInH ? ', not to the next check' : '';
    return h > 999 ? 'lasts over 1,000 h' : `lasts about ${Math.round(h)} h${short}`;
  }
  /** In each valve the shim that is in it then, and where that comes from. */
  const drawn = $derived(
    Object.fromEntries(
      fits.map((f) => [
        f.id,
        {
          verdict: f.from === 'itself' ? ('in' as const) : ('to be proven' as const),
          text: showUm(f.shim).replace(' mm', ''),
          more:
            f.from === 'another valve'
              ? of(f.of!).short
              : f.from === 'itself'
                ? 'stays'
                : f.from === 'drawer'
                  ? 'drawer'
                  : 'buy'
        }
      ])
    )
  );
</script>

<div class="card">
  <HeadDrawing
    {layout}
    valves={drawn}
    label="What goes where, on the head from above"
    most={layout.cylinders > 2 ? 26 : 17}
  />
  <div>
    <table class="sheet-table stacked mt-4" aria-label="What goes where">
      <thead
        ><tr
          ><th>Valve</th><th>Comes out</th><th>Goes in</th><th>Where it comes from</th><th
            >Will have, at worst</th
          ><th><span class="sr-only">To scale</span></th></tr
        ></thead
      >
      <tbody>
        {#each fits as f (f.id)}
          {@const s = of(f.id)}
          {@const was = thickness(takenOut(s)!)!}
          <tr class:quiet={f.from === 'itself'}>
            <td class="font-bold">{s.name}</td>
            <td data-label="Out" class="figure text-lg whitespace-nowrap"
              >{f.from === 'itself' ? '' : showUm(was)}</td
            >
            <td data-label="In" class="figure text-2xl leading-none font-bold whitespace-nowrap"
              >{showUm(f.shim)}{#if f.from !== 'itself'}<span class="quiet ml-2 text-sm font-normal"
                  >stamped {stampOf(f.shim)}</span
                >{/if}</td
            >
            <td data-label="From">{from(f)}</td>
            <td data-label="Will have" class="figure text-lg whitespace-nowrap"
              >{band(bandOf(f, s))}{#if lasts(f.id, f.predicted)}<span class="quiet block text-sm font-normal"
                  >{lasts(f.id, f.predicted)}</span
                >{/if}</td
            >
            <td class="whole"
              ><Scale
                limits={s.limits}
                aim={plan.input.valves.find((v) => v.id === f.id)?.target ?? null}
                span={bandOf(f, s)}
                {unit}
                label="{s.name}, predicted, to scale"
              /></td
            >
          </tr>
        {/each}
        {#each plan.plan.untouched as id (id)}
          <tr class="quiet"><td class="font-bold">{of(id).name}</td><td colspan="5">not touched</td></tr>
        {/each}
      </tbody>
    </table>
  </div>
</div>
{#if bought.length > 0}<p class="figure mt-2 text-xl">
    To buy: {bought.map(([um, n]) => `${n} × ${showUm(um)}`).join(', ')}
  </p>{/if}
<p class="quiet mt-1 text-sm">
  Reckoned from {plan.rules.shimReading === 'goes' ? 'the blade that goes' : 'the middle of the bracket'},
  aimed at the {plan.rules.aim}. The band is as wide as the bracket it was found in: one step of blades may be
  as much as one step of shims.
</p>

<style>
  .card {
    display: grid;
    gap: 0.5rem 2rem;
    align-items: start;
    grid-template-columns: minmax(13rem, 17rem) 1fr;
  }
  /* Carried to the engine on paper as on a phone: the picture above its lines, none of it cut in two. */
  @media print {
    .card {
      grid-template-columns: 17rem 1fr;
      break-inside: avoid;
    }
  }
  @media screen and (max-width: 900px) {
    .card {
      grid-template-columns: 1fr;
    }
  }
</style>
