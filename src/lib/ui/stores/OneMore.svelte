<!-- A bottle came in: what is written about an oil most often, in one press. -->
<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import { invalidateAll } from '$app/navigation';
  import type { StockedOil } from '$lib/core/stores/toolbox';
  import { send } from '../form/send';
  import { say } from '../base/page.svelte';

  let { oil }: { oil: StockedOil } = $props();
  let busy = $state(false);
  async function add() {
    if (busy) return;
    busy = true;
    const sent = await send('oil.stock', { id: crypto.randomUUID(), oilId: oil.id, now: '+1', why: '' });
    say(
      sent.ok
        ? `One bottle of ${oilInWords(oil)} came in.`
        : (Object.values(sent.errors)[0] ?? 'Not written.')
    );
    await invalidateAll();
    busy = false;
  }
</script>

<button type="button" class="link no-print mr-3 text-sm" disabled={busy} onclick={add}>+1 bottle</button>
