<!-- How chain and sprockets look: teeth by a drawn scale, the joining link, stiff links, guides. What is wrong becomes a finding. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { chainLookSchema } from '$lib/core/chain/form';
  import { GUIDES, JOINTS, TEETH, type Teeth } from '$lib/core/chain/wear';
  import { commandForm } from '../form/command-form';
  import { Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';
  import Radios from '../form/Radios.svelte';
  import TeethDrawing from './TeethDrawing.svelte';

  let { machineId, onleave }: { machineId: string; onleave: () => void } = $props();
  const form = commandForm(
    'chain.look',
    chainLookSchema,
    () =>
      untrack(() => ({
        id: crypto.randomUUID(),
        machineId,
        front: null as Teeth | null,
        rear: null as Teeth | null,
        joint: '',
        stiff: '',
        guides: '',
        note: ''
      })),
    {
      body: (t) => ({ ...t, joint: t.joint || null, guides: t.guides || null }),
      says: () => 'Written down. What is wrong is among the findings.',
      taken: () => onleave(),
      kept: () => onleave()
    }
  );
  const { data, errors } = form;
</script>

<InPlace label="How it looks" {form} submit="Write it down" {onleave}>
  <div class="grid gap-4">
    {#each ['front', 'rear'] as const as side (side)}
      <div>
        <p class="mb-1 text-sm">Teeth of the {side} sprocket, pulled to the right</p>
        <Radios label="Teeth of the {side} sprocket" options={TEETH} bind:value={$data[side]}
          >{#snippet one(t)}<TeethDrawing teeth={t} /><span>{t}</span>{/snippet}</Radios
        >
      </div>
    {/each}
    <OnePick
      label="Joining link: the closed end of its clip leads"
      options={JOINTS}
      bind:value={$data.joint as (typeof JOINTS)[number] | ''}
    />
    <div class="flex flex-wrap gap-6">
      <Field label="Stiff links" hint="Empty: not looked for." error={$errors.stiff} class="w-40"
        >{#snippet children(a)}<Input {...a} inputmode="numeric" bind:value={$data.stiff} />{/snippet}</Field
      >
      <OnePick
        label="Guide and slider"
        options={GUIDES}
        bind:value={$data.guides as (typeof GUIDES)[number] | ''}
      />
    </div>
    <Field label="Note" class="max-w-xl"
      >{#snippet children(a)}<Input {...a} bind:value={$data.note} />{/snippet}</Field
    >
  </div>
</InPlace>
