<!-- A fastener of which nobody said what it is, or whose oil it keeps in: asked, because no job opens it before. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { Circuit, Fastener, FastenerRole } from '$lib/core/specs/sheet';
  import { unsureOf } from '$lib/core/specs/unsure';
  import { OF_OIL } from '$lib/core/specs/usual';
  import { send } from '../form/send';

  /** `circuits`: the oils this machine has. */
  let { fastener, circuits }: { fastener: Fastener; circuits: readonly Circuit[] } = $props();
  const unsure = $derived(unsureOf(fastener));
  let busy = $state(false);
  let error = $state('');
  async function say(said: { role?: FastenerRole; circuit?: Circuit }) {
    if (busy) return;
    busy = true;
    // The only oil there is, is the one.
    const only = said.role && OF_OIL.includes(said.role) && circuits.length === 1 ? circuits[0] : undefined;
    const body = { fastenerId: fastener.id, ...(only && { circuit: only }), ...said };
    const sent = await send('fastener.change', body);
    error = sent.ok ? '' : (Object.values(sent.errors)[0] ?? 'Not taken.');
    if (sent.ok) await invalidateAll();
    busy = false;
  }
  const DRY: FastenerRole = 'blanking plug';
</script>

{#if unsure}
  <div
    class="caution no-print my-1 flex flex-wrap items-center gap-2 text-sm"
    role="group"
    aria-label="{fastener.name}: {unsure}"
  >
    <span
      ><strong>{fastener.name}</strong>: {unsure === 'whose oil'
        ? `a ${fastener.role}. Which oil is behind it?`
        : 'what is it?'} No job opens it until that is said.</span
    >
    {#each unsure === 'whose oil' ? circuits : [] as c (c)}<button
        type="button"
        class="key"
        disabled={busy}
        onclick={() => say({ circuit: c })}>{c}</button
      >{/each}
    {#each unsure === 'what it is' ? OF_OIL : [] as r (r)}<button
        type="button"
        class="key"
        disabled={busy}
        onclick={() => say({ role: r })}>{r}</button
      >{/each}
    <button type="button" class="key" disabled={busy} onclick={() => say({ role: DRY })}
      >no oil behind it</button
    >
    {#if error}<span class="error" role="alert">{error}</span>{/if}
  </div>
{/if}
