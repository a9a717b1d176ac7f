<!-- On the machine a book is kept on: the first into a team that nobody can come into yet. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { enhance } from '$app/forms';
  import type { Person } from '$lib/core/team/team';
  import { Button, Select } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import PassphraseField from './PassphraseField.svelte';
  import { SecretForm } from './secret-form.svelte';

  interface Props {
    teams: { id: string; name: string; people: Person[] }[];
    /** The one that was just brought in. */
    team: string | null;
    typed: Record<string, string>;
    errors: Record<string, string>;
  }
  let { teams, team, typed, errors }: Props = $props();
  const form = new SecretForm();
  let id = $state(untrack(() => typed.team ?? team ?? ''));
  const picked = $derived(teams.find((t) => t.id === id) ?? teams[0]!);
  let person = $state(untrack(() => typed.person ?? ''));
</script>

<section class="mt-8">
  <h2>{picked.name}: nobody can come in yet</h2>
  <p class="mt-1">
    This is the machine its book is kept on. Say who you are, and choose a passphrase; you let the others in.
  </p>
  <form
    method="POST"
    action="?/claim"
    class="mt-3 grid gap-3"
    aria-label="First into {picked.name}"
    novalidate
    use:enhance={form.send}
  >
    {#if teams.length > 1}<Field label="Team"
        >{#snippet children(a)}<Select
            {...a}
            bind:value={() => picked.id, (to) => (id = to)}
            placeholder=""
            items={teams.map((t) => ({ value: t.id, name: t.name }))}
          />{/snippet}</Field
      >{/if}
    <input type="hidden" name="team" value={picked.id} />
    <Field label="You are" error={errors.person}
      >{#snippet children(a)}<Select
          {...a}
          name="person"
          bind:value={person}
          placeholder="Pick one"
          items={picked.people.map((p) => ({ value: p.id, name: `${p.name}, ${p.role}` }))}
        />{/snippet}</Field
    >
    <PassphraseField error={errors.passphrase} chosen />
    <FormError message={errors[''] ?? form.fault} />
    <div><Button type="submit" color="primary" disabled={form.busy}>Go in</Button></div>
  </form>
</section>
