<!-- What is checked in a round, as data: for one kind of machine at a time, station by station, saved as a new version. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { Button, Input } from '$lib/ui/form/controls';
  import type { Kind } from '$lib/core/machine/machine';
  import { minutesInWords } from '$lib/core/time/minutes';
  import { LIST_WORDS, STATIONS, type Station } from '$lib/core/round/check';
  import { added, askedAt, blankCheck, cameWith, moved } from '$lib/core/round/edit';
  import { roundChecksSchema } from '$lib/core/round/form';
  import { AS_IT_CAME, asked, costOf, listProblems, type RoundCheck } from '$lib/core/round/lists';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { Press } from '../form/press.svelte';
  import Radios from '../form/Radios.svelte';
  import { say } from '../base/page.svelte';
  import CheckEditor from './CheckEditor.svelte';

  interface Props {
    checks: { version: number; own: boolean; checks: readonly RoundCheck[] };
    kinds: readonly Kind[];
    kind: Kind;
    list: 'ready' | 'washed';
  }
  let { checks: kept, kinds, kind: first, list: firstList }: Props = $props();
  let checks = $state<RoundCheck[]>(
    untrack(() => structuredClone($state.snapshot(kept.checks)) as unknown as RoundCheck[])
  );
  let kind = $state(untrack(() => first));
  let list = $state(untrack(() => firstList));
  let open = $state<string | null>(null);
  /** Stations whose other checks are shown. */
  let unfolded = $state<Record<string, boolean>>({});
  const mine = $derived(asked(checks, kind, list));
  const cost = $derived(costOf(mine));
  const form = commandForm('round.checks', roundChecksSchema, () => ({ word: '' }), {
    body: ({ word }) => ({ from: kept.version, content: $state.snapshot(checks) as RoundCheck[], word }),
    says: () => 'Saved. Rounds that are walked from now on go by it.',
    taken: () => (open = null)
  });
  const { data: said, errors, busy, enhance } = form;
  const away = new Press();
  const problems = $derived(listProblems(checks));
  const blank = $derived(checks.filter((c) => c.title.trim() === '' || c.wrong.trim() === ''));
  const at = (key: string): string[] => {
    const i = checks.findIndex((c) => c.key === key);
    return [
      ...problems.filter((p) => p.path[0] === i).map((p) => p.message),
      ...Object.entries($errors)
        .filter(([path]) => path.startsWith(`content.${i}.`))
        .map(([, message]) => message)
    ];
  };
  const whole = $derived(problems.filter((p) => p.path.length === 0).map((p) => p.message));
  const put = (check: RoundCheck) => (checks = checks.map((c) => (c.key === check.key ? check : c)));
  function add(station: Station) {
    const check = blankCheck(checks, { station, kind, list });
    checks = added(checks, check);
    open = check.key;
  }
  /** Not on this kind, or not in this list. */
  const others = (station: Station) =>
    checks.filter((c) => c.station === station && !mine.some((m) => m.key === c.key));
  const ask = (c: RoundCheck, on: boolean) => put(askedAt(c, { kind, list }, on));
  async function back() {
    const body = { from: kept.version, content: null, word: $said.word };
    if (!(await away.send('round.checks', body))) return;
    say('Back to how it came.');
    await invalidateAll();
  }
</script>

<form method="POST" novalidate use:enhance aria-label="What is checked">
  <div class="mt-3 flex flex-wrap items-center gap-3">
    <label
      ><span class="sr-only">Kind of machine</span>
      <select class="field" bind:value={kind}
        >{#each kinds as k (k)}<option>{k}</option>{/each}</select
      ></label
    >
    <Radios label="Which round" options={['ready', 'washed'] as const} bind:value={list}
      >{#snippet one(l)}{LIST_WORDS[l]}{/snippet}</Radios
    >
    <strong class="figure text-xl" role="status"
      >{mine.length} checks, {cost.taps}
      {cost.taps === 1 ? 'tap' : 'taps'} if all is well, {minutesInWords(cost.minutes)}</strong
    >
  </div>

  <div class="stations mt-2">
    {#each STATIONS as station (station)}
      {@const here = mine.filter((c) => c.station === station)}
      {@const off = others(station)}
      <section aria-label={station}>
        <h2 class="rule-strong">{station}</h2>
        {#each here as c, i (c.key)}
          <div class="rule-b py-1" role="group" aria-label={c.title || 'not named yet'}>
            <div class="flex items-center gap-2">
              <input
                type="checkbox"
                class="h-6 w-6 shrink-0"
                style="accent-color: var(--ink)"
                checked
                aria-label="{c.title || 'not named yet'}: asked for here"
                onchange={() => ask(c, false)}
              />
              <button
                type="button"
                class="name"
                aria-expanded={open === c.key}
                onclick={() => (open = open === c.key ? null : c.key)}
                ><span class="block font-bold">{c.title || 'not named yet'}</span><span
                  class="quiet block text-sm"
                  >{c.how === 'choose' ? c.choices.map((x) => x.word).join(' · ') : c.line}</span
                ></button
              >
              <button
                type="button"
                class="mini"
                aria-label="{c.title} up"
                disabled={i === 0}
                onclick={() => (checks = moved(checks, c.key, -1, { kind, list }))}
                ><ArrowUp size={18} class="mx-auto" /></button
              >
              <button
                type="button"
                class="mini"
                aria-label="{c.title} down"
                disabled={i === here.length - 1}
                onclick={() => (checks = moved(checks, c.key, 1, { kind, list }))}
                ><ArrowDown size={18} class="mx-auto" /></button
              >
            </div>
            {#each at(c.key) as message, k (k)}<p class="error text-sm" role="alert">{message}</p>{/each}
            {#if open === c.key}<CheckEditor
                bind:check={() => c, put}
                ongone={cameWith(c, AS_IT_CAME) || kept.checks.some((x) => x.key === c.key)
                  ? null
                  : () => (checks = checks.filter((x) => x.key !== c.key))}
              />{/if}
          </div>
        {/each}
        <p class="flex flex-wrap gap-x-5">
          <button type="button" class="link py-2" onclick={() => add(station)}>Add a check</button>
          {#if off.length > 0}<button
              type="button"
              class="link py-2"
              aria-expanded={unfolded[station] === true}
              onclick={() => (unfolded[station] = !unfolded[station])}>{off.length} not asked for here</button
            >{/if}
        </p>
        {#if unfolded[station]}
          {#each off as c (c.key)}
            <label class="quiet flex items-center gap-2 py-1"
              ><input
                type="checkbox"
                class="h-6 w-6 shrink-0"
                style="accent-color: var(--ink)"
                checked={false}
                onchange={() => ask(c, true)}
              />
              {c.title}</label
            >
          {/each}
        {/if}
      </section>
    {/each}
  </div>

  <div class="mt-4 max-w-2xl">
    <Field label="What was changed, and why" error={$errors.word}
      >{#snippet children(a)}<Input {...a} bind:value={$said.word} />{/snippet}</Field
    >
  </div>
  <FormError message={away.errors[''] ?? $errors[''] ?? $errors.content ?? whole[0]} />
  {#if blank.length > 0}<p class="error mt-2">
      {blank.length === 1 ? 'One check has' : `${blank.length} checks have`} no name yet.
    </p>{/if}
  <div class="mt-3 flex flex-wrap gap-3">
    <Button type="submit" color="primary" disabled={$busy || problems.length > 0 || blank.length > 0}
      >Save as a new version</Button
    >
    {#if kept.own}<Button type="button" color="alternative" disabled={away.busy} onclick={back}
        >Back to how it came</Button
      >{/if}
  </div>
</form>

<style>
  .stations {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 30rem), 1fr));
    gap: 1rem 2.5rem;
    align-items: start;
  }
  .rule-strong {
    border-bottom: 2px solid var(--rule-strong);
  }
  .name {
    flex: 1 1 auto;
    min-width: 0;
    min-height: 2.75rem;
    text-align: left;
  }
  .mini {
    min-width: 2.5rem;
    min-height: 2.5rem;
    border: 1px solid var(--rule);
  }
  .mini:disabled {
    opacity: 0.3;
  }
</style>
