<!-- The end of a check: nothing passes without a number; what stays out is left with a reason and becomes a finding. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { SEVERITIES } from '$lib/core/finding/finding';
  import type { CheckProblem } from '$lib/core/valve/check';
  import { checkCloseSchema, checkStrikeSchema } from '$lib/core/valve/form';
  import { Input, Select } from '../form/controls';
  import { commandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { Button } from '../form/controls';
  import OneWord from '../form/OneWord.svelte';
  import OnePick from '../form/OnePick.svelte';

  interface Props {
    checkId: string;
    /** Tasks it may have been done for, the likeliest first. */
    tasks: readonly { id: string; name: string }[];
    problems: readonly CheckProblem[];
    /** It belongs to a visit, and is closed with it. */
    visitId: string | null;
  }
  let { checkId, tasks, problems, visitId }: Props = $props();
  const must = $derived(problems.filter((p) => !p.mayLeave));
  const may = $derived(problems.filter((p) => p.mayLeave));
  const form = commandForm(
    'valve.close',
    checkCloseSchema,
    () => untrack(() => ({ checkId, taskId: tasks[0]?.id ?? '', reason: '', severity: '' })),
    {
      body: ({ taskId, reason, severity }) => ({
        checkId,
        taskId: taskId || null,
        leave: may.length > 0 ? { reason, severity } : null
      }),
      says: (record) => (record ? 'Written down; the next one is counted from here.' : 'Written down.'),
      taken: () => undefined
    }
  );
  const { data, errors, busy, enhance } = form;
  let leaving = $state(false);
  let striking = $state(false);
  const strike = commandForm(
    'valve.strike',
    checkStrikeSchema,
    () => untrack(() => ({ checkId, reason: '' })),
    {
      says: () => 'Struck out.',
      taken: () => undefined
    }
  );
</script>

<section class="no-print mt-8" aria-label="Close the check">
  <h2>{problems.length === 0 ? 'All well' : must.length > 0 ? 'Not done yet' : 'Out of its limits'}</h2>
  {#each problems as p (p.valve + p.message)}<p class="mt-1">{p.message}</p>{/each}
  {#if visitId}
    <p class="mt-2">
      It belongs to a <a class="link" href="/visits/{visitId}">visit at the bench</a> and is closed with it.
    </p>
  {:else if must.length === 0}
    <form class="mt-3" method="POST" aria-label="Close the check" novalidate use:enhance>
      {#if may.length > 0 && !leaving}
        <button type="button" class="link" onclick={() => (leaving = true)}
          >Leave it as it is, with a reason</button
        >
      {/if}
      {#if may.length > 0 && leaving}
        <p class="quiet text-sm">
          Put right above, or left as it is with a reason: then it is a finding on the engine.
        </p>
        <div class="mt-2 grid max-w-3xl gap-3">
          <Field label="Why it is left like that" error={$errors['leave.reason']}
            >{#snippet children(a)}<Input {...a} bind:value={$data.reason} />{/snippet}</Field
          >
          <OnePick
            label="How grave is it?"
            options={SEVERITIES}
            bind:value={$data.severity as (typeof SEVERITIES)[number] | ''}
            error={$errors['leave.severity']}
          />
        </div>
      {/if}
      {#if may.length === 0 || leaving}{#if tasks.length > 0}<div class="mt-3 max-w-96">
            <Field label="Done for" error={$errors.taskId}
              >{#snippet children(a)}<Select
                  {...a}
                  placeholder=""
                  items={[
                    ...tasks.map((t) => ({ value: t.id, name: t.name })),
                    { value: '', name: 'none of the tasks' }
                  ]}
                  bind:value={$data.taskId}
                />{/snippet}</Field
            >
          </div>{:else}<p class="quiet mt-1 text-sm">
            No task of this engine is about valves: it is kept without restarting a count.
          </p>{/if}
        <FormError message={$errors['']} />
        <Button type="submit" color="primary" class="mt-3" disabled={$busy}
          >{may.length > 0 ? 'Leave it so, and close' : 'Close the check'}</Button
        >{/if}
    </form>
  {/if}
  {#if !visitId}
    <p class="mt-3">
      <button
        type="button"
        class="link text-sm"
        aria-expanded={striking}
        onclick={() => (striking = !striking)}>It does not count: warm, or another engine</button
      >
    </p>
    {#if striking}<OneWord
        label="Strike out the check that is open"
        form={strike}
        field="reason"
        ask="Why it does not count"
        submit="Strike it out"
        onleave={() => (striking = false)}
      />{/if}
  {/if}
</section>
