<!-- A house rule as a plain form, for pages whose scripts do not run. -->
<script lang="ts">
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { showRule, type HouseRule, type RuleValue } from '$lib/core/rules/rules';
  import Field from '../form/Field.svelte';

  interface Props {
    rule: HouseRule;
    value: RuleValue;
    /** An id for the change, made by the server. */
    id: string;
    errors: Record<string, string>;
  }
  let { rule, value, id, errors }: Props = $props();
  const choices = $derived<readonly RuleValue[]>(
    rule.type === 'one of' ? rule.choices : rule.type === 'yes or no' ? [true, false] : []
  );
</script>

<form
  method="POST"
  action="?/set"
  class="grid items-start gap-3 sm:grid-cols-[1fr_1fr_auto]"
  aria-label={rule.title}
>
  <input type="hidden" name="id" value={id} />
  <input type="hidden" name="key" value={rule.key} />
  <Field label={rule.title} error={errors.value}>
    {#snippet children(a)}
      {#if rule.type === 'number'}<Input {...a} name="value" value={String(value)} inputmode="numeric" />
      {:else}<Select
          {...a}
          name="value"
          value={String(value)}
          placeholder=""
          items={choices.map((c) => ({ value: String(c), name: showRule(rule, c) }))}
        />{/if}
    {/snippet}
  </Field>
  <Field label="Why, in a word" error={errors.word}
    >{#snippet children(a)}<Input {...a} name="word" />{/snippet}</Field
  >
  <Button type="submit" color="primary" class="sm:mt-6">Set it</Button>
</form>
