<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Hour Trail</title></svelte:head>
<h1>{page.status === 404 ? 'Not here' : 'That did not work'}</h1>
<p class="mt-2">{page.error?.message}</p>
{#if page.error?.id}<p class="quiet mt-1">It is in the log as {page.error.id}.</p>{/if}
<p class="mt-4"><a class="link" href="/">To the trail</a></p>
