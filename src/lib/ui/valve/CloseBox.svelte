<!-- The end of a check: nothing passes without a number; what stays out is left with a reason and becomes a finding. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import type { CheckProblem } from '$lib/core/valve/check';
  import { checkCloseSchema, checkStrikeSchema } from '$lib/core/valve/form';
  import EndOfCheck from '../check/EndOfCheck.svelte';
  import { commandForm } from '../form/command-form';

  interface Props {
    checkId: string;
    /** Tasks it may have been done for, the likeliest first. */
    tasks: readonly { id: string; name: string }[];
    problems: readonly CheckProblem[];
    /** It belongs to a visit, and is closed with it. */
    visitId: string | null;
  }
  let { checkId, tasks, problems, visitId }: Props = $props();
  const form = commandForm(
    'valve.close',
    checkCloseSchema,
    () => untrack(() => ({ checkId, taskId: tasks[0]?.id ?? '', reason: '', severity: '' })),
    {
      body: ({ taskId, reason, severity }) => ({
        checkId,
        taskId: taskId || null,
        leave: problems.some((p) => p.mayLeave) ? { reason, severity } : null
      }),
      says: (record) => (record ? 'Written down; the next one is counted from here.' : 'Written down.'),
      taken: () => undefined
    }
  );
  const strike = commandForm(
    'valve.strike',
    checkStrikeSchema,
    () => untrack(() => ({ checkId, reason: '' })),
    { says: () => 'Struck out.', taken: () => undefined }
  );
</script>

<section class="no-print mt-8" aria-label="Close the check">
  <h2>
    {problems.length === 0
      ? 'All well'
      : problems.some((p) => !p.mayLeave)
        ? 'Not done yet'
        : 'Out of its limits'}
  </h2>
  <EndOfCheck
    {form}
    {strike}
    {tasks}
    noTask="No task of this engine is about valves: it is kept without restarting a count."
    {problems}
    {visitId}
    submit="Close the check"
    mistake="It does not count: warm, or another engine"
    on="engine"
  />
</section>
