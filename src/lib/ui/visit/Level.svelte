<!-- The oil level, set on a drawing of what the machine has: glass, stick or check screw. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { z } from 'zod';
  import { UnsentFields } from '../form/unsent-fields.svelte';
  import { aimInWords, topUpMl } from '$lib/core/fluids/aim';
  import { isMarked, judgeLevel, type LevelReading } from '$lib/core/fluids/level';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { LEVEL_METHODS, type LevelMethod } from '$lib/core/specs/sheet';
  import Radios from '../form/Radios.svelte';
  import type { DoneContent } from '$lib/core/visit/entry';
  import type { StepInput } from '$lib/core/job/plan';

  interface Props {
    input: Extract<StepInput, { type: 'level' }>;
    units: 'metric' | 'imperial';
    written: DoneContent[];
    onwrite: (c: DoneContent) => boolean;
    /** What is set and not written is kept in this window under this name. */
    keptAs: string;
  }
  let { input, units, written, onwrite, keptAs }: Props = $props();
  const last = untrack(() => written.at(-1)?.level ?? null);
  const unsent = untrack(
    () =>
      new UnsentFields(
        `${keptAs} level`,
        z.object({
          /** How it is read, where the sheet does not say, for this once. */
          method: z.enum(LEVEL_METHODS).nullable(),
          position: z.number().nullable(),
          flow: z.enum(['nothing', 'weeps', 'runs']).nullable(),
          topUp: z.string()
        }),
        {
          method: last?.method ?? null,
          position: last && 'position' in last ? last.position : null,
          flow: last && 'flow' in last ? last.flow : null,
          topUp: ''
        }
      )
  );
  const { now } = unsent;
  const method = $derived<LevelMethod | null>(input.protocol.method ?? now.method);
  let error = $state('');
  const id = $props.id();

  const level = $derived<LevelReading | null>(
    method === null
      ? null
      : method === 'measured quantity only'
        ? { method }
        : method === 'check screw'
          ? now.flow
            ? { method, flow: now.flow }
            : null
          : now.position === null
            ? null
            : { method, position: now.position }
  );
  const verdict = $derived(level ? judgeLevel(level, input.protocol.aim) : null);
  /** As the sheet has it; null: it names none, and nobody makes one up. */
  const aim = $derived(input.protocol.aim);
  const suggested = $derived(
    level && 'position' in level && aim !== null
      ? topUpMl(level.position, aim, input.protocol.betweenMl)
      : null
  );
  /** The drawing runs from half a band below the low mark to half a band above the high one. */
  const LOW = 150;
  const HIGH = 70;
  const y = (p: number) => LOW - p * (LOW - HIGH);

  function tap(e: MouseEvent) {
    const box = (e.currentTarget as SVGElement).getBoundingClientRect();
    const at = ((e.clientY - box.top) / box.height) * 220;
    now.position = Math.round(Math.min(1.5, Math.max(-0.5, (LOW - at) / (LOW - HIGH))) * 50) / 50;
  }
  function save() {
    if (!level) {
      error = method
        ? 'A level is a reading: put in where it stands.'
        : 'Pick how this machine’s level is read.';
      return;
    }
    let toppedUpMl: number | undefined;
    if (now.topUp.trim()) {
      const parsed = parseQuantity(now.topUp, {
        dimension: 'volume',
        unit: units === 'metric' ? 'ml' : 'US fl oz'
      });
      if (!parsed.ok || parsed.quantity.base > 5000) {
        error = parsed.ok ? 'More than 5 L to top up? Check the unit.' : parsed.problem.message;
        return;
      }
      toppedUpMl = parsed.quantity.base;
    }
    error = '';
    if (onwrite({ level, toppedUpMl })) unsent.settle({ topUp: '' });
  }
</script>

{#if input.protocol.method === null}
  <label class="block" for="{id}-method">How it is read, for this once</label>
  <select id="{id}-method" class="field mt-1" bind:value={now.method}>
    <option value={null}>pick one</option>
    {#each LEVEL_METHODS as m (m)}<option value={m}>{m}</option>{/each}
  </select>
{/if}
{#if method && isMarked(method)}
  <div class="mt-2 flex items-center gap-6">
    <svg
      viewBox="-40 0 200 220"
      width="180"
      height="198"
      class="shrink-0 cursor-pointer"
      onclick={tap}
      aria-hidden="true"
    >
      <defs
        ><clipPath id="{id}-glass"
          >{#if method === 'sight glass'}<circle cx="60" cy="110" r="95" />{:else}<rect
              x="48"
              y="10"
              width="24"
              height="200"
              rx="10"
            />{/if}</clipPath
        ></defs
      >
      <g clip-path="url(#{id}-glass)">
        <rect x="-40" width="200" height="220" fill="var(--sheet)" />
        {#if now.position !== null}<rect
            x="-40"
            y={y(now.position)}
            width="200"
            height={220 - y(now.position)}
            fill="var(--tape)"
          /><line
            x1="-40"
            x2="160"
            y1={y(now.position)}
            y2={y(now.position)}
            stroke="var(--ink)"
            stroke-width="3"
          />{/if}
      </g>
      {#if method === 'sight glass'}<circle
          cx="60"
          cy="110"
          r="95"
          fill="none"
          stroke="var(--ink)"
          stroke-width="3"
        />{:else}<rect
          x="48"
          y="10"
          width="24"
          height="200"
          rx="10"
          fill="none"
          stroke="var(--ink)"
          stroke-width="3"
        />{/if}
      {#if aim !== null}{#if aim.from < aim.to}<rect
            x="104"
            y={y(aim.to)}
            width="6"
            height={y(aim.from) - y(aim.to)}
            fill="var(--signal)"
          />{:else}<path d="M104 {y(aim.from)} l10 -6 v12 Z" fill="var(--signal)" />{/if}{/if}
      {#each [[HIGH, 'high'], [LOW, 'low']] as [at, word] (word)}<line
          x1="40"
          x2="112"
          y1={at}
          y2={at}
          stroke="var(--ink)"
          stroke-width="2"
          stroke-dasharray="6 3"
        /><text x="116" y={Number(at) + 5} fill="var(--ink)" font-size="15" font-family="var(--font-plate)"
          >{word}</text
        >{/each}
    </svg>
    <div>
      <label for={id}>Tap the drawing where the oil stands</label>
      <input
        {id}
        type="range"
        class="mt-2 block w-full"
        style="accent-color: var(--ink)"
        min="-0.5"
        max="1.5"
        step="0.02"
        value={now.position ?? 0.5}
        oninput={(e) => (now.position = Number(e.currentTarget.value))}
        aria-valuetext={verdict?.words ?? 'not read yet'}
      />
    </div>
  </div>
{:else if method === 'check screw'}
  <Radios
    label="At the check screw"
    class="mt-2 flex flex-wrap gap-2"
    options={['nothing', 'weeps', 'runs'] as const}
    bind:value={now.flow}
  />
{/if}
{#if aim !== null}<p class="mt-2">Where it should stand: <strong>{aimInWords(aim)}</strong>.</p>{/if}
{#if verdict}<p class="mt-2" class:caution={!verdict.within} aria-live="polite">
    <strong>{verdict.words}.</strong>
    {#if suggested !== null}<span class="text-lg"
        >Top up <strong class="figure text-2xl">{suggested} ml</strong>, then read again.</span
      >{:else}{verdict.advice ?? ''}{/if}
  </p>{/if}
<label class="mt-3 block" for="{id}-top"
  >Topped up before this reading <span class="quiet text-sm"
    >({units === 'metric' ? 'ml' : 'US fl oz'} unless you say; empty if not)</span
  ></label
>
<div class="mt-1 flex flex-wrap gap-3">
  <input
    id="{id}-top"
    class="field figure w-36 text-2xl"
    inputmode="decimal"
    autocomplete="off"
    bind:value={now.topUp}
  />
  <button type="button" class="go" onclick={save}>Write the level</button>
</div>
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
{#if written.length > 0}<p class="mt-2">
    Read {written.length === 1 ? 'once' : `${written.length} times`}, last: {last || written.at(-1)?.level
      ? judgeLevel(written.at(-1)!.level!).words
      : ''}.
  </p>{/if}
