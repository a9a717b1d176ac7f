<!-- Machines that go, any of them. -->
<script lang="ts">
  interface Props {
    machines: readonly { id: string; plate: string; name: string }[];
    picked: string[];
    error?: string;
  }
  let { machines, picked = $bindable(), error }: Props = $props();
  const turn = (id: string) =>
    (picked = picked.includes(id) ? picked.filter((m) => m !== id) : [...picked, id]);
</script>

<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Machines that go">
  {#each machines as m (m.id)}<button
      type="button"
      class="machine"
      aria-pressed={picked.includes(m.id)}
      onclick={() => turn(m.id)}>{m.plate} {m.name}</button
    >{/each}
</div>
{#if error}<p class="error text-sm" role="alert">{error}</p>{/if}

<style>
  .machine {
    border: 1px solid var(--rule-strong);
    padding: 0.3rem 0.7rem;
  }
  .machine[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
</style>
