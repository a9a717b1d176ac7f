<!-- One machine of a race day: its row, the panel to pick from, and what is odd about it. -->
<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  import type { Person } from '$lib/core/team/team';
  import { meterApart, type DayMachine, type DayRow } from './day-row.svelte';
  import { shownBy } from '$lib/core/machine/shown';
  import { SYMPTOMS } from '$lib/core/outing/outing';
  import { namedIn } from '$lib/core/outing/remark';
  import RemarkOffers from './RemarkOffers.svelte';
  import Ridden from './Ridden.svelte';
  import Settle from './Settle.svelte';

  interface Props {
    r: DayRow;
    i: number;
    people: Person[];
    /** As it stands now: its hours move when a row is written. */
    stands: DayMachine;
    ondown: (e: KeyboardEvent, i: number, column: string) => void;
  }
  let { r, i, people, stands, ondown }: Props = $props();
  const meter = $derived(meterApart(stands));
  const named = $derived(namedIn(r.remark, shownBy(SYMPTOMS, r.machine.kind)));
</script>

<tr class="row">
  <td class="whitespace-nowrap"
    ><span class="plate text-lg">{r.machine.plate}</span>
    {r.machine.name}{#if !r.machine.ready}<strong class="block text-sm">not ready</strong>{/if}</td
  >
  <td class="figure text-lg whitespace-nowrap"
    >{stands.total === null ? 'not known' : `${showHours(stands.total)} h`}{#if meter !== null}<span
        class="quiet block text-sm">meter {showHours(meter)} h</span
      >{/if}</td
  >
  <td>
    <input
      id="typed-{i}"
      class="cell figure text-xl"
      inputmode="decimal"
      autocomplete="off"
      placeholder={r.reckoned ? '2h30 ridden' : ''}
      aria-label="{r.machine.plate} {r.reckoned ? 'time ridden' : 'meter shows'}"
      aria-invalid={r.errors.typed ? true : undefined}
      bind:value={r.typed}
      oninput={() => r.touch()}
      onkeydown={(e) => ondown(e, i, 'typed')}
    />
  </td>
  <td>
    <select id="rider-{i}" class="cell" aria-label="{r.machine.plate} rider" bind:value={r.riderId}>
      <option value="">not said</option>
      {#each people as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
    </select>
  </td>
  <td>
    <span class="flex">
      <input
        id="ridden-{i}"
        class="cell text-sm"
        autocomplete="off"
        placeholder={i === 0 ? 'such as 34 mud 3x heavy' : ''}
        aria-label="{r.machine.plate} how it was ridden"
        aria-invalid={r.riddenWrong ? true : undefined}
        bind:value={r.said}
        onchange={() => r.hear()}
        onkeydown={(e) => ondown(e, i, 'ridden')}
      />
      <button
        type="button"
        class="border px-2"
        style="border-color: var(--rule-strong)"
        aria-expanded={r.details}
        aria-label="{r.machine.plate} how it was ridden, to pick from"
        onclick={() => r.unfold()}>{r.details ? '▴' : '▾'}</button
      >
    </span>
  </td>
  <td
    ><input
      id="remark-{i}"
      class="cell"
      aria-label="{r.machine.plate} remark"
      bind:value={r.remark}
      onkeydown={(e) => ondown(e, i, 'remark')}
    /></td
  >
</tr>
{#if named.symptoms.length + named.damage.length + r.findings.length > 0}<tr
    ><td colspan="6"
      ><RemarkOffers
        {named}
        bind:symptoms={() => r.ridden.symptoms, (s) => r.report(s)}
        bind:findings={r.findings}
      /></td
    ></tr
  >{/if}
{#if r.details}<tr
    ><td colspan="6" class="details"
      ><Ridden
        bind:value={r.ridden}
        errors={r.errors}
        askSure={r.askSure}
        metered={!r.reckoned}
        kind={r.machine.kind}
      /></td
    ></tr
  >{/if}
{#if r.saved || r.asked}
  <tr>
    <td colspan="6">
      {#if r.saved}<p style:color="var(--done)" class="font-bold">
          ■ {r.machine.plate} written down: {r.saved}
        </p>{/if}
      {#each r.messages as message, k (k)}<p class="error" role="alert">
          {message}
        </p>{/each}
      {#if r.doubts.length > 0}<Settle
          doubts={r.doubts}
          ways={r.ways}
          bind:value={r.settlement}
          errors={r.errors}
        />{/if}
    </td>
  </tr>
{/if}

<style>
  .details {
    background: var(--sheet);
    padding: 0.75rem;
  }
  .row td {
    vertical-align: middle;
  }
</style>
