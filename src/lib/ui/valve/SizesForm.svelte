<script lang="ts">
  import { untrack } from 'svelte';
  import { sizesSchema } from '$lib/core/valve/form';
  import type { Series } from '$lib/core/valve/shim';
  import { Input } from '../form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    headId: string;
    series: Series | null;
    acrossUm: number | null;
    onleave: () => void;
  }
  let { headId, series, acrossUm, onleave }: Props = $props();
  const mm = (um: number) => String(um / 1000);
  const form = commandForm(
    'head.sizes',
    sizesSchema,
    () =>
      untrack(() => ({
        headId,
        sizes: series ? `${mm(series.thinnest)} to ${mm(series.thickest)} by ${mm(series.step)}` : '',
        across: acrossUm === null ? '' : mm(acrossUm)
      })),
    { taken: () => onleave() }
  );
  const { data, errors } = form;
</script>

<InPlace label="Shims of this head" {form} submit="These fit" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-2">
    <Field
      label="Sizes made, mm"
      hint="from, to, by: 1.20 to 3.50 by 0.05; the parts list has it"
      error={$errors.sizes}>{#snippet children(a)}<Input {...a} bind:value={$data.sizes} />{/snippet}</Field
    >
    <Field
      label="Across, mm, if you like"
      hint="keeps those of other engines apart in the drawer"
      error={$errors.across}
      >{#snippet children(a)}<Input {...a} inputmode="decimal" bind:value={$data.across} />{/snippet}</Field
    >
  </div>
</InPlace>
