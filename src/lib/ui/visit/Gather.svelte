<!-- Everything to lay out before anything is opened, what of it is missing first; at the bench each is ticked as it lies there. -->
<script lang="ts">
  import { oilInWords } from '$lib/core/fluids/can';
  import type { Snippet } from 'svelte';
  import type { Gathered } from '$lib/core/job/gather/gather';
  import { showDay, type Day } from '$lib/core/time/day';
  import { showBoth, type Quantity } from '$lib/core/quantity/quantity';

  interface Props {
    gathered: Gathered;
    units: 'metric' | 'imperial';
    /** What lies there already; absent: it is only looked at. */
    laid?: string[];
    onlaid?: (text: string) => void;
    today: Day;
  }
  let { gathered, units, laid, onlaid, today }: Props = $props();
  const ml = (v: number) => {
    const q: Quantity = { dimension: 'volume', base: Math.round(v), value: Math.round(v), unit: 'ml' };
    return showBoth(q, units).main;
  };
</script>

{#snippet tick(text: string, said: Snippet)}
  {#if laid && onlaid}<label class="flex items-start gap-3"
      ><input
        type="checkbox"
        class="mt-0.5 h-6 w-6 shrink-0"
        aria-label="Laid out: {text}"
        checked={laid.includes(text)}
        onchange={() => onlaid(text)}
      /><span>{@render said()}</span></label
    >{:else}{@render said()}{/if}
{/snippet}

{#if gathered.lacks.length > 0}
  <div class="caution">
    <p class="font-bold">Missing, or to be asked:</p>
    <ul>
      {#each gathered.lacks as l, i (i)}<li>{l}</li>{/each}
    </ul>
  </div>
{/if}
{#if gathered.forgotten.length > 0}
  <section class="mt-3" aria-label="Forgotten last time">
    <h3>Forgotten last time</h3>
    <ul>
      {#each gathered.forgotten as f (f.what)}<li class="rule-b py-1.5">
          {#snippet thing()}<strong>{f.what}</strong>
            <span class="quiet text-sm">fetched in the middle of the work, {showDay(f.day, today)}</span
            >{/snippet}
          {@render tick(f.what, thing)}
        </li>{/each}
    </ul>
  </section>
{/if}
<div class="mt-3 grid gap-x-8 gap-y-4 md:grid-cols-3">
  <section>
    <h3>Fluids</h3>
    <ul>
      {#each gathered.fluids as f (f.circuit)}
        <li class="rule-b py-1.5">
          {#snippet oil()}<strong>{f.circuit}</strong>: {f.neededMl === null
              ? 'quantity unknown'
              : ml(f.neededMl)}{f.oil ? `, ${oilInWords(f.oil)}` : ''}
            {#if f.bottles}<span class="quiet block text-sm"
                >{f.bottles.open === 0
                  ? 'from the opened bottle'
                  : `open ${f.bottles.open} ${f.bottles.open === 1 ? 'bottle' : 'bottles'} of ${ml(f.oil!.bottleMl)}`};
                {ml(f.bottles.leftMl)} left over{f.claimed
                  ? `, and ${ml(f.claimed.ml)} for ${f.claimed.by.join(' and ')} at the bench`
                  : ''}</span
              >{/if}{/snippet}
          {@render tick(`${f.circuit} oil`, oil)}
        </li>
      {:else}<li class="quiet">No oil in this visit.</li>{/each}
    </ul>
  </section>
  <section>
    <h3>Parts</h3>
    <ul>
      {#each gathered.parts as l, i (i)}<li class="rule-b py-1.5">
          {#snippet part()}{l.text}{/snippet}
          {@render tick(l.text, part)}
        </li>{:else}<li class="quiet">None.</li>{/each}
    </ul>
  </section>
  <section>
    <h3>Tools</h3>
    <ul>
      {#each gathered.tools as l, i (i)}<li class="rule-b py-1.5">
          {#snippet tool()}{l.text}{/snippet}
          {@render tick(l.text, tool)}
        </li>{/each}
    </ul>
  </section>
</div>
