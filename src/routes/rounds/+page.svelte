<script lang="ts">
  import ListEditor from '$lib/ui/round/ListEditor.svelte';
  import Versions from '$lib/ui/table/Versions.svelte';
  let { data } = $props();
</script>

<svelte:head><title>What is checked · Hour Trail</title></svelte:head>
<h1>What is checked in a round</h1>
<p class="quiet">
  Station by station, for each kind of machine. {data.checks.own
    ? `Version ${data.checks.version}, the team’s own.`
    : 'Built in.'} Torque rounds go by the fasteners on each spec sheet.
</p>
{#key data.checks.version}
  <ListEditor checks={data.checks} kinds={data.kinds} kind={data.kind} list={data.list} />
{/key}
<Versions changes={data.changes} today={data.today} back="how it came" />
