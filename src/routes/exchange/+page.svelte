<script lang="ts">
  import Download from '@lucide/svelte/icons/download';
  import ImportPanel from '$lib/ui/exchange/ImportPanel.svelte';
  import TakeTeam from '$lib/ui/exchange/TakeTeam.svelte';
  import Calendars from '$lib/ui/exchange/Calendars.svelte';
  let { data } = $props();
</script>

<svelte:head><title>In and out · Hour Trail</title></svelte:head>
<h1>In and out</h1>
<p class="quiet mt-1 max-w-2xl">
  A notebook typed off, or years of a spreadsheet: it is told what each row would do before anything is
  written, and the same file again changes nothing. A new team begins with its machines, then outings, tasks
  and records.
</p>
<ImportPanel usual={{ day: data.today, kind: 'ride' }} />
<h2 class="mt-8">Out of the book</h2>
<p class="quiet mt-1 max-w-2xl">
  Every list as CSV: text that any spreadsheet opens, dates as year-month-day, units in the headings. A page
  that shows such a list has a link to it as it is narrowed there.
</p>
<table class="sheet-table stacked mt-4 max-w-4xl">
  <thead><tr><th>List</th><th>What is in it</th><th><span class="sr-only">Do</span></th></tr></thead>
  <tbody>
    {#each data.lists as l (l.key)}
      <tr>
        <td class="font-bold">{l.title}</td>
        <td>{l.about}</td>
        <td
          ><a class="link inline-flex items-center gap-1.5 py-1" href="/lists/{l.key}.csv" download
            ><Download size={16} aria-hidden="true" /> {l.key}.csv</a
          ></td
        >
      </tr>
    {/each}
    <tr>
      <td class="font-bold">Shim drawer</td>
      <td
        >sizes and how many of each; <a class="link" href="/stores/shims">the drawer’s page</a> takes it in again</td
      >
      <td
        ><a class="link inline-flex items-center gap-1.5 py-1" href="/stores/shims.csv" download
          ><Download size={16} aria-hidden="true" /> shims.csv</a
        ></td
      >
    </tr>
  </tbody>
</table>
<h2 class="mt-8">The whole team as one file</h2>
<p class="quiet mt-1 max-w-2xl">
  Everything that was written, with its photos, as JSON in a zip (<a
    class="link"
    href="/exchange/team.schema.json">what stands in it</a
  >). Taken in again, here or on another server, it is the same book. Addresses of calendars are not in it.
  Who has the file has the book: keep it as you keep the notebook.
</p>
<p class="mt-2">
  <a class="link inline-flex min-h-11 items-center gap-1.5" href="/exchange/team.zip" download
    ><Download size={18} aria-hidden="true" /> {data.team?.name}, as one file</a
  >
</p>
<TakeTeam />
<Calendars feeds={data.feeds} machines={data.machines} people={data.people} />
