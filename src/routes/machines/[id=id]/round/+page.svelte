<script lang="ts">
  import { timeOfDay } from '$lib/core/time/moment';
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import { LIST_WORDS } from '$lib/core/round/check';
  import { dayOf, showDay } from '$lib/core/time/day';
  import RoundSheet from '$lib/ui/round/RoundSheet.svelte';

  let { data } = $props();
  const sheet = $derived(data.sheet);
  const who = $derived(data.people.find((p) => p.id === data.personId)?.name ?? '');
  const at = $derived(sheet.round?.doneAt ?? sheet.round?.begunAt ?? null);
  const day = $derived(at && showDay(dayOf(at, data.timeZone), data.today));
  const time = $derived(at && timeOfDay(at, data.timeZone));
  const when = $derived(
    sheet.round ? `${sheet.round.doneAt ? 'done' : 'begun'} ${day} ${time} by ${sheet.round.by}` : ''
  );
</script>

<svelte:head><title>{LIST_WORDS[sheet.list]} · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-x-3 gap-y-1">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>{LIST_WORDS[sheet.list]}</h1>
  <span class="ml-auto"
    ><PaperLinks path="/machines/{data.machine.id}/round.pdf?list={sheet.list}" words="On paper" /></span
  >
  <a class="link ml-auto" href="/board">Board</a>
</div>
{#key `${data.machine.id} ${sheet.list}`}<RoundSheet
    {sheet}
    {who}
    holds={data.holds}
    {when}
    stale={data.left}
    today={data.today}
  />{/key}
{#if data.others.length > 0}<section class="mt-4" aria-label="What else keeps it off">
    <h2>What else keeps it off</h2>
    {#each data.others as words, k (k)}<p class="rule-b py-1">{words}</p>{/each}
  </section>{/if}
