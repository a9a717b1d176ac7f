<script lang="ts">
  import { showMoment } from '$lib/core/time/moment';
  let { data } = $props();
  const a = $derived(data.about);
  const zone = $derived(data.team?.timeZone ?? 'UTC');
  const mb = (n: number) => (n > 1e9 ? `${(n / 1e9).toFixed(1)} GB` : `${Math.round(n / 1e6)} MB`);
  const many = (n: number) => n.toLocaleString('en-GB');
  const LITTLE = 1e9;
  const ALMOST = 0.9;
  const lines = $derived<[string, string, boolean?][]>([
    ['Version', a.version],
    ['Schema', a.schema],
    ['Node.js', a.node],
    ['PostgreSQL', a.postgres],
    ['Running since', showMoment(a.upSince, data.today, zone)],
    ['Load', `${a.load.toFixed(1)} on ${a.cores === 1 ? 'one core' : `${a.cores} cores`}`],
    ['The book takes', mb(a.database)],
    [
      'Left on the disk',
      a.diskLeft === null ? 'not known' : mb(a.diskLeft),
      a.diskLeft !== null && a.diskLeft < LITTLE
    ],
    ['Teams', String(a.teams)],
    ['Signed in within a day', String(a.sessions)],
    ['Pages that are told live', String(a.live)],
    [
      'Entries within a day',
      `${many(a.taken.entries)} of the ${many(a.quota.entries)} a team may write`,
      a.taken.entries > ALMOST * a.quota.entries
    ],
    [
      'What they say',
      `${mb(a.taken.written)} of the ${mb(a.quota.written)} a team may write within a day`,
      a.taken.written > ALMOST * a.quota.written
    ],
    [
      'Photos',
      `${mb(a.taken.photos)} of the ${mb(a.quota.photos)} a team may keep`,
      a.taken.photos > ALMOST * a.quota.photos
    ],
    [
      'Last backup',
      a.backup === null
        ? 'this server makes none by itself'
        : a.backup.last === null
          ? 'none yet'
          : showMoment(new Date(a.backup.last), data.today, zone),
      a.backup?.error != null
    ]
  ]);
</script>

<svelte:head><title>This server · Hour Trail</title></svelte:head>
<h1>This server</h1>
<dl class="mt-3 grid max-w-xl grid-cols-[12rem_1fr] gap-y-1">
  {#each lines as [what, value, bad] (what)}
    <dt class="quiet">{what}</dt>
    <dd class:error={bad}>{value}</dd>
  {/each}
</dl>
{#if a.backup?.error}<p class="caution mt-3">The last backup failed: {a.backup.error}</p>{/if}
<p class="quiet mt-4 max-w-xl text-sm">
  On the server: <code>npm run backup</code> and <code>npm run restore</code>.
  <a class="link" href="/health">Whether it answers</a> is for whatever watches it: 200 while pages and database
  answer, 503 while the database is away.
</p>
