<!-- Shims fitted: which one went into each valve, and the thickness of the one that came out; then two full turns, and every changed valve is measured again. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { ValveStand } from '$lib/core/valve/check';
  import type { DrawerShim } from '$lib/core/valve/choice';
  import { showUm } from '$lib/core/valve/limits';
  import type { Series } from '$lib/core/valve/shim';
  import { thickness } from '$lib/core/valve/shim';
  import { readMicrometer, readStamp } from '$lib/core/valve/stamp';
  import type { KeptPlan } from '$lib/core/valve/stored';
  import { Button } from '../form/controls';
  import FormError from '../form/FormError.svelte';
  import { idsFor } from '../form/send';
  import { Press } from '../form/press.svelte';

  interface Props {
    stands: readonly ValveStand[];
    plan: KeptPlan;
    drawer: readonly DrawerShim[];
    series: Series | null;
    checkId: string;
    onleave: () => void;
  }
  let { stands, plan, drawer, series, checkId, onleave }: Props = $props();
  const fits = $derived(plan.fits.filter((f) => f.from !== 'itself'));
  const of = (id: string | null) => stands.find((s) => s.valve.id === id);
  /** What a micrometer reads: on what goes in and on what comes out; and another stamp than was planned. */
  let inside = $state<Record<string, string>>({});
  let outside = $state<Record<string, string>>({});
  let stamps = $state<Record<string, string>>({});
  let errors = $state<Record<string, string>>({});
  const press = new Press();
  const moved = $derived(new Set(fits.flatMap((f) => f.of ?? [])));
  /** As it lies in the drawer: by its stamp and its micrometer. */
  const lies = (um: number) => drawer.find((d) => thickness(d) === um && d.count > 0);

  async function fit() {
    errors = {};
    const read = (key: string, text: string, by: typeof readStamp) => {
      const size = by(text, series);
      if (!size.ok) errors[key] = size.message;
      return size.ok ? size.um : null;
    };
    const body = untrack(() =>
      fits.map((f) => {
        const sits = of(f.valve)?.shim;
        const typed = stamps[f.valve]?.trim();
        const other = typed ? read(`stamp ${f.valve}`, typed, readStamp) : null;
        // Another one than was planned: out of the drawer where the drawer has it.
        const there = other !== null ? lies(other) : f.from === 'drawer' ? lies(f.shim) : undefined;
        const sat = typed ? there : f.of ? of(f.of)?.shim : there;
        return {
          valve: f.valve,
          was: sits ? thickness(sits) : null,
          stamp: sat ? sat.stamp : (other ?? f.shim),
          measured: inside[f.valve]?.trim()
            ? read(`in ${f.valve}`, inside[f.valve]!, readMicrometer)
            : (sat?.measured ?? null),
          from: typed ? (there ? ('drawer' as const) : ('bought' as const)) : (f.from as 'drawer'),
          of: typed ? null : f.of
        };
      })
    );
    const out = Object.entries(outside)
      .filter(([, text]) => text.trim() !== '')
      .flatMap(([valve, text]) => {
        const um = read(`out ${valve}`, text, readMicrometer);
        return um === null ? [] : [{ valve, measured: um }];
      });
    if (Object.keys(errors).length > 0) return;
    const ids = idsFor(['fit', checkId, body, out, stands.map((s) => s.shim)], body.length + 1);
    const sent = await press.send('valve.fit', {
      id: ids.at(-1)!,
      checkId,
      fits: body.map((f, i) => ({ ...f, id: ids[i]! })),
      out
    });
    if (!sent) return;
    await invalidateAll();
    onleave();
  }
  const plain = $derived(Object.entries(press.errors).map(([, m]) => m)[0]);
</script>

{#snippet field(label: string, key: string, value: string, set: (text: string) => void, placeholder: string)}
  <input
    class="cell figure text-lg"
    style="width: 6.5rem; min-width: 0"
    inputmode="decimal"
    autocomplete="off"
    maxlength="20"
    aria-label={label}
    aria-invalid={errors[key] ? true : undefined}
    {placeholder}
    {value}
    oninput={(e) => set(e.currentTarget.value)}
  />
  {#if errors[key]}<p class="error text-sm" role="alert">{errors[key]}</p>{/if}
{/snippet}

<section class="no-print mt-6" aria-label="Fitted">
  <h2>Fit them</h2>
  <p class="caution mt-1">
    Rag in the chain tunnel, wire on the cam chain; dowels and half rings counted. Chain tensioner locked back
    before the cam comes off: its spring is under load. Caps on their own side, criss-cross in steps,
    tensioner released after.
  </p>
  <table class="sheet-table stacked mt-2">
    <thead
      ><tr
        ><th>Valve</th><th>Out came</th><th>it measures, mm</th><th>In went</th><th>stamped otherwise</th><th
          >it measures, mm</th
        ></tr
      ></thead
    >
    <tbody>
      {#each fits as f (f.valve)}
        {@const s = of(f.valve)}
        <tr>
          <td class="font-bold">{s?.name}</td>
          <td data-label="Out came" class="figure text-lg"
            >{s?.shim ? showUm(thickness(s.shim)!) : 'not known'}</td
          >
          <td data-label="measures"
            >{#if moved.has(f.valve)}<span class="quiet">goes into another</span>{:else}{@render field(
                `${s?.name}: what came out, by micrometer`,
                `out ${f.valve}`,
                outside[f.valve] ?? '',
                (t) => (outside[f.valve] = t),
                s?.shim?.measured ? (s.shim.measured / 1000).toFixed(3) : 'mm'
              )}{/if}</td
          >
          <td data-label="In went" class="figure text-xl font-bold"
            >{showUm(f.shim)}<span class="quiet ml-1 text-sm font-normal"
              >{f.from === 'drawer' ? 'drawer' : f.of ? `from ${of(f.of)?.short}` : 'bought'}</span
            ></td
          >
          <td data-label="stamped otherwise"
            >{@render field(
              `${s?.name}: another stamp went in`,
              `stamp ${f.valve}`,
              stamps[f.valve] ?? '',
              (t) => (stamps[f.valve] = t),
              'as planned'
            )}</td
          >
          <td data-label="measures"
            >{@render field(
              `${s?.name}: what went in, by micrometer`,
              `in ${f.valve}`,
              inside[f.valve] ?? '',
              (t) => (inside[f.valve] = t),
              'mm'
            )}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <FormError message={plain} />
  <div class="mt-3 flex flex-wrap gap-2">
    <Button color="primary" disabled={press.busy} onclick={fit}>They are in</Button>
    <Button color="alternative" onclick={onleave}>Leave</Button>
  </div>
</section>
