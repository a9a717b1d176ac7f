<!-- What was remarked and photographed, each at its step, in the order of the work. -->
<script lang="ts">
  import type { AtStep } from '$lib/core/record/whole';
  let { steps }: { steps: AtStep[] } = $props();
</script>

{#if steps.length > 0}
  <h2 class="mt-5">Remarks and photos</h2>
  <ul>
    {#each steps as s, i (i)}<li class="rule-b py-1 break-words">
        {#if s.title}<span class="quiet">{s.title}{s.remark ? ':' : ''}</span>{/if}
        {#if s.remark}<span class="whitespace-pre-wrap">{s.remark}</span>{/if}
        {#if s.photoIds.length > 0}<span class="mt-1 flex flex-wrap gap-2"
            >{#each s.photoIds as id (id)}<a href="/api/photos/{id}" target="_blank" rel="noopener"
                ><img src="/api/photos/{id}?small" alt={s.title || 'taken in this visit'} class="h-20" /></a
              >{/each}</span
          >{/if}
      </li>{/each}
  </ul>
{/if}
