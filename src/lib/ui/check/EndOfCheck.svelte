<!--
  The end of a check on a sheet of its own: what keeps it open; what stays wrong, left with a reason and then a finding; the task
  it was done for; and that it was a mistake.
-->
<script lang="ts" generics="T extends { taskId: string; reason: string; severity: string }">
  import type { Snippet } from 'svelte';
  import { SEVERITIES } from '$lib/core/finding/finding';
  import { Button, Input, Select } from '../form/controls';
  import type { CommandForm } from '../form/command-form';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import OnePick from '../form/OnePick.svelte';
  import OneWord from '../form/OneWord.svelte';

  interface Props {
    form: CommandForm<T>;
    strike: CommandForm<{ checkId: string; reason: string }>;
    /** Tasks it may have been done for, the likeliest first. */
    tasks: readonly { id: string; name: string }[];
    noTask: string;
    problems: readonly { message: string; mayLeave: boolean }[];
    /** It belongs to a visit, and is closed with it. */
    visitId: string | null;
    submit: string;
    /** What is typed is on its way to the book yet: closed is only what is there. */
    waits?: boolean;
    /** Of the button, for whoever leads to it. */
    id?: string;
    /** What is pressed where it was a mistake. */
    mistake: string;
    /** What stays wrong is a finding on it. */
    on: string;
    /** Besides the task: what else is said with it. */
    more?: Snippet;
    /** Beside the button. */
    beside?: Snippet;
  }
  let {
    form,
    strike,
    tasks,
    noTask,
    problems,
    visitId,
    submit,
    waits = false,
    id,
    mistake,
    on,
    more,
    beside
  }: Props = $props();
  const must = $derived(problems.filter((p) => !p.mayLeave));
  const may = $derived(problems.filter((p) => p.mayLeave));
  // A form is made with the component that holds it, and stays.
  // svelte-ignore state_referenced_locally
  const { data, errors, busy, enhance } = form;
  let leaving = $state(false);
  let striking = $state(false);
</script>

{#each problems as p (p.message)}<p class="mt-1">{p.message}</p>{/each}
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
        Put right above, or left as it is with a reason: then it is a finding on the {on}.
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
    {#if may.length === 0 || leaving}
      {#if tasks.length > 0}<div class="mt-3 max-w-96">
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
        </div>{:else}<p class="quiet mt-1 text-sm">{noTask}</p>{/if}
      {@render more?.()}
      <FormError message={$errors['']} />
      <div class="mt-3 flex flex-wrap items-center gap-3">
        <Button {id} type="submit" color="primary" disabled={$busy || waits}
          >{may.length > 0 ? 'Leave it so, and close' : submit}</Button
        >
        {@render beside?.()}
      </div>
    {/if}
  </form>
{/if}
{#if !visitId}
  <p class="mt-3">
    <button type="button" class="link text-sm" aria-expanded={striking} onclick={() => (striking = !striking)}
      >{mistake}</button
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
