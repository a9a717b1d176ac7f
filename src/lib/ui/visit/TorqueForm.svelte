<!-- One fastener torqued: which wrench, what it was set to, with an adapter or without, and the washer. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { z } from 'zod';
  import { calibrationWord, covers, onScale, uncovered, wrenchesFor } from '$lib/core/fasteners/wrench';
  import { middle, showBand } from '$lib/core/quantity/band';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { show } from '$lib/core/quantity/quantity';
  import { pullsLeft, type ItemState } from '$lib/core/visit/items';
  import { BY_HOUSE_RULE } from '$lib/core/visit/quick';
  import { wantsSequence } from '$lib/core/visit/refuse';
  import type { Toolbox } from '$lib/core/stores/toolbox';
  import { UnsentFields } from '../form/unsent-fields.svelte';
  import { filledBy } from '../instrument/filled-by';
  import AdapterSum from './AdapterSum.svelte';
  import type { Problem, Write } from './bench.svelte';
  import CrissCross from './CrissCross.svelte';
  import SealPick from './SealPick.svelte';

  interface Props {
    item: ItemState;
    tools: Toolbox;
    units: 'metric' | 'imperial';
    today: string;
    /** What it was refused for; the reason is asked for where it says so. */
    problem: Problem | null;
    blocked: boolean;
    seal: 'new' | 'again';
    /** The house lets it be done by feel. */
    house: boolean;
    write: (w: Write) => boolean;
    /** What is typed and not written is kept in this window under this name. */
    keptAs: string;
  }
  let {
    item,
    tools,
    units,
    today,
    problem,
    blocked,
    seal = $bindable(),
    house,
    write,
    keptAs
  }: Props = $props();
  const i = $derived(item.item);
  const band = $derived(i.torque?.band ?? null);
  // What the wrench is set to: the middle of a range.
  const spec = $derived(band && middle(band));
  const best = untrack(() => (spec ? wrenchesFor(spec.base, tools.wrenches, today)[0] : undefined));
  let wrenchId = $state(best?.id ?? '');
  const unsent = untrack(
    () =>
      new UnsentFields(
        `${keptAs} torque`,
        z.object({
          /** As somebody typed it; null: as the wrench is set for the sheet's value. */
          typed: z.string().nullable(),
          reason: z.string(),
          byFeel: z.string(),
          remark: z.string()
        }),
        {
          typed: null as string | null,
          reason: '',
          // Where the maker gives words and no number, they are the reason to go by feel, and for nothing else.
          byFeel: item.item.torque?.words ?? (house ? BY_HOUSE_RULE : ''),
          remark: ''
        }
      )
  );
  const { now } = unsent;
  let feeling = $state(false);
  let withAdapter = $state(untrack(() => item.item.adapter));
  let adapted = $state<{ settingNm: number; adapterId: string | undefined; angleDeg: number } | null>(null);
  let error = $state('');
  const id = $props.id();
  let field: HTMLInputElement | undefined = $state();
  const asks = $derived(problem?.asksWhy ?? false);
  const wrench = $derived(tools.wrenches.find((w) => w.id === wrenchId));
  /** The sheet's value by the scale of the wrench that is picked: it is set by that, whatever the sheet is in. */
  const set = $derived(
    !spec || !band?.from || !band.to
      ? ''
      : !wrench || wrench.unit === spec.unit || withAdapter
        ? show(spec)
        : onScale(spec.base, wrench)
  );
  const written = $derived(now.typed ?? set);
  /** A bare number is read off the scale. */
  const unit = $derived(withAdapter ? spec?.unit : (wrench?.unit ?? spec?.unit));
  /** What the bolt is to get: as typed, else as the sheet has it. */
  const atBolt = $derived.by(() => {
    const parsed = parseQuantity(written, { dimension: 'torque', unit });
    return parsed.ok ? parsed.quantity : spec;
  });
  const lack = $derived(spec ? uncovered(spec, tools.wrenches) : null);
  const sequence = $derived(wantsSequence(item));
  const sealed = $derived(
    i.seal === 'none'
      ? {}
      : { seal, ...(now.reason.trim() && seal === 'again' ? { sealReason: now.reason.trim() } : {}) }
  );

  function torque(e: SubmitEvent) {
    e.preventDefault();
    const parsed = parseQuantity(written, { dimension: 'torque', unit });
    if (!parsed.ok) {
      error = parsed.problem.message;
      return;
    }
    if (withAdapter && !adapted) {
      error = 'With an adapter its lengths are needed; or take the tick away.';
      return;
    }
    error = '';
    const taken = write({
      action: 'torqued',
      content: {
        value: parsed.quantity.value,
        unit: parsed.quantity.unit,
        ...(wrenchId ? { wrenchId } : {}),
        ...(filledBy(field) && { instrument: filledBy(field) }),
        ...(withAdapter && adapted ? adapted : {}),
        ...(now.reason.trim() ? { reason: now.reason.trim() } : {}),
        ...(now.remark.trim() ? { remark: now.remark.trim() } : {}),
        ...sealed
      }
    });
    if (taken) unsent.clear();
  }
  function feel(e: SubmitEvent) {
    e.preventDefault();
    if (write({ action: 'by feel', content: { reason: now.byFeel, ...sealed } })) {
      feeling = false;
      unsent.clear();
    }
  }
</script>

<SealPick item={i} bind:seal />
{#if lack}<p class="caution mt-2">{lack}</p>{/if}
{#if sequence && item.stand !== 'fitted'}
  <CrissCross
    {item}
    torque={spec}
    onpull={(round, bolt) => write({ action: 'bolt', content: { round, bolt } })}
  />
{/if}
<div class="mt-3 flex flex-wrap items-end gap-3">
  {#if item.stand === 'off' || item.stand === 'deferred'}<button
      type="button"
      class="key"
      onclick={() => write({ action: 'by hand', content: {} })}>In by hand</button
    >{/if}
  {#if item.stand === 'by hand' && !sequence}<button
      type="button"
      class="key"
      onclick={() => write({ action: 'snug', content: {} })}>Snug</button
    >{/if}
</div>
<form onsubmit={torque} class="mt-3 flex flex-wrap items-end gap-3" novalidate>
  {#if tools.wrenches.length > 0}
    <div>
      <label class="block text-sm" for="{id}-w">Wrench</label>
      <select id="{id}-w" class="field" bind:value={wrenchId}>
        <option value="">not one of ours</option>
        {#each tools.wrenches as w (w.id)}<option value={w.id}
            >{w.name}{spec && !covers(w, spec.base) ? ', out of its range' : ''}</option
          >{/each}
      </select>
    </div>
  {/if}
  <div>
    <label class="block text-sm" for={id}>{withAdapter ? 'Torque at the bolt' : 'Wrench set to'}</label>
    <input
      {id}
      bind:this={field}
      data-takes={withAdapter ? undefined : 'torque'}
      class="field figure w-36 text-2xl"
      autocomplete="off"
      bind:value={() => written, (v) => (now.typed = v)}
      aria-invalid={error || problem ? true : undefined}
    />
  </div>
  {#if asks}
    <div class="grow">
      <label class="block text-sm" for="{id}-why">Say why</label><input
        id="{id}-why"
        class="field w-full"
        bind:value={now.reason}
        maxlength="10000"
      />
    </div>
  {/if}
  <button type="submit" class="go" disabled={blocked}>Torqued</button>
</form>
{#if spec && wrench && wrench.unit !== spec.unit && !withAdapter}<p class="quiet mt-1 text-sm">
    The sheet says {band && showBand(band)}; the scale of {wrench.name} is in {wrench.unit}.
  </p>{/if}
{#if wrench && calibrationWord(wrench, today)}<p class="quiet mt-1 text-sm">
    {wrench.name}: {calibrationWord(wrench, today)}.
  </p>{/if}
<label class="mt-3 flex items-center gap-2"
  ><input type="checkbox" class="h-6 w-6" style="accent-color: var(--ink)" bind:checked={withAdapter} /> with an
  adapter</label
>
{#if withAdapter && atBolt}<AdapterSum
    torqueNm={atBolt.base}
    wrenchMm={wrench?.lengthMm ?? null}
    scale={wrench?.unit ?? null}
    adapters={tools.adapters}
    {units}
    onset={(s) => (adapted = s)}
  />{/if}
<div class="mt-2 flex flex-wrap items-end gap-4">
  <label class="grow text-sm" for="{id}-remark"
    >Remark <input
      id="{id}-remark"
      class="field mt-1 w-full"
      bind:value={now.remark}
      maxlength="10000"
    /></label
  >
  {#if house}<button
      type="button"
      class="key"
      disabled={blocked}
      onclick={() =>
        write({ action: 'by feel', content: { reason: now.byFeel || BY_HOUSE_RULE, ...sealed } })}
      >Tight by feel</button
    >{:else if !feeling}<button type="button" class="link py-2" onclick={() => (feeling = true)}
      >By feel</button
    >{/if}
</div>
{#if feeling}
  <form onsubmit={feel} class="mt-2 flex flex-wrap items-end gap-3">
    <label class="grow text-sm"
      >Why by feel (it shows in the record)<input
        class="field mt-1 w-full"
        bind:value={now.byFeel}
        required
        maxlength="10000"
      /></label
    >
    <button class="key" type="submit" disabled={blocked}>Tight by feel</button>
  </form>
{/if}
{#if sequence && item.pulled.length > 0 && pullsLeft(item).length === 0}<p class="quiet mt-1 text-sm">
    All bolts pulled: now write the torque.
  </p>{/if}
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
