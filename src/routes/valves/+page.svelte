<script lang="ts">
  import { showDay } from '$lib/core/time/day';
  import { spanOf } from '$lib/core/valve/clearance';
  import Scale from '$lib/ui/valve/Scale.svelte';
  import { headline } from '$lib/ui/valve/wear-words';

  let { data } = $props();
  const types = $derived([...new Set(data.engines.map((e) => e.type))]);
  const rate = (r: number | null) => (r === null ? '' : `${r > 0 ? '+' : ''}${r.toFixed(1)} µm/h`);
</script>

<svelte:head><title>Valves of all engines · Hour Trail</title></svelte:head>
<h1>Valves of all engines</h1>
<p class="quiet mt-1">
  Those of one type beside one another: as last measured, to scale, and how fast each valve goes.
</p>
{#each types as type (type)}
  <section class="mt-6" aria-label={type}>
    <h2>{type}</h2>
    {#each data.engines.filter((e) => e.type === type) as e (e.machineId)}
      <div class="rule-t mt-2 pt-2">
        <p class="flex flex-wrap items-baseline gap-x-3">
          <a class="plate no-underline" href="/machines/{e.machineId}/valves">{e.plate}</a>
          <strong>{e.engine ?? 'its engine'}</strong>
          <span class="figure">{e.hours === null ? 'hours not known' : `${e.hours.toFixed(1)} h`}</span>
          <span class="quiet text-sm"
            >{e.day === null ? 'never measured' : `measured ${showDay(e.day, data.today)}`}</span
          >
          <span class="text-sm">{headline(e.wear).words}</span>
        </p>
        <div class="valves mt-1">
          {#each e.stands as s (s.valve.id)}
            {@const w = e.wear.find((x) => x.valve === s.valve.id)}
            <div>
              <span class="figure text-sm"
                >{s.short}
                <span class="quiet">{rate(w?.rate ?? null)}</span>{#if w && w.alarms.length > 0}<strong
                    class="error ml-1">{w.alarms.join(', ')}</strong
                  >{/if}</span
              >
              <Scale
                limits={s.limits}
                span={w?.now ? spanOf(w.now) : null}
                unit="mm"
                label="{s.name}: as last measured, to scale"
              />
            </div>
          {/each}
        </div>
      </div>
    {/each}
  </section>
{:else}<p class="mt-4">No head is laid out yet. It is asked for on the valve sheet of a machine.</p>{/each}

<style>
  .valves {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: 0.25rem 1.25rem;
  }
</style>
