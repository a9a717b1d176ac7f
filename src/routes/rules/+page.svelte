<script lang="ts">
  import { HOUSE_RULES } from '$lib/core/rules/rules';
  import JudgedBy from '$lib/ui/rules/JudgedBy.svelte';
  import PlainRule from '$lib/ui/rules/PlainRule.svelte';
  import RuleRow from '$lib/ui/rules/RuleRow.svelte';

  let { data, form } = $props();
  const about = [...new Set(HOUSE_RULES.map((r) => r.about))];
</script>

<svelte:head><title>House rules · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-4">
  <h1>House rules</h1>
  <button type="button" class="link no-print ml-auto text-sm" onclick={() => print()}>Print</button>
</div>
<p class="quiet mt-1 max-w-3xl">
  Where good mechanics differ, the team decides. A visit and a record keep the rule that was in force for
  them; the machine’s own manual goes before any of these.
</p>
{#each about as a (a)}
  <section class="mt-6" aria-label={a}>
    <h2 class="border-b-2 pb-1" style="border-color: var(--ink)">{a}</h2>
    {#each HOUSE_RULES.filter((r) => r.about === a) as rule (rule.key)}
      <RuleRow
        {rule}
        value={data.rules[rule.key]}
        changes={data.changes.filter((c) => c.key === rule.key)}
        today={data.today}
      />
      {#if rule.type !== 'one of' || rule.choices.length > 1}
        <noscript>
          <PlainRule
            {rule}
            value={data.rules[rule.key]}
            id={data.freshId}
            errors={form?.typed.key === rule.key ? form.errors : {}}
          />
        </noscript>
      {/if}
    {/each}
  </section>
{/each}
<JudgedBy />
