<!-- A new chain, new sprockets, or all three, in one action: each is a component that starts at nought. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { chainReplaceSchema } from '$lib/core/chain/form';
  import type { Part } from '$lib/core/chain/sheet';
  import type { Replace } from '$lib/core/chain/wear';
  import { commandForm } from '../form/command-form';
  import { Checkbox, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';

  interface Props {
    machineId: string;
    /** What is advised; null: nothing is worn out. */
    replace: Replace | null;
    now: { front: number | null; rear: number | null; links: number | null };
    /** What is on it. */
    on: Record<'chain' | 'front' | 'rear', Part | null>;
    onleave: () => void;
  }
  let { machineId, replace, now, on, onleave }: Props = $props();
  const text = (n: number | null) => (n === null ? '' : String(n));
  /** As it is seen when the form is opened. */
  const was = untrack(() => ({
    chain: on.chain?.id ?? null,
    front: on.front?.id ?? null,
    rear: on.rear?.id ?? null
  }));
  const ids = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()] as const;
  const form = commandForm(
    'chain.replace',
    chainReplaceSchema,
    () =>
      untrack(() => ({
        withChain: replace?.chain ?? true,
        withFront: replace?.front ?? true,
        withRear: replace?.rear ?? true,
        chain: `Chain${now.links ? `, ${now.links} links` : ''}`,
        front: `Front sprocket${now.front ? `, ${now.front}` : ''}`,
        rear: `Rear sprocket${now.rear ? `, ${now.rear}` : ''}`,
        links: text(now.links),
        halfLink: false,
        frontTeeth: text(now.front),
        rearTeeth: text(now.rear),
        old: 'scrapped',
        reason: replace?.why ?? ''
      })),
    {
      body: (t) => ({
        machineId,
        chain: t.withChain ? { id: ids[0], name: t.chain, links: t.links, halfLink: t.halfLink } : null,
        front: t.withFront ? { id: ids[1], name: t.front, teeth: t.frontTeeth } : null,
        rear: t.withRear ? { id: ids[2], name: t.rear, teeth: t.rearTeeth } : null,
        was,
        old: t.old,
        reason: t.reason
      }),
      says: () => 'They are on, and count from nought.',
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
</script>

<InPlace label="New on it" {form} submit="They are on" {onleave}>
  <div class="grid gap-3 lg:grid-cols-3">
    <div class="grid content-start gap-2">
      <Checkbox bind:checked={$data.withChain}>A new chain</Checkbox>
      {#if $data.withChain}<Field label="Chain" error={$errors['chain.name']}
          >{#snippet children(a)}<Input {...a} bind:value={$data.chain} />{/snippet}</Field
        ><Field label="Links" error={$errors['chain.links']}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              bind:value={$data.links}
            />{/snippet}</Field
        ><Checkbox bind:checked={$data.halfLink}>with a half link</Checkbox>{/if}
    </div>
    <div class="grid content-start gap-2">
      <Checkbox bind:checked={$data.withFront}>A new front sprocket</Checkbox>
      {#if $data.withFront}<Field label="Front sprocket" error={$errors['front.name']}
          >{#snippet children(a)}<Input {...a} bind:value={$data.front} />{/snippet}</Field
        ><Field label="Front teeth" error={$errors['front.teeth']}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              bind:value={$data.frontTeeth}
            />{/snippet}</Field
        >{/if}
    </div>
    <div class="grid content-start gap-2">
      <Checkbox bind:checked={$data.withRear}>A new rear sprocket</Checkbox>
      {#if $data.withRear}<Field label="Rear sprocket" error={$errors['rear.name']}
          >{#snippet children(a)}<Input {...a} bind:value={$data.rear} />{/snippet}</Field
        ><Field label="Rear teeth" error={$errors['rear.teeth']}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              bind:value={$data.rearTeeth}
            />{/snippet}</Field
        >{/if}
    </div>
  </div>
  <div class="mt-3 grid max-w-3xl gap-3">
    <Field label="Why" error={$errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
    >
    <OnePick
      label="The old ones are"
      options={['scrapped', 'on the shelf'] as const}
      bind:value={$data.old as 'scrapped'}
      error={$errors.old}
    />
  </div>
</InPlace>
