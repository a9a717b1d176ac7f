<!-- One check of a round: what it was found to be, or the keys to say so. -->
<script lang="ts">
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { likelyReadings, readAnswer } from '$lib/core/round/answer';
  import { page } from '$app/state';
  import { judge, lowerEnd, showBand } from '$lib/core/quantity/band';
  import { show, showBoth, type Quantity } from '$lib/core/quantity/quantity';
  import { HELD, type Held } from '$lib/core/round/check';
  import type { Item } from '$lib/core/round/stand';
  import type { Tried } from '$lib/core/round/torque';
  import OnePick from '../form/OnePick.svelte';
  import SeverityMark from '../machine/SeverityMark.svelte';
  import type { RoundDesk } from './desk.svelte';

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
  }
  let { item, desk, machineId, last, since, tried = null }: Props = $props();
  const check = $derived(item.check);
  const id = $props.id();
  let changing = $state(false);
  let doing = $state<'' | 'wrong' | 'other'>('');
  const typed = $derived(desk.at(check.key));
  const error = (field: string) => desk.errorOf(check.key, field);
  const open = $derived(
    item.answer === null || changing || Object.keys(desk.errors).some((k) => k.startsWith(`${check.key} `))
  );

  const readings = $derived(check.how === 'measure' ? likelyReadings(check, item.band, last) : []);
  /** What was found lies outside: it is put right, left so for a reason, or wrong. */
  const outside = $derived.by(() => {
    if (check.how !== 'measure' || typed.found.trim() === '' || !item.band) return false;
    const read = readAnswer(check, item.band, typed);
    return read.ok && judge(read.answer.found!, item.band) === 'outside';
  });
  function take(more: Parameters<RoundDesk['answer']>[1] = {}) {
    if (!desk.answer(check, more)) return;
    changing = false;
    doing = '';
  }
  function leave() {
    far = null;
    desk.drop(check.key);
    changing = false;
    doing = '';
  }
  /** A reading off the gauge: taken where it is as it should be. */
  function found(text: string) {
    desk.type(check.key, { found: text, set: '', said: 'well' });
    if (!outside) take();
  }
  const enter = (go: () => void) => (e: KeyboardEvent) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    go();
  };
  const both = $derived(
    check.how === 'torque' && item.band ? showBoth(lowerEnd(item.band), page.data.units ?? 'metric') : null
  );
  const severity = $derived<Severity>(typed.severity ?? check.severity);
  let word = $state('');
  /** Moved or loose: how far is asked for, in a tap. */
  let far = $state<Held | null>(null);
  const HOW_FAR = ['a few degrees', 'a flat', 'a quarter turn', 'more'] as const;
  function held(how: Held) {
    if (how === 'moved' || how === 'loose') far = how;
    else take({ choice: how });
  }
  function turned(note: string) {
    take({ choice: far!, note });
    far = null;
  }
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
    {#if since}<p class="text-sm">Open: <strong>{since}</strong></p>{/if}

    {#if check.how === 'look' && doing === ''}
      {#if changing}<button type="button" class="link text-sm" onclick={leave}>Leave it as it was</button
        >{/if}
    {:else if check.how === 'choose' && doing === ''}
      <div class="keys">
        {#each check.choices as c (c.word)}<button
            type="button"
            class="key"
            class:yes={c.wrong === null}
            onclick={() => take({ choice: c.word })}>{c.word}</button
          >{/each}
      </div>
    {:else if check.how === 'measure' && doing === ''}
      <div class="keys" role="group" aria-label="{check.title}, as found">
        {#each readings as q (q.value)}<button
            type="button"
            class="key figure"
            class:yes={item.band !== null && judge(q, item.band) !== 'outside'}
            onclick={() => found(show(q))}>{q.value}</button
          >{/each}
        <input
          class="field figure reads"
          inputmode="decimal"
          aria-label="{check.title}, as found"
          aria-invalid={error('found') ? true : undefined}
          aria-describedby={error('found') ? `${id}-found` : undefined}
          placeholder={item.band?.from?.unit ?? item.band?.to?.unit ?? check.unit}
          value={typed.found}
          oninput={(e) => desk.type(check.key, { found: e.currentTarget.value, said: 'well' })}
          onkeydown={enter(() => found(typed.found))}
        />
        <button type="button" class="key" onclick={() => found(typed.found)}>Found</button>
      </div>
      {#if error('found')}<p id="{id}-found" class="error text-sm" role="alert">{error('found')}</p>{/if}
      {#if outside}
        <p class="error mt-1 text-sm" role="status">Outside: {showBand(item.band!)} is wanted.</p>
        {#if check.sets}
          <div class="keys" role="group" aria-label="{check.title}, set to">
            <span>Set to</span>
            {#each readings.filter((q) => judge(q, item.band!) !== 'outside') as q (q.value)}<button
                type="button"
                class="key figure yes"
                onclick={() => take({ set: show(q) })}>{q.value}</button
              >{/each}
            <input
              class="field figure reads"
              inputmode="decimal"
              aria-label="{check.title}, set to"
              aria-invalid={error('set') ? true : undefined}
              value={typed.set}
              oninput={(e) => desk.type(check.key, { set: e.currentTarget.value })}
              onkeydown={enter(() => take())}
            />
          </div>
          {#if error('set')}<p class="error text-sm" role="alert">{error('set')}</p>{/if}
        {/if}
        <div class="keys">
          <input
            class="field grow"
            aria-label="{check.title}: why it stays outside"
            placeholder="it stays so, because"
            maxlength="150"
            value={typed.note}
            oninput={(e) => desk.type(check.key, { note: e.currentTarget.value })}
            onkeydown={enter(() => typed.note.trim() && take({ said: 'well' }))}
          />
          {#if typed.note.trim()}<button type="button" class="key" onclick={() => take({ said: 'well' })}
              >It stays so</button
            >{/if}
          <button type="button" class="key" onclick={() => take({ said: 'wrong' })}
            >Left wrong: a finding</button
          >
          {#if check.key === 'chain-slack'}<a class="key link" href="/machines/{machineId}/chain"
              >Adjust it on the chain sheet</a
            >{/if}
        </div>
      {/if}
    {:else if check.how === 'torque' && doing === ''}
      <p class="flex flex-wrap items-baseline gap-x-3">
        {#if both}<strong class="figure text-3xl">{both.main}</strong>{#if both.other}<span
              class="figure quiet">{both.other}</span
            >{/if}
        {:else}<strong>{check.words ?? 'Its number is not on the sheet.'}</strong>{/if}
        {#if tried?.wrench}<span class="text-sm"
            >{tried.wrench}{tried.adapter ? `, ${tried.adapter}` : `: ${tried.setting}`}{tried.word
              ? `; ${tried.word}`
              : ''}</span
          >{/if}
      </p>
      {#if tried?.without}<p class="caution text-sm">{tried.without}</p>{/if}
      {#if tried && tried.order.length > 0}<p class="text-sm">
          Criss-cross: <span class="figure text-lg">{tried.order.join(' · ')}</span>
        </p>{/if}
      {#if check.looseBefore > 0}<p class="text-sm">
          Found loose before: {check.looseBefore === 1 ? 'once' : `${check.looseBefore} times`}.
        </p>{/if}
      {#if far === null}
        <div class="keys">
          {#each HELD as h (h)}<button
              type="button"
              class="key"
              class:yes={h === 'held'}
              onclick={() => held(h)}>{h}</button
            >{/each}
        </div>
      {:else}
        <div class="keys" role="group" aria-label="{check.title}, how far it was {far}">
          <span>{far} by</span>
          {#each HOW_FAR as f (f)}<button type="button" class="key" onclick={() => turned(f)}>{f}</button
            >{/each}
          <button type="button" class="link text-sm" onclick={() => (far = null)}>not {far}</button>
        </div>
      {/if}
    {:else if check.how === 'count' && doing === ''}
      <div class="keys">
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
      </div>
      {#if error('count')}<p class="error text-sm" role="alert">{error('count')}</p>{/if}
    {/if}

    {#if doing === 'wrong'}
      <div class="mt-2">
        <label class="mb-1 block text-sm" for="{id}-what">What is wrong</label>
        <!-- svelte-ignore a11y_autofocus -->
        <input
          id="{id}-what"
          class="field w-full"
          maxlength="150"
          autofocus
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
        <div class="keys">
          <button type="button" class="key strong" onclick={() => take({ said: 'wrong' })}
            >Write it down</button
          >
          <button type="button" class="key" onclick={leave}>Leave</button>
        </div>
      </div>
    {:else if doing === 'other'}
      <div class="keys">
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
      </div>
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
  .keys {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem;
    margin-top: 0.4rem;
  }
  .keys .key {
    background: var(--sheet);
    padding-inline: 0.8rem;
    min-width: 3rem;
  }
  .keys .figure {
    font-size: 1.25rem;
  }
  .keys .yes {
    border: 2px solid var(--done);
  }
  .keys .key[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
  .keys .strong {
    background: var(--signal);
    border-color: var(--signal);
    color: var(--on-signal);
    font-weight: 700;
  }
  .reads {
    width: 6rem;
  }
</style>
