<!-- In by name and passphrase. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { enhance } from '$app/forms';
  import { Button, Checkbox, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { likelyDeviceName } from './device-name';
  import PassphraseField from './PassphraseField.svelte';
  import { SecretForm } from './secret-form.svelte';

  interface Props {
    /** The device is trusted already: it is not asked. */
    trusted: boolean;
    query: string;
    typed: Record<string, string>;
    errors: Record<string, string>;
    /** Two teams here have somebody with this name: the form asks for the team as well. */
    askTeam: boolean;
  }
  let { trusted, query, typed, errors, askTeam }: Props = $props();
  const form = new SecretForm();
  let name = $state(untrack(() => typed.name ?? ''));
  let team = $state(untrack(() => typed.team ?? ''));
  let trust = $state(untrack(() => typed.trust === 'on'));
  let device = $state(untrack(() => typed.device ?? ''));
  onMount(() => (device ||= likelyDeviceName(navigator.userAgent)));
</script>

<form
  method="POST"
  action="?/passphrase{query}"
  class="mt-4 grid gap-3"
  aria-label="Sign in by passphrase"
  novalidate
  use:enhance={form.send}
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
  <PassphraseField error={errors.passphrase} />
  {#if askTeam || team}<Field label="Team" error={errors.team}
      >{#snippet children(a)}<Input {...a} name="team" bind:value={team} />{/snippet}</Field
    >{/if}
  {#if !trusted}
    <Checkbox name="trust" bind:checked={trust}
      >Keep me signed in on this device: it is mine, or the workshop’s</Checkbox
    >
    <input type="hidden" name="device" value={device} />
  {/if}
  <FormError message={errors[''] ?? form.fault} />
  <div><Button type="submit" color="primary" size="lg" disabled={form.busy}>Sign in</Button></div>
</form>
<p class="quiet mt-3 text-sm">
  No way in, or the passphrase is lost? A chief mechanic of the team makes a new one, under Team. Nobody left
  to ask: on the server, <code>npm run way-in</code>.
</p>
