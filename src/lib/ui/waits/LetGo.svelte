<!-- Lets go what the server refused: at once where it stands by itself, asked once more where more was written on it. -->
<script lang="ts">
  import { outbox, type Kept } from '../outbox/outbox.svelte';

  interface Props {
    kept: Kept;
    ongone?: (kept: Kept) => void;
  }
  let { kept, ongone }: Props = $props();
  const more = $derived(outbox.restsOn(kept).length);
  let sure = $state(false);
  function press() {
    if (more > 0 && !sure) {
      sure = true;
      return;
    }
    const gone = kept;
    outbox.letGo(gone.id);
    ongone?.(gone);
  }
</script>

<button type="button" class="link py-2" onclick={press}
  >{#if more === 0}Let it go{:else if sure}Yes, all {more + 1} are lost{:else}Let it go, with {more} written in
    it{/if}</button
>
{#if sure}<button type="button" class="link py-2" onclick={() => (sure = false)}>Keep them</button>{/if}
