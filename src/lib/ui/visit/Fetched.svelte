<!-- What was not laid out and had to be got in the middle of the work: written in one line, laid out first next time. -->
<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { Unsent } from '../form/unsent.svelte';
  import type { BenchVisit } from './bench.svelte';

  let { bench, readonly }: { bench: BenchVisit; readonly: boolean } = $props();
  const id = $props.id();
  const typed = untrack(() => new Unsent(`${bench.id} fetched`));
  let open = $state(false);
  let field: HTMLInputElement | undefined = $state();

  async function begin() {
    open = true;
    await tick();
    field?.focus();
  }
  function save(e: SubmitEvent) {
    e.preventDefault();
    const what = typed.value.trim();
    if (what === '' || bench.write({ action: 'fetched', content: { what } })) {
      typed.value = '';
      open = false;
    }
  }
</script>

{#if !readonly || bench.state.fetched.length > 0}
  <section class="mt-3" aria-label="Had to be fetched">
    <div class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-lg">Had to be fetched: {bench.state.fetched.length}</h2>
      {#if !readonly && !open && typed.value === ''}<button
          type="button"
          class="link py-2 text-sm"
          onclick={begin}>Something was missing</button
        >{/if}
    </div>
    {#each bench.state.fetched as f (f.id)}
      <p class="flex items-center justify-between gap-3 border-t" style="border-color: var(--rule)">
        <strong>{f.what}</strong>
        {#if !readonly}<button
            type="button"
            class="link min-h-12"
            aria-label="{f.what} was there"
            onclick={() => bench.write({ action: 'not fetched', content: { of: f.id } })}>It was there</button
          >{/if}
      </p>
    {/each}
    {#if !readonly && (open || typed.value !== '')}
      <form onsubmit={save} class="mt-1 flex items-end gap-2">
        <label class="flex-1 text-sm" for="{id}-what"
          >What was not laid out <input
            bind:this={field}
            id="{id}-what"
            class="field mt-1 w-full"
            maxlength="120"
            autocomplete="off"
            bind:value={typed.value}
          /></label
        >
        <button type="submit" class="key">Write</button>
      </form>
    {/if}
  </section>
{/if}
