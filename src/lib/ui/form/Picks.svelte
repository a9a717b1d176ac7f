<!-- Words to pick any of, as large as a thumb. -->
<script lang="ts">
  interface Props {
    label: string;
    options: readonly string[];
    value: string[];
    error?: string;
  }
  let { label, options, value = $bindable(), error }: Props = $props();
  const turn = (o: string) => (value = value.includes(o) ? value.filter((v) => v !== o) : [...value, o]);
</script>

<fieldset>
  <legend class="mb-1 text-sm">{label}</legend>
  <div class="flex flex-wrap gap-1">
    {#each options as o (o)}<button
        type="button"
        class="pick"
        aria-pressed={value.includes(o)}
        onclick={() => turn(o)}>{o}</button
      >{/each}
  </div>
  {#if error}<p class="error mt-1 text-sm" role="alert">{error}</p>{/if}
</fieldset>

<style>
  .pick {
    border: 1px solid var(--rule-strong);
    padding: 0.35rem 0.7rem;
    min-height: 2.5rem;
  }
  .pick[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
  }
</style>
