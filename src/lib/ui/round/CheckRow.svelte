<!-- One check of a round: what it was found to be, or the keys to say so. -->
<script lang="ts">
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { showBand } from '$lib/core/quantity/band';
  import type { Quantity } from '$lib/core/quantity/quantity';
  import { countInWords } from '$lib/core/stores/filters';
  import type { RoundSheet } from '$lib/core/round/sheet';
  import type { Item } from '$lib/core/round/stand';
  import type { Tried } from '$lib/core/round/torque';
  import OnePick from '../form/OnePick.svelte';
  import SeverityMark from '../finding/SeverityMark.svelte';
  import type { RoundDesk } from './desk.svelte';
  import HeldKeys from './HeldKeys.svelte';
  import Keys from './Keys.svelte';
  import MeasureKeys from './MeasureKeys.svelte';
  import ReadAlong from './ReadAlong.svelte';

  interface Props {
    item: Item;
    desk: RoundDesk;
    machineId: string;
    /** What it was set to last. */
    last: Quantity | null;
    /** A finding of it that stands open from an earlier round. */
    since: string | null;
    /** Of a fastener: what it is tried with. */
    tried?: Tried | null;
    /** What the sheet says in words that is wanted while looking. */
    shown?: RoundSheet['shown'][string] | null;
    /** The clean air filters there are, at the check that takes one. */
    spares?: RoundSheet['spares'];
  }
  let { item, desk, machineId, last, since, tried = null, shown = null, spares = null }: Props = $props();
  const check = $derived(item.check);
  const id = $props.id();
  let changing = $state(false);
  let doing = $state<'' | 'wrong' | 'other' | 'number'>('');
  /** Its number may be read along: what by. */
  const reads = $derived(check.how === 'look' || check.how === 'choose' ? (check.reads ?? null) : null);
  const typed = $derived(desk.at(check.key));
  const error = (field: string) => desk.errorOf(check.key, field);
  const open = $derived(
    item.answer === null || changing || Object.keys(desk.errors).some((k) => k.startsWith(`${check.key} `))
  );

  function take(more: Parameters<RoundDesk['answer']>[1] = {}) {
    if (!desk.answer(check, more)) return;
    changing = false;
    doing = '';
  }
  function leave() {
    desk.drop(check.key);
    changing = false;
    doing = '';
  }
  const enter = (go: () => void) => (e: KeyboardEvent) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    go();
  };
  const severity = $derived<Severity>(typed.severity ?? check.severity);
  let word = $state('');
</script>

<div class="check" role="group" aria-label={check.title} class:wrong={item.judged?.well === false}>
  {#if !open}
    <button type="button" class="answered" onclick={() => (changing = true)}>
      <span class="mark" aria-hidden="true">{item.judged?.well ? '✓' : '!'}</span>
      <span class="grow"
        ><span class="block">{check.title}</span><span class="figure block text-lg">{item.judged?.words}</span
        ></span
      >
      <span class="quiet text-sm">{item.answer?.by}</span>
    </button>
    {#if item.judged?.finding}<SeverityMark severity={item.judged.finding.severity} />{/if}
    {#if item.otherwise}<p class="text-sm">{item.otherwise.by} had said otherwise.</p>{/if}
  {:else}
    <div class="top">
      {#if check.how === 'look' && doing === ''}<button
          type="button"
          class="tick"
          aria-label="{check.title}: as it should be"
          onclick={() => take({ said: 'well' })}
          ><span class="box" aria-hidden="true"></span><span class="grow"
            ><span class="block font-bold">{check.title}</span><span class="quiet block text-sm"
              >{check.line}</span
            ></span
          ></button
        >{:else}<span class="grow"
          ><span class="block font-bold"
            >{check.title}
            {#if item.band && check.how !== 'torque'}<span class="figure ml-2 text-lg"
                >{showBand(item.band)}</span
              >{:else if check.how === 'measure'}<span class="quiet ml-2 text-sm font-normal"
                >not on its sheet</span
              >{/if}</span
          ><span class="quiet block text-sm">{check.line}</span></span
        >{/if}
      {#if doing === '' && check.how !== 'torque'}<button
          type="button"
          class="key bad"
          aria-label="{check.title}: wrong"
          onclick={() => (doing = 'wrong')}>Wrong</button
        >{/if}
      {#if doing === ''}<button
          type="button"
          class="key bad"
          aria-label="{check.title}: has none, or not this time"
          onclick={() => (doing = 'other')}>…</button
        >{/if}
    </div>
    {#if check.caution}<p class="caution text-sm">{check.caution}</p>{/if}
    {#if shown}<p class="text-sm">
        {shown.label}: {#if shown.words}<strong>{shown.words}</strong>{:else}not on its sheet{/if}
      </p>{/if}
    {#if spares && check.how === 'choose' && check.choices.some((c) => c.spare)}<p class="text-sm">
        {spares.name}: <strong>{countInWords(spares)}</strong>
      </p>{/if}
    {#if since}<p class="text-sm">Open: <strong>{since}</strong></p>{/if}

    {#if check.how === 'look' && doing === ''}
      {#if reads && item.band}<button type="button" class="link text-sm" onclick={() => (doing = 'number')}
          >{reads.least ? 'Its thickness' : 'Its number'}: {showBand(item.band)}</button
        >{/if}
      {#if changing}<button type="button" class="link text-sm" onclick={leave}>Leave it as it was</button
        >{/if}
    {:else if check.how === 'choose' && doing === ''}
      <Keys>
        {#each check.choices as c (c.word)}<button
            type="button"
            class="key"
            class:yes={c.wrong === null}
            onclick={() => take({ choice: c.word })}>{c.word}</button
          >{/each}
      </Keys>
      {#if error('choice')}<p class="error text-sm" role="alert">{error('choice')}</p>{/if}
      {#if reads}<ReadAlong {check} gauge={reads} band={item.band} {desk} {take} />{/if}
    {:else if check.how === 'measure' && doing === ''}
      <MeasureKeys {check} band={item.band} {desk} {machineId} {last} {take} />
    {:else if check.how === 'torque' && doing === ''}
      <HeldKeys {check} band={item.band} {tried} {take} />
    {:else if check.how === 'count' && doing === ''}
      <Keys>
        {#each [2, 4, 6, 8, 10] as n (n)}<button
            type="button"
            class="key figure"
            onclick={() => take({ count: String(n) })}>{n}</button
          >{/each}
        <input
          class="field figure reads"
          inputmode="numeric"
          aria-label="{check.title}, pumps"
          aria-invalid={error('count') ? true : undefined}
          placeholder="pumps"
          value={typed.count}
          oninput={(e) => desk.type(check.key, { count: e.currentTarget.value })}
          onkeydown={enter(() => take())}
        />
        <button type="button" class="key" onclick={() => take()}>Pumps</button>
        <button
          type="button"
          class="key"
          aria-pressed={typed.dry}
          onclick={() => desk.type(check.key, { dry: !typed.dry })}>It was dry</button
        >
      </Keys>
      {#if error('count')}<p class="error text-sm" role="alert">{error('count')}</p>{/if}
    {/if}

    {#if doing === 'number' && reads}
      <ReadAlong {check} gauge={reads} band={item.band} {desk} {take} />
      <button type="button" class="link text-sm" onclick={leave}>Leave</button>
    {/if}
    {#if doing === 'wrong'}
      <div class="mt-2">
        {#if check.how === 'look' && check.wrongs}<Keys label="{check.title}: what is usually wrong">
            {#each check.wrongs as w (w)}<button
                type="button"
                class="key"
                onclick={() => take({ said: 'wrong', note: w })}>{w}</button
              >{/each}
          </Keys>{/if}
        <label class="mt-2 mb-1 block text-sm" for="{id}-what"
          >What is wrong{check.how === 'look' && check.wrongs ? ', in your words' : ''}</label
        >
        <input
          id="{id}-what"
          class="field w-full"
          maxlength="150"
          value={typed.note}
          oninput={(e) => desk.type(check.key, { note: e.currentTarget.value })}
          onkeydown={enter(() => take({ said: 'wrong' }))}
          aria-invalid={error('note') ? true : undefined}
          aria-describedby={error('note') ? `${id}-note` : undefined}
        />
        {#if error('note')}<p id="{id}-note" class="error text-sm" role="alert">{error('note')}</p>{/if}
        <div class="mt-2">
          <OnePick
            label="How grave"
            options={SEVERITIES}
            bind:value={() => severity, (s) => desk.type(check.key, { severity: s as Severity })}
          />
        </div>
        <Keys>
          <button type="button" class="key strong" onclick={() => take({ said: 'wrong' })}
            >Write it down</button
          >
          <button type="button" class="key" onclick={leave}>Leave</button>
        </Keys>
      </div>
    {:else if doing === 'other'}
      <Keys>
        <button type="button" class="key" onclick={() => take({ said: 'none' })}>It has none</button>
        <input
          class="field grow"
          aria-label="{check.title}: why it is passed over"
          placeholder="passed over, because"
          maxlength="150"
          aria-invalid={error('note') ? true : undefined}
          bind:value={word}
          onkeydown={enter(() => take({ said: 'passed over', note: word }))}
        />
        <button type="button" class="key" onclick={() => take({ said: 'passed over', note: word })}
          >Pass it over</button
        >
        <button type="button" class="key" onclick={leave}>Leave</button>
      </Keys>
      {#if error('note')}<p class="error text-sm" role="alert">{error('note')}</p>{/if}
    {:else if changing && check.how !== 'look'}
      <button type="button" class="link text-sm" onclick={leave}>Leave it as it was</button>
    {/if}
  {/if}
</div>

<style>
  .check {
    border-bottom: 1px solid var(--rule);
    padding-block: 0.35rem;
  }
  .answered {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    width: 100%;
    min-height: 3rem;
    text-align: left;
  }
  .grow {
    flex: 1 1 10rem;
    min-width: 0;
  }
  .mark {
    font: 700 1.4rem/1 var(--font-plate);
    width: 1.6rem;
    text-align: center;
    color: var(--done);
  }
  .wrong .mark {
    color: var(--signal);
  }
  .top {
    display: flex;
    align-items: center;
    gap: 0.4rem;
  }
  .tick {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    flex: 1 1 10rem;
    min-width: 0;
    min-height: 3rem;
    text-align: left;
  }
  .box {
    width: 1.6rem;
    height: 1.6rem;
    flex: none;
    border: 2px solid var(--rule-strong);
    background: var(--sheet);
  }
  .bad {
    padding-inline: 0.7rem;
    background: var(--sheet);
  }
</style>
