<!-- One house rule: what holds, why, who changed it when; changed in place with a word. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { showRule, type HouseRule, type RuleValue } from '$lib/core/rules/rules';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';

  interface Change {
    value: RuleValue | null;
    word: string;
    by: string;
    day: string;
  }
  interface Props {
    rule: HouseRule;
    value: RuleValue;
    changes: Change[];
    today: string;
    /** For one machine; null: the team's own. */
    machineId?: string | null;
  }
  let { rule, value, changes, today, machineId = null }: Props = $props();
  /** It differs here from the team's. */
  const own = $derived(machineId !== null && changes[0] !== undefined && changes[0].value !== null);
  const said = (v: RuleValue | null) => (v === null ? 'as the team' : showRule(rule, v));
  let open = $state(false);
  let chosen = $state<RuleValue>(untrack(() => value));
  let typed = $state(untrack(() => String(value)));
  let word = $state('');
  let past = $state(false);
  const form = new Form();
  let id = crypto.randomUUID();
  const choices = $derived<readonly RuleValue[]>(
    rule.type === 'one of' ? rule.choices : rule.type === 'yes or no' ? [true, false] : []
  );
  const last = $derived(changes[0]);

  function turn() {
    chosen = value;
    typed = String(value);
    open = !open;
  }
  async function save() {
    const next = rule.type === 'number' ? (typed.trim() === '' ? typed : Number(typed)) : chosen;
    await set(next);
  }
  async function set(next: RuleValue | null) {
    if (!(await form.send('rule.set', { id, machineId, key: rule.key, value: next, word }))) return;
    id = crypto.randomUUID();
    word = '';
    open = false;
    say(`${rule.title}: ${said(next)}. Records keep what was in force for them.`);
    await invalidateAll();
  }
</script>

<div class="rule-b grid gap-x-6 gap-y-1 py-3 sm:grid-cols-[minmax(14rem,2fr)_minmax(10rem,1.4fr)_3fr_auto]">
  <span class="font-bold">{rule.title}</span>
  <span class="figure text-xl"
    >{showRule(rule, value)}{#if machineId !== null}<span class="quiet block text-sm"
        >{own ? 'on this machine' : 'as the team'}</span
      >{:else if value !== rule.default}<span class="quiet block text-sm"
        >default: {showRule(rule, rule.default)}</span
      >{/if}</span
  >
  <span class="text-sm"
    >{rule.reason}
    {#if last}<span class="quiet block"
        >{last.by}, {showDay(last.day, today)}{last.word
          ? `: ${last.word}`
          : ''}{#if changes.length > 1}<button
            type="button"
            class="link ml-2"
            aria-expanded={past}
            onclick={() => (past = !past)}>{changes.length - 1} before that</button
          >{/if}</span
      >{/if}
    {#if past}{#each changes.slice(1) as c, i (i)}<span class="quiet block"
          >{c.by}, {showDay(c.day, today)}: {said(c.value)}{c.word ? `, ${c.word}` : ''}</span
        >{/each}{/if}
  </span>
  {#if rule.type !== 'one of' || rule.choices.length > 1}<button
      type="button"
      class="link no-print text-sm"
      aria-label="Change: {rule.title}"
      onclick={turn}>{machineId === null ? 'Change' : own ? 'Change here' : 'Differs here'}</button
    >{#if own}<button
        type="button"
        class="link no-print text-sm"
        aria-label="As the team: {rule.title}"
        onclick={() => void set(null)}>As the team</button
      >{/if}{:else}<span class="quiet text-sm">fixed</span>{/if}
</div>
{#if open}
  <InPlace label={rule.title} {form} submit="Set it" onsave={save} onleave={() => (open = false)}>
    <div class="grid items-start gap-3 sm:grid-cols-2">
      {#if rule.type === 'number'}
        <Field label="{rule.title}, {rule.unit}" error={form.errors.value} hint="{rule.from} to {rule.to}"
          >{#snippet children(a)}<Input {...a} bind:value={typed} inputmode="numeric" />{/snippet}</Field
        >
      {:else}
        <fieldset>
          <legend class="text-sm">{rule.title}</legend>
          {#each choices as c (c)}<label class="block py-1"
              ><input type="radio" name={rule.key} value={c} bind:group={chosen} /> {showRule(rule, c)}</label
            >{/each}
          {#if form.errors.value}<p class="error text-sm" role="alert">{form.errors.value}</p>{/if}
        </fieldset>
      {/if}
      <Field label="Why, in a word" error={form.errors.word}
        >{#snippet children(a)}<Input {...a} bind:value={word} />{/snippet}</Field
      >
    </div>
  </InPlace>
{/if}
