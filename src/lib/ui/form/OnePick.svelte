<!-- Words of which one is picked, as large as a thumb. -->
<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    options: readonly T[];
    value: T | '';
    error?: string;
  }
  let { label, options, value = $bindable(), error }: Props = $props();
  const name = $props.id();
</script>

<fieldset>
  <legend class="mb-1 text-sm">{label}</legend>
  <div class="flex flex-wrap gap-1">
    {#each options as o (o)}<label class="pick"
        ><input type="radio" class="sr-only" {name} value={o} bind:group={value} />{o}</label
      >{/each}
  </div>
  {#if error}<p class="error mt-1 text-sm" data-wrong role="alert">{error}</p>{/if}
</fieldset>

<style>
  .pick {
    border: 1px solid var(--rule-strong);
    padding: 0.35rem 0.7rem;
    min-height: 2.5rem;
    cursor: pointer;
  }
  .pick:has(:checked) {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
  }
  .pick:has(:focus-visible) {
    outline: 3px solid var(--focus, var(--signal));
    outline-offset: 2px;
  }
</style>
