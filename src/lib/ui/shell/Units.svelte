<!-- Which unit stands first, on this device. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';

  let { units }: { units: 'metric' | 'imperial' } = $props();
  async function turn(to: string) {
    document.cookie = `ht_units=${to}; path=/; max-age=31536000; samesite=lax`;
    await invalidateAll();
  }
</script>

<fieldset class="mt-2">
  <legend class="text-sm">Which unit stands first</legend>
  {#each ['metric', 'imperial'] as const as u (u)}<label class="mr-5"
      ><input
        type="radio"
        name="units"
        value={u}
        checked={units === u}
        onchange={(e) => turn(e.currentTarget.value)}
      />
      {u}</label
    >{/each}
</fieldset>
