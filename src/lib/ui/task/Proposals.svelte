<!-- Shorter intervals that were proposed, with what was seen; accepted or dismissed with a word. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import type { Measure } from '$lib/core/schedule/task';
  import { showAmount } from '$lib/core/schedule/words';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { Press } from '../form/press.svelte';

  interface Proposal {
    id: string;
    task: string;
    measure: Measure;
    from: number;
    to: number;
    reason: string;
    recordId: string | null;
    by: string;
    decided: 'accepted' | 'dismissed' | null;
    word: string;
  }
  interface Props {
    proposals: Proposal[];
    /** Name the task with each. */
    named?: boolean;
    openOnly?: boolean;
  }
  let { proposals, named = false, openOnly = false }: Props = $props();
  const shown = $derived(openOnly ? proposals.filter((p) => p.decided === null) : proposals);
  let words = $state<Record<string, string>>({});
  const press = new Press();
  let asking = $state('');

  async function decide(p: Proposal, decision: 'accepted' | 'dismissed') {
    asking = p.id;
    if (await press.send('proposal.decide', { proposalId: p.id, decision, word: words[p.id] ?? '' }))
      await invalidateAll();
  }
</script>

{#each shown as p (p.id)}
  <div class="rule-b py-2">
    <p>
      {#if named}<strong>{p.task}:</strong>{/if}
      from <span class="figure text-lg">{showAmount(p.from, p.measure)}</span> to
      <span class="figure text-lg font-bold">{showAmount(p.to, p.measure)}</span>.
      {p.reason}
      <span class="quiet text-sm"
        >{p.by}{#if p.recordId}, <a class="link" href="/records/{p.recordId}">from this record</a>{/if}</span
      >
    </p>
    {#if p.decided}
      <p class="quiet text-sm">{p.decided}{p.word ? `: ${p.word}` : ''}</p>
    {:else}
      <div class="mt-1 flex flex-wrap items-start gap-2">
        <Field label="A word" class="w-72 max-w-full" error={asking === p.id ? press.errors.word : undefined}
          >{#snippet children(a)}<Input {...a} bind:value={words[p.id]} />{/snippet}</Field
        >
        <div class="mt-6 flex gap-2">
          <Button size="sm" color="primary" disabled={press.busy} onclick={() => decide(p, 'accepted')}
            >Shorten it</Button
          >
          <Button size="sm" color="alternative" disabled={press.busy} onclick={() => decide(p, 'dismissed')}
            >Dismiss</Button
          >
        </div>
      </div>
      {#if asking === p.id}<FormError message={press.errors['']} />{/if}
    {/if}
  </div>
{:else}
  {#if !openOnly}<p class="quiet mt-1">
      None. They come from what was seen: debris that grows, work found worse than it should be, hard riding.
    </p>{/if}
{/each}
