<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { enhance } from '$app/forms';
  import { Button, Input, Radio } from '$lib/ui/form/controls';
  import { likelyDeviceName } from '$lib/ui/access/device-name';
  import PassphraseField from '$lib/ui/access/PassphraseField.svelte';
  import PinField from '$lib/ui/access/PinField.svelte';
  import { SecretForm } from '$lib/ui/access/secret-form.svelte';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';

  let { data, form } = $props();
  const join = new SecretForm();
  const errors = $derived<Record<string, string>>(form?.errors ?? {});
  const invited = untrack(() => data.invited);
  let person = $state(
    untrack(() => form?.typed.person ?? (invited?.people.length === 1 ? invited.people[0]!.id : ''))
  );
  let device = $state(untrack(() => form?.typed.device ?? ''));
  let withWords = $state(untrack(() => 'passphrase' in (form?.errors ?? {})));
  onMount(() => (device ||= likelyDeviceName(navigator.userAgent)));
</script>

<svelte:head><title>Join · Hour Trail</title></svelte:head>
<div class="mx-auto max-w-md">
  {#if !data.invited}
    <h1>This invitation opens nothing</h1>
    <p class="mt-3">
      It was used, is over, or was withdrawn. Ask a chief mechanic of the team for a new one; they make it
      under Team.
    </p>
    <p class="mt-4"><a class="link" href="/sign-in">Sign in</a></p>
  {:else if data.invited.people.length === 0}
    <h1>{data.invited.team}</h1>
    <p class="mt-3">
      Everybody of this team has a way in already. Are you new? A chief mechanic writes your name down under
      Team.
    </p>
    <p class="mt-4"><a class="link" href="/sign-in">Sign in</a></p>
  {:else}
    <h1>{data.invited.team}</h1>
    <form method="POST" class="mt-4 grid gap-4" aria-label="Join" novalidate use:enhance={join.send}>
      {#if data.invited.forOne}
        <p class="figure text-2xl font-semibold">{data.invited.people[0]!.name}</p>
        <input type="hidden" name="person" value={data.invited.people[0]!.id} />
      {:else}
        <fieldset>
          <legend class="text-sm">You are</legend>
          {#each data.invited.people as p (p.id)}
            <div class="rule-b py-3">
              <Radio name="person" value={p.id} bind:group={person} class="text-lg"
                >{p.name}<span class="quiet ml-2 text-sm">{p.role}</span></Radio
              >
            </div>
          {/each}
          {#if errors.person}<p class="error mt-1 text-sm" role="alert">{errors.person}</p>{/if}
          <p class="quiet mt-1 text-sm">Not among them? A chief mechanic writes your name down under Team.</p>
        </fieldset>
      {/if}
      <PinField label="A PIN for this device" error={errors.pin} chosen />
      {#if data.invited.hasWords}
        <p class="quiet text-sm">Your passphrase stays as it is.</p>
      {:else if withWords}
        <PassphraseField
          label="A passphrase, to come in on other devices too"
          error={errors.passphrase}
          chosen
        />
      {:else}
        <p>
          <button type="button" class="link text-sm" onclick={() => (withWords = true)}
            >A passphrase too, to come in on other devices</button
          >
        </p>
      {/if}
      <Field label="This device is called" error={errors.device}
        >{#snippet children(a)}<Input {...a} name="device" bind:value={device} />{/snippet}</Field
      >
      <FormError message={errors[''] ?? join.fault} />
      <div><Button type="submit" color="primary" size="lg" disabled={join.busy}>Join</Button></div>
    </form>
  {/if}
</div>
