<!-- Something happened to a meter. -->
<script lang="ts">
  import { Input, Select } from '$lib/ui/form/controls';
  import { meterChangeSchema } from '$lib/core/hours/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    machineId: string;
    hours: { kind: string; dead: boolean } | null;
    odometer: boolean;
    today: string;
    /** What happened, where the page that led here knows it; empty: it is asked. */
    what?: string;
    onleave: () => void;
  }
  let { machineId, hours, odometer, today, what = '', onleave }: Props = $props();
  const form = commandForm(
    'meter.change',
    meterChangeSchema,
    () => ({
      id: crypto.randomUUID(),
      machineId,
      what,
      day: today,
      lastValue: '',
      firstValue: '',
      meanwhile: '',
      reason: ''
    }),
    {
      body: ({ what: happened, ...rest }) => {
        const [change = '', counts = 'hours'] = happened.split('/');
        return { ...rest, change, counts };
      },
      says: () => 'Written down. The running total goes on.',
      taken: () => onleave()
    }
  );
  const { data, errors } = form;

  /** What can have happened, by what is fitted now. */
  const choices = $derived([
    ...(hours?.kind === 'reckoned'
      ? [{ value: 'replaced/hours', name: 'an hour meter was fitted' }]
      : [
          { value: 'replaced/hours', name: 'the hour meter was replaced' },
          { value: 'reset/hours', name: 'the hour meter was set back' },
          { value: 'removed/hours', name: 'the hour meter came off for good' },
          hours?.dead
            ? { value: 'works again/hours', name: 'the hour meter reads again' }
            : { value: 'dead/hours', name: 'the hour meter is dead' }
        ]),
    ...(odometer
      ? [
          { value: 'replaced/distance', name: 'the odometer was replaced' },
          { value: 'reset/distance', name: 'the odometer was set back' },
          { value: 'removed/distance', name: 'the odometer came off for good' }
        ]
      : [{ value: 'odometer added/distance', name: 'an odometer was added' }])
  ]);
  const change = $derived($data.what.split('/')[0]);
  const counts = $derived($data.what.split('/')[1] ?? 'hours');
  const unit = $derived(counts === 'distance' ? 'km' : 'h');
  const ends = $derived(
    ['replaced', 'reset', 'removed'].includes(change ?? '') &&
      !(hours?.kind === 'reckoned' && counts === 'hours')
  );
  const begins = $derived(['replaced', 'reset', 'odometer added', 'works again'].includes(change ?? ''));
  const showsNow = $derived(change === 'odometer added' || change === 'works again');
</script>

<InPlace label="Meter" {form} submit="Write it down" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-3">
    <Field label="What happened" error={$errors.change}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={$data.what}
          placeholder="Pick one"
          items={choices}
        />{/snippet}</Field
    >
    <Field label="Day" error={$errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
    <Field label="Why, in words" error={$errors.reason}
      >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
    >
    {#if ends}<Field
        label="{change === 'reset' ? 'It showed before' : 'The old one showed'}, {unit}"
        error={$errors.lastValue}
        hint="empty if nobody could read it"
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.lastValue}
            inputmode="decimal"
          />{/snippet}</Field
      >{/if}
    {#if begins}<Field
        label="{showsNow ? 'It shows now' : 'It started at'}, {unit}"
        error={$errors.firstValue}
        hint={change === 'odometer added' ? undefined : showsNow ? 'empty: not read yet' : 'empty: 0'}
        >{#snippet children(a)}<Input
            {...a}
            bind:value={$data.firstValue}
            inputmode="decimal"
          />{/snippet}</Field
      >{/if}
    {#if change === 'works again'}<Field label="While it was dark it" error={$errors.meanwhile}
        >{#snippet children(a)}<Select
            {...a}
            bind:value={$data.meanwhile}
            placeholder="stood still, as far as it shows"
            items={[
              { value: 'stood still', name: 'stood still' },
              { value: 'went on counting', name: 'went on counting' }
            ]}
          />{/snippet}</Field
      >{/if}
  </div>
  {#if change === 'dead'}<p class="quiet mt-2 text-sm">
      From then on hours come from time ridden, marked as estimated, until it reads again or is replaced. What
      was ridden meanwhile stays in the count.
    </p>{/if}
</InPlace>
