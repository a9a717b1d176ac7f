<!-- The short form: every valve of the head a line, one field each, judged while it is typed. Enter or Tab writes and goes on. -->
<script lang="ts">
  import { isOut, wantsLeft, type Stage, type ValveStand } from '$lib/core/valve/check';
  import { spanOf } from '$lib/core/valve/clearance';
  import { isShimmed } from '$lib/core/valve/head';
  import type { ClearanceUnit } from '$lib/core/valve/limits';
  import { disagree } from '$lib/core/valve/shim';
  import { measuredTyped } from '$lib/core/valve/typed';
  import type { ShimField, ValveDesk } from './desk.svelte';
  import Scale from './Scale.svelte';
  import { verdictLine } from './words';

  interface Props {
    desk: ValveDesk;
    stands: readonly ValveStand[];
    unit: ClearanceUnit;
    /** As left is asked for too. */
    withLeft: boolean;
  }
  let { desk, stands, unit, withLeft }: Props = $props();
  const shimmed = $derived(stands.some((s) => isShimmed(s.gauge)));

  /** Down the column, as one measures; at its foot to the next column. */
  async function key(e: KeyboardEvent, valve: string, field: Stage | ShimField) {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    const from = e.currentTarget as HTMLElement;
    const all = [...document.querySelectorAll<HTMLElement>(`[data-valve-field="${field}"]`)];
    const to = all[all.indexOf(from as HTMLElement) + 1];
    // At once: whoever is quick has gone on before the answer is there. What is left is written.
    if (!desk.readable(valve, field)) return;
    if (to) to.focus();
    else await desk.leave(valve, field);
  }
  const fields = (s: ValveStand): { field: Stage | ShimField; label: string; head: string }[] => [
    { field: 'found', label: `${s.name}, as found`, head: 'As found' },
    ...(withLeft ? [{ field: 'left' as const, label: `${s.name}, as left`, head: 'As left' }] : [])
  ];
  const note = $props.id();
</script>

{#snippet cell(s: ValveStand, field: Stage | ShimField, label: string, width: string, placeholder: string)}
  {@const error = desk.errorOf(s.valve.id, field)}
  <input
    class="cell figure text-xl"
    class:fresh={desk.isFresh(s.valve.id, field)}
    style="width: {width}; min-width: 0"
    data-valve-field={field}
    aria-label={label}
    data-takes={field === 'stamp' ? undefined : 'length'}
    data-bare={field === 'measured' ? 'mm' : undefined}
    data-blades={field === 'found' || field === 'left' ? '' : undefined}
    aria-invalid={error ? true : undefined}
    aria-describedby={error ? `${note}-${s.valve.id}-${field}` : undefined}
    inputmode={field === 'found' || field === 'left' ? 'text' : 'decimal'}
    autocomplete="off"
    maxlength="40"
    {placeholder}
    value={desk.text(s.valve.id, field)}
    oninput={(e) => desk.type(s.valve.id, field, e.currentTarget.value)}
    onfocus={() => (desk.picked = s.valve.id)}
    onblur={() => void desk.leave(s.valve.id, field)}
    onkeydown={(e) => key(e, s.valve.id, field)}
  />
  {#if error}<p id="{note}-{s.valve.id}-{field}" class="error mt-1 text-sm" role="alert">
      {error.message}
      {#if error.sure && (field === 'found' || field === 'left')}<button
          type="button"
          class="link"
          onclick={() => void desk.sure(s.valve.id, field)}>It is so</button
        >{/if}
    </p>{/if}
{/snippet}

<table class="sheet-table stacked valves">
  <thead
    ><tr
      ><th>Valve</th><th>Last time</th><th>As found, {unit}</th>{#if withLeft}<th>As left, {unit}</th>{/if}<th
        >Says</th
      >{#if shimmed}<th>Shim, stamp</th><th>Micrometer, mm</th>{/if}</tr
    ></thead
  >
  <tbody>
    {#each stands as s (s.valve.id)}
      <tr class:on={desk.picked === s.valve.id}>
        <td
          ><button
            type="button"
            class="link min-h-10 text-left font-bold"
            onclick={() => (desk.picked = s.valve.id)}>{s.name}</button
          ></td
        >
        <td data-label="Last time" class="figure"
          >{#if s.last}{measuredTyped(s.last.measured, unit)}{#if s.last.hours !== null}<span
                class="quiet ml-1 text-sm">at {s.last.hours.toFixed(1)} h</span
              >{/if}{:else}<span class="quiet">none</span>{/if}</td
        >
        {#each fields(s) as f (f.field)}
          <td class="whole" data-label={f.head}
            >{#if f.field === 'left' && !wantsLeft(s)}{:else}{@render cell(
                s,
                f.field,
                f.label,
                '8.5rem',
                ''
              )}{/if}</td
          >
        {/each}
        <td data-label="Says" class="says"
          ><span class:error={isOut(s)} class:well={s.verdict === 'in'}>{verdictLine(s, unit)}</span>
          <span class="scale"
            ><Scale
              limits={s.limits}
              aim={s.aim}
              span={(s.left ?? s.found) ? spanOf((s.left ?? s.found)!.measured) : null}
              last={s.last ? spanOf(s.last.measured).from : null}
              {unit}
              label="{s.name} to scale"
            /></span
          ></td
        >
        {#if shimmed}
          {#if isShimmed(s.gauge)}
            <td data-label="Shim"
              >{@render cell(s, 'stamp', `${s.name}, shim as stamped`, '5.5rem', 'as stamped')}</td
            >
            <td data-label="Micrometer"
              >{@render cell(
                s,
                'measured',
                `${s.name}, shim by micrometer`,
                '5.5rem',
                ''
              )}{#if s.shim && disagree(s.shim)}<p class="error text-sm">not what it is stamped</p>{/if}</td
            >
          {:else}<td class="quiet" colspan="2">screw and lock-nut</td>{/if}
        {/if}
      </tr>
    {/each}
  </tbody>
</table>

<style>
  /* Typed, and not written yet. */
  .fresh {
    border-style: dashed;
  }
  .on {
    box-shadow: inset 5px 0 var(--ink);
  }
  .on td:first-child {
    padding-left: 0.75rem;
  }
  .well {
    color: var(--done);
    font-weight: 700;
  }
  .says {
    min-width: 11rem;
  }
  .scale {
    display: block;
    max-width: 12rem;
  }
</style>
