<!-- A way in, as a link and as a code to scan: for one person, or for whoever of the team has none yet. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { toString as qr } from 'qrcode';
  import { invalidateAll } from '$app/navigation';
  import { Button } from '../form/controls';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';
  import { newKey } from './key';
  import { showMoment } from '$lib/core/time/moment';
  import type { Day } from '$lib/core/time/day';

  interface Props {
    /** Null: whoever has none. */
    person: { id: string; name: string } | null;
    /** How that person comes in today, in words; null: not yet. */
    has?: string | null;
    /** It is who is asking. */
    own?: boolean;
    /** What stands before the code in a link. */
    before: string;
    today: Day;
    timeZone: string;
    onleave: () => void;
  }
  let { person, has = null, own = false, before, today, timeZone, onleave }: Props = $props();
  let made = $state<{ link: string; svg: string; until: Date } | null>(null);
  let errors = $state<Record<string, string>>({});
  let copied = $state(false);

  async function make(replaces: boolean) {
    const { key, hash } = await newKey();
    const sent = await send('invitation.keep', {
      id: crypto.randomUUID(),
      personId: person?.id ?? null,
      hash,
      replaces
    });
    errors = sent.ok ? {} : sent.errors;
    if (!sent.ok) return;
    const link = before + key;
    made = { link, svg: await qr(link, { type: 'svg', margin: 2 }), until: new Date(sent.data.expiresAt) };
    await invalidateAll();
  }
  async function copy() {
    // Without leave to do so it is there to be marked by hand.
    copied = await navigator.clipboard?.writeText(made!.link).then(
      () => true,
      () => false
    );
  }
  // Where there is nothing to choose, it is made at once.
  onMount(() => void (has === null && make(false)));
</script>

<section class="mt-4 border-2 p-4" style="border-color: var(--ink)" aria-label="Invitation">
  <h3>{person ? `A way in for ${person.name}` : 'A way in for whoever has none yet'}</h3>
  {#if has !== null && !made}
    <p class="mt-1">Today: {has}.</p>
    <div class="mt-3 grid max-w-2xl gap-4 sm:grid-cols-2">
      <div>
        <Button type="button" color="primary" onclick={() => make(false)}>Add a phone</Button>
        <p class="quiet mt-1 text-sm">What they have stays.</p>
      </div>
      {#if !own}<div>
          <Button type="button" onclick={() => make(true)}>Replace every way in</Button>
          <p class="caution mt-1 text-sm">
            For a lost phone. At once, and not to be taken back: their sessions end; passphrase, PINs and API
            keys are withdrawn; devices that only they use are trusted no more.
          </p>
        </div>{/if}
    </div>
    <p class="mt-3"><Button type="button" color="alternative" onclick={onleave}>Leave</Button></p>
  {/if}
  {#if made}
    <p class="quiet mt-1 text-sm">
      Scan it with the phone’s camera, or send the link. {person
        ? 'It works once.'
        : 'Each picks their own name; no chief mechanic comes in by it.'} It opens until {showMoment(
        made.until,
        today,
        timeZone
      )}, and is shown here only.
    </p>
    <div class="code mt-3" role="img" aria-label="Code of the link">
      <!-- Drawn from our own link by the package; nothing of anybody's typing is in it. -->
      <!-- eslint-disable-next-line svelte/no-at-html-tags -->
      {@html made.svg}
    </div>
    <p class="mt-2 break-all"><code data-testid="invitation">{made.link}</code></p>
    <div class="mt-3 flex gap-3">
      <Button type="button" onclick={copy}>{copied ? 'Copied' : 'Copy the link'}</Button>
      <Button type="button" color="alternative" onclick={onleave}>Done</Button>
    </div>
  {/if}
  <FormError message={errors['']} />
</section>

<style>
  .code {
    width: 13rem;
    background: #fff;
  }
</style>
