<!-- Takes a thing out of use; what was written with it stays. Pressed twice, so that one slip does nothing. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { RetireInput } from '$lib/core/stores/form';
  import { send } from '../form/send';
  import { say } from '../base/page.svelte';

  let { id, what, name }: { id: string; what: RetireInput['what']; name: string } = $props();
  let sure = $state(false);
  async function put() {
    if (!sure) {
      sure = true;
      return;
    }
    const sent = await send('store.retire', { id, what });
    say(sent.ok ? `${name} is put away.` : (Object.values(sent.errors)[0] ?? 'Not put away.'));
    await invalidateAll();
  }
</script>

<button type="button" class="link no-print text-sm" onclick={put} onblur={() => (sure = false)}
  >{sure ? 'Once more: put away' : 'Put away'}</button
>
