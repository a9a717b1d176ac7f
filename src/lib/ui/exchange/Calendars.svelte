<!-- Calendars to subscribe to: of the team, of a machine, of what a person rides; each with its address, to be renewed or stopped. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import type { Feed } from '$lib/core/calendar/entries';
  import { Press } from '../form/press.svelte';
  import { say } from '../base/page.svelte';

  interface Props {
    feeds: readonly Feed[];
    machines: readonly { id: string; plate: string; name: string }[];
    people: readonly { id: string; name: string }[];
  }
  let { feeds, machines, people }: Props = $props();
  const press = new Press();
  let of = $state('');
  const addressOf = (secret: string) => `${page.url.origin}/calendar/${secret}.ics`;
  const has = (machineId: string | null, personId: string | null) =>
    feeds.some((f) => f.machineId === machineId && f.personId === personId);

  async function keep(machineId: string | null, personId: string | null, words: string) {
    const made = await press.send('calendar.keep', { id: crypto.randomUUID(), machineId, personId });
    if (!made) return false;
    say(words);
    await invalidateAll();
    return true;
  }
  async function make() {
    const asked = of;
    // Whose is next may be picked while this one is being made.
    of = '';
    const [kind, id] = asked.split(' ');
    const made = await keep(
      kind === 'machine' ? id! : null,
      kind === 'person' ? id! : null,
      'It stands with its address in the list.'
    );
    if (!made && of === '') of = asked;
  }
  async function stop(feedId: string, name: string) {
    if (!(await press.send('calendar.withdraw', { feedId }))) return;
    say(`The calendar of ${name} reads nothing any more.`);
    await invalidateAll();
  }
  async function copy(secret: string) {
    try {
      await navigator.clipboard.writeText(addressOf(secret));
      say('Copied. Paste it where your calendar adds one by its address.');
    } catch {
      say('This device does not let it be copied: mark it and copy it by hand.');
    }
  }
</script>

<section class="mt-10" aria-label="Calendars" id="calendars">
  <h2>Calendars</h2>
  <p class="quiet mt-1 max-w-2xl">
    Weekends, and what is likely due, in the calendar of a phone or desk: it looks again by itself. Whoever
    has an address reads it, without signing in. A new address ends the old one.
  </p>
  {#each feeds as f (f.id)}
    <div
      class="rule-b flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
      role="group"
      aria-label="Calendar of {f.of}"
    >
      <strong class="min-w-32">{f.of}</strong>
      <input
        class="field grow font-mono text-sm"
        readonly
        value={addressOf(f.secret)}
        aria-label="Address of the calendar of {f.of}"
        onfocus={(e) => e.currentTarget.select()}
      />
      <button type="button" class="key" onclick={() => copy(f.secret)}>Copy</button>
      <button
        type="button"
        class="link"
        disabled={press.busy}
        onclick={() => keep(f.machineId, f.personId, 'A new address; the old one reads nothing any more.')}
        >New address</button
      >
      <button type="button" class="link" disabled={press.busy} onclick={() => stop(f.id, f.of)}
        >Stop it</button
      >
    </div>
  {:else}<p class="mt-2">None yet.</p>{/each}
  <div class="mt-3 flex flex-wrap items-center gap-3">
    <label
      ><span class="sr-only">Whose calendar</span>
      <select class="field" bind:value={of}>
        <option value="">whose</option>
        {#if !has(null, null)}<option value="team">the team’s</option>{/if}
        {#each machines.filter((m) => !has(m.id, null)) as m (m.id)}<option value="machine {m.id}"
            >{m.plate} {m.name}</option
          >{/each}
        {#each people.filter((p) => !has(null, p.id)) as p (p.id)}<option value="person {p.id}"
            >what {p.name} rides</option
          >{/each}
      </select></label
    >
    <button type="button" class="key" disabled={of === '' || press.busy} onclick={make}
      >Make a calendar</button
    >
  </div>
  {#if press.errors['']}<p class="error mt-1" role="alert">{press.errors['']}</p>{/if}
</section>
