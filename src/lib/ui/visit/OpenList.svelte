<!-- What stands open: always in view, so that nothing is left off, out or finger-tight. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import { standInWords, type ItemState } from '$lib/core/visit/state';
  interface Props {
    open: ItemState[];
    deferred: ItemState[];
    /** Small things that are out or in the engine, in words; empty: none. */
    things: string;
    onpick: (key: string) => void;
  }
  let { open, deferred, things, onpick }: Props = $props();
  /** On a phone it is one line until somebody unfolds it. */
  let unfolded = $state(false);
  const names = $derived([...open, ...deferred].map((i) => i.item.name).join(', '));
</script>

<section class="list" class:some={open.length > 0 || things !== ''} aria-label="Open now" aria-live="polite">
  <div class="head">
    <h2>
      {[open.length === 0 ? 'Nothing stands open' : `Open now: ${open.length}`, things]
        .filter(Boolean)
        .join(', ')}
    </h2>
    {#if names}<button
        type="button"
        class="fold"
        aria-expanded={unfolded}
        aria-label="What stands open"
        onclick={() => (unfolded = !unfolded)}
        ><span>{names}</span>{#if unfolded}<ChevronUp size={20} class="shrink-0" />{:else}<ChevronDown
            size={20}
            class="shrink-0"
          />{/if}</button
      >{/if}
  </div>
  {#if open.length + deferred.length > 0}
    <ul class:unfolded>
      {#each [...open, ...deferred] as i (i.item.key)}
        <li>
          <button
            type="button"
            onclick={() => {
              unfolded = false;
              onpick(i.item.key);
            }}><strong>{i.item.name}</strong> <span class="whitespace-nowrap">{standInWords(i)}</span></button
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
  li button {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 0.75rem;
    width: 100%;
    text-align: left;
    padding-block: 0.45rem;
    border-top: 1px solid var(--rule);
  }
  .head {
    padding-bottom: 0.3rem;
  }
  .fold {
    display: none;
  }
  @media (max-width: 900px) {
    .list {
      padding: 0 0.6rem;
    }
    .head {
      padding: 0;
      display: flex;
      align-items: center;
      min-height: 2.75rem;
      gap: 0.75rem;
    }
    h2 {
      white-space: nowrap;
    }
    .fold {
      display: flex;
      flex: 1;
      min-width: 0;
      min-height: 2.75rem;
      align-items: center;
      justify-content: flex-end;
      gap: 0.5rem;
    }
    .fold span {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    ul:not(.unfolded) {
      display: none;
    }
    li button {
      min-height: 3rem;
      align-items: center;
    }
  }
</style>
