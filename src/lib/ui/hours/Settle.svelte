<!-- What is odd about a reading, and the ways to settle it. -->
<script lang="ts" module>
  export interface Settlement {
    as: string;
    reason: string;
    oldFinal: string;
    newStart: string;
  }
</script>

<script lang="ts">
  import { Input, Radio } from '$lib/ui/form/controls';
  import Field from '../form/Field.svelte';

  interface Props {
    doubts: string[];
    ways: string[];
    value: Settlement;
    errors?: Record<string, string>;
    prefix?: string;
  }
  let { doubts, ways, value = $bindable(), errors = {}, prefix = 'settlement' }: Props = $props();
  const words: Record<string, string> = {
    'reading is right': 'It is right as written',
    'earlier one was wrong': 'An earlier reading was wrong: strike it out',
    'meter was replaced': 'The meter was replaced or reset'
  };
  const name = $props.id();
</script>

<div class="caution my-2" role="alert" data-testid="settle">
  {#each doubts as d, k (k)}<p class="font-bold">{d}</p>{/each}
  {#if ways.length > 0}
    <p class="mt-1 text-sm">Write it again, or say what happened:</p>
    <div class="mt-1 flex flex-wrap gap-x-5 gap-y-2">
      {#each ways as way (way)}
        <Radio {name} value={way} bind:group={value.as}>{words[way]}</Radio>
      {/each}
    </div>
    {#if value.as}
      <div class="mt-2 grid gap-3 sm:grid-cols-3">
        {#if value.as === 'meter was replaced'}
          <Field
            label="Old meter at the end, h"
            error={errors[`${prefix}.oldFinal`]}
            hint="empty if it could not be read"
          >
            {#snippet children(a)}<Input {...a} bind:value={value.oldFinal} inputmode="decimal" />{/snippet}
          </Field>
          <Field label="New meter at the start, h" error={errors[`${prefix}.newStart`]} hint="empty means 0">
            {#snippet children(a)}<Input {...a} bind:value={value.newStart} inputmode="decimal" />{/snippet}
          </Field>
        {/if}
        <Field
          label="What happened"
          error={errors[`${prefix}.reason`]}
          class={value.as === 'meter was replaced' ? '' : 'sm:col-span-2'}
        >
          {#snippet children(a)}<Input {...a} bind:value={value.reason} />{/snippet}
        </Field>
      </div>
    {/if}
  {/if}
</div>
