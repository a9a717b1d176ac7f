<!-- Like bolts on one face, walked through bolt by bolt: which is next, at what part of the torque. -->
<script lang="ts">
  import { facesOf, pulls } from '$lib/core/fasteners/pattern';
  import { quantity, show, type Quantity } from '$lib/core/quantity/quantity';
  import { pullsLeft, type ItemState } from '$lib/core/visit/items';

  interface Props {
    item: ItemState;
    torque: Quantity | null;
    onpull: (round: number, bolt: number) => void;
  }
  let { item, torque, onpull }: Props = $props();
  const n = $derived(item.item.quantity);
  const left = $derived(pullsLeft(item));
  const next = $derived(left[0] ?? null);
  const faces = $derived(facesOf(item.item.name, n));
  const each = $derived(n / faces);
  const all = $derived(pulls(n, faces));
  /** The face at hand: bolts of several wheels do not sit on one. */
  const face = $derived(next ? Math.floor(next.bolt / each) : 0);
  const R = 78;
  const at = (bolt: number) => {
    const angle = ((bolt % each) / each) * 2 * Math.PI - Math.PI / 2;
    return { x: 110 + R * Math.cos(angle), y: 110 + R * Math.sin(angle) };
  };
  const stage = (part: number) =>
    torque
      ? show(quantity(Math.round(torque.value * part * 10) / 10, torque.unit))
      : part === 1
        ? 'full'
        : 'half';
  /** How far a bolt has come: nothing, half, full. */
  const rounds = (bolt: number) => item.pulled.filter((p) => p.endsWith(`/${bolt}`)).length;
</script>

<div class="mt-3 flex flex-wrap items-center gap-6">
  <svg
    viewBox="0 0 220 220"
    width="220"
    height="220"
    role="group"
    aria-label="Bolts of {item.item.name}, as they sit"
  >
    <circle cx="110" cy="110" r={R + 24} fill="var(--sheet)" stroke="var(--rule-strong)" stroke-width="2" />
    {#if next && all.indexOf(next) > 0 && Math.floor(all[all.indexOf(next) - 1]!.bolt / each) === face}
      {@const from = at(all[all.indexOf(next) - 1]!.bolt)}
      {@const to = at(next.bolt)}
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke="var(--signal)"
        stroke-width="3"
        stroke-dasharray="6 5"
      />
    {/if}
    {#each Array.from({ length: each }, (_, k) => face * each + k) as bolt (bolt)}
      {@const p = at(bolt)}
      <g
        transform="translate({p.x} {p.y})"
        role="button"
        tabindex="0"
        aria-label="Bolt {bolt + 1}{next?.bolt === bolt ? ', next' : ''}, {rounds(bolt)} of 2 rounds"
        class="cursor-pointer"
        onclick={() => next?.bolt === bolt && onpull(next.round, bolt)}
        onkeydown={(e) => {
          if ((e.key === 'Enter' || e.key === ' ') && next?.bolt === bolt) {
            e.preventDefault();
            onpull(next.round, bolt);
          }
        }}
      >
        <circle r="24" fill="transparent" />
        <path
          d="M0 -19 L16.5 -9.5 V9.5 L0 19 L-16.5 9.5 V-9.5 Z"
          fill={next?.bolt === bolt ? 'var(--signal)' : rounds(bolt) === 2 ? 'var(--done)' : 'var(--paper)'}
          stroke="var(--ink)"
          stroke-width={rounds(bolt) === 1 ? 5 : 2}
        />
        <text
          text-anchor="middle"
          y="6"
          font-family="var(--font-plate)"
          font-size="18"
          font-weight="700"
          fill={next?.bolt === bolt ? 'var(--on-signal)' : rounds(bolt) === 2 ? 'var(--paper)' : 'var(--ink)'}
          >{bolt + 1}</text
        >
      </g>
    {/each}
  </svg>
  <div>
    {#if next}
      <p class="quiet">
        {faces > 1 ? `Wheel ${face + 1} of ${faces}. ` : ''}Round {next.round + 1} of 2, {stage(next.part)}
      </p>
      <p class="figure text-6xl leading-none">bolt {next.bolt + 1}</p>
      <button type="button" class="go pull mt-3" onclick={() => onpull(next.round, next.bolt)}>Pulled</button>
      <p class="quiet mt-2 text-sm">{left.length} of {all.length} pulls to go</p>
    {:else}
      <p class="figure text-3xl" style:color="var(--done)">All {n} pulled, both rounds</p>
    {/if}
  </div>
</div>
