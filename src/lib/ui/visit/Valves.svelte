<!-- The valve sheet at its step: measured, planned, fitted here; done once it has every number the step wants. -->
<script lang="ts">
  import type { DoneContent } from '$lib/core/visit/entry';
  import type { StepInput } from '$lib/core/job/plan';
  import { clearancesAt } from '$lib/core/valve/at-bench';
  import { standsOf } from '$lib/core/valve/check';
  import { checkInput } from '$lib/core/valve/sheet';
  import type { Around } from '$lib/core/visit/page';

  interface Props {
    input: Extract<StepInput, { type: 'clearances' }>;
    valves: NonNullable<Around['valves']>;
    visitId: string;
    machineId: string;
    today: string;
    done: boolean;
    onwrite: (clearances: NonNullable<DoneContent['clearances']>) => void;
    onward: () => void;
  }
  let { input, valves, visitId, machineId, today, done, onwrite, onward }: Props = $props();
  const sheet = $derived(valves.sheet);
  const at = $derived(
    sheet && clearancesAt(input.stage, standsOf(checkInput(sheet)), sheet.rules, sheet.check)
  );
</script>

{#if !sheet}
  {#await import('../valve/LayoutForm.svelte') then { default: LayoutForm }}<LayoutForm
      {machineId}
      now={null}
    />{/await}
{:else}
  {#await import('../valve/ValveSheet.svelte') then { default: ValveSheet }}<ValveSheet
      {sheet}
      {visitId}
      tasks={[]}
      printedGuide={null}
      {today}
      atBench
    />{/await}
  {#if done}<button type="button" class="go next mt-4" onclick={onward}>Next step</button>
  {:else if at?.ok}
    <button type="button" class="go mt-4" onclick={() => onwrite(at.clearances)}
      >{at.clearances.bad > 0
        ? `Measured: ${at.clearances.bad} ${at.clearances.bad === 1 ? 'valve' : 'valves'} to put right`
        : input.stage === 'fitted'
          ? 'They are in'
          : 'All well'}</button
    >
  {:else if at}
    <div class="mt-4">
      {#each at.problems as p (p)}<p class="text-sm">{p}</p>{/each}
    </div>
  {/if}
{/if}
