<!-- Where a component goes: on a machine, in an engine, or on the shelf. -->
<script lang="ts">
  import { Select } from '$lib/ui/form/controls';
  import { IN_ENGINE, PLACES, type ComponentKind } from '$lib/core/component/component';
  import Field from '../form/Field.svelte';

  interface Props {
    /** `machine/…`, `host/…` or empty for the shelf. */
    at: string;
    /** Which of two: left, right. */
    place: string;
    kind: string;
    machines: { id: string; plate: string; name: string }[];
    engines: { id: string; name: string; plate: string | null }[];
    errors: Record<string, string>;
    shelf?: string;
  }
  let {
    at = $bindable(),
    place = $bindable(),
    kind,
    machines,
    engines,
    errors,
    shelf = 'on the shelf'
  }: Props = $props();
  const inEngine = $derived((IN_ENGINE as readonly string[]).includes(kind as ComponentKind));
</script>

<Field label="Where" error={errors.machineId ?? errors.hostId}>
  {#snippet children(a)}<select {...a} class="cell" bind:value={at}>
      <option value="">{shelf}</option>
      <optgroup label="On a machine"
        >{#each machines as m (m.id)}<option value="machine/{m.id}">{m.plate} {m.name}</option
          >{/each}</optgroup
      >
      {#if inEngine}<optgroup label="In an engine"
          >{#each engines as e (e.id)}<option value="host/{e.id}"
              >{e.name}{e.plate ? `, on ${e.plate}` : ', on the shelf'}</option
            >{/each}</optgroup
        >{/if}
    </select>{/snippet}
</Field>
{#if at && !inEngine && kind !== 'engine' && kind !== 'chain'}
  <Field label="Which, where there are two"
    >{#snippet children(a)}<Select
        {...a}
        bind:value={place}
        placeholder=""
        items={PLACES.map((p) => ({ value: p, name: p || 'the only one' }))}
      />{/snippet}</Field
  >
{/if}
