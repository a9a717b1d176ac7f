<!-- The adapter on the wrench, drawn to scale with its lengths and angle: what to set so that the bolt gets its torque. -->
<script lang="ts">
  import { wrenchSettingNm } from '$lib/core/fasteners/adapter';
  import { onScale, type Adapter, type Scale } from '$lib/core/fasteners/wrench';
  import { parseQuantity } from '$lib/core/quantity/parse';
  import { quantity, showBoth } from '$lib/core/quantity/quantity';

  interface Props {
    torqueNm: number;
    wrenchMm: number | null;
    /** What the wrench is set by; null: it is not one of ours. */
    scale: Scale | null;
    adapters: Adapter[];
    units: 'metric' | 'imperial';
    /** The setting worked out, with the adapter and its angle; null while it cannot be. */
    onset: (s: { settingNm: number; adapterId: string | undefined; angleDeg: number } | null) => void;
  }
  let { torqueNm, wrenchMm, scale, adapters, units, onset }: Props = $props();
  let adapterId = $state('');
  let typedE = $state('');
  let typedL = $state('');
  let angle = $state(90);
  const id = $props.id();
  const mm = (text: string) => {
    const parsed = parseQuantity(text, { dimension: 'length', unit: 'mm' });
    return parsed.ok ? parsed.quantity.base : null;
  };
  const adapter = $derived(
    adapters.find((a) => a.id === adapterId) ?? (typedE === '' ? adapters[0] : undefined)
  );
  const E = $derived(typedE.trim() ? mm(typedE) : (adapter?.lengthMm ?? null));
  const L = $derived(typedL.trim() ? mm(typedL) : wrenchMm);
  const setting = $derived.by(() => {
    if (E === null || L === null) return null;
    try {
      return wrenchSettingNm(torqueNm, { wrenchMm: L, adapterMm: E, angleDeg: angle });
    } catch {
      return null;
    }
  });
  $effect(() => {
    onset(setting === null ? null : { settingNm: setting, adapterId: adapter?.id, angleDeg: angle });
  });
  /** Pixels a millimetre, one for both lengths; the grip lies to the left. */
  const px = $derived(200 / Math.max(150, (L ?? 250) + (E ?? 40)));
  const drive = $derived({ x: 30 + (L ?? 250) * px, y: 70 });
  const bolt = $derived({
    x: drive.x + (E ?? 40) * px * Math.cos((angle * Math.PI) / 180),
    y: drive.y - (E ?? 40) * px * Math.sin((angle * Math.PI) / 180)
  });
</script>

<div class="mt-3 border-l-4 pl-4" style="border-color: var(--rule-strong)">
  <svg
    viewBox="0 0 290 110"
    class="w-full"
    style:max-width="30rem"
    role="img"
    aria-label="Adapter at {angle}° to the wrench"
  >
    <line x1="30" y1="70" x2={drive.x} y2="70" stroke="var(--ink)" stroke-width="7" stroke-linecap="round" />
    <line
      x1="30"
      y1="70"
      x2="62"
      y2="70"
      stroke="var(--rule-strong)"
      stroke-width="13"
      stroke-linecap="round"
    />
    <line
      x1={drive.x}
      y1={drive.y}
      x2={bolt.x}
      y2={bolt.y}
      stroke="var(--signal)"
      stroke-width="7"
      stroke-linecap="round"
    />
    <circle cx={drive.x} cy={drive.y} r="5" fill="var(--paper)" stroke="var(--ink)" stroke-width="2" />
    <path
      d="M0 -8 L7 -4 V4 L0 8 L-7 4 V-4 Z"
      transform="translate({bolt.x} {bolt.y})"
      fill="var(--paper)"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <g font-family="var(--font-plate)" font-size="13" fill="var(--ink)">
      <text x={(30 + drive.x) / 2} y="94" text-anchor="middle"
        >L {L === null ? '?' : `${Math.round(L)} mm`}</text
      >
      <text x={Math.min(bolt.x + 10, 230)} y={Math.max(14, bolt.y - 10)}
        >E {E === null ? '?' : `${Math.round(E)} mm`}, {angle}°</text
      >
    </g>
  </svg>
  <div class="mt-2 flex flex-wrap items-end gap-3">
    {#if adapters.length > 0}
      <label class="text-sm" for="{id}-a"
        >Adapter
        <select id="{id}-a" class="field mt-1 block" bind:value={adapterId}>
          {#each adapters as a (a.id)}<option value={a.id}>{a.name}, {a.lengthMm} mm</option>{/each}
        </select></label
      >
    {/if}
    <label class="text-sm" for="{id}-e"
      >or E, drive to bolt
      <input
        id="{id}-e"
        class="field figure mt-1 block w-24"
        inputmode="decimal"
        placeholder="mm"
        bind:value={typedE}
      /></label
    >
    <label class="text-sm" for="{id}-l"
      >L, drive to grip
      <input
        id="{id}-l"
        class="field figure mt-1 block w-24"
        inputmode="decimal"
        placeholder={wrenchMm === null ? 'mm' : `${wrenchMm} mm`}
        bind:value={typedL}
      /></label
    >
    <label class="grow text-sm" for="{id}-angle"
      >Angle {angle}°: 0 straight out, 90 square, 180 folded back
      <input
        id="{id}-angle"
        type="range"
        min="0"
        max="180"
        step="5"
        class="mt-2 block w-full"
        style="accent-color: var(--ink)"
        bind:value={angle}
      /></label
    >
  </div>
  {#if setting !== null}
    {@const q = scale
      ? {
          main: onScale(setting, { unit: scale }),
          other: scale === 'N·m' ? null : onScale(setting, { unit: 'N·m' })
        }
      : showBoth(quantity(Math.round(setting * 100) / 100, 'N·m'), units)}
    <p class="mt-2">
      Set the wrench to <strong class="figure text-4xl">{q.main}</strong>
      <span class="figure">{q.other}</span>
    </p>
    <p class="quiet text-sm">T × L / (L + E · cos φ): square to the wrench nothing changes.</p>
  {:else}<p class="quiet mt-2">
      Both lengths are needed: drive centre to grip, and drive centre to bolt.
    </p>{/if}
</div>
