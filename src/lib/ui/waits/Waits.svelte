<!-- One quiet line under the head of every page: that the server is away, and how much waits on this device, since when. -->
<script lang="ts">
  import { clockOff } from '$lib/core/time/clock';
  import { timeOfDay } from '$lib/core/time/moment';
  import { NEARLY_FULL, storage } from '../offline/storage.svelte';
  import { shell } from '../base/page.svelte';
  import { outbox, UNKEPT } from '../outbox/outbox.svelte';

  /** What is merely on its way is nobody's concern. */
  const waiting = $derived(outbox.waiting.filter((k) => k.waited || shell.away));
  const oldest = $derived(waiting.map((k) => k.at).sort()[0]);
  const others = $derived(waiting.filter((k) => !outbox.isMine(k)).length);
  const DAY = 86_400_000;
  const since = $derived.by(() => {
    if (!oldest) return '';
    const at = new Date(oldest);
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    return Date.now() - at.getTime() < DAY / 2
      ? timeOfDay(at, zone)
      : at.toLocaleString('en-GB', { weekday: 'long', hour: '2-digit', minute: '2-digit' });
  });
  const off = $derived(clockOff(shell.clockAheadMs ?? 0));
</script>

{#if shell.away || waiting.length > 0 || outbox.refused.length > 0 || outbox.unkept || off || storage.used > NEARLY_FULL}
  <p class="no-print line" role="status">
    {#if shell.away}<span
        ><strong>The server does not answer.</strong>{outbox.unkept
          ? ''
          : ' What you write is kept here.'}</span
      >{/if}
    {#if waiting.length > 0}<span
        ><a class="link font-bold" href="/waiting"
          >{waiting.length === 1 ? '1 waits' : `${waiting.length} wait`}
          {outbox.unkept ? 'in this page' : 'on this device'}, since {since}</a
        >{others > 0 ? `, ${others} of somebody else’s` : ''}{!shell.away && outbox.stuck
          ? `: ${outbox.stuck}`
          : ''}</span
      >{/if}
    {#if outbox.refused.length > 0}<a class="link error font-bold" href="/waiting"
        >{outbox.refused.length === 1 ? '1 was' : `${outbox.refused.length} were`} not taken: look at
        {outbox.refused.length === 1 ? 'it' : 'them'}</a
      >{/if}
    {#if outbox.unkept}<span class="error">{UNKEPT}</span>
    {:else if storage.used > NEARLY_FULL}<span class="error"
        >This device is nearly full: what is written here may soon not be kept.</span
      >{/if}
    {#if off}<span
        >The clock of this device is {off} of the server’s. What you write is put at the right moment all the same.</span
      >{/if}
  </p>
{/if}

<style>
  .line {
    max-width: 84rem;
    margin-inline: auto;
    padding: 0.35rem 1rem;
    border-bottom: 1px solid var(--rule-strong);
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.6rem;
    font-size: 0.95rem;
  }
</style>
