<!-- What was done, a line for each job of each visit. -->
<script lang="ts">
  import { showHours } from '$lib/core/hours/hours';
  import { machineThen } from '$lib/core/record/hours';
  import type { JobRecord } from '$lib/core/record/record';
  import { showDay, type Day } from '$lib/core/time/day';
  import SortTable from '../table/SortTable.svelte';
  import type { Column } from '../table/table';

  interface Row {
    id: string;
    machineId: string | null;
    plate: string | null;
    machine: string | null;
    part: string | null;
    task: string;
    content: Pick<JobRecord, 'title'> | null;
    remark: string;
    reason: string;
    doneOn: Day;
    hours: number | null;
    machineHours: number | null;
    by: string;
  }
  interface Props {
    records: Row[];
    today: Day;
    /** Of the whole team: says on which machine. */
    whole?: boolean;
    /** Only the latest, in few columns. */
    short?: boolean;
  }
  let { records, today, whole = false, short = false }: Props = $props();
  /** What was done; where its record does not say, the task it settled. */
  const done = (r: Row) => r.content?.title || r.task;
  const said = (r: Row) => [r.reason, r.remark].filter(Boolean).join(' · ');
  const columns: Column<Row>[] = $derived([
    { id: 'day', label: 'Day', value: (r) => r.doneOn, cell: day, class: 'figure whitespace-nowrap' },
    ...(whole
      ? [
          {
            id: 'machine',
            label: 'On',
            value: (r: Row) => `${r.plate ?? ''} ${r.machine ?? 'shelf'}`,
            cell: on
          }
        ]
      : []),
    {
      id: 'at',
      label: 'At',
      value: (r) => r.hours,
      cell: at,
      class: 'figure text-lg whitespace-nowrap'
    },
    { id: 'task', label: 'Done', value: (r) => [done(r), r.part].filter(Boolean).join(' '), cell: task },
    { id: 'by', label: 'By', value: (r) => r.by, cell: by },
    ...(short ? [] : [{ id: 'said', label: 'Said', value: said, cell: words }])
  ]);
</script>

{#snippet day(r: Row)}{showDay(r.doneOn, today)}{/snippet}
{#snippet on(r: Row)}{#if r.machineId}<a class="no-underline hover:underline" href="/machines/{r.machineId}"
      ><span class="plate">{r.plate}</span> {r.machine}</a
    >{:else}the shelf{/if}{/snippet}
{#snippet at(r: Row)}{@const machine = machineThen(r)}{r.hours === null
    ? 'hours not known'
    : `${showHours(r.hours)} h`}{#if machine !== null}<span class="quiet block text-sm"
      >machine {showHours(machine)} h</span
    >{/if}{/snippet}
{#snippet task(r: Row)}<a class="link" href="/records/{r.id}">{done(r)}</a>{#if r.part}<span
      class="quiet block text-sm">{r.part}</span
    >{/if}{/snippet}
{#snippet by(r: Row)}{r.by}{/snippet}
{#snippet words(r: Row)}{said(r).length > 140 ? `${said(r).slice(0, 140)}…` : said(r)}{/snippet}

{#if records.length === 0}
  <p class="mt-2">No work written down yet.</p>
{:else}
  <div class="mt-2"><SortTable rows={records} key={(r) => r.id} label="Work done" {columns} /></div>
{/if}
