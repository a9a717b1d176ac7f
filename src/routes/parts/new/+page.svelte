<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { COMPONENT_KINDS } from '$lib/core/component/component';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { Form } from '$lib/ui/form/form.svelte';
  import Place from '$lib/ui/part/Place.svelte';

  let { data } = $props();
  let kind = $state('engine');
  let name = $state('');
  let serial = $state('');
  let brought = $state('');
  let broughtDistance = $state('');
  let fromNew = $state(false);
  let note = $state('');
  let fittedOn = $state(untrack(() => data.today));
  let where = $state(untrack(() => ({ at: data.machineId ? `machine/${data.machineId}` : '', place: '' })));
  const form = new Form();
  const id = crypto.randomUUID();

  async function save(e: SubmitEvent) {
    e.preventDefault();
    const [to, at] = where.at.split('/');
    const sent = await form.send('component.add', {
      id,
      kind,
      name,
      serial,
      brought: fromNew ? '' : brought,
      broughtDistance: fromNew ? '' : broughtDistance,
      fromNew,
      note,
      machineId: to === 'machine' ? at : null,
      hostId: to === 'host' ? at : null,
      place: where.place,
      fittedOn
    });
    if (sent) await goto(`/parts/${id}`);
  }
</script>

<svelte:head><title>New component · Hour Trail</title></svelte:head>
<h1>A component for the book</h1>
<form onsubmit={save} class="mt-4 max-w-4xl" aria-label="New component" novalidate>
  <div class="grid items-start gap-3 sm:grid-cols-3">
    <Field label="What it is" error={form.errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={kind}
          placeholder=""
          items={COMPONENT_KINDS.map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    <Field label="Name" error={form.errors.name} hint="what the workshop calls it"
      >{#snippet children(a)}<Input {...a} bind:value={name} placeholder="Race engine A" />{/snippet}</Field
    >
    <Field label="Serial, if it has one" error={form.errors.serial}
      >{#snippet children(a)}<Input {...a} bind:value={serial} />{/snippet}</Field
    >
    <Place bind:value={where} {kind} machines={data.machines} engines={data.engines} errors={form.errors} />
    {#if where.at}<Field label="Fitted since" error={form.errors.fittedOn ?? form.errors.day}
        >{#snippet children(a)}<Input
            {...a}
            type="date"
            bind:value={fittedOn}
            max={data.today}
          />{/snippet}</Field
      >{/if}
  </div>
  <div class="rule-t mt-4 pt-3">
    <Checkbox bind:checked={fromNew}>It comes into the book new: break-in intervals hold</Checkbox>
    {#if !fromNew}<div class="mt-3 grid items-start gap-3 sm:grid-cols-3">
        <Field
          label={where.at ? 'Hours on it on that day' : 'Hours on it'}
          error={form.errors.brought}
          hint="empty if nobody knows"
          >{#snippet children(a)}<Input {...a} bind:value={brought} inputmode="decimal" />{/snippet}</Field
        >
        <Field label="Distance on it" error={form.errors.broughtDistance} hint="if it is counted"
          >{#snippet children(a)}<Input
              {...a}
              bind:value={broughtDistance}
              inputmode="decimal"
            />{/snippet}</Field
        >
      </div>{/if}
  </div>
  <Field label="Note" error={form.errors.note} class="mt-3 max-w-xl"
    >{#snippet children(a)}<Input {...a} bind:value={note} />{/snippet}</Field
  >
  <FormError message={form.errors['']} />
  <div class="mt-4 flex gap-2">
    <Button type="submit" color="primary" disabled={form.busy}>Add the component</Button>
    <Button color="alternative" href="/parts">Leave</Button>
  </div>
</form>
