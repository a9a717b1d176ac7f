<script lang="ts">
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import { goto } from '$app/navigation';
  import { isCrew } from '$lib/core/access/places';
  import { ridesInWords, untilInWords, workOfAll } from '$lib/core/readiness/board';
  import { showDay } from '$lib/core/time/day';
  import { shell } from '$lib/ui/base/page.svelte';
  import { lookAgain } from '$lib/ui/base/again';
  import BoardTable from '$lib/ui/board/BoardTable.svelte';

  let { data } = $props();
  const board = $derived(data.board);
  const crew = $derived(!data.you || isCrew(data.you.role));
  const work = $derived(workOfAll(board.rows));
  // A wall shows what is written as it is written; a page somebody has open in the tent does too.
  $effect(() => lookAgain('app:board'));
  $effect(() => {
    document.body.classList.toggle('on-wall', data.wall);
    return () => document.body.classList.remove('on-wall');
  });
  const pick = (e: Event) => {
    const outing = (e.currentTarget as HTMLSelectElement).value;
    void goto(`/board?outing=${outing}${data.wall ? '&wall' : ''}`, { keepFocus: true });
  };
</script>

<svelte:head><title>Board · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline gap-x-4 gap-y-2">
  <h1>Who may ride</h1>
  {#if board.event}
    <span class="figure text-2xl"
      >{board.event.name}, {showDay(board.event.firstDay, board.today)}: {untilInWords(
        board.event.firstDay,
        board.today
      )}{board.event.leavesOn ? `, leaves ${showDay(board.event.leavesOn, board.today)}` : ''}</span
    >
  {:else}<span class="quiet">No outing is planned: as the fleet stands today.</span>{/if}
  <span class="no-print ml-auto flex flex-wrap items-baseline gap-4">
    {#if board.events.length > 1}<label
        ><span class="sr-only">Outing</span>
        <select class="cell" value={board.event?.id} onchange={pick}
          >{#each board.events.slice(0, 30) as e (e.id)}<option value={e.id}
              >{e.name}, {showDay(e.firstDay, board.today)}</option
            >{/each}</select
        ></label
      >{/if}
    {#if crew}<a class="link" href="/findings">Findings</a>{/if}
    <a class="link" href="/board?outing={board.event?.id ?? ''}{data.wall ? '' : '&wall'}"
      >{data.wall ? 'Off the wall' : 'On the wall'}</a
    >
    {#if data.you?.role !== 'screen'}<PaperLinks
        path="/board.pdf?outing={board.event?.id ?? ''}"
        words="On paper"
      />{/if}
  </span>
</div>
{#if board.rows.length === 0}
  <p class="mt-4">
    {#if board.event}No machine goes to {board.event.name}. {#if crew}<a class="link" href="/outings"
          >Outings</a
        > says who goes.{/if}{:else}There is no machine yet. {#if crew}<a class="link" href="/machines/new"
          >Add one</a
        >.{/if}{/if}
  </p>
{:else}
  <p class="mt-1 mb-3" role="status">
    <strong class="figure text-2xl">{ridesInWords(board.rows)}</strong>
    {#if work}<span class="quiet ml-3">Work before it, with hands on it: {work}.</span>{/if}
    {#if shell.away}<span class="error ml-3">No connection: this may be old.</span>{/if}
  </p>
  {#each board.short as line (line)}<p class="mb-2"><strong>Not enough oil.</strong> {line}.</p>{/each}
  <BoardTable rows={board.rows} wall={data.wall} still={data.wall || !crew} />
{/if}

<style>
  :global(body.on-wall header),
  :global(body.on-wall footer) {
    display: none;
  }
  :global(body.on-wall main) {
    max-width: none;
  }
</style>
