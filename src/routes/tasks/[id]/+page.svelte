<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Input } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { showAmount } from '$lib/core/schedule/words';
  import { showDay, dayOf } from '$lib/core/time/day';
  import { taskChangeSchema, taskSchema } from '$lib/core/schedule/form';
  import type { Measure } from '$lib/core/schedule/task';
  import type { Lane } from '$lib/core/trail/lane';
  import type { WhyLine } from '$lib/core/schedule/why';
  import { commandForm } from '$lib/ui/form/command-form';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { ask } from '$lib/ui/form/send';
  import BackToBook from '$lib/ui/task/BackToBook.svelte';
  import Ageing from '$lib/ui/task/Ageing.svelte';
  import { asSent, draftOf, emptyTask } from '$lib/ui/task/draft';
  import LastDone from '$lib/ui/task/LastDone.svelte';
  import Proposals from '$lib/ui/task/Proposals.svelte';
  import StopForm from '$lib/ui/task/StopForm.svelte';
  import TaskFields from '$lib/ui/task/TaskFields.svelte';
  import Why from '$lib/ui/task/Why.svelte';
  import LargeTrail from '$lib/ui/trail/LargeTrail.svelte';

  let { data } = $props();
  let draft = $state(untrack(() => (data.task ? draftOf(data.task) : emptyTask())));
  const id = crypto.randomUUID();
  const owner = $derived(data.component ? 'component' : 'machine');
  const changed = (word = '') => ({ ...asSent(draft), id, taskId: data.task!.id, word });
  const added = () => ({
    ...asSent(draft),
    id,
    machineId: data.component ? null : data.machine!.id,
    componentId: data.component?.id ?? null
  });
  const done = {
    leaves: true,
    says: () => `${draft.name} is watched${data.component ? ` on the ${data.component.name}` : ''}.`,
    taken: () => goto(back)
  };
  // What a task is stands in a draft, whose rows are put on the trail while they are typed.
  const {
    data: about,
    errors,
    busy,
    enhance
  } = untrack(() => data.task)
    ? commandForm('task.change', taskChangeSchema, () => ({ word: '' }), {
        ...done,
        body: ({ word }) => changed(word)
      })
    : commandForm('task.add', taskSchema, () => ({ word: '' }), { ...done, body: () => added() });
  const back = $derived(data.machine ? `/machines/${data.machine.id}#tasks` : `/parts/${data.component!.id}`);

  let lane = $state<Lane | null>(untrack(() => data.lane));
  let why = $state<WhyLine[]>(untrack(() => data.why));
  let wanting = $state('');
  let asked = 0;
  const typed = $derived(JSON.stringify(draft));
  $effect(() => {
    void typed;
    const turn = ++asked;
    // A pause in the typing: the server is asked for where it would stand.
    const timer = setTimeout(async () => {
      // Where nobody has said yet, the stake cannot be placed; everything else can be looked at.
      const sent = await ask<{ lane: Lane | null; why: WhyLine[] }>(
        '/api/tasks/preview',
        untrack(() =>
          data.task
            ? { change: changed() }
            : {
                add: {
                  ...added(),
                  name: draft.name || 'This task',
                  lastDone: draft.lastDone || 'not known'
                }
              }
        )
      );
      if (turn !== asked) return;
      if (sent.ok) {
        lane = sent.data.lane;
        why = sent.data.why;
        wanting = '';
      } else wanting = Object.values(sent.errors)[0] ?? '';
    }, 250);
    return () => clearTimeout(timer);
  });

  const today = $derived(data.today);
  const was = (c: (typeof data.changes)[number]) =>
    c.shortenedTo !== null
      ? 'the shortened interval was taken back'
      : c.was
          .map(
            (w) =>
              `every ${showAmount(w.interval_amount, w.measure as Measure)}${w.limit_amount ? `, limit ${showAmount(w.limit_amount, w.measure as Measure)}` : ''}`
          )
          .join(' or ');
</script>

<svelte:head><title>{data.task?.name ?? 'New task'} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  {#if data.machine}<a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
      ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
        >{data.machine.name}</span
      ></a
    >{/if}
  {#if data.component}<a class="link" href="/parts/{data.component.id}">{data.component.name}</a>{/if}
  <h1>{data.task ? data.task.name : 'New task'}</h1>
</div>

{#if lane}
  <LargeTrail {lane} mark={data.task?.id ?? id} />
{:else}
  <p class="quiet mt-2">On the shelf: its stakes stand on the trail of the machine it is fitted to.</p>
{/if}
<div class="mt-3 min-h-16" aria-live="polite">
  {#if wanting}<p class="quiet">Not on the trail yet: {wanting}</p>{:else}<Why lines={why} />{/if}
</div>

<form
  class="rule-t mt-4 pt-4"
  aria-label={data.task ? 'Change the task' : 'Add a task'}
  method="POST"
  novalidate
  use:enhance
>
  <TaskFields bind:value={draft} errors={$errors} others={data.others} jobs={data.jobs} />
  {#if !data.task}<LastDone bind:value={draft} errors={$errors} {owner} {today} />{/if}
  <Ageing bind:value={draft} errors={$errors} rules={data.rules} component={data.component !== null} />
  <div class="mt-4 grid gap-3 sm:grid-cols-2">
    <Field label="Note" error={$errors.note}
      >{#snippet children(a)}<Input {...a} bind:value={draft.note} />{/snippet}</Field
    >
    {#if data.task}<Field label="Why it is changed" error={$errors.word}
        >{#snippet children(a)}<Input {...a} bind:value={$about.word} />{/snippet}</Field
      >{/if}
  </div>
  <FormError message={$errors['']} />
  <div class="mt-4 flex flex-wrap gap-2">
    <Button type="submit" color="primary" disabled={$busy}
      >{data.task ? 'Save the change' : 'Add the task'}</Button
    >
    <Button color="alternative" href={back}>Leave</Button>
  </div>
</form>

{#if data.task}
  <section class="mt-8">
    <h2>Proposals to shorten</h2>
    <Proposals proposals={data.proposals} />
    {#each data.task.triggers.filter((t) => t.shortenedTo !== null) as t (t.id)}
      <p class="mt-2">
        Shortened to {showAmount(t.shortenedTo!, t.measure)}; the book says {showAmount(
          t.interval,
          t.measure
        )}.
        <BackToBook triggerId={t.id} />
      </p>
    {/each}
  </section>
  <section class="mt-8">
    <h2>Changes</h2>
    {#each data.changes as c (c.at)}<p class="rule-b py-1">
        <span class="figure">{showDay(dayOf(new Date(c.at), data.team?.timeZone ?? 'UTC'), today)}</span>
        {c.by}{c.word ? `: ${c.word}` : ''}{#if was(c)}<span class="quiet">. Before: {was(c)}</span>{/if}
      </p>{:else}<p class="quiet mt-1">Never changed.</p>{/each}
  </section>
  <section class="mt-8">
    <h2>No longer needed</h2>
    <StopForm task={data.task} {back} />
  </section>
{/if}
