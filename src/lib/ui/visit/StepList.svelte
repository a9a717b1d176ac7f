<!-- The steps of a visit in their order, with what is done. -->
<script lang="ts">
  import { isLeft, type StepState } from '$lib/core/visit/state';

  interface Props {
    called: StepState[];
    at: string;
    /** More than one job: a step says which circuit it is of. */
    several: boolean;
    onpick: (key: string) => void;
  }
  let { called, at, several, onpick }: Props = $props();
</script>

<details class="mt-5" open>
  <summary class="figure text-xl font-bold">Steps</summary>
  <ol class="mt-1">
    {#each called as s, i (s.step.key)}
      <li>
        <button
          type="button"
          class="row"
          class:here={s.step.key === at}
          aria-current={s.step.key === at ? 'step' : undefined}
          onclick={() => onpick(s.step.key)}
        >
          <span class="figure w-7 text-right">{i + 1}</span>
          <span
            class="tick"
            aria-label={s.done ? 'done' : s.leftOut !== null ? 'left out' : s.handed ? 'waits' : 'to do'}
            >{s.done ? '■' : s.leftOut !== null ? '–' : s.handed ? '…' : '□'}</span
          >
          <span class:quiet={!isLeft(s)}
            >{s.step.title}{s.step.circuit && several && !s.step.title.toLowerCase().includes(s.step.circuit)
              ? `, ${s.step.circuit}`
              : ''}{s.handed && isLeft(s) ? `: waits for ${s.handed.to ?? 'whoever comes'}` : ''}</span
          >
        </button>
      </li>
    {/each}
  </ol>
</details>

<style>
  .row {
    display: flex;
    gap: 0.5rem;
    width: 100%;
    text-align: left;
    padding: 0.35rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    min-height: 2.4rem;
  }
  .here {
    box-shadow: inset 4px 0 var(--signal);
    font-weight: 700;
  }
  .tick {
    color: var(--done);
  }
</style>
