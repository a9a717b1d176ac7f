<script lang="ts">
  import { onMount } from 'svelte';
  import { enhance } from '$app/forms';
  import { invalidateAll } from '$app/navigation';
  import { Button, Input } from '$lib/ui/form/controls';
  import Sessions from '$lib/ui/access/Sessions.svelte';
  import { likelyDeviceName } from '$lib/ui/access/device-name';
  import { showMoment } from '$lib/core/time/moment';
  import CurrentField from '$lib/ui/access/CurrentField.svelte';
  import PassphraseField from '$lib/ui/access/PassphraseField.svelte';
  import PinField from '$lib/ui/access/PinField.svelte';
  import { SecretForm } from '$lib/ui/access/secret-form.svelte';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { outbox } from '$lib/ui/outbox/outbox.svelte';
  import Units from '$lib/ui/shell/Units.svelte';

  let { data, form } = $props();
  const waits = $derived(outbox.items.filter((k) => outbox.isMine(k)).length);
  const [pin, words] = [new SecretForm(), new SecretForm()];
  /** What is said of one of the two forms here. */
  const errorsOf = (of: string): Record<string, string> =>
    form && 'errors' in form && form.of === of ? form.errors : {};
  const done = $derived(form && 'done' in form ? form.done : null);
  /** Whether there is something here that one can show who one is by. */
  const proved = $derived(data.words || data.pin === true);
  let device = $state('');
  onMount(() => (device = likelyDeviceName(navigator.userAgent)));
</script>

<svelte:head><title>You · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
  <h1>{data.you?.name} <span class="quiet text-lg">{data.you?.role}, {data.team?.name}</span></h1>
  <div class="flex flex-wrap gap-3">
    <a class="link" href="/sign-in">Somebody else works here now</a>
    <form method="POST" action="?/out"><button type="submit" class="link">Sign out</button></form>
  </div>
</div>
{#if waits > 0}<p class="caution mt-3">
    {waits === 1 ? 'Something you wrote waits' : `${waits} things you wrote wait`} on this device. Signed out, it
    waits until you are in here again. <a class="link" href="/waiting">What waits</a>
  </p>{/if}
<div class="mt-6 grid gap-10 md:grid-cols-2">
  <section>
    <h2>This device{data.deviceName ? `: ${data.deviceName}` : ''}</h2>
    <p class="mt-1">
      {#if data.pin === null}It is not trusted: you are signed out when its browser is closed, or after a
        working day. With a PIN it is trusted, and the PIN lets you back in.
      {:else if data.pin}Your PIN lets you in here. Anybody else of the team can have one here too: they sign
        in once, and set it.
      {:else}The team trusts it. With a PIN you need not type your passphrase again.{/if}
    </p>
    <form
      method="POST"
      action="?/pin"
      class="mt-3 flex flex-wrap items-start gap-3"
      aria-label="PIN for this device"
      novalidate
      use:enhance={pin.send}
    >
      {#if proved}<CurrentField words={data.words} error={errorsOf('pin').current} />{/if}
      <PinField
        label={data.pin ? 'Another PIN' : 'A PIN for this device'}
        error={errorsOf('pin').pin}
        chosen
      />
      {#if data.pin === null}<Field label="It is called" error={errorsOf('pin').device}
          >{#snippet children(a)}<Input
              {...a}
              name="device"
              bind:value={device}
              class="w-48"
            />{/snippet}</Field
        >{/if}
      <Button type="submit" class="mt-6" disabled={pin.busy}>Set the PIN</Button>
    </form>
    <FormError message={errorsOf('pin')[''] ?? (proved ? undefined : errorsOf('pin').current) ?? pin.fault} />
    {#if done === 'pin'}<p role="status" class="font-bold">The PIN is set.</p>{/if}

    <h2 class="mt-8">Units</h2>
    <Units units={data.units} />

    <h2 class="mt-8">Passphrase</h2>
    <p class="quiet mt-1 text-sm">
      {data.words
        ? 'Changed, it ends your sessions everywhere but here.'
        : 'You have none: you come in by PIN, on devices that are trusted. With one you come in anywhere.'}
    </p>
    <form
      method="POST"
      action="?/passphrase"
      class="mt-3 grid max-w-sm gap-3"
      aria-label="Passphrase"
      novalidate
      use:enhance={words.send}
    >
      {#if proved}<CurrentField
          words={data.words}
          label="The one you have"
          error={errorsOf('passphrase').current}
        />{/if}
      <PassphraseField
        label={data.words ? 'The new one' : 'Passphrase'}
        error={errorsOf('passphrase').passphrase}
        chosen
      />
      <div><Button type="submit" disabled={words.busy}>{data.words ? 'Change it' : 'Set it'}</Button></div>
    </form>
    <FormError
      message={errorsOf('passphrase')[''] ??
        (proved ? undefined : errorsOf('passphrase').current) ??
        words.fault}
    />
    {#if done === 'passphrase'}<p role="status" class="font-bold">The passphrase is set.</p>{/if}
  </section>
  <section>
    <h2>Where you are signed in</h2>
    <Sessions
      sessions={data.sessions}
      today={data.today}
      timeZone={data.team?.timeZone ?? 'UTC'}
      onended={invalidateAll}
    />
    <h2 class="mt-8">Lately</h2>
    <ul class="mt-2">
      {#each data.events.slice(0, 12) as e, k (k)}
        <li class="rule-b flex justify-between gap-4 py-1.5 text-sm">
          <span class:caution={e.what.startsWith('wrong') || e.what === 'locked'}
            >{e.what}{e.device ? `, ${e.device}` : ''}</span
          >
          <span class="quiet">{showMoment(e.at, data.today, data.team?.timeZone ?? 'UTC')}</span>
        </li>
      {/each}
    </ul>
    <h2 class="mt-8">What is kept about you</h2>
    <p class="mt-1">
      <a class="link" href="/you/data.json" download>All of it as a file</a>: who you are, how you come in,
      what you wrote and rode.
    </p>
  </section>
</div>
