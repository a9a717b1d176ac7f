<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { enhance } from '$app/forms';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import PassphraseField from '$lib/ui/access/PassphraseField.svelte';
  import { SecretForm } from '$lib/ui/access/secret-form.svelte';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import TakeTeam from '$lib/ui/exchange/TakeTeam.svelte';

  let { data, form } = $props();
  const typed = untrack(() => form?.typed ?? {});
  let name = $state(typed.name ?? '');
  let timeZone = $state(typed.timeZone ?? 'UTC');
  let you = $state(typed.you ?? '');
  let zones = $state<string[]>(['UTC']);
  const errors = $derived<Record<string, string>>(form?.errors ?? {});
  const found = new SecretForm();
  const { team: id, person: personId } = untrack(() => data.freshIds);

  onMount(() => {
    zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])];
    timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
    if (!zones.includes(timeZone)) zones = [timeZone, ...zones];
  });
</script>

<svelte:head><title>Welcome · Hour Trail</title></svelte:head>
<h1>Engine hours, and what they ask for</h1>
<p class="mt-2 max-w-2xl">
  Each machine has a trail as long as its running hours. Behind it stand pegs, the work done; ahead stakes,
  the work that falls due; over it the next race weekend.
</p>
<div class="mt-8 grid gap-10 md:grid-cols-2">
  <section>
    <h2>Set up your own team</h2>
    {#if data.mayFound}<form
        method="POST"
        action="?/found{data.setup ? `&setup=${encodeURIComponent(data.setup)}` : ''}"
        class="mt-3 grid max-w-md gap-3"
        aria-label="Your team"
        novalidate
        use:enhance={found.send}
      >
        <input type="hidden" name="id" value={id} />
        <input type="hidden" name="personId" value={personId} />
        <Field label="Team or workshop" error={errors.name}
          >{#snippet children(a)}<Input {...a} name="name" bind:value={name} />{/snippet}</Field
        >
        <Field label="Your name" error={errors.you}
          >{#snippet children(a)}<Input
              {...a}
              name="you"
              bind:value={you}
              autocomplete="name"
            />{/snippet}</Field
        >
        <PassphraseField label="A passphrase" error={errors.passphrase} chosen />
        <Field label="Time zone" error={errors.timeZone} hint="days are days there"
          >{#snippet children(a)}<Select
              {...a}
              name="timeZone"
              bind:value={timeZone}
              placeholder=""
              items={zones.map((z) => ({ value: z, name: z }))}
            />{/snippet}</Field
        >
        <FormError message={errors[''] ?? found.fault} />
        <div>
          <Button type="submit" color="primary" size="lg" disabled={found.busy}
            >Begin with an empty book</Button
          >
        </div>
      </form>
      <p class="quiet mt-3 max-w-md text-sm">You are its chief mechanic, and let the others in under Team.</p>
    {:else}<p class="mt-3">
        A team is set up on the machine that the server runs on, or by a chief mechanic of a team here.
        <a class="link" href="/sign-in">Sign in</a>
      </p>{/if}
  </section>
  <section>
    {#if data.local}
      <h2>Or look round first</h2>
      {#if data.demo}
        <p class="mt-3">
          A made-up team with twelve made-up machines and nine months in its book. Change what you like; it
          can be put back. Nobody signs in there, and it is open on this machine only.
        </p>
        <form method="POST" action="?/stay" class="mt-4">
          <button type="submit" class="link font-bold">Look round with the demo</button>
        </form>
      {:else}
        <p class="mt-3">
          The demo team is not loaded here. On the machine that runs this: <code>npm run demo:reset</code>.
        </p>
      {/if}
    {/if}
    {#if data.mayFound}
      <h2 class="mt-8">Or bring a team along</h2>
      <p class="mt-3">The whole book of a team, as one file from another server.</p>
      <TakeTeam />
    {/if}
    <p class="mt-8"><a class="link" href="/sign-in">Sign in to a team that is here</a></p>
  </section>
</div>
