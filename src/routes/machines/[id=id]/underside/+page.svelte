<script lang="ts">
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { isInTheWay } from '$lib/core/job/layout/in-the-way';
  import type { Fastener } from '$lib/core/specs/sheet';
  import Underside from '$lib/ui/visit/Underside.svelte';
  import { send } from '$lib/ui/form/send';
  import PointForm from '$lib/ui/sheet/PointForm.svelte';

  let { data } = $props();
  const MAPPED = ['drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw', 'grease point'];
  /** As they stand on this screen; what is moved shows at once. */
  let moved = $state<Record<string, Fastener['at']>>({});
  let picked = $state<string | null>(
    untrack(() => data.fasteners.find((f) => MAPPED.includes(f.role))?.id ?? null)
  );
  let error = $state('');
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const fasteners = $derived(
    data.fasteners.map((f) => (moved[f.id] !== undefined ? { ...f, at: moved[f.id]! } : f))
  );
  const points = $derived(fasteners.filter((f) => MAPPED.includes(f.role)));
  const guards = $derived(fasteners.filter((f) => isInTheWay(f.role)));
  /** What may lie behind something: a panel may be under a seat. */
  const hideable = $derived([
    ...points.filter((f) => f.role !== 'grease point'),
    ...guards.filter((f) => f.role !== 'guard')
  ]);
  const chosen = $derived(fasteners.find((f) => f.id === picked) ?? null);

  async function change(fastenerId: string, what: object): Promise<boolean> {
    const sent = await send('fastener.change', { fastenerId, ...what });
    error = sent.ok ? '' : (Object.values(sent.errors)[0] ?? 'Not written.');
    if (sent.ok) await invalidateAll();
    return sent.ok;
  }
  function put(id: string, at: Fastener['at']) {
    moved = { ...moved, [id]: at };
    clearTimeout(waiting);
    // Written when the finger rests, not at every step of the way.
    waiting = setTimeout(() => void change(id, { at }), 400);
  }
  function turn(guard: Fastener, id: string) {
    void change(guard.id, {
      covers: guard.covers.includes(id) ? guard.covers.filter((x) => x !== id) : [...guard.covers, id]
    });
  }
</script>

<svelte:head><title>Underside · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>Seen from below</h1>
  <a class="link no-print ml-auto" href="/machines/{data.machine.id}/sheet">Spec sheet</a>
</div>
<p class="quiet mt-1">
  Lying under it with the front ahead, its left hand is on your right. Pick a point in the list, tap the
  drawing where it sits, drag it or move it with the arrow keys.
</p>
{#if error}<p class="error mt-2" role="alert">{error}</p>{/if}
<div class="mt-4 grid gap-8 lg:grid-cols-[26rem_1fr]">
  <Underside
    {fasteners}
    outline={data.outline}
    {picked}
    onpick={(id) => (picked = id)}
    onplace={chosen && MAPPED.includes(chosen.role) ? (at) => put(chosen.id, at) : null}
    onmove={put}
    label="The machine seen from below, front at the top"
  />
  <div>
    <section aria-label="Points">
      <table class="sheet-table stacked">
        <thead><tr><th>Point</th><th>Circuit</th><th>Where</th><th>Torque</th><th>On the map</th></tr></thead>
        <tbody>
          {#each points as f (f.id)}
            <tr class:on={picked === f.id}>
              <td
                ><button
                  type="button"
                  class="link min-h-10 font-bold"
                  aria-pressed={picked === f.id}
                  onclick={() => (picked = f.id)}>{f.name}</button
                ></td
              >
              <td data-label="Circuit">{f.circuit ?? 'none'}</td>
              <td data-label="Where">{[f.place, f.lean].filter(Boolean).join('; ')}</td>
              <td data-label="Torque" class="figure"
                >{data.torques[f.id] ? data.torques[f.id] : f.role === 'filler cap' ? '' : 'unknown'}</td
              >
              <td data-label="On the map"
                >{#if f.at}yes <button type="button" class="link text-sm" onclick={() => put(f.id, null)}
                    >take it off</button
                  >{:else}<strong>not yet</strong>{/if}</td
              >
            </tr>
          {:else}
            <tr
              ><td colspan="5"
                >No plug or cap is named yet. <a
                  class="link"
                  href="/machines/{data.machine.id}/sheet#fasteners">Name them on the spec sheet</a
                > first.</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    </section>
    {#if chosen}{#key chosen.id}<PointForm fastener={chosen} {change} />{/key}{/if}
    {#each guards as g (g.id)}
      <fieldset class="mt-5" id="behind-{g.id}">
        <legend class="figure text-xl font-bold">Behind {g.name.toLowerCase()}</legend>
        <p class="quiet text-sm">
          {g.covers.length > 0
            ? 'It comes off for these, and goes on again when they are shut.'
            : g.role === 'guard'
              ? 'Nobody noted it: taken to cover all that lies underneath.'
              : 'Nobody noted it: taken to be in the way of nothing.'}
        </p>
        {#each hideable.filter((f) => f.id !== g.id && !f.covers.includes(g.id)) as f (f.id)}
          <label class="mr-5 inline-flex min-h-10 items-center gap-2"
            ><input
              type="checkbox"
              class="h-5 w-5"
              style="accent-color: var(--ink)"
              checked={g.covers.includes(f.id)}
              onchange={() => turn(g, f.id)}
            />
            {f.name}</label
          >
        {/each}
      </fieldset>
    {/each}
    <p class="quiet mt-5 text-sm">
      Square: drain, with a second edge where it has a magnet · diamond: screen · six sides: filter · round:
      filler · three sides: check screw · cross: grease point. The letter is the circuit: E engine, G gearbox,
      P primary, F and R the differentials.
    </p>
  </div>
</div>

<style>
  .on {
    box-shadow: inset 5px 0 var(--signal);
  }
</style>
