<script lang="ts">
  import JobEditor from '$lib/ui/job/JobEditor.svelte';
  import Versions from '$lib/ui/table/Versions.svelte';
  let { data } = $props();
</script>

<svelte:head><title>{data.fresh ? 'A new job' : data.template.title} · Hour Trail</title></svelte:head>
<p class="no-print"><a class="link" href="/jobs">All jobs</a></p>
<h1>{data.fresh ? 'A job of your own' : data.template.title}</h1>
{#if !data.fresh}<p class="quiet">
    Version {data.template.version}, {data.template.own ? 'the team’s own' : 'built in'}.
  </p>{/if}
{#key `${data.template.key}/${data.template.version}`}
  <JobEditor template={data.template} fresh={data.fresh} builtIn={data.builtIn} taken={data.taken} />
{/key}
<Versions changes={data.changes} today={data.today} back="the product’s own" />
