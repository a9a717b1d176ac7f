<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { ROLES } from '$lib/core/team/team';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send } from '$lib/ui/form/send';
  import Units from '$lib/ui/shell/Units.svelte';
  import Forget from '$lib/ui/access/Forget.svelte';
  import Invite from '$lib/ui/access/Invite.svelte';
  import Sessions from '$lib/ui/access/Sessions.svelte';
  import { showMoment } from '$lib/core/time/moment';

  let { data, form } = $props();
  let name = $state(untrack(() => form?.typed.name ?? ''));
  let role = $state(untrack(() => form?.typed.role ?? 'mechanic'));
  let errors = $state<Record<string, string>>(untrack(() => form?.errors ?? {}));
  let id = $state(untrack(() => data.freshId));
  /** Who is invited: a person, or whoever has no way in yet. */
  let inviting = $state<{ id: string; name: string } | 'team' | null>(null);
  /** Who left, and whose data are to go. */
  let forgetting = $state<{ id: string; name: string } | null>(null);
  const zone = $derived(data.team?.timeZone ?? 'UTC');
  const mayChange = $derived(!data.you || data.you.role === 'chief mechanic');

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
  async function becomes(personId: string, to: string) {
    const sent = await send('person.role', { personId, role: to });
    errors = sent.ok ? {} : { '': sent.errors.role ?? sent.errors[''] ?? 'Not taken.' };
    await invalidateAll();
  }
  async function sendAway(deviceId: string) {
    const sent = await send('device.end', { deviceId });
    errors = sent.ok ? {} : sent.errors;
    await invalidateAll();
  }
  async function withdraw(invitationId: string) {
    const sent = await send('invitation.withdraw', { invitationId });
    errors = sent.ok ? {} : sent.errors;
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
            ><td>{p.name}</td><td class="quiet"
              >{#if data.chief}<select
                  class="role"
                  aria-label="What {p.name} does"
                  value={p.role}
                  onchange={(e) => becomes(p.id, e.currentTarget.value)}
                  >{#each ROLES as r (r)}<option value={r}>{r}</option>{/each}</select
                >{:else}{p.role}{/if}</td
            >{#if data.chief}<td class="quiet text-sm">{data.ways.get(p.id) ?? 'no way in'}</td><td
                ><button
                  type="button"
                  class="link text-sm"
                  aria-label="A way in for {p.name}"
                  onclick={() => (inviting = { id: p.id, name: p.name })}>way in</button
                ></td
              >{/if}<td
              >{#if p.id !== data.personId && mayChange}<button
                  type="button"
                  class="link text-sm"
                  aria-label="{p.name} left"
                  onclick={() => leaves(p.id, true)}>has left</button
                >{/if}</td
            ></tr
          >{/each}{#each data.left as p (p.id)}<tr
            ><td class="quiet">{p.name}</td><td class="quiet">{p.role}, left</td>{#if data.chief}<td></td><td
              ></td>{/if}<td
              >{#if mayChange}<button
                  type="button"
                  class="link text-sm"
                  aria-label="{p.name} is back"
                  onclick={() => leaves(p.id, false)}>is back</button
                >
                <button
                  type="button"
                  class="link ml-3 text-sm"
                  aria-label="Remove what is kept about {p.name}"
                  onclick={() => (forgetting = { id: p.id, name: p.name })}>remove their data</button
                >{/if}</td
            ></tr
          >{/each}</tbody
      >
    </table>
    {#if mayChange && data.people.length > 1}<p class="quiet mt-2 text-sm">
        Who has left comes in no more; when they are back, they need a new way in.
      </p>{/if}
    {#if forgetting}{#key forgetting}<Forget
          person={forgetting}
          onleave={() => (forgetting = null)}
        />{/key}{/if}
    {#if data.chief}
      {#if inviting}{#key inviting}<Invite
            person={inviting === 'team' ? null : inviting}
            has={inviting === 'team' ? null : (data.ways.get(inviting.id) ?? null)}
            own={inviting !== 'team' && inviting.id === data.personId}
            before={data.before}
            today={data.today}
            timeZone={zone}
            onleave={() => (inviting = null)}
          />{/key}
      {:else}<p class="mt-2">
          <button type="button" class="link" onclick={() => (inviting = 'team')}
            >A code that lets in whoever has no way in yet</button
          >
        </p>{/if}
    {/if}
    {#if mayChange}<form
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
      </form>{/if}
    <FormError message={errors['']} />
  </section>
  <section>
    <h2>This device</h2>
    <Units units={data.units} />
    {#if data.chief}
      <h2 class="mt-8">Signed in</h2>
      <Sessions sessions={data.sessions} named today={data.today} timeZone={zone} onended={invalidateAll} />
      <h2 class="mt-8">Trusted devices</h2>
      <ul class="mt-2" aria-label="Trusted devices">
        {#each data.devices as d (d.id)}
          <li class="rule-b flex flex-wrap items-baseline justify-between gap-x-4 py-2">
            <span
              ><b>{d.name}</b>
              <span class="quiet text-sm"
                >{d.people.join(', ') || 'nobody by PIN'}; seen {showMoment(d.seenAt, data.today, zone)}</span
              ></span
            >
            <button
              type="button"
              class="link text-sm"
              aria-label="Trust {d.name} no more"
              onclick={() => sendAway(d.id)}>Trust no more</button
            >
          </li>
        {:else}<li class="quiet py-2">None yet.</li>{/each}
      </ul>
      {#if data.invitations.length > 0}
        <h2 class="mt-8">Invitations that are open</h2>
        <ul class="mt-2" aria-label="Invitations">
          {#each data.invitations as i (i.id)}
            <li class="rule-b flex flex-wrap items-baseline justify-between gap-x-4 py-2">
              <span
                >{i.person ?? 'Whoever has no way in yet'}
                <span class="quiet text-sm">until {showMoment(i.expiresAt, data.today, zone)}</span></span
              >
              <button type="button" class="link text-sm" onclick={() => withdraw(i.id)}>Withdraw</button>
            </li>
          {/each}
        </ul>
      {/if}
    {/if}
    <p class="mt-6 flex flex-wrap gap-x-5">
      {#if data.you && data.signedIn}<a class="link" href="/you">Your own way in</a>{:else}<a
          class="link"
          href="/sign-in">Sign in to a team of your own</a
        >{/if}
      <a class="link" href="/audit">Who wrote what</a>
      {#if mayChange}<a class="link" href="/server">This server</a>{/if}
      <a class="link" href="/welcome">Set up another team</a>
    </p>
  </section>
</div>

<style>
  .role {
    background: transparent;
    border: 0;
    border-bottom: 1px solid var(--rule-strong);
    padding: 0.15rem 1.6rem 0.15rem 0;
    font-size: inherit;
  }
  .role option {
    background: var(--sheet);
    color: var(--ink);
  }
</style>
