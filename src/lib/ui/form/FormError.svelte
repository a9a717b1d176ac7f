<script lang="ts">
  let { message }: { message: string | undefined } = $props();
</script>

{#if message}<p class="error my-2" role="alert">{message}</p>{/if}
