<!-- What other sprockets do: ratio, speed, whether the axle still fits in its slot, which chain it takes, what the slack will be. -->
<script lang="ts">
  import { finalRatio, gearboxOf, pairsAround, speedAt, teethProblem, whatIf } from '$lib/core/chain/gearing';
  import { showSlack } from '$lib/core/chain/slack-typed';
  import { slotNow, type ChainNow, type ChainSheet } from '$lib/core/chain/sheet';

  let { sheet, now }: { sheet: ChainSheet; now: ChainNow } = $props();
  const gears = $derived(now.geometry.gears);
  const speeds = $derived(gearboxOf({ figures: sheet.figures, fasteners: [] }));
  const slot = $derived(slotNow(sheet, now.figures));
  /** What somebody wants to try; empty: as it is. */
  const tried = $state({ front: '', rear: '' });
  const SIDES = ['front', 'rear'] as const;
  const own = $derived(
    gears && (tried.front || tried.rear)
      ? { front: Number(tried.front || gears.front), rear: Number(tried.rear || gears.rear) }
      : null
  );
  const problem = $derived(own && (teethProblem('front', own.front) ?? teethProblem('rear', own.rear)));
  const rows = $derived(
    gears && now.figures.links !== null && now.geometry.centre !== null && now.slack !== null
      ? pairsAround(gears, own).map((p) => ({
          ...p,
          is: p.front === gears.front && p.rear === gears.rear,
          w: whatIf(
            gears,
            p,
            { links: now.figures.links!, grown: now.figures.grown, halfLink: sheet.drive.halfLink },
            { centre: now.geometry.centre!, slot },
            { at: sheet.drive.at, want: now.wanted?.aim ?? now.slack! }
          )
        }))
      : []
  );
</script>

<section class="mt-10" aria-label="Gearing" id="gearing">
  <h2>Gearing</h2>
  {#if !gears}<p class="mt-1">
      The teeth and the pitch are not all on the sheet yet: they are asked for above.
    </p>
  {:else}
    <p class="mt-1">
      Now <strong class="figure text-lg">{gears.front} : {gears.rear}</strong>, the wheel turns once in
      <strong class="figure text-lg">{finalRatio(gears).toFixed(2)}</strong> turns of the front sprocket.
      {#if slot === null}<span class="quiet"
          >Whether the axle fits in its slot is told once its marks are read with the slack, and the slot’s
          length or last mark is known.</span
        >{/if}
    </p>
    <form
      class="no-print mt-2 flex flex-wrap items-end gap-3"
      aria-label="Other sprockets"
      onsubmit={(e) => e.preventDefault()}
    >
      {#each SIDES as side (side)}<label
          ><span class="block text-sm">{side}</span><input
            class="cell figure text-lg w-20"
            inputmode="numeric"
            placeholder={String(gears[side])}
            bind:value={tried[side]}
            aria-label="{side === 'front' ? 'Front' : 'Rear'} teeth to try"
          /></label
        >{/each}
      {#if problem}<span class="error text-sm" role="alert">{problem}</span>{/if}
    </form>
    {#if rows.length === 0}<p class="mt-2">
        What another pair does to axle and chain is told once its links and its slack are known.
      </p>
    {:else}
      <div class="relative mt-2 overflow-x-auto">
        <table class="sheet-table stacked">
          <thead
            ><tr
              ><th>Teeth</th><th>Ratio</th><th>Against now</th><th>With this chain</th><th>A new chain</th
              >{#if speeds}{#each speeds.ratios as r, i (i)}<th title="ratio {r}">{i + 1}.</th
                  >{/each}{/if}</tr
            ></thead
          >
          <tbody>
            {#each rows as r (`${r.front} ${r.rear}`)}
              <tr class:now={r.is}>
                <td class="figure whitespace-nowrap font-bold">{r.front} : {r.rear}</td>
                <td data-label="Ratio" class="figure">{r.w.ratio.toFixed(2)}</td>
                <td data-label="Against now" class="figure whitespace-nowrap"
                  >{r.is
                    ? 'now'
                    : `${r.w.change > 0 ? '+' : '−'}${Math.abs(r.w.change).toFixed(1)} %, ${r.w.change > 0 ? 'shorter' : 'longer'}`}</td
                >
                <td data-label="With this chain"
                  >{#if !r.w.same}does not go round{:else if r.is}as it stands{:else}axle {Math.abs(
                      r.w.same.move
                    ).toFixed(1)} mm {r.w.same.move >= 0 ? 'back' : 'forward'}{r.w.same.inSlot === null
                      ? ''
                      : r.w.same.inSlot
                        ? ', fits'
                        : r.w.same.move > 0
                          ? `: past its slot, ${showSlack(r.w.same.slack!)} of slack left at the end`
                          : r.w.same.slack! > 0
                            ? `: ahead of its slot, ${showSlack(r.w.same.slack!)} of slack all forward`
                            : ': ahead of its slot, too short'}{/if}</td
                >
                <td data-label="A new chain"
                  >{r.w.fits === null
                    ? 'not known'
                    : r.w.fits.length === 0
                      ? 'none fits'
                      : `${r.w.fits.map((f) => f.links).join(' or ')} links`}</td
                >
                {#if speeds}{#each speeds.ratios as g, i (i)}<td data-label="{i + 1}. gear" class="figure"
                      >{Math.round(speedAt(speeds.rpm, speeds.primary, g, r.w.ratio, speeds.round))}</td
                    >{/each}{/if}
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <p class="quiet mt-1 text-sm">
        {#if speeds}Speeds in km/h, at {speeds.rpm} a minute, gear by gear.{:else}Speeds gear by gear need
          primary ratio, gear ratios, engine speed and the wheel’s way round on the <a
            class="link"
            href="/machines/{sheet.machineId}/sheet">spec sheet</a
          >.{/if}
        Other sprockets make the printed slack doubtful: read it anew.
      </p>
    {/if}
  {/if}
</section>

<style>
  .now td {
    background: var(--sheet);
  }
</style>
