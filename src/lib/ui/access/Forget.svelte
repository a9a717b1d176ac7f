<!-- Somebody who left: what is kept about them is removed, for good. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { forgetSchema } from '$lib/core/access/form';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../base/page.svelte';

  let { person, onleave }: { person: { id: string; name: string }; onleave: () => void } = $props();
  const { id, name } = untrack(() => person);
  const form = commandForm('person.forget', forgetSchema, () => ({ personId: id }), {
    taken: async (done) => {
      await invalidateAll();
      say(
        `What was kept about ${name} is removed: in the book they are “${done.name}”.${
          done.texts > 0
            ? ` Their name was written by hand in ${done.texts} ${done.texts === 1 ? 'entry' : 'entries'}, which stay as they were written.`
            : ''
        }`
      );
      onleave();
    }
  });
</script>

<InPlace label="What is kept about {name}" {form} submit="Remove it for good" {onleave}>
  <p>
    <strong>Goes:</strong> the name of {name}, here and in who wrote what; passphrase, PINs, sessions, keys,
    calendars and when they came in; which machines were theirs.
  </p>
  <p class="mt-1">
    <strong>Stays:</strong> what they wrote and rode, as of somebody who left, for hours and intervals rest on it;
    names in remarks, as they were written. Backups hold what they held until they are replaced.
  </p>
  <p class="mt-1">
    This cannot be taken back. They can take a copy of it first, while they are of the team: “All of it as a
    file”, on their own page.
  </p>
</InPlace>
