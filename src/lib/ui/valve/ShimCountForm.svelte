<!-- One size counted: what came, what went, or what lies there; and how many are to lie there at least. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { drawerSchema } from '$lib/core/valve/drawer';
  import { Button, Input } from '../form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { Press } from '../form/press.svelte';

  interface Props {
    /** The size it begins with; null: another one. */
    size: { across: number; stamp: number | null; measured: number | null; least: number } | null;
    onleave: () => void;
  }
  let { size, onleave }: Props = $props();
  const mm = (um: number | null | undefined) => (um ? String(um / 1000) : '');
  const form = commandForm(
    'shims.count',
    drawerSchema,
    () =>
      untrack(() => ({
        id: crypto.randomUUID(),
        across: mm(size?.across),
        stamp: mm(size?.stamp),
        measured: mm(size?.measured),
        now: '',
        why: ''
      })),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
  const press = new Press();
  let least = $state(untrack(() => String(size?.least ?? 0)));
  async function level() {
    if (!size || size.stamp === null) return;
    const n = /^\d{1,3}$/.test(least.trim()) ? Number(least) : -1;
    if (await press.send('shims.level', { across: size.across, stamp: size.stamp, least: n })) {
      await invalidateAll();
      onleave();
    }
  }
</script>

<InPlace label="Count a size" {form} submit="Write it down" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-5">
    <Field label="Came, went, or lies there" hint="+2 · −1 · 3" error={$errors.now}
      >{#snippet children(a)}<Input {...a} bind:value={$data.now} />{/snippet}</Field
    >
    <Field label="Stamp" hint="185 or 1.85" error={$errors.stamp}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.stamp} />{/snippet}</Field
    >
    <Field label="Micrometer, mm" hint="if it differs" error={$errors.measured}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.measured} />{/snippet}</Field
    >
    <Field label="Across, mm" hint="if you keep several" error={$errors.across}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.across} />{/snippet}</Field
    >
    <Field label="Why, if you like" error={$errors.why}
      >{#snippet children(a)}<Input {...a} bind:value={$data.why} />{/snippet}</Field
    >
  </div>
</InPlace>
{#if size && size.stamp !== null}
  <div class="no-print flex flex-wrap items-start gap-2">
    <Field label="To lie there at least" error={Object.values(press.errors)[0]}
      >{#snippet children(a)}<Input
          {...a}
          class="w-24"
          inputmode="numeric"
          bind:value={least}
        />{/snippet}</Field
    >
    <Button type="button" color="alternative" size="sm" class="mt-6" disabled={press.busy} onclick={level}
      >Keep so many</Button
    >
  </div>
{/if}
