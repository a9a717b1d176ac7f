<script lang="ts">
  import { Button, Checkbox, Input, Radio, Select } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { KINDS } from '$lib/core/machine/machine';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send } from '$lib/ui/form/send';
  import { asSent, emptyTask } from '$lib/ui/task/draft';
  import LastDone from '$lib/ui/task/LastDone.svelte';
  import TaskFields from '$lib/ui/task/TaskFields.svelte';

  let { data } = $props();
  let plate = $state('');
  let name = $state('');
  let maker = $state('');
  let kind = $state('');
  let riderId = $state('');
  let meter = $state('hour meter');
  let reading = $state('');
  let withTask = $state(true);
  let task = $state(emptyTask());
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  const id = crypto.randomUUID();
  const taskId = crypto.randomUUID();

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const sent = await send('machine.add', {
      id,
      plate,
      name,
      maker,
      kind,
      riderId: riderId || null,
      meter,
      reading,
      task: withTask ? { ...asSent(task), id: taskId } : null
    });
    busy = false;
    if (sent.ok) await goto(`/machines/${id}`, { invalidateAll: true });
    else errors = sent.errors;
  }
</script>

<svelte:head><title>New machine · Hour Trail</title></svelte:head>
<h1>A machine for the fleet</h1>
<form onsubmit={save} class="mt-4 max-w-4xl" aria-label="New machine" novalidate>
  <div class="grid items-start gap-3 sm:grid-cols-[7rem_1fr_1fr]">
    <Field label="Number" error={errors.plate} hint="as on its plate"
      >{#snippet children(a)}<Input {...a} bind:value={plate} class="figure text-lg" />{/snippet}</Field
    >
    <Field label="Name" error={errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={name} />{/snippet}</Field
    >
    <Field label="Maker" error={errors.maker}
      >{#snippet children(a)}<Input {...a} bind:value={maker} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
    <Field label="What it is" error={errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={kind}
          placeholder="Pick one"
          items={KINDS.map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    <Field label="Usual rider"
      >{#snippet children(a)}<Select
          {...a}
          bind:value={riderId}
          placeholder=""
          items={[
            { value: '', name: 'nobody in particular' },
            ...data.people.map((p) => ({ value: p.id, name: p.name }))
          ]}
        />{/snippet}</Field
    >
  </div>
  <fieldset class="mt-3">
    <legend class="text-sm">Its hours</legend>
    <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
      <Radio name="meter" value="hour meter" bind:group={meter}>an hour meter counts them</Radio>
      <Radio name="meter" value="reckoned" bind:group={meter}>no meter: counted from time ridden</Radio>
    </div>
  </fieldset>
  <Field
    label={meter === 'reckoned' ? 'Hours run so far, as near as you know' : 'The meter shows now, h'}
    error={errors.reading}
    class="mt-3 max-w-60"
  >
    {#snippet children(a)}<Input
        {...a}
        bind:value={reading}
        inputmode="decimal"
        class="figure text-lg"
      />{/snippet}
  </Field>
  <div class="rule-t mt-5 pt-4">
    <Checkbox bind:checked={withTask}>Its first task now</Checkbox>
    {#if withTask}<div class="mt-3">
        <TaskFields bind:value={task} {errors} prefix="task." />
        <LastDone bind:value={task} {errors} prefix="task." today={data.today} />
      </div>{/if}
  </div>
  <FormError message={errors['']} />
  {#if Object.keys(errors).some((k) => k)}<p class="error mt-3" role="alert">
      Some fields want another look.
    </p>{/if}
  <Button type="submit" color="primary" class="mt-5" disabled={busy}>Add the machine</Button>
</form>
