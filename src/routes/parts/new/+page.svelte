<script lang="ts">
  import { Button, Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { COMPONENT_KINDS } from '$lib/core/component/component';
  import { componentSchema } from '$lib/core/component/form';
  import { commandForm } from '$lib/ui/form/command-form';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import Place from '$lib/ui/component/Place.svelte';

  let { data } = $props();
  const {
    data: typed,
    errors,
    busy,
    enhance
  } = commandForm(
    'component.add',
    componentSchema,
    () => ({
      id: crypto.randomUUID(),
      kind: 'engine',
      name: '',
      serial: '',
      brought: '',
      broughtDistance: '',
      fromNew: false,
      note: '',
      fittedOn: data.today,
      where: data.machineId ? `machine/${data.machineId}` : '',
      place: ''
    }),
    {
      body: ({ where, brought, broughtDistance, ...rest }) => {
        const [to, at] = where.split('/');
        return {
          ...rest,
          brought: rest.fromNew ? '' : brought,
          broughtDistance: rest.fromNew ? '' : broughtDistance,
          machineId: to === 'machine' ? at! : null,
          hostId: to === 'host' ? at! : null
        };
      },
      leaves: true,
      taken: (_, { id }) => goto(`/parts/${id}`)
    }
  );
</script>

<svelte:head><title>New component · Hour Trail</title></svelte:head>
<h1>A component for the book</h1>
<form class="mt-4 max-w-4xl" aria-label="New component" method="POST" novalidate use:enhance>
  <div class="grid items-start gap-3 sm:grid-cols-3">
    <Field label="What it is" error={$errors.kind}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={$typed.kind}
          placeholder=""
          items={COMPONENT_KINDS.map((k) => ({ value: k, name: k }))}
        />{/snippet}</Field
    >
    <Field label="Name" error={$errors.name} hint="what the workshop calls it"
      >{#snippet children(a)}<Input
          {...a}
          bind:value={$typed.name}
          placeholder="Race engine A"
        />{/snippet}</Field
    >
    <Field label="Serial, if it has one" error={$errors.serial}
      >{#snippet children(a)}<Input {...a} bind:value={$typed.serial} />{/snippet}</Field
    >
    <Place
      bind:at={$typed.where}
      bind:place={$typed.place}
      kind={$typed.kind}
      machines={data.machines}
      engines={data.engines}
      errors={$errors}
    />
    {#if $typed.where}<Field label="Fitted since" error={$errors.fittedOn ?? $errors.day}
        >{#snippet children(a)}<Input
            {...a}
            type="date"
            bind:value={$typed.fittedOn}
            max={data.today}
          />{/snippet}</Field
      >{/if}
  </div>
  <div class="rule-t mt-4 pt-3">
    <Checkbox bind:checked={$typed.fromNew}>It comes into the book new: break-in intervals hold</Checkbox>
    {#if !$typed.fromNew}<div class="mt-3 grid items-start gap-3 sm:grid-cols-3">
        <Field
          label={$typed.where ? 'Hours on it on that day' : 'Hours on it'}
          error={$errors.brought}
          hint="empty if nobody knows"
          >{#snippet children(a)}<Input
              {...a}
              bind:value={$typed.brought}
              inputmode="decimal"
            />{/snippet}</Field
        >
        <Field label="Distance on it" error={$errors.broughtDistance} hint="if it is counted"
          >{#snippet children(a)}<Input
              {...a}
              bind:value={$typed.broughtDistance}
              inputmode="decimal"
            />{/snippet}</Field
        >
      </div>{/if}
  </div>
  <Field label="Note" error={$errors.note} class="mt-3 max-w-xl"
    >{#snippet children(a)}<Input {...a} bind:value={$typed.note} />{/snippet}</Field
  >
  <FormError message={$errors['']} />
  <div class="mt-4 flex gap-2">
    <Button type="submit" color="primary" disabled={$busy}>Add the component</Button>
    <Button color="alternative" href="/parts">Leave</Button>
  </div>
</form>
