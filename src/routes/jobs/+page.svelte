<script lang="ts">
  let { data } = $props();
</script>

<svelte:head><title>Jobs · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-4">
  <h1>Jobs, step by step</h1>
  <a class="link no-print" href="/jobs/new">A job of your own</a>
  <a class="link no-print" href="/rounds">What is checked in a round</a>
</div>
<p class="quiet mt-1">
  What a visit is laid out from. Change one and the next visit goes by it; visits that were begun keep the
  version they were made from.
</p>
<table class="sheet-table stacked mt-4">
  <thead
    ><tr
      ><th>Job</th><th>What it is for</th><th>Steps</th><th>Hands on it, by machine and what is found</th><th
        >Version</th
      ></tr
    ></thead
  >
  <tbody>
    {#each data.templates as t (t.key)}
      <tr>
        <td><a class="link font-bold" href="/jobs/{t.key}">{t.title}</a></td>
        <td data-label="For">{t.about}</td>
        <td data-label="Steps" class="figure">{t.steps}</td>
        <td data-label="Hands on it" class="figure">{t.minutes}</td>
        <td data-label="Version">{t.version}, {t.own ? 'the team’s own' : 'built in'}</td>
      </tr>
    {/each}
  </tbody>
</table>
