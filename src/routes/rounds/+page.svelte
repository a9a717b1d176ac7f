<script lang="ts">
  import ListEditor from '$lib/ui/round/ListEditor.svelte';
  import { showDay } from '$lib/core/time/day';
  let { data } = $props();
</script>

<svelte:head><title>What is checked · Hour Trail</title></svelte:head>
<h1>What is checked in a round</h1>
<p class="quiet">
  Station by station, for each kind of machine. {data.checks.own
    ? `Version ${data.checks.version}, the team’s own.`
    : 'As it came.'} Torque rounds go by the fasteners on each spec sheet.
</p>
{#key data.checks.version}
  <ListEditor checks={data.checks} kinds={data.kinds} kind={data.kind} list={data.list} />
{/key}
{#if data.changes.length > 0}
  <section class="mt-8" aria-label="Versions">
    <h2>Versions</h2>
    {#each data.changes as c (c.version)}
      <p class="rule-b py-1.5">
        <span class="figure">{c.version}</span>
        {showDay(c.day, data.today)}, {c.by}{c.back ? ': back to how it came' : ''}{c.word
          ? `: ${c.word}`
          : ''}
      </p>
    {/each}
  </section>
{/if}
