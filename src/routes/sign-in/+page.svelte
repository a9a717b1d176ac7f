<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { enhance } from '$app/forms';
  import { Button, Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { likelyDeviceName } from '$lib/ui/access/device-name';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';

  let { data, form } = $props();
  const errors = $derived<Record<string, string>>(form?.errors ?? {});
  const typed = untrack(() => form?.typed ?? {});
  let who = $state(untrack(() => (form?.typed.pin === undefined && form?.typed.person) || ''));
  let name = $state(typed.name ?? '');
  let team = $state(typed.team ?? '');
  let trust = $state(typed.trust === 'on');
  let device = $state(typed.device ?? '');
  let byName = $state(untrack(() => data.pinned.length === 0 || 'passphrase' in (form?.errors ?? {})));
  let claimed = $state(
    untrack(() => (data.unclaimed.find((t) => t.id === data.team) ?? data.unclaimed[0])?.id ?? '')
  );
  let person = $state('');
  const query = $derived(data.to ? `&to=${encodeURIComponent(data.to)}` : '');
  const picked = $derived(data.pinned.find((p) => `${p.teamId} ${p.personId}` === who));
  const teams = $derived(new Set(data.pinned.map((p) => p.teamId)).size);
  onMount(() => (device ||= likelyDeviceName(navigator.userAgent)));
  /** The field that is asked for next has the cursor, whoever asked. */
  const first = (node: HTMLElement) => node.querySelector('input')?.focus();
</script>

<svelte:head><title>Sign in · Hour Trail</title></svelte:head>
<div class="mx-auto max-w-md">
  <h1>Who is working?</h1>
  {#if data.pinned.length > 0}
    <ul class="mt-3" aria-label="People on this device">
      {#each data.pinned as p (`${p.teamId} ${p.personId}`)}
        {@const key = `${p.teamId} ${p.personId}`}
        <li class="rule-b">
          <button
            type="button"
            class="person"
            aria-expanded={who === key}
            onclick={() => {
              who = who === key ? '' : key;
              byName = false;
            }}
            >{p.name}{#if teams > 1}<span class="quiet ml-2 text-base">{p.team}</span>{/if}</button
          >
          {#if who === key && picked}
            <form
              method="POST"
              action="?/pin{query}"
              class="flex flex-wrap items-start gap-3 pb-4"
              aria-label="PIN of {p.name}"
              novalidate
              use:enhance={() =>
                ({ update }) =>
                  update({ reset: true })}
            >
              <input type="hidden" name="person" value={p.personId} />
              <input type="hidden" name="team" value={p.teamId} />
              <div {@attach first}>
                <Field label="PIN" error={errors.pin}
                  >{#snippet children(a)}<Input
                      {...a}
                      name="pin"
                      type="password"
                      inputmode="numeric"
                      autocomplete="off"
                      maxlength={8}
                      class="figure w-40 text-2xl"
                    />{/snippet}</Field
                >
              </div>
              <Button type="submit" color="primary" size="lg" class="mt-6">Go on</Button>
            </form>
          {/if}
        </li>
      {/each}
    </ul>
    {#if !byName}<p class="mt-4">
        <button type="button" class="link" onclick={() => (byName = true)}
          >Somebody else, by passphrase</button
        >
      </p>{/if}
  {/if}
  {#if byName}
    <form
      method="POST"
      action="?/passphrase{query}"
      class="mt-4 grid gap-3"
      aria-label="Sign in by passphrase"
      novalidate
      use:enhance={() =>
        ({ update }) =>
          update({ reset: false })}
    >
      <Field label="Name" error={errors.name} hint="as the team has it"
        >{#snippet children(a)}<Input
            {...a}
            name="name"
            bind:value={name}
            autocomplete="username"
            autocapitalize="words"
          />{/snippet}</Field
      >
      <Field label="Passphrase" error={errors.passphrase}
        >{#snippet children(a)}<Input
            {...a}
            name="passphrase"
            type="password"
            autocomplete="current-password"
          />{/snippet}</Field
      >
      {#if form?.more?.askTeam || team}<Field label="Team" error={errors.team}
          >{#snippet children(a)}<Input {...a} name="team" bind:value={team} />{/snippet}</Field
        >{/if}
      {#if !data.trusted}
        <Checkbox name="trust" bind:checked={trust}
          >Keep me signed in on this device: it is mine, or the workshop’s</Checkbox
        >
        <input type="hidden" name="device" value={device} />
      {/if}
      <FormError message={errors['']} />
      <div><Button type="submit" color="primary" size="lg">Sign in</Button></div>
    </form>
    <p class="quiet mt-3 text-sm">
      No way in, or the passphrase is lost? A chief mechanic of the team makes a new one, under Team. Nobody
      left to ask: on the server, <code>npm run way-in</code>.
    </p>
  {/if}

  {#each data.unclaimed
    .filter((t) => t.id === claimed || data.unclaimed.length === 1)
    .slice(0, 1) as t (t.id)}
    <section class="mt-8">
      <h2>{t.name}: nobody can come in yet</h2>
      <p class="mt-1">
        This is the machine its book is kept on. Say who you are, and choose a passphrase; you let the others
        in.
      </p>
      <form
        method="POST"
        action="?/claim"
        class="mt-3 grid gap-3"
        aria-label="First into {t.name}"
        novalidate
        use:enhance={() =>
          ({ update }) =>
            update({ reset: false })}
      >
        {#if data.unclaimed.length > 1}<Field label="Team"
            >{#snippet children(a)}<Select
                {...a}
                bind:value={claimed}
                placeholder=""
                items={data.unclaimed.map((u) => ({ value: u.id, name: u.name }))}
              />{/snippet}</Field
          >{/if}
        <input type="hidden" name="team" value={t.id} />
        <Field label="You are" error={errors.person}
          >{#snippet children(a)}<Select
              {...a}
              name="person"
              bind:value={person}
              placeholder="Pick one"
              items={t.people.map((p) => ({ value: p.id, name: `${p.name}, ${p.role}` }))}
            />{/snippet}</Field
        >
        <Field
          label="Passphrase"
          error={form?.typed.person !== undefined ? errors.passphrase : undefined}
          hint="ten characters or more; three or four words do well"
          >{#snippet children(a)}<Input
              {...a}
              name="passphrase"
              type="password"
              autocomplete="new-password"
            />{/snippet}</Field
        >
        <div><Button type="submit" color="primary">Go in</Button></div>
      </form>
    </section>
  {/each}

  {#if data.signedIn}<p class="rule-t mt-8 pt-4">
      <a class="link" href="/you">{data.you?.name}: your own way in</a>
    </p>{/if}
  {#if data.local}
    <div class="rule-t mt-8 flex flex-wrap items-baseline gap-x-5 pt-4">
      {#if data.demo}<span
          ><form method="POST" action="?/demo" class="inline">
            <button type="submit" class="link">Look round with the demo</button>
          </form>
          <span class="quiet text-sm">no sign-in, on this machine only</span></span
        >{/if}
      <a class="link" href="/welcome">Set up a team</a>
    </div>
  {/if}
</div>

<style>
  .person {
    display: block;
    width: 100%;
    text-align: left;
    padding: 0.75rem 0.25rem;
    min-height: 3.5rem;
    font-family: var(--font-plate);
    font-size: 1.6rem;
    font-weight: 600;
  }
</style>
