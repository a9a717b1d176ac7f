<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { ROLES } from '$lib/core/team/team';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import TakeTeam from '$lib/ui/exchange/TakeTeam.svelte';
  import { send } from '$lib/ui/form/send';

  let { data, form } = $props();
  const typed = untrack(() => form?.typed ?? {}) as Record<string, string>;
  let name = $state(typed.name ?? '');
  let timeZone = $state(typed.timeZone ?? 'UTC');
  let you = $state(typed.you ?? '');
  let role = $state(typed.role ?? 'chief mechanic');
  let zones = $state<string[]>(['UTC']);
  let errors = $state<Record<string, string>>(untrack(() => form?.errors ?? {}));
  let busy = $state(false);
  const { team: id, person: personId } = untrack(() => data.freshIds);

  onMount(() => {
    zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])];
    timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
    if (!zones.includes(timeZone)) zones = [timeZone, ...zones];
  });

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const sent = await send('team.found', { id, name, timeZone, you: { id: personId, name: you, role } });
    busy = false;
    // A whole new page: another team means other data everywhere.
    if (sent.ok) location.assign('/');
    else errors = sent.errors;
  }
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
    <form
      method="POST"
      action="?/found"
      onsubmit={save}
      class="mt-3 grid max-w-md gap-3"
      aria-label="Your team"
      novalidate
    >
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="personId" value={personId} />
      <Field label="Team or workshop" error={errors.name}
        >{#snippet children(a)}<Input {...a} name="name" bind:value={name} />{/snippet}</Field
      >
      <Field label="Your name" error={errors['you.name']}
        >{#snippet children(a)}<Input
            {...a}
            name="you"
            bind:value={you}
            autocomplete="name"
          />{/snippet}</Field
      >
      <Field label="What you do there" error={errors['you.role']}
        >{#snippet children(a)}<Select
            {...a}
            name="role"
            bind:value={role}
            placeholder=""
            items={ROLES.map((r) => ({ value: r, name: r }))}
          />{/snippet}</Field
      >
      <Field label="Time zone" error={errors.timeZone} hint="days are days there"
        >{#snippet children(a)}<Select
            {...a}
            name="timeZone"
            bind:value={timeZone}
            placeholder=""
            items={zones.map((z) => ({ value: z, name: z }))}
          />{/snippet}</Field
      >
      <FormError message={errors['']} />
      <div>
        <Button type="submit" color="primary" size="lg" disabled={busy}>Begin with an empty book</Button>
      </div>
    </form>
  </section>
  <section>
    <h2>Or look round first</h2>
    {#if data.demo}
      <p class="mt-3">
        A made-up team with twelve made-up machines and nine months in its book. Change what you like; it can
        be put back.
      </p>
      <form method="POST" action="?/stay" class="mt-4">
        <button type="submit" class="link font-bold">Look round with the demo</button>
      </form>
    {:else}
      <p class="mt-3">
        The demo team is not loaded here. On the machine that runs this: <code>npm run demo:reset</code>.
      </p>
    {/if}
    <h2 class="mt-8">Or bring a team along</h2>
    <p class="mt-3">The whole book of a team, as one file from another server.</p>
    <TakeTeam />
  </section>
</div>
