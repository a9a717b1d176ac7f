<!-- One opened thing put back: a plug torqued, a cap shut, a part in. The torque is the huge number. -->
<script lang="ts">
  import { looseAgain } from '$lib/core/fasteners/found';
  import { sealSuggestion } from '$lib/core/job/seal';
  import { goesIn } from '$lib/core/visit/goes-in';
  import { isShut, standInWords, type ItemState } from '$lib/core/visit/items';
  import type { Toolbox } from '$lib/core/stores/toolbox';
  import { untrack } from 'svelte';
  import type { Problem, Write } from './bench.svelte';
  import { inBothUnits } from './number';
  import AsFound from './AsFound.svelte';
  import DeferForm from './DeferForm.svelte';
  import Radios from '../form/Radios.svelte';
  import SealPick from './SealPick.svelte';
  import TorqueForm from './TorqueForm.svelte';

  interface Props {
    item: ItemState;
    tools: Toolbox;
    units: 'metric' | 'imperial';
    today: string;
    /** The house lets bolts be tightened by feel. */
    house: boolean;
    problem: Problem | null;
    /** What still stands open behind it; it should not be covered yet. */
    after: string[];
    write: (w: Write) => boolean;
    keptAs: string;
  }
  let { item, tools, units, today, house, problem, after, write, keptAs }: Props = $props();
  const i = $derived(item.item);
  const torque = $derived(i.torque && inBothUnits(i.torque, units));
  let deferring = $state(false);
  let sealReason = $state('');
  let number = $state('');
  let filter = $state(untrack(() => item.filter?.which ?? item.item.filter));
  let seal = $state<'new' | 'again'>(untrack(() => item.seal ?? sealSuggestion(item.item)));
  /** It goes in for the work, and comes out again. */
  const inside = $derived(goesIn(i.name));
  const done = $derived(isShut(item) && item.opened && item.stand !== 'deferred');
  const id = $props.id();
  const shut = () =>
    write({
      action: 'shut',
      content: {
        ...(i.seal !== 'none' && { seal, ...(sealReason.trim() && { sealReason: sealReason.trim() }) }),
        ...(filter && { filter, ...(number.trim() && { number: number.trim() }) })
      }
    });
</script>

<section class="mb-4 border-t-2 pt-3" style="border-color: var(--ink)" aria-label={i.name}>
  <div class="flex flex-wrap items-baseline justify-between gap-3">
    <h3 class="text-xl">{i.name}{i.quantity > 1 ? ` × ${i.quantity}` : ''}</h3>
    <span class:font-bold={!isShut(item)} style:color={done ? 'var(--done)' : undefined}
      >{standInWords(item)}</span
    >
  </div>
  <p class="quiet">
    {[i.place, i.head, i.thread, i.oiled ? 'threads oiled' : ''].filter(Boolean).join(' · ')}
  </p>
  {#if i.note}<p class="font-bold">{i.note}</p>{/if}
  {#each i.found as f, n (n)}<p class="caution mt-1">{f.words}</p>{/each}
  {#if looseAgain(i.found)}<p class="caution mt-1 font-bold">{looseAgain(i.found)}</p>{/if}
  {#if i.kind === 'fastener'}
    {#if torque}
      <p class="figure mt-1 text-6xl leading-none">{torque.main}</p>
      <p class="figure text-xl">{torque.other}</p>
    {:else}
      <p class="figure mt-1 text-4xl">torque unknown</p>
    {/if}
    <p class="quiet text-sm">
      {i.torque?.source ?? 'not on the sheet: the manual has it'}{i.torque?.unsure ? ', not sure' : ''}
    </p>
  {/if}
  {#if after.length > 0}
    <p class="caution mt-2">Behind it: {after.join('; ')}. Not yet.</p>
  {/if}
  {#if !done}
    {#if i.kind === 'fastener'}
      {#key torque?.main ?? i.torque?.words}<TorqueForm
          {item}
          {tools}
          {units}
          {today}
          {house}
          {problem}
          {write}
          {keptAs}
          bind:seal
          blocked={after.length > 0}
        />{/key}
    {:else}
      <SealPick item={i} bind:seal />
      {#if i.filter}<div class="mt-3 flex flex-wrap items-end gap-3">
          <Radios
            label="The {i.name.toLowerCase()}"
            options={i.filter === 'new' ? (['new', 'again'] as const) : (['washed', 'new', 'again'] as const)}
            bind:value={filter}>{#snippet one(f)}{f === 'again' ? 'the old one again' : f}{/snippet}</Radios
          ><label class="text-sm" for="{id}-n"
            >number on it <input
              id="{id}-n"
              class="field mt-1 ml-1 w-40"
              placeholder="if it has one"
              autocomplete="off"
              maxlength="60"
              bind:value={number}
            /></label
          >
        </div>{/if}
      {#if problem?.asksWhy}<label class="mt-2 block text-sm" for="{id}-s"
          >Say why <input
            id="{id}-s"
            class="field mt-1 w-full"
            bind:value={sealReason}
            maxlength="10000"
          /></label
        >{/if}
      <button type="button" class="go mt-3" onclick={shut}
        >{inside ? 'Taken out' : i.kind === 'part' ? 'Back in, seated' : 'Shut'}</button
      >
    {/if}
    <div class="mt-2 flex flex-wrap items-center gap-x-4">
      {#if item.stand !== 'deferred' && !deferring}<button
          type="button"
          class="link py-2"
          onclick={() => (deferring = true)}>Cannot finish it now</button
        >{/if}
    </div>
    {#if i.kind === 'fastener'}<AsFound {item} {write} />{/if}
    {#if deferring}<DeferForm
        write={(w) =>
          write(w.action === 'deferred' && i.seal !== 'none' ? { ...w, content: { ...w.content, seal } } : w)}
        onleave={() => (deferring = false)}
      />{/if}
  {:else}
    <button type="button" class="link mt-2 py-2" onclick={() => write({ action: 'off', content: {} })}
      >{inside ? 'In again' : i.kind === 'part' ? 'Out again' : 'Off again'}</button
    >
    {#if i.kind === 'fastener' && item.stand !== 'marked'}<button
        type="button"
        class="link mt-2 ml-4 py-2"
        onclick={() => write({ action: 'marked', content: {} })}>Paint mark on it</button
      >{/if}
    {#if item.found.length > 0}<p class="quiet text-sm">
        Found {item.found.map((f) => f.how).join(', ')}.
      </p>{/if}
  {/if}
  {#if problem}<p class="error mt-1" role="alert">{problem.words}</p>{/if}
</section>
