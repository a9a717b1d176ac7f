<!-- Sessions in force, each to be ended from here. -->
<script lang="ts">
  import type { Day } from '$lib/core/time/day';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';
  import { showMoment } from '$lib/core/time/moment';

  interface Row {
    id: string;
    person: string;
    device: string | null;
    how: string;
    seenAt: Date;
    here: boolean;
  }
  interface Props {
    sessions: Row[];
    /** Whether whose they are is said. */
    named?: boolean;
    today: Day;
    timeZone: string;
    onended: () => unknown;
  }
  let { sessions, named = false, today, timeZone, onended }: Props = $props();
  let errors = $state<Record<string, string>>({});
  async function end(sessionId: string) {
    const sent = await send('session.end', { sessionId });
    errors = sent.ok ? {} : sent.errors;
    onended();
  }
</script>

<ul class="mt-2" aria-label="Sessions">
  {#each sessions as s (s.id)}
    <li class="rule-b flex flex-wrap items-baseline justify-between gap-x-4 py-2">
      <span
        >{#if named}<b class="mr-1">{s.person},</b>{/if}{s.device ?? 'a browser that is not trusted'}
        <span class="quiet text-sm">by {s.how}, seen {showMoment(s.seenAt, today, timeZone)}</span></span
      >
      {#if s.here}<span class="quiet">here</span>{:else}<button
          type="button"
          class="link text-sm"
          aria-label="End the session of {s.person} on {s.device ?? 'a browser'}"
          onclick={() => end(s.id)}>End it</button
        >{/if}
    </li>
  {:else}
    <li class="quiet py-2">Nobody.</li>
  {/each}
</ul>
<FormError message={errors['']} />
