<!-- How slack is measured on this machine, how its axle is moved, and what is fitted where that is not what the sheet prints. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ADJUSTERS, ATTITUDES, type Drive } from '$lib/core/chain/drive';
  import { driveSchema } from '$lib/core/chain/form';
  import { commandForm } from '../form/command-form';
  import { Checkbox, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import OnePick from '../form/OnePick.svelte';

  let { machineId, drive, onleave }: { machineId: string; drive: Drive; onleave: () => void } = $props();
  const text = (n: number | null) => (n === null ? '' : String(n));
  const form = commandForm(
    'chain.drive',
    driveSchema,
    () =>
      untrack(() => ({
        attitude: drive.attitude as string,
        angle: text(drive.angle),
        kind: drive.adjuster.kind as string,
        back: drive.adjuster.back as string,
        perMark: text(drive.adjuster.perMark),
        lastMark: text(drive.adjuster.lastMark),
        offset: text(drive.adjuster.offset),
        zero: text(drive.adjuster.zero),
        chainSide: drive.chainSide as string,
        front: text(drive.front),
        rear: text(drive.rear),
        links: text(drive.links),
        halfLink: drive.halfLink
      })),
    {
      body: (t) => ({
        machineId,
        // Dragged while this form stood open, it is where it was let go.
        at: drive.at,
        attitude: t.attitude,
        angle: t.attitude === ATTITUDES[0] ? '' : t.angle,
        adjuster: {
          kind: t.kind,
          back: t.back,
          perMark: t.perMark,
          lastMark: t.kind === 'eccentric carrier' ? '' : t.lastMark,
          offset: t.kind === 'eccentric carrier' ? t.offset : '',
          zero: t.kind === 'eccentric carrier' ? t.zero : ''
        },
        chainSide: t.chainSide,
        front: t.front,
        rear: t.rear,
        links: t.links,
        halfLink: t.halfLink
      }),
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
  const carrier = $derived($data.kind === 'eccentric carrier');
</script>

<InPlace label="The drive" {form} submit="This is how it is" {onleave}>
  <div class="grid gap-x-8 gap-y-4 lg:grid-cols-2">
    <div class="grid content-start gap-3">
      <h3 class="text-xl">How slack is measured here</h3>
      <OnePick
        label="The machine stands"
        options={ATTITUDES}
        bind:value={$data.attitude as (typeof ATTITUDES)[number]}
        error={$errors.attitude}
      />
      {#if $data.attitude !== ATTITUDES[0]}<Field
          label="Angle of the swingarm then, degrees"
          hint="From the horizontal, down less than nothing: -12. Empty: not known; the travel is then not worked out."
          error={$errors.angle}
          class="max-w-96">{#snippet children(a)}<Input {...a} bind:value={$data.angle} />{/snippet}</Field
        >{/if}
      <p class="quiet text-sm">Where along the run: drag the probe in the drawing.</p>
      <h3 class="mt-2 text-xl">On it, where that is not what the sheet prints</h3>
      <div class="grid grid-cols-3 gap-3">
        <Field label="Front teeth" error={$errors.front}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              placeholder="as printed"
              bind:value={$data.front}
            />{/snippet}</Field
        ><Field label="Rear teeth" error={$errors.rear}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              placeholder="as printed"
              bind:value={$data.rear}
            />{/snippet}</Field
        ><Field label="Links" error={$errors.links}
          >{#snippet children(a)}<Input
              {...a}
              inputmode="numeric"
              placeholder="as printed"
              bind:value={$data.links}
            />{/snippet}</Field
        >
      </div>
      <Checkbox bind:checked={$data.halfLink}>It has a half link</Checkbox>
    </div>
    <div class="grid content-start gap-3">
      <h3 class="text-xl">What moves the axle</h3>
      <OnePick
        label="Adjusters"
        options={ADJUSTERS}
        bind:value={$data.kind as (typeof ADJUSTERS)[number]}
        error={$errors['adjuster.kind']}
      />
      {#if $data.kind === 'screws'}<OnePick
          label="The axle goes back when they are turned"
          options={['out', 'in'] as const}
          bind:value={$data.back as 'out' | 'in'}
        />{/if}
      <OnePick
        label="The chain runs on the"
        options={['left', 'right'] as const}
        bind:value={$data.chainSide as 'left' | 'right'}
      />
      <div class="grid gap-3 sm:grid-cols-2">
        <Field
          label={carrier
            ? 'From mark to mark, degrees'
            : $data.kind === 'snail cams'
              ? 'From notch to notch, mm of axle'
              : 'From mark to mark, mm'}
          hint={carrier
            ? 'Less than nothing where the angle falls from mark to mark.'
            : 'Empty: nobody measured it.'}
          error={$errors['adjuster.perMark']}
          >{#snippet children(a)}<Input {...a} bind:value={$data.perMark} />{/snippet}</Field
        >
        {#if carrier}
          <Field
            label="Angle at mark 0, degrees"
            hint="0 straight back, up is more than nothing."
            error={$errors['adjuster.zero']}
            >{#snippet children(a)}<Input {...a} bind:value={$data.zero} />{/snippet}</Field
          >
          <Field label="Axle off the carrier’s middle, mm" error={$errors['adjuster.offset']}
            >{#snippet children(a)}<Input {...a} bind:value={$data.offset} />{/snippet}</Field
          >
        {:else}<Field
            label="The last mark, axle all back"
            hint="Counted from 0, all forward."
            error={$errors['adjuster.lastMark']}
            >{#snippet children(a)}<Input {...a} bind:value={$data.lastMark} />{/snippet}</Field
          >{/if}
      </div>
    </div>
  </div>
</InPlace>
