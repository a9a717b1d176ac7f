<!-- The engine has run: how long, as the sheet has it unless somebody says otherwise; empty, it is not written down. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ranTyped } from '$lib/core/visit/timers';

  interface Props {
    /** As long as its levels want it, seconds; null: the sheet does not say. */
    seconds: number | null;
    onran: (content: { ranSeconds?: number }) => void;
  }
  let { seconds, onran }: Props = $props();
  let minutes = $state(untrack(() => (seconds === null ? '' : String(Math.round(seconds / 6) / 10))));
  let error = $state('');
  const id = $props.id();
  function ran() {
    const typed = ranTyped(minutes);
    error = typed.ok ? '' : typed.message;
    if (typed.ok) onran(typed.seconds === null ? {} : { ranSeconds: typed.seconds });
  }
</script>

<div class="flex flex-wrap items-end gap-3">
  <label class="text-sm" for={id}
    >Ran, min
    <input
      {id}
      class="field figure block w-24 text-xl"
      inputmode="decimal"
      autocomplete="off"
      aria-invalid={error !== ''}
      bind:value={minutes}
    /></label
  >
  <button type="button" class="go" onclick={ran}>It has run</button>
</div>
{#if error}<p class="error mt-1" role="alert">{error}</p>{/if}
