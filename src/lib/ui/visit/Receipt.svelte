<!-- What was written a moment ago, for whoever has gone on: it can be looked at again, and a bolt gets its paint mark. -->
<script lang="ts">
  import { writtenInWords } from '$lib/core/visit/onward';
  import type { StepState } from '$lib/core/visit/state';
  import type { BenchVisit } from './bench.svelte';

  interface Props {
    bench: BenchVisit;
    step: StepState;
    onlook: (key: string) => void;
  }
  let { bench, step, onlook }: Props = $props();
  const words = $derived(writtenInWords(bench.state, step));
  /** The one bolt of the step, tight and not yet marked. */
  const toMark = $derived.by(() => {
    const { input } = step.step;
    if (input.type !== 'close' || input.items.length !== 1) return null;
    return bench.state.items.find((i) => i.item.key === input.items[0] && i.stand === 'torqued') ?? null;
  });
</script>

<p class="mb-2 flex flex-wrap gap-x-5 text-sm" role="status">
  <span style:overflow-wrap="anywhere"
    ><span style:color="var(--done)">■</span> {step.step.title}{words ? `: ${words}` : ''}</span
  >
  <button type="button" class="link" onclick={() => onlook(step.step.key)}>Look again</button>
  {#if toMark}<button
      type="button"
      class="link"
      onclick={() => bench.write({ itemKey: toMark.item.key, action: 'marked', content: {} })}
      >Paint mark on it</button
    >{/if}
</p>
