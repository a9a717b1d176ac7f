<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { ROLES } from '$lib/core/team/team';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send } from '$lib/ui/form/send';
  import { workAt } from '$lib/ui/form/device';

  let { data, form } = $props();
  let name = $state(untrack(() => form?.typed.name ?? ''));
  let role = $state(untrack(() => form?.typed.role ?? 'mechanic'));
  let errors = $state<Record<string, string>>(untrack(() => form?.errors ?? {}));
  let id = $state(untrack(() => data.freshId));
  const YEAR = 'path=/; max-age=31536000; samesite=lax';

  async function add(e: SubmitEvent) {
    e.preventDefault();
    const sent = await send('person.add', { id, name, role });
    errors = sent.ok ? {} : sent.errors;
    if (!sent.ok) return;
    id = crypto.randomUUID();
    name = '';
    await invalidateAll();
  }
  async function leaves(personId: string, left: boolean) {
    const sent = await send('person.leave', { personId, left });
    errors = sent.ok ? {} : sent.errors;
    await invalidateAll();
  }
  async function units(e: Event) {
    document.cookie = `ht_units=${(e.currentTarget as HTMLInputElement).value}; ${YEAR}`;
    await invalidateAll();
  }
</script>

<svelte:head><title>Team · Hour Trail</title></svelte:head>
<h1>{data.team?.name}</h1>
<p class="quiet">{data.team?.timeZone}</p>
<div class="mt-6 grid gap-10 md:grid-cols-2">
  <section>
    <h2>People</h2>
    <table class="sheet-table mt-2">
      <tbody
        >{#each data.people as p (p.id)}<tr
            ><td>{p.name}</td><td class="quiet">{p.role}</td><td
              >{#if p.id !== data.personId}<button
                  type="button"
                  class="link text-sm"
                  aria-label="{p.name} left"
                  onclick={() => leaves(p.id, true)}>has left</button
                >{/if}</td
            ></tr
          >{/each}{#each data.left as p (p.id)}<tr
            ><td class="quiet">{p.name}</td><td class="quiet">{p.role}, left</td><td
              ><button
                type="button"
                class="link text-sm"
                aria-label="{p.name} is back"
                onclick={() => leaves(p.id, false)}>is back</button
              ></td
            ></tr
          >{/each}</tbody
      >
    </table>
    <form
      method="POST"
      action="?/add"
      onsubmit={add}
      class="mt-4 grid items-start gap-3 sm:grid-cols-[1fr_12rem_auto]"
      aria-label="Add someone"
      novalidate
    >
      <input type="hidden" name="id" value={id} />
      <Field label="Name" error={errors.name}
        >{#snippet children(a)}<Input {...a} name="name" bind:value={name} />{/snippet}</Field
      >
      <Field label="What they do" error={errors.role}
        >{#snippet children(a)}<Select
            {...a}
            name="role"
            bind:value={role}
            placeholder=""
            items={ROLES.map((r) => ({ value: r, name: r }))}
          />{/snippet}</Field
      >
      <Button type="submit" color="primary" class="sm:mt-6">Add</Button>
    </form>
    <FormError message={errors['']} />
  </section>
  <section>
    <h2>This device</h2>
    <fieldset class="mt-2">
      <legend class="text-sm">Which unit stands first</legend>
      <label class="mr-5"
        ><input type="radio" name="units" value="metric" checked={data.units === 'metric'} onchange={units} /> metric</label
      >
      <label
        ><input
          type="radio"
          name="units"
          value="imperial"
          checked={data.units === 'imperial'}
          onchange={units}
        /> imperial</label
      >
    </fieldset>
    <h2 class="mt-6">Teams here</h2>
    <ul>
      {#each data.teams as t (t.id)}
        <li class="rule-b flex justify-between py-2">
          <span>{t.name}{t.isDemo ? ' (demo)' : ''}</span>
          {#if t.id === data.team?.id}<span class="quiet">this device works here</span>{:else}<button
              type="button"
              class="link"
              onclick={() => workAt(t.id)}>Work here</button
            >{/if}
        </li>
      {/each}
    </ul>
    <p class="mt-3"><a class="link" href="/welcome">Set up another team</a></p>
  </section>
</div>
