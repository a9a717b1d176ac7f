<!-- What stands open: always in view, so that nothing is left off, out or finger-tight. -->
<script lang="ts">
  import { standInWords, type ItemState } from '$lib/core/visit/state';
  interface Props {
    open: ItemState[];
    deferred: ItemState[];
    /** Small things that are out. */
    things: number;
    onpick: (key: string) => void;
  }
  let { open, deferred, things, onpick }: Props = $props();
</script>

<section class="list" class:some={open.length + things > 0} aria-label="Open now" aria-live="polite">
  <h2>
    {open.length === 0 ? 'Nothing stands open' : `Open now: ${open.length}`}{things > 0
      ? `, ${things} small ${things === 1 ? 'thing' : 'things'} out`
      : ''}
  </h2>
  {#if open.length + deferred.length > 0}
    <ul>
      {#each [...open, ...deferred] as i (i.item.key)}
        <li>
          <button type="button" onclick={() => onpick(i.item.key)}
            ><strong>{i.item.name}</strong> <span class="whitespace-nowrap">{standInWords(i)}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  .list {
    background: var(--paper);
    border: 2px solid var(--rule-strong);
    padding: 0.6rem 0.9rem;
  }
  .some {
    border-color: var(--signal);
    border-left-width: 10px;
  }
  button {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 0.75rem;
    width: 100%;
    text-align: left;
    padding-block: 0.45rem;
    border-top: 1px solid var(--rule);
  }
  @media (max-width: 900px) {
    .list {
      padding: 0.35rem 0.6rem;
    }
    ul {
      display: flex;
      gap: 0 1.25rem;
      overflow-x: auto;
    }
    button {
      flex-wrap: nowrap;
      white-space: nowrap;
      border: 0;
      min-height: 3rem;
      align-items: center;
    }
  }
</style>
