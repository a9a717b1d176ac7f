<!-- One house rule: what holds, why, who changed it when; changed in place with a word. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { Input } from '$lib/ui/form/controls';
  import { ruleSchema } from '$lib/core/rules/form';
  import { showRule, type HouseRule, type RuleValue } from '$lib/core/rules/rules';
  import { showDay } from '$lib/core/time/day';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import FormError from '../form/FormError.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { Press } from '../form/press.svelte';
  import { say } from '../base/page.svelte';

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
  let past = $state(false);
  /** The rule as it is to be; a number that is not filled in is left to the schema to refuse. */
  const meant = ({ chosen, typed }: { chosen: RuleValue; typed: string }) =>
    rule.type === 'number' ? (typed.trim() === '' ? typed : Number(typed)) : chosen;
  const form = commandForm(
    'rule.set',
    ruleSchema,
    () => ({
      id: crypto.randomUUID(),
      machineId,
      key: rule.key as string,
      chosen: value,
      typed: String(value),
      word: ''
    }),
    {
      body: ({ chosen, typed, ...rest }) => ({ ...rest, value: meant({ chosen, typed }) }),
      says: (_, typed) =>
        `${rule.title}: ${said(meant(typed) as RuleValue)}. Records keep what was in force for them.`,
      taken: () => (open = false)
    }
  );
  const { data, errors } = form;
  const backToTeam = new Press();
  const choices = $derived<readonly RuleValue[]>(
    rule.type === 'one of' ? rule.choices : rule.type === 'yes or no' ? [true, false] : []
  );
  const last = $derived(changes[0]);

  function turn() {
    form.reset();
    open = !open;
  }
  // One id until it is taken: pressed again after a lost answer it is the same change.
  let backId = crypto.randomUUID();
  async function asTheTeam() {
    const body = { id: backId, machineId, key: rule.key, value: null, word: '' };
    if (!(await backToTeam.send('rule.set', body))) return;
    backId = crypto.randomUUID();
    open = false;
    say(`${rule.title}: as the team. Records keep what was in force for them.`);
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
        disabled={backToTeam.busy}
        onclick={() => void asTheTeam()}>As the team</button
      >{/if}{:else}<span class="quiet text-sm">fixed</span>{/if}
</div>
<FormError message={backToTeam.errors['']} />
{#if open}
  <InPlace label={rule.title} {form} submit="Set it" onleave={turn}>
    <div class="grid items-start gap-3 sm:grid-cols-2">
      {#if rule.type === 'number'}
        <Field label="{rule.title}, {rule.unit}" error={$errors.value} hint="{rule.from} to {rule.to}"
          >{#snippet children(a)}<Input
              {...a}
              bind:value={$data.typed}
              inputmode="numeric"
            />{/snippet}</Field
        >
      {:else}
        <fieldset>
          <legend class="text-sm">{rule.title}</legend>
          {#each choices as c (c)}<label class="block py-1"
              ><input type="radio" name={rule.key} value={c} bind:group={$data.chosen} />
              {showRule(rule, c)}</label
            >{/each}
          {#if $errors.value}<p class="error text-sm" role="alert">{$errors.value}</p>{/if}
        </fieldset>
      {/if}
      <Field label="Why, in a word" error={$errors.word}
        >{#snippet children(a)}<Input {...a} bind:value={$data.word} />{/snippet}</Field
      >
    </div>
  </InPlace>
{/if}
