<!-- An amount of oil in any unit, read back in both before it is taken. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Unsent } from '../form/unsent.svelte';
  import { filledBy } from '../instrument/filled-by';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { show, showBoth, type Quantity } from '$lib/core/quantity/quantity';

  interface Props {
    label: string;
    hint: string;
    /** Millilitres written so far. */
    written: number | null;
    /** What is odd about what was written. */
    odd: string | null;
    /** Asks what stayed in the jug. */
    residue?: boolean;
    units: 'metric' | 'imperial';
    /** Names the field, so that what is typed survives a reload. */
    keptAs: string;
    onwrite: (
      ml: number,
      asWritten: string,
      residueMl: number | null,
      instrument: { instrument?: string }
    ) => unknown;
  }
  let { label, hint, written, odd, residue = false, units, keptAs, onwrite }: Props = $props();
  const amount = untrack(() => new Unsent(`${keptAs} amount`));
  const jug = untrack(() => new Unsent(`${keptAs} jug`));
  let tried = $state(false);
  const unit = $derived(units === 'metric' ? ('ml' as const) : ('US qt' as const));
  const parsed = $derived(parseQuantity(amount.value, { dimension: 'volume', unit }));
  const id = $props.id();
  let field: HTMLInputElement | undefined = $state();
  const MOST = 20_000;
  const error = $derived(
    !tried
      ? null
      : !parsed.ok
        ? parsed.problem.message
        : parsed.quantity.base > MOST
          ? 'At most 20 L: is it the right unit?'
          : null
  );
  const choices = $derived(tried && !parsed.ok ? (parsed.problem.choices ?? []) : []);
  const left = $derived(
    jug.value.trim() === '' ? null : parseQuantity(jug.value, { dimension: 'volume', unit })
  );

  function take(q: Quantity) {
    if (q.base > MOST) return;
    if (left && !left.ok) return;
    const by = filledBy(field);
    const residueMl = left?.ok ? Math.round(left.quantity.base * 10) / 10 : null;
    if (
      onwrite(Math.round(q.base * 10) / 10, show(q), residueMl, { ...(by && { instrument: by }) }) !== false
    ) {
      amount.value = '';
      jug.value = '';
      tried = false;
    }
  }
  function save(e: SubmitEvent) {
    e.preventDefault();
    tried = true;
    if (parsed.ok) take(parsed.quantity);
  }
</script>

<form onsubmit={save} novalidate>
  <label for={id}
    >{label} <span class="quiet text-sm">({unit} unless you say{hint ? `; ${hint}` : ''})</span></label
  >
  <div class="mt-1 flex flex-wrap gap-3">
    <input
      {id}
      bind:this={field}
      data-takes="volume"
      class="field figure w-44 text-3xl"
      inputmode="decimal"
      autocomplete="off"
      bind:value={amount.value}
      aria-invalid={error ? true : undefined}
      aria-describedby="{id}-note"
    />
    <button type="submit" class="go">Write</button>
    {#if residue}<label class="text-sm" for="{id}-jug"
        >left in the jug
        <input
          id="{id}-jug"
          class="field figure ml-1 w-24 text-xl"
          inputmode="decimal"
          autocomplete="off"
          bind:value={jug.value}
          aria-invalid={left && !left.ok ? true : undefined}
        /></label
      >{/if}
  </div>
  <p id="{id}-note" class="mt-1 min-h-6" aria-live="polite">
    {#if error}<span class="error">{error}</span>{:else if left && !left.ok}<span class="error"
        >{left.problem.message}</span
      >{:else if amount.value && parsed.ok}{showBoth(parsed.quantity, units).main} = {showBoth(
        parsed.quantity,
        units
      ).other}{/if}
  </p>
  {#if choices.length > 0}<div class="flex gap-3">
      {#each choices as c, k (k)}<button type="button" class="key" onclick={() => take(c)}>{show(c)}</button
        >{/each}
    </div>{/if}
</form>
{#if written !== null}
  <p class="figure mt-2 text-2xl">
    Written: {showBoth({ dimension: 'volume', base: written, value: written, unit: 'ml' }, units).main}
  </p>
{/if}
{#if odd}<p class="caution mt-1">{odd}</p>{/if}
