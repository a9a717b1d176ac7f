<!-- Finding top dead centre of the compression stroke on this engine: written once, read every time. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { guideSchema, type Guide } from '$lib/core/valve/form';
  import { Input, Textarea } from '../form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    headId: string;
    guide: Guide;
    cylinders: number;
    /** What the spec sheet says of it. */
    printed: string | null;
    /** Taken at this step of its visits, the latest first. */
    photos: readonly string[];
  }
  let { headId, guide, cylinders, printed, photos }: Props = $props();
  let writing = $state(false);
  const known = $derived([guide.marks, guide.turn, guide.free, guide.note].some(Boolean));
  const form = commandForm(
    'head.guide',
    guideSchema,
    () =>
      untrack(() => ({
        headId,
        ...guide,
        marks: guide.marks || (printed ?? ''),
        firing: guide.firing.join('-')
      })),
    { taken: () => (writing = false) }
  );
  const { data, errors } = form;
</script>

<section class="mt-8" aria-label="Top dead centre">
  <div class="flex flex-wrap items-baseline gap-x-4">
    <h2>Top dead centre, compression stroke</h2>
    <button
      type="button"
      class="link no-print text-sm"
      onclick={() => {
        form.reset({ ...guide, marks: guide.marks || (printed ?? ''), firing: guide.firing.join('-') });
        writing = !writing;
      }}>{known ? 'change' : 'write it down once'}</button
    >
  </div>
  {#if writing}
    <InPlace label="Top dead centre" {form} submit="That is how" onleave={() => (writing = false)}>
      <div class="grid items-start gap-3 sm:grid-cols-2">
        <Field
          label="Which mark, of which"
          hint="the line beside T, not the dot before it"
          error={$errors.marks}
          >{#snippet children(a)}<Input {...a} bind:value={$data.marks} />{/snippet}</Field
        >
        <Field
          label="Which way it is turned, by what"
          hint="forwards, 14 mm on the crank"
          error={$errors.turn}>{#snippet children(a)}<Input {...a} bind:value={$data.turn} />{/snippet}</Field
        >
        <Field label="What must be free then" hint="all four lobes point away" error={$errors.free}
          >{#snippet children(a)}<Input {...a} bind:value={$data.free} />{/snippet}</Field
        >
        {#if cylinders > 1}
          <Field label="Firing order" hint="1-3-4-2" error={$errors.firing}
            >{#snippet children(a)}<Input {...a} bind:value={$data.firing} />{/snippet}</Field
          >
          <Field label="From one cylinder to the next" hint="180° on, the same mark" error={$errors.between}
            >{#snippet children(a)}<Input {...a} bind:value={$data.between} />{/snippet}</Field
          >
        {/if}
        <Field label="What else" class="sm:col-span-2" error={$errors.note}
          >{#snippet children(a)}<Textarea
              {...a}
              class="w-full"
              rows={2}
              bind:value={$data.note}
            />{/snippet}</Field
        >
      </div>
    </InPlace>
  {:else if known}
    <ol class="mt-2 grid gap-1">
      {#if guide.turn}<li><strong>Turn</strong> {guide.turn}</li>{/if}
      {#if guide.marks}<li><strong>Until</strong> {guide.marks}</li>{/if}
      {#if guide.free}<li>
          <strong>Free then:</strong>
          {guide.free}. <span class="quiet">Not free: one more turn.</span>
        </li>{/if}
      {#if guide.firing.length > 1}<li>
          <strong>Cylinders</strong>
          {guide.firing.join(' – ')}{guide.between ? `, ${guide.between}` : ''}
        </li>{/if}
      {#if guide.note}<li>{guide.note}</li>{/if}
    </ol>
  {:else}
    <p class="mt-1">
      {#if printed}{printed}
      {:else}Marks in line <em>and</em> the lobes or rockers free; else one more turn. Which mark it is on this
        engine nobody has written down yet.{/if}
    </p>
  {/if}
  {#if photos.length > 0}
    <div class="mt-2 flex flex-wrap gap-2">
      {#each photos as p (p)}<a href="/api/photos/{p}" target="_blank" rel="noopener"
          ><img
            src="/api/photos/{p}?small"
            alt="The marks as they were photographed at the bench"
            class="h-32 w-auto"
          /></a
        >{/each}
    </div>
  {:else}<p class="quiet no-print mt-1 text-sm">
      A photo taken at this step of a visit stands here from then on.
    </p>{/if}
</section>
