<!-- A machine seen from its side, front to the left: a press says where it is. Not to scale; it names places and nothing more. -->
<script lang="ts">
  import { PLACES, type Place } from '$lib/core/machine/places';

  interface Props {
    outline: 'bike' | 'quad';
    value: string;
    onpick: (place: string) => void;
  }
  let { outline, value, onpick }: Props = $props();
  /** Each place as one area, and where its name is written; a quad’s wheels are smaller and its tail shorter. */
  const AREAS: Record<'bike' | 'quad', Record<Place, string>> = {
    bike: {
      'front wheel': 'M78 118a38 38 0 1 0 .1 0zM78 134a22 22 0 1 1-.1 0z',
      'fork and steering': 'M84 152l34-92 14 5-34 92z',
      'bars and controls': 'M104 30l40 4 6 22-34 4-22-14z',
      'tank and seat': 'M146 58l56-8 104 4-4 24-150 6z',
      engine: 'M160 90h74v54h-66z',
      exhaust: 'M240 88l94-22 5 18-96 26z',
      'frame and footpegs': 'M152 150h98v18h-94z',
      'swingarm and chain': 'M256 132l96 14v20l-96-6z',
      'rear wheel': 'M352 116a40 40 0 1 0 .1 0zM352 134a22 22 0 1 1-.1 0z'
    },
    quad: {
      'front wheel': 'M82 124a34 34 0 1 0 .1 0zM82 140a18 18 0 1 1-.1 0z',
      'fork and steering': 'M120 148l18-76 14 3-14 76z',
      'bars and controls': 'M126 32l40 4 6 24-34 4-24-14z',
      'tank and seat': 'M162 60l50-6 92 6-4 24-134 4z',
      engine: 'M166 94h74v50h-66z',
      exhaust: 'M248 90l76-14 5 16-78 20z',
      'frame and footpegs': 'M140 152h140v16h-136z',
      'swingarm and chain': 'M262 122l60 12v16l-60-6z',
      'rear wheel': 'M344 118a38 38 0 1 0 .1 0zM344 136a20 20 0 1 1-.1 0z'
    }
  };
  const areas = $derived(AREAS[outline]);
  const pick = (place: Place) => onpick(value === place ? '' : place);
  function key(e: KeyboardEvent, place: Place) {
    if (e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    pick(place);
  }
</script>

<svg viewBox="30 20 372 182" class="machine" role="group" aria-label="Where on it, front to the left">
  <path class="ground" d="M34 198h364" />
  {#each PLACES as place (place)}
    <path
      class="area"
      d={areas[place]}
      role="button"
      tabindex="0"
      aria-label={place}
      aria-pressed={value === place}
      onclick={() => pick(place)}
      onkeydown={(e) => key(e, place)}><title>{place}</title></path
    >
  {/each}
</svg>
<p class="figure text-lg" aria-live="polite">{value || 'nowhere named'}</p>

<style>
  .machine {
    width: 100%;
    max-width: 24rem;
    touch-action: manipulation;
  }
  .area {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
    cursor: pointer;
  }
  .area:hover {
    fill: var(--tape);
  }
  .area[aria-pressed='true'] {
    fill: var(--signal);
  }
  .area:focus-visible {
    outline: none;
    stroke: var(--signal);
    stroke-width: 5;
  }
  .ground {
    stroke: var(--rule-strong);
    stroke-width: 2;
  }
</style>
