<!-- Who wrote what, and when: every command as it was carried out. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { bodyLines } from '$lib/core/command/body-words';
  import { kindWords } from '$lib/core/command/rules';
  import { clockOff } from '$lib/core/time/clock';
  import { showMoment } from '$lib/core/time/moment';

  let { data } = $props();
  const zone = $derived(data.team?.timeZone ?? 'UTC');
  /** What has a name is not read by its id. */
  const called = $derived(
    new Map([
      ...data.everybody.map((p): [string, string] => [p.id, p.name]),
      ...data.machines.map((m): [string, string] => [m.id, `${m.plate} ${m.name}`])
    ])
  );
  /** Lines of a body; the rest of a long one (a pasted season) is in its JSON. */
  const AT_A_GLANCE = 8;
  const MINUTES = 60_000;
  /** It waited on a device, or its clock was off: both moments are said. */
  const apart = (a: Date, b: Date) => Math.abs(a.getTime() - b.getTime()) > 2 * MINUTES;
  const query = (more: Record<string, string | null>) =>
    `?${new URLSearchParams(
      Object.entries({ machine: data.machineId, person: data.personId, ...more }).filter(
        (e): e is [string, string] => e[1] !== null && e[1] !== ''
      )
    )}`;
  const pick = (name: string) => (e: Event) =>
    void goto(query({ [name]: (e.currentTarget as HTMLSelectElement).value }), { keepFocus: true });
</script>

<svelte:head><title>Who wrote what · Hour Trail</title></svelte:head>
<h1>Who wrote what</h1>
<p class="quiet max-w-2xl">
  Every command as it was carried out, the latest first. Nothing of it is ever changed: a correction is one
  more. Only the name of somebody who left can be taken out of what brought them in, and that is said there.
</p>
<div class="mt-3 flex flex-wrap gap-4">
  <label
    >Machine <select class="cell" value={data.machineId ?? ''} onchange={pick('machine')}
      ><option value="">all</option>{#each data.machines as m (m.id)}<option value={m.id}
          >{m.plate} {m.name}</option
        >{/each}</select
    ></label
  >
  <label
    >By <select class="cell" value={data.personId ?? ''} onchange={pick('person')}
      ><option value="">all</option>{#each data.everybody as p (p.id)}<option value={p.id}>{p.name}</option
        >{/each}</select
    ></label
  >
</div>
{#if data.rows.length === 0}<p class="mt-4">Nothing was written.</p>
{:else}
  <table class="sheet-table stacked mt-3">
    <thead><tr><th>When</th><th>What</th><th>On</th><th>By</th><th>As it was sent</th></tr></thead>
    <tbody>
      {#each data.rows as r (r.seq)}<tr>
          <td class="whitespace-nowrap"
            >{showMoment(r.at, data.today, zone)}{#if apart(r.at, r.receivedAt)}<span
                class="quiet block text-sm">came {showMoment(r.receivedAt, data.today, zone)}</span
              >{/if}{#if clockOff((r.clockAheadS ?? 0) * 1000)}<span class="quiet block text-sm"
                >its clock was {clockOff((r.clockAheadS ?? 0) * 1000)}</span
              >{/if}</td
          >
          <td>{kindWords(r.kind)}</td>
          <td data-label="on"
            >{r.machines.slice(0, 6).join(', ')}{r.machines.length > 6
              ? ` and ${r.machines.length - 6} more`
              : ''}</td
          >
          <td data-label="by">{r.by}</td>
          <td
            >{#if r.forgottenAt}<span class="quiet block text-sm"
                >their name was taken out of it {showMoment(r.forgottenAt, data.today, zone)}</span
              >{/if}
            {#each bodyLines(r.body, (id) => called.get(id)).slice(0, AT_A_GLANCE) as l, i (i)}<span
                class="block text-sm"><span class="quiet">{l.name}</span> {l.value}</span
              >{/each}
            <details>
              <summary class="quiet text-sm">as JSON</summary>
              <code class="block text-xs break-all whitespace-pre-wrap"
                >{JSON.stringify(r.body, null, 1)}</code
              >
            </details></td
          >
        </tr>{/each}
    </tbody>
  </table>
  {#if data.older !== null}<p class="mt-3">
      <a class="link" href={query({ before: String(data.older) })}>Older</a>
    </p>{/if}
{/if}
