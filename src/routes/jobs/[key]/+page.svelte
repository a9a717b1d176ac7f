<script lang="ts">
  import JobEditor from '$lib/ui/job/JobEditor.svelte';
  import { showDay } from '$lib/core/time/day';
  let { data } = $props();
</script>

<svelte:head><title>{data.fresh ? 'A new job' : data.template.title} · Hour Trail</title></svelte:head>
<p class="no-print"><a class="link" href="/jobs">All jobs</a></p>
<h1>{data.fresh ? 'A job of your own' : data.template.title}</h1>
{#if !data.fresh}<p class="quiet">
    Version {data.template.version}, {data.template.own ? 'the team’s own' : 'as it came with the product'}.
  </p>{/if}
{#key `${data.template.key}/${data.template.version}`}
  <JobEditor template={data.template} fresh={data.fresh} builtIn={data.builtIn} taken={data.taken} />
{/key}
{#if data.changes.length > 0}
  <section class="mt-8" aria-label="Versions">
    <h2>Versions</h2>
    {#each data.changes as c (c.version)}
      <p class="rule-b py-1.5">
        <span class="figure">{c.version}</span>
        {showDay(c.day, data.today)}, {c.by}{c.back ? ': back to the product’s own' : ''}{c.word
          ? `: ${c.word}`
          : ''}
      </p>
    {/each}
  </section>
{/if}
