<!-- One simulated instrument: what it shows, and the one thing a hand does at it. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { DRAGS, type Line } from '$lib/core/instrument/line';
  import { lineOf, mlOf, shown, weatherWords, type StandIn } from '$lib/core/instrument/stand-in';
  import { convert } from '$lib/core/quantity/quantity';
  import type { UnitName } from '$lib/core/quantity/units';

  interface Props {
    standIn: StandIn;
    plates: readonly { plate: string; name: string }[];
    units: 'metric' | 'imperial';
    say: (line: Line) => void;
  }
  let { standIn: s, plates, units, say }: Props = $props();
  const id = $props.id();
  let name = $state(untrack(() => s.name));
  let unit = $state<UnitName | ''>(untrack(() => s.units[0] ?? ''));
  let value = $state(untrack(() => s.shows));
  let of = $state(untrack(() => plates[0]?.plate ?? ''));
  let litre = $state(870);
  let humidity = $state(80);
  let pressure = $state(1005);
  const grams = $derived(s.extra === 'scale');

  function switchTo(to: UnitName) {
    if (unit && !grams) value = shown({ ...s, scatter: 0 }, convert(value, unit, to), to, 0.5);
    unit = to;
  }
  const send = (what: Parameters<typeof lineOf>[1]) =>
    say(
      lineOf(
        { id: crypto.randomUUID(), instrument: name.trim() || s.name, at: new Date().toISOString() },
        what
      )
    );
  function go() {
    if (!Number.isFinite(value)) return;
    if (s.extra === 'keys') return send({ keys: `${value}\n` });
    if (s.extra === 'weather')
      return send({ words: weatherWords(value, humidity, pressure, units === 'imperial') });
    if (!unit) return;
    const is = grams ? convert(mlOf(value, litre), 'ml', unit) : value;
    send({ value: shown(s, is, unit, Math.random()), unit, ...(s.extra === 'of' && { of }) });
  }
</script>

<section class="standin" aria-labelledby="{id}-h">
  <h3 id="{id}-h" class="figure text-lg first-letter:uppercase">{s.key}</h3>
  <p class="quiet text-sm">{s.about}</p>
  <label class="mt-2 block text-sm" for="{id}-name">Its name, as the record has it</label>
  <input id="{id}-name" class="field w-full" maxlength="60" bind:value={name} />
  <div class="mt-2 flex flex-wrap items-end gap-2">
    <div>
      <label class="block text-sm" for="{id}-v"
        >{grams
          ? 'On it, g'
          : s.extra === 'weather'
            ? 'Air, °C'
            : s.extra === 'blades'
              ? 'Blade'
              : 'Shows'}</label
      >
      <input
        id="{id}-v"
        class="field figure w-28 text-2xl"
        type="number"
        step={s.step}
        bind:value
        onkeydown={(e) => e.key === 'Enter' && s.extra !== 'blades' && go()}
      />
    </div>
    {#if s.units.length > 1}
      <div>
        <label class="block text-sm" for="{id}-u">{grams ? 'Sends' : 'Unit'}</label>
        <select
          id="{id}-u"
          class="field"
          value={unit}
          onchange={(e) => switchTo(e.currentTarget.value as UnitName)}
          >{#each s.units as u (u)}<option value={u}>{u}</option>{/each}</select
        >
      </div>
    {:else if unit}<span class="figure pb-2">{unit}</span>{/if}
    {#if s.extra === 'of'}
      <div>
        <label class="block text-sm" for="{id}-of">Hangs on</label>
        <select id="{id}-of" class="field" bind:value={of}
          >{#each plates as p (p.plate)}<option value={p.plate}>{p.plate} {p.name}</option>{/each}</select
        >
      </div>
    {:else if grams}
      <div>
        <label class="block text-sm" for="{id}-l">A litre weighs, g</label>
        <input id="{id}-l" class="field figure w-24" type="number" min="1" step="1" bind:value={litre} />
      </div>
    {:else if s.extra === 'weather'}
      <div>
        <label class="block text-sm" for="{id}-hu">Humidity, %</label>
        <input id="{id}-hu" class="field figure w-20" type="number" min="0" max="100" bind:value={humidity} />
      </div>
      <div>
        <label class="block text-sm" for="{id}-p">Pressure, hPa</label>
        <input id="{id}-p" class="field figure w-24" type="number" bind:value={pressure} />
      </div>
    {/if}
  </div>
  <div class="mt-3 flex flex-wrap gap-2">
    {#if s.extra === 'blades'}
      {#each DRAGS as drag (drag)}<button
          type="button"
          class="key"
          onclick={() => unit && Number.isFinite(value) && send({ value, unit, drag })}>{drag}</button
        >{/each}
    {:else}<button type="button" class="key strong" onclick={go}>{s.does}</button>{/if}
  </div>
</section>

<style>
  .standin {
    border-top: 2px solid var(--ink);
    padding-top: 0.5rem;
  }
</style>
