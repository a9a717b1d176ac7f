<!-- Why a step is left out. What was typed survives a reload. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Unsent } from '../form/unsent.svelte';

  interface Props {
    keptAs: string;
    /** @returns whether it was taken */
    onleft: (reason: string) => boolean;
    onkeep: () => void;
  }
  let { keptAs, onleft, onkeep }: Props = $props();
  const reason = untrack(() => new Unsent(`${keptAs} left out`));
  function leaveOut(e: SubmitEvent) {
    e.preventDefault();
    if (onleft(reason.value)) reason.value = '';
  }
</script>

<form onsubmit={leaveOut} class="mt-2 flex flex-wrap items-end gap-3">
  <label class="grow text-sm"
    >Why is it left out?<input
      class="field mt-1 w-full"
      bind:value={reason.value}
      required
      maxlength="10000"
    /></label
  >
  <button class="key" type="submit">Leave it out</button>
  <button class="key" type="button" onclick={onkeep}>Keep it</button>
</form>
