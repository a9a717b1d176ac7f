<!-- What was found, graded and of what it is made, beside the last three changes; the verdict, confirmed or overruled. -->
<script lang="ts">
  import {
    GRADES,
    gravity,
    MATERIALS,
    type Grade,
    type Material,
    type Verdict
  } from '$lib/core/debris/debris';
  import { OIL_LOOKS, readDrain, type OilLook } from '$lib/core/debris/trend';
  import { showHours } from '$lib/core/hours/hours';
  import { showDay } from '$lib/core/time/day';
  import type { StepInput } from '$lib/core/job/plan';
  import type { DoneContent } from '$lib/core/visit/entry';
  import { VERDICTS } from '$lib/core/visit/entry';
  import { untrack } from 'svelte';
  import { z } from 'zod';
  import { UnsentFields } from '../form/unsent-fields.svelte';
  import Radios from '../form/Radios.svelte';

  interface Props {
    input: Extract<StepInput, { type: 'debris' }>;
    written: DoneContent | null;
    today: string;
    /** What was said of this oil at another look of the visit: asked once. Null: not yet. */
    oilSaid: { look: OilLook; at: string } | null;
    onwrite: (c: DoneContent) => boolean;
    /** What is picked and not written is kept in this window under this name. */
    keptAs: string;
  }
  let { input, written, today, oilSaid, onwrite, keptAs }: Props = $props();
  const unsent = untrack(
    () =>
      new UnsentFields(
        `${keptAs} debris`,
        z.object({
          grade: z.enum(GRADES).nullable(),
          materials: z.array(z.enum(MATERIALS)),
          oilLook: z.enum(OIL_LOOKS),
          /** The mechanic's own verdict; empty: the one worked out. */
          own: z.enum(['', ...VERDICTS]),
          why: z.string()
        }),
        {
          grade: written?.grade ?? null,
          materials: written?.materials ?? [],
          oilLook: written?.oilLook ?? 'as usual',
          own: written?.verdict ?? '',
          why: written?.overruled ?? ''
        }
      )
  );
  const { now } = unsent;
  let tried = $state(false);
  const id = $props.id();
  const verdict = $derived(
    now.grade
      ? readDrain(
          {
            place: input.place,
            grade: now.grade,
            materials: now.materials,
            oilHours: input.oilHours,
            oil: now.oilLook
          },
          input.before,
          input.breakIn
        )
      : null
  );
  const overruled = $derived(now.own !== '' && verdict !== null && now.own !== verdict.verdict);
  const toggle = (m: Material) =>
    (now.materials = now.materials.includes(m)
      ? now.materials.filter((x) => x !== m)
      : [...now.materials, m]);
  const columns = $derived([
    ...[...input.before].reverse().map((b) => ({
      grade: b.grade as Grade | null,
      materials: b.materials,
      hours: b.oilHours,
      head: b.day ? showDay(b.day, today) : 'before',
      photoId: b.photoId
    })),
    { grade: now.grade, materials: now.materials, hours: input.oilHours, head: 'now', photoId: null }
  ]);

  function save() {
    tried = true;
    const { grade, materials, oilLook, own, why } = $state.snapshot(now);
    if (!grade || (overruled && !why.trim())) return;
    const taken = onwrite({
      grade,
      materials: grade === 'none' ? [] : materials,
      ...(oilSaid ? {} : { oilLook }),
      ...(overruled ? { verdict: own as Verdict, overruled: why.trim() } : {})
    });
    if (taken) unsent.settle({});
  }
</script>

<div class="grid gap-6 lg:grid-cols-[3fr_2fr]">
  <div>
    <Radios
      label="What was found"
      class="grid gap-2 sm:grid-cols-2"
      options={GRADES}
      bind:value={now.grade}
    />
    {#if now.grade && now.grade !== 'none'}
      <div role="group" aria-label="Of what" class="mt-3 flex flex-wrap gap-2">
        {#each MATERIALS as m (m)}<button
            type="button"
            aria-pressed={now.materials.includes(m)}
            class="pick"
            class:on={now.materials.includes(m)}
            onclick={() => toggle(m)}>{m}</button
          >{/each}
      </div>
    {/if}
    {#if oilSaid}<p class="mt-3">
        The oil itself: <strong>{oilSaid.look}</strong>, said at “{oilSaid.at}”.
      </p>{:else}<label class="mt-3 block" for="{id}-oil"
        >The oil itself
        <select id="{id}-oil" class="field ml-2" bind:value={now.oilLook}>
          {#each OIL_LOOKS as o (o)}<option value={o}>{o}</option>{/each}
        </select></label
      >{/if}
  </div>
  <figure>
    <figcaption class="quiet">
      {input.place}: the last changes{input.breakIn ? '. Break-in: some is expected, and should fade' : ''}
    </figcaption>
    <div class="mt-1 flex items-end gap-2" style:min-height="9rem">
      {#each columns as c, k (k)}
        <div class="column">
          {#if c.photoId}<a href="/api/photos/{c.photoId}" target="_blank" rel="noopener"
              ><img
                src="/api/photos/{c.photoId}?small"
                alt="{c.head}: {c.grade}"
                class="h-12 w-full object-cover"
              /></a
            >{/if}
          <span class="text-sm leading-tight">{c.grade ?? '?'}</span>
          <span
            class="bar"
            class:now={c.head === 'now'}
            class:bad={c.grade !== null && gravity(c.grade) >= gravity('flakes you can feel')}
            style:height="{c.grade === null ? 0.2 : 0.3 + gravity(c.grade) * 0.9}rem"
          ></span>
          <span class="figure text-sm"
            ><b>{c.head}</b><br />{c.hours === null ? 'hours ?' : `${showHours(c.hours)} h in`}</span
          >
        </div>
      {/each}
    </div>
    {#if input.before.length === 0}<p class="quiet text-sm">Nothing on record at this place yet.</p>{/if}
  </figure>
</div>
{#if verdict}
  <div class="mt-3" class:caution={verdict.verdict !== 'carry on'} aria-live="polite">
    <p class="figure text-3xl">{overruled ? now.own : verdict.verdict}</p>
    {#each verdict.reasons as r (r)}<p>{r}</p>{/each}
    {#if overruled}<p>Worked out: {verdict.verdict}. Yours stands, with your words.</p>{/if}
  </div>
  <div class="mt-3 flex flex-wrap items-end gap-3">
    <label class="text-sm" for="{id}-own"
      >Verdict
      <select id="{id}-own" class="field mt-1 block" bind:value={now.own}>
        <option value="">as worked out</option>
        {#each ['carry on', 'look again sooner', 'find the source', 'park it'] as v (v)}<option value={v}
            >{v}</option
          >{/each}
      </select></label
    >
    {#if overruled}<label class="grow text-sm" for="{id}-why"
        >Overruled: say why <input
          id="{id}-why"
          class="field mt-1 w-full"
          maxlength="10000"
          bind:value={now.why}
        /></label
      >{/if}
  </div>
{/if}
<button type="button" class="go mt-3" onclick={save}>Write</button>
{#if tried && !now.grade}<p class="error mt-1" role="alert">
    Pick what was found, even if it was nothing.
  </p>{/if}
{#if tried && overruled && !now.why.trim()}<p class="error mt-1" role="alert">
    Another verdict needs its reason.
  </p>{/if}

<style>
  .pick {
    border: 1px solid var(--rule-strong);
    min-height: 3rem;
    padding: 0.4rem 0.9rem;
    text-align: left;
  }
  .on {
    background: var(--ink);
    color: var(--paper);
    font-weight: 700;
  }
  .column {
    display: flex;
    flex-direction: column;
    justify-content: flex-end;
    gap: 0.25rem;
    flex: 1 1 0;
    min-width: 3.5rem;
  }
  .bar {
    background: repeating-linear-gradient(45deg, var(--rule-strong) 0 3px, transparent 3px 7px);
    border: 1px solid var(--ink);
  }
  .now {
    background: var(--ink);
  }
  .bad {
    border-width: 3px;
    border-color: var(--signal);
  }
</style>
