<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Input, Radio, Select } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { KINDS, type Kind } from '$lib/core/machine/machine';
  import { usualTasks } from '$lib/core/machine/usual';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { idsFor, sendAll, type Item } from '$lib/ui/form/send';
  import { say } from '$lib/ui/base/page.svelte';
  import { emptyTask, firstTasks, likeDrafts, ofKind, type FirstTask } from '$lib/ui/task/draft';
  import FirstTasks from '$lib/ui/task/FirstTasks.svelte';

  let { data } = $props();
  let plate = $state('');
  let name = $state('');
  let maker = $state('');
  let kind = $state('');
  let riderId = $state('');
  let meter = $state('hour meter');
  let reading = $state('');
  let lastDone = $state<'new' | 'not known'>('not known');
  let tasks = $state<FirstTask[]>([]);
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  const id = crypto.randomUUID();

  // A sister is picked: what she has stands in the form, to be changed.
  let taken = '';
  $effect(() => {
    const { like } = data;
    // Once: the page is loaded anew when anything is written, and what was typed since stays.
    if (!like || like.id === taken) return;
    taken = like.id;
    untrack(() => {
      [kind, maker, meter] = [like.kind, like.maker, like.meter];
      tasks = likeDrafts(like.tasks);
    });
  });
  function turn() {
    if (!taken) tasks = ofKind(tasks, KINDS.includes(kind as Kind) ? usualTasks(kind as Kind) : []);
  }
  function sister(like: string) {
    void goto(like ? `?like=${like}` : '?', { keepFocus: true, noScroll: true, replaceState: true });
    if (like) return;
    taken = '';
    tasks = [];
    turn();
  }

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const body = {
      id,
      plate,
      name,
      maker,
      kind,
      riderId: riderId || null,
      meter,
      reading,
      tasks: firstTasks(tasks, lastDone)
    };
    // Sent again after a lost answer, each goes under the id it had.
    const [add, copy] = idsFor([body, data.like?.id], 2);
    const machine: Item = { kind: 'machine.add', id: add, body };
    const sheet: Item[] =
      data.like && data.like.figures + data.like.fasteners > 0
        ? [
            {
              kind: 'sheet.copy',
              id: copy,
              after: add,
              body: { fromMachineId: data.like.id, toMachineId: id }
            }
          ]
        : [];
    const [made, brought] = await sendAll([machine, ...sheet]);
    busy = false;
    if (made!.ok) {
      if (brought && !brought.ok)
        say('The machine is in the book; her sheet did not come over. Bring it from the spec sheet.');
      await goto(`/machines/${id}/sheet`, { invalidateAll: true });
      return;
    }
    errors = byRow(made!.errors);
  }
  /** Errors of the tasks that were sent, by the row each stands in. */
  function byRow(sent: Record<string, string>): Record<string, string> {
    const rows = tasks.flatMap((t, i) => (t.on ? [i] : []));
    return Object.fromEntries(
      Object.entries(sent).map(([k, v]) => [
        k.replace(/^tasks\.(\d+)/, (_, n) => `tasks.${rows[Number(n)]}`),
        v
      ])
    );
  }
</script>

<svelte:head><title>New machine · Hour Trail</title></svelte:head>
<h1>A machine for the fleet</h1>
<form onsubmit={save} class="mt-4 max-w-5xl" aria-label="New machine" novalidate>
  {#if data.machines.length > 0}
    <Field
      label="Like one we have"
      class="mb-3 max-w-md"
      hint={data.like
        ? `Comes over: ${data.like.tasks.length} tasks with their intervals, ${data.like.fasteners} fasteners, ${data.like.figures} figures, each to be confirmed.`
        : 'its tasks and its whole sheet come over; every figure is to be confirmed'}
    >
      {#snippet children(a)}<Select
          {...a}
          value={data.like?.id ?? ''}
          onchange={(e) => sister((e.currentTarget as HTMLSelectElement).value)}
          placeholder=""
          items={[
            { value: '', name: 'no: from its kind' },
            ...data.machines.map((m) => ({ value: m.id, name: `${m.plate}  ${m.name}` }))
          ]}
        />{/snippet}
    </Field>
  {/if}
  <div class="grid items-start gap-3 sm:grid-cols-[7rem_1fr_1fr]">
    <Field label="Number" error={errors.plate} hint="as on its plate"
      >{#snippet children(a)}<Input {...a} bind:value={plate} class="figure text-lg" />{/snippet}</Field
    >
    <Field label="Name" error={errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={name} />{/snippet}</Field
    >
    <Field label="Maker" error={errors.maker} hint="if you like"
      >{#snippet children(a)}<Input {...a} bind:value={maker} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
    <Field label="What it is" error={errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={kind}
          onchange={turn}
          placeholder="Pick one"
          items={KINDS.map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    {#if data.people.length > 1}<Field label="Usual rider"
        >{#snippet children(a)}<Select
            {...a}
            bind:value={riderId}
            placeholder=""
            items={[
              { value: '', name: 'nobody in particular' },
              ...data.people.map((p) => ({ value: p.id, name: p.name }))
            ]}
          />{/snippet}</Field
      >{/if}
  </div>
  <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
    <Field
      label={meter === 'reckoned' ? 'Hours run so far, as near as you know' : 'The meter shows now, h'}
      error={errors.reading}
      hint={meter === 'reckoned' ? 'empty: not known' : 'empty: not read yet'}
      class="max-w-60"
    >
      {#snippet children(a)}<Input
          {...a}
          bind:value={reading}
          inputmode="decimal"
          class="figure text-lg"
        />{/snippet}
    </Field>
    <fieldset>
      <legend class="text-sm">Its hours</legend>
      <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
        <Radio name="meter" value="hour meter" bind:group={meter}>an hour meter counts them</Radio>
        <Radio name="meter" value="reckoned" bind:group={meter}>no meter: counted from time ridden</Radio>
      </div>
    </fieldset>
  </div>
  {#if tasks.length > 0}
    <section class="rule-t mt-5 pt-4" aria-label="Its tasks">
      <h2>{data.like ? `As ${data.like.plate} ${data.like.name} has it` : 'What it usually asks for'}</h2>
      <p class="quiet text-sm">
        The interval is in its manual. Left empty it is unknown, and shown so until somebody looks it up.
      </p>
      <FirstTasks
        bind:tasks
        {errors}
        jobs={data.jobs.filter((j) => j.kinds.some((k) => k === kind) || tasks.some((t) => t.job === j.key))}
        onadd={() => (tasks = [...tasks, { ...emptyTask(), id: crypto.randomUUID(), on: true }])}
      />
      <fieldset class="mt-4">
        <legend class="text-sm">When was all this last done?</legend>
        <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
          <Radio name="last" value="not known" bind:group={lastDone}
            >not known here: counted from when it is next done</Radio
          >
          <Radio name="last" value="new" bind:group={lastDone}>never: the machine is new</Radio>
        </div>
      </fieldset>
    </section>
  {/if}
  <FormError message={errors['']} />
  {#if Object.keys(errors).some((k) => k)}<p class="error mt-3" role="alert">
      Some fields want another look.
    </p>{/if}
  <Button type="submit" color="primary" class="mt-5" disabled={busy}>Add the machine</Button>
</form>
