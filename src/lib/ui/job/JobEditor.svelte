<!-- A job as data: its steps with what each waits for, changed here and saved as a new version. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import X from '@lucide/svelte/icons/x';
  import { untrack } from 'svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { roughInWords, roughMinutes } from '$lib/core/job/rough';
  import { Button, Checkbox, Input } from '$lib/ui/form/controls';
  import { CIRCUITS } from '$lib/core/specs/sheet';
  import {
    KIND_WORDS,
    templateProblems,
    type TemplateStep,
    type VersionedTemplate
  } from '$lib/core/job/template';
  import { jobSchema } from '$lib/core/job/form';
  import { step } from '$lib/core/job/built-in/steps';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { Press } from '../form/press.svelte';
  import { say } from '../base/page.svelte';
  import StepEditor from './StepEditor.svelte';

  interface Props {
    template: VersionedTemplate;
    fresh: boolean;
    builtIn: boolean;
    taken: string[];
  }
  let { template, fresh, builtIn, taken }: Props = $props();
  let title = $state(untrack(() => template.title));
  let about = $state(untrack(() => template.about));
  let circuits = $state(untrack(() => [...template.circuits]));
  let steps = $state<TemplateStep[]>(
    untrack(() => structuredClone($state.snapshot(template.steps)) as TemplateStep[])
  );
  let open = $state<number | null>(null);
  const key = $derived(
    fresh
      ? title
          .toLowerCase()
          .normalize('NFD')
          .replace(/[^a-z0-9]+/g, '-')
          .replace(/^-+|-+$/g, '')
          .slice(0, 40)
      : template.key
  );
  const form = commandForm('job.save', jobSchema, () => ({ word: '' }), {
    body: ({ word }) => ({
      key: key || 'x',
      from: template.version,
      content: { key: key || 'x', title, about, circuits, steps: $state.snapshot(steps) },
      word
    }),
    also: () =>
      fresh && taken.includes(key)
        ? { 'content.title': 'Another job has this name already. Choose a different one.' }
        : ({} as Record<string, string>),
    leaves: untrack(() => fresh),
    says: () => `${title}: saved as a new version. Visits that were begun keep theirs.`,
    taken: () => (fresh ? goto(`/jobs/${key}`) : null)
  });
  const { data: said, errors, busy, enhance } = form;
  const away = new Press();
  const problems = $derived(templateProblems({ circuits, steps }));
  const at = (i: number) => [
    ...problems.filter((p) => p.path[0] === 'steps' && p.path[1] === i).map((p) => p.message),
    ...Object.entries($errors)
      .filter(([path]) => path.startsWith(`content.steps.${i}.`))
      .map(([, message]) => message)
  ];
  const minutes = $derived(roughInWords(roughMinutes({ steps })));

  const titleOf = (key: string) => steps.find((s) => s.key === key)?.title || key;

  function move(i: number, by: number) {
    const to = i + by;
    if (to < 0 || to >= steps.length) return;
    const list = [...steps];
    [list[i], list[to]] = [list[to]!, list[i]!];
    steps = list;
    open = open === i ? to : open;
  }
  function remove(i: number) {
    const gone = steps[i]!.key;
    steps = steps
      .filter((_, k) => k !== i)
      .map((s) => ({
        ...s,
        needs: s.needs.filter((n) => n !== gone),
        during: s.during.filter((n) => n !== gone),
        gate: s.gate?.step === gone ? null : s.gate
      }));
    open = null;
  }
  function add() {
    let n = steps.length + 1;
    while (steps.some((s) => s.key === `step-${n}`)) n++;
    const blank = step({
      key: `step-${n}`,
      title: '',
      kind: 'tick',
      minutes: 5,
      needs: steps.some((s) => s.key === 'stand') ? ['stand'] : []
    });
    // Before the writing down, which comes last.
    const last = steps.findIndex((s) => s.key === 'write');
    const place = last < 0 ? steps.length : last;
    steps = [...steps.slice(0, place), blank, ...steps.slice(place)];
    open = place;
  }
  async function back() {
    const body = { key: template.key, from: template.version, content: null, word: $said.word };
    if (!(await away.send('job.save', body))) return;
    say(builtIn ? 'Back to how it came.' : 'Put away.');
    if (builtIn) await invalidateAll();
    else await goto('/jobs');
  }
</script>

<form method="POST" novalidate use:enhance>
  <div class="mt-3 grid items-start gap-3 sm:grid-cols-2">
    <Field label="Job" error={$errors['content.title'] ?? $errors['content.key']}
      >{#snippet children(a)}<Input {...a} bind:value={title} />{/snippet}</Field
    >
    <Field label="What it is for" error={$errors['content.about']}
      >{#snippet children(a)}<Input {...a} bind:value={about} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2" role="group" aria-label="Circuits">
    <span class="quiet">Oil circuits:</span>
    {#each CIRCUITS as c (c)}<Checkbox
        checked={circuits.includes(c)}
        onchange={() =>
          (circuits = circuits.includes(c) ? circuits.filter((x) => x !== c) : [...circuits, c])}
        >{c}</Checkbox
      >{/each}
  </div>

  <h2 class="mt-6">{steps.length} steps, with hands on it {minutes}</h2>
  <ol class="mt-1">
    {#each steps as s, i (s)}
      <li class="rule-b py-1.5">
        <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
          <span class="figure quiet w-7 text-right">{i + 1}</span>
          <button
            type="button"
            class="grow text-left"
            aria-expanded={open === i}
            onclick={() => (open = open === i ? null : i)}
          >
            <span class="font-bold">{s.title || 'not named yet'}</span>
            <span class="quiet text-sm"
              >{KIND_WORDS[s.kind]}{s.each ? `, for each ${s.each}` : ''} · {s.minutes} min{s.wait
                ? `, then ${s.wait} by itself`
                : ''}{s.engine === 'any' ? '' : ` · engine ${s.engine}`}{s.needs.length > 0
                ? ` · after ${s.needs.map(titleOf).join(', ')}`
                : ''}{s.gate ? ` · only if “${titleOf(s.gate.step)}” says ${s.gate.is}` : ''}</span
            >
          </button>
          <span class="flex gap-1">
            <button
              type="button"
              class="mini"
              aria-label="Step {i + 1} up"
              disabled={i === 0}
              onclick={() => move(i, -1)}><ArrowUp size={18} class="mx-auto" /></button
            >
            <button
              type="button"
              class="mini"
              aria-label="Step {i + 1} down"
              disabled={i === steps.length - 1}
              onclick={() => move(i, 1)}><ArrowDown size={18} class="mx-auto" /></button
            >
            <button type="button" class="mini" aria-label="Take step {i + 1} away" onclick={() => remove(i)}
              ><X size={18} class="mx-auto" /></button
            >
          </span>
        </div>
        {#each at(i) as message, k (k)}<p class="error text-sm" role="alert">{message}</p>{/each}
        {#if open === i}<StepEditor bind:step={steps[i]!} {steps} {circuits} />{/if}
      </li>
    {/each}
  </ol>
  <button type="button" class="link mt-2 py-2" onclick={add}>Add a step</button>

  <div class="mt-4 max-w-2xl">
    <Field label="What was changed, and why" error={$errors.word}
      >{#snippet children(a)}<Input {...a} bind:value={$said.word} />{/snippet}</Field
    >
  </div>
  <FormError message={away.errors[''] ?? $errors[''] ?? $errors['content.steps'] ?? $errors.content} />
  <div class="mt-3 flex flex-wrap gap-3">
    <Button type="submit" color="primary" disabled={$busy || problems.length > 0}
      >{fresh ? 'Save the job' : 'Save as a new version'}</Button
    >
    {#if template.own && !fresh}<Button type="button" color="alternative" disabled={away.busy} onclick={back}
        >{builtIn ? 'Back to how it came' : 'Put this job away'}</Button
      >{/if}
  </div>
  {#if problems.length > 0}<p class="error mt-2">
      {problems.length === 1 ? 'One thing' : `${problems.length} things`} to put right above first.
    </p>{/if}
</form>

<style>
  .mini {
    min-width: 2.2rem;
    min-height: 2.2rem;
    border: 1px solid var(--rule);
  }
  .mini:disabled {
    opacity: 0.3;
  }
</style>
