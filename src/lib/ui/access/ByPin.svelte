<!-- In on a trusted device: a name, which is a link so that it works before any script, and a PIN. -->
<script lang="ts">
  import { enhance } from '$app/forms';
  import { Button } from '../form/controls';
  import FormError from '../form/FormError.svelte';
  import PinField from './PinField.svelte';
  import { SecretForm } from './secret-form.svelte';

  interface Props {
    people: { personId: string; name: string; teamId: string; team: string }[];
    /** Whose PIN is asked for: their team and id. */
    who: string | null;
    /** What stands in the address besides. */
    query: string;
    errors: Record<string, string>;
  }
  let { people, who, query, errors }: Props = $props();
  const form = new SecretForm();
  const teams = $derived(new Set(people.map((p) => p.teamId)).size);
  /** The field that is asked for next has the cursor. */
  const first = (node: HTMLElement) => node.querySelector('input')?.focus();
</script>

<ul class="mt-3" aria-label="People on this device">
  {#each people as p (`${p.teamId} ${p.personId}`)}
    {@const key = `${p.teamId}_${p.personId}`}
    <li class="rule-b">
      <a
        class="person"
        href="?who={who === key ? '' : key}{query}"
        aria-expanded={who === key}
        data-sveltekit-replacestate
        data-sveltekit-noscroll
        >{p.name}{#if teams > 1}<span class="quiet ml-2 text-base">{p.team}</span>{/if}</a
      >
      {#if who === key}
        <form
          method="POST"
          action="?/pin&who={key}{query}"
          class="flex flex-wrap items-start gap-3 pb-4"
          aria-label="PIN of {p.name}"
          novalidate
          use:enhance={form.send}
        >
          <input type="hidden" name="person" value={p.personId} />
          <input type="hidden" name="team" value={p.teamId} />
          <div {@attach first}><PinField label="PIN" error={errors.pin} /></div>
          <Button type="submit" color="primary" size="lg" class="mt-6" disabled={form.busy}>Go on</Button>
          <FormError message={errors[''] ?? form.fault} />
        </form>
      {/if}
    </li>
  {/each}
</ul>

<style>
  .person {
    display: block;
    padding: 0.75rem 0.25rem;
    min-height: 3.5rem;
    font-family: var(--font-plate);
    font-size: 1.6rem;
    font-weight: 600;
    text-decoration: none;
  }
</style>
