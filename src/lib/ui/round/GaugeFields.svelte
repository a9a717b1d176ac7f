<!-- What a number is read against: the sheet's figure, or numbers of the team's own. -->
<script lang="ts">
  import { UNIT_NAMES, type UnitName } from '$lib/core/quantity/units';
  import type { Gauge } from '$lib/core/round/check';
  import { usualUnit } from '$lib/core/round/gauge';
  import { FIGURE_KINDS, type FigureKey } from '$lib/core/specs/sheet';

  let { gauge, onset }: { gauge: Gauge; onset: (gauge: Gauge) => void } = $props();
  const MEASURED = FIGURE_KINDS.filter((k) => k.dimension !== null && !k.perFastener);
  const set = (more: Partial<Gauge>) => {
    const { figure, from, to, unit, step, least } = gauge;
    onset({ figure, from, to, unit, step, least, ...more });
  };
  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value.replace(',', '.'));
  const end = (e: Event) => {
    const text = (e.currentTarget as HTMLInputElement).value.trim().replace(',', '.');
    return text === '' ? null : Number(text);
  };
  const goesBy = (figure: FigureKey | null) =>
    set(figure ? { figure, from: null, to: null, unit: usualUnit(figure) } : { figure: null, least: false });
</script>

<label class="wide"
  >What is wanted <select
    class="in"
    value={gauge.figure ?? ''}
    onchange={(e) => goesBy((e.currentTarget.value || null) as FigureKey | null)}
    ><option value="">the same on all, typed here</option>{#each MEASURED as k (k.key)}<option value={k.key}
        >the sheet’s: {k.label}</option
      >{/each}</select
  ></label
>
{#if gauge.figure === null}
  <label
    >Unit <select
      class="in"
      value={gauge.unit}
      onchange={(e) => set({ unit: e.currentTarget.value as UnitName })}
      >{#each UNIT_NAMES as u (u)}<option>{u}</option>{/each}</select
    ></label
  >
  <label
    >From <input
      class="in"
      inputmode="decimal"
      value={gauge.from ?? ''}
      onchange={(e) => set({ from: end(e) })}
    /></label
  >
  <label
    >to <input
      class="in"
      inputmode="decimal"
      value={gauge.to ?? ''}
      onchange={(e) => set({ to: end(e) })}
    /></label
  >
{:else}
  <label class="tick wide"
    ><input type="checkbox" checked={gauge.least} onchange={(e) => set({ least: e.currentTarget.checked })} /> it
    is the least there may be</label
  >
{/if}
<label
  >Readings offered every <input
    class="in"
    inputmode="decimal"
    value={gauge.step}
    onchange={(e) => set({ step: number(e) })}
  />
  {gauge.unit}</label
>
