<!-- The end of a check: one press says that all was seen to; what was not is a finding, and so is what stays wrong. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { AFTERCARE, type SlackProblem } from '$lib/core/chain/check';
  import { chainCloseSchema, chainStrikeSchema } from '$lib/core/chain/form';
  import EndOfCheck from '../check/EndOfCheck.svelte';
  import { commandForm } from '../form/command-form';
  import Picks from '../form/Picks.svelte';

  interface Props {
    checkId: string;
    tasks: readonly { id: string; name: string }[];
    problems: readonly SlackProblem[];
    /** The axle was moved. */
    moved: boolean;
    /** A reading is on its way to the book yet. */
    waits: boolean;
    closeId: string;
  }
  let { checkId, tasks, problems, moved, waits, closeId }: Props = $props();
  /** Not all of it was seen to: each is picked. */
  let some = $state(false);
  const form = commandForm(
    'chain.close',
    chainCloseSchema,
    () =>
      untrack(() => ({
        checkId,
        taskId: tasks[0]?.id ?? '',
        seen: [...AFTERCARE] as string[],
        reason: '',
        severity: ''
      })),
    {
      body: ({ taskId, seen, reason, severity }) => ({
        checkId,
        taskId: taskId || null,
        seen,
        leave: problems.some((p) => p.mayLeave) ? { reason, severity } : null
      }),
      says: (record) => (record ? 'Written down; the next one is counted from here.' : 'Written down.'),
      taken: () => undefined
    }
  );
  const { data } = form;
  const strike = commandForm(
    'chain.strike',
    chainStrikeSchema,
    () => untrack(() => ({ checkId, reason: '' })),
    { says: () => 'Struck out.', taken: () => undefined }
  );
</script>

<section class="no-print mt-4" aria-label="Close the check">
  <EndOfCheck
    {form}
    {strike}
    {tasks}
    noTask="No task of this machine is about its chain: it is kept without restarting a count."
    {problems}
    visitId={null}
    {waits}
    id={closeId}
    submit={moved && !some ? 'Nuts tight, pedal right, wheel free: close' : 'Close the check'}
    mistake="It does not count: a slip, or another machine"
    on="machine"
  >
    {#snippet more()}{#if moved && some}<div class="mt-3">
          <Picks label="Seen to since; the rest is a finding" options={AFTERCARE} bind:value={$data.seen} />
        </div>{/if}{/snippet}
    {#snippet beside()}{#if moved && !some}<button
          type="button"
          class="link text-sm"
          onclick={() => (some = true)}>not all of that</button
        >{/if}{/snippet}
  </EndOfCheck>
</section>
