<!-- What a step wants and the sheet does not say: asked here, once, and kept on the machine's sheet with its source. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { asksAt, type Ask } from '$lib/core/visit/asks';
  import type { StepState, VisitState } from '$lib/core/visit/state';
  import { sitOver } from '../sheet/sitting.svelte';
  import AskOne from '../sheet/AskOne.svelte';

  interface Props {
    state: VisitState;
    step: StepState;
    machineId: string;
    sources: readonly string[];
    /** Without it, all; with it, only about that item. */
    itemKey?: string;
  }
  let { state, step, machineId, sources, itemKey }: Props = $props();
  onMount(() => sitOver(machineId));
  const asks = $derived(asksAt(state, step).filter((a) => itemKey === undefined || a.item?.key === itemKey));
  const keyOf = (a: Ask) => `${a.key} ${a.item?.key ?? a.fastenerId ?? ''}`;
</script>

{#each asks as a (keyOf(a))}<AskOne ask={a} {machineId} {sources} />{/each}
