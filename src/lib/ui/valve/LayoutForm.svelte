<!-- What the head looks like: one of the usual ones as a picture, or put together; asked once for an engine. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { headSchema } from '$lib/core/valve/form';
  import { EXHAUST_TO, GAUGES, GAUGE_WORDS, ROWS, USUAL_LAYOUTS, type Layout } from '$lib/core/valve/head';
  import { Select } from '../form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';
  import HeadDrawing from './HeadDrawing.svelte';

  interface Props {
    machineId: string;
    /** As it is laid out; null: not yet. */
    now: Layout | null;
    onleave?: () => void;
  }
  let { machineId, now, onleave }: Props = $props();
  const form = commandForm(
    'head.set',
    headSchema,
    () => ({ id: crypto.randomUUID(), machineId, ...untrack(() => now ?? USUAL_LAYOUTS[0]!.layout) }),
    {
      body: ({ id, machineId, ...layout }) => ({
        id,
        machineId,
        layout: {
          ...layout,
          cylinders: Number(layout.cylinders),
          inlets: Number(layout.inlets),
          exhausts: Number(layout.exhausts)
        }
      }),
      taken: () => onleave?.()
    }
  );
  const { data, errors } = form;
  const same = (l: Layout) =>
    (Object.keys(l) as (keyof Layout)[]).every((k) => String($data[k]) === String(l[k]));
  let own = $state(untrack(() => now !== null && !USUAL_LAYOUTS.some((u) => same(u.layout))));
  const layout = $derived<Layout>({
    cylinders: Number($data.cylinders),
    row: $data.row,
    exhaustTo: $data.exhaustTo,
    inlets: Number($data.inlets),
    exhausts: Number($data.exhausts),
    inletGauge: $data.inletGauge,
    exhaustGauge: $data.exhaustGauge
  });
  const items = (list: readonly (string | number)[]) => list.map((x) => ({ value: x, name: String(x) }));
  const gauges = GAUGES.map((g) => ({ value: g, name: GAUGE_WORDS[g] }));
</script>

<InPlace label="The head" {form} submit="This is the head" {onleave}>
  <p class="mb-3">
    Seen from above, the front of the machine at the top. Asked once for this engine; it goes where the engine
    goes.
  </p>
  <div class="flex flex-wrap gap-2" role="radiogroup" aria-label="The head">
    {#each USUAL_LAYOUTS as u (u.name)}
      <label class="one" class:on={!own && same(u.layout)}
        ><input
          type="radio"
          name="usual"
          checked={!own && same(u.layout)}
          onchange={() => {
            own = false;
            Object.assign($data, u.layout);
            $data = $data;
          }}
        /><HeadDrawing layout={u.layout} plain most={5} label="" /><span>{u.name}</span></label
      >
    {/each}
    <label class="one" class:on={own}
      ><input type="radio" name="usual" checked={own} onchange={() => (own = true)} /><span
        class="figure text-2xl">Another</span
      ><span>several cylinders, other sides</span></label
    >
  </div>
  {#if own}
    <div class="mt-4 grid items-start gap-3 sm:grid-cols-3 lg:grid-cols-4">
      <Field label="Cylinders" error={$errors['layout.cylinders']}
        >{#snippet children(a)}<Select
            {...a}
            items={items([1, 2, 3, 4])}
            bind:value={$data.cylinders}
            placeholder=""
          />{/snippet}</Field
      >
      {#if Number($data.cylinders) > 1}<Field label="They stand" error={$errors['layout.row']}
          >{#snippet children(a)}<Select
              {...a}
              items={items(ROWS)}
              bind:value={$data.row}
              placeholder=""
            />{/snippet}</Field
        >{/if}
      {#if $data.row !== 'vee' || Number($data.cylinders) === 1}<Field
          label="Exhaust points to the"
          error={$errors['layout.exhaustTo']}
          >{#snippet children(a)}<Select
              {...a}
              items={items(EXHAUST_TO)}
              bind:value={$data.exhaustTo}
              placeholder=""
            />{/snippet}</Field
        >{/if}
      <Field label="Inlet valves each" error={$errors['layout.inlets']}
        >{#snippet children(a)}<Select
            {...a}
            items={items([1, 2, 3])}
            bind:value={$data.inlets}
            placeholder=""
          />{/snippet}</Field
      >
      <Field label="Exhaust valves each" error={$errors['layout.exhausts']}
        >{#snippet children(a)}<Select
            {...a}
            items={items([1, 2])}
            bind:value={$data.exhausts}
            placeholder=""
          />{/snippet}</Field
      >
      <Field label="Gauge at the inlet" error={$errors['layout.inletGauge']} class="sm:col-span-2"
        >{#snippet children(a)}<Select
            {...a}
            items={gauges}
            bind:value={$data.inletGauge}
            placeholder=""
          />{/snippet}</Field
      >
      <Field label="Gauge at the exhaust" error={$errors['layout.exhaustGauge']} class="sm:col-span-2"
        >{#snippet children(a)}<Select
            {...a}
            items={gauges}
            bind:value={$data.exhaustGauge}
            placeholder=""
          />{/snippet}</Field
      >
    </div>
    <div class="mt-3 max-w-80"><HeadDrawing {layout} label="The head as it is put together" /></div>
  {/if}
  {#if $errors.layout || $errors.machineId}<p class="error mt-2" role="alert">
      {$errors.layout ?? $errors.machineId}
    </p>{/if}
</InPlace>

<style>
  .one {
    position: relative;
    display: grid;
    justify-items: center;
    align-content: start;
    gap: 0.35rem;
    width: 9.5rem;
    border: 1px solid var(--rule-strong);
    padding: 0.6rem;
    text-align: center;
    font-size: 0.9rem;
    cursor: pointer;
  }
  .one input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    opacity: 0;
    cursor: pointer;
  }
  .on {
    outline: 3px solid var(--ink);
    outline-offset: -1px;
    font-weight: 700;
  }
  .one:has(:focus-visible) {
    outline: 3px solid var(--signal);
  }
</style>
