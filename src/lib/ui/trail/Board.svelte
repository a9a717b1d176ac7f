<!-- A state's board in a box of 16 by 16: its pattern tells it apart without colour. For inside an svg. -->
<script lang="ts">
  import type { State } from '$lib/core/schedule/due';
  let { state }: { state: State } = $props();
</script>

{#if state === 'past limit'}
  <rect width="16" height="16" fill="var(--signal)" />
  <path d="M3 3l10 10M13 3L3 13" stroke="var(--on-signal)" stroke-width="2.5" />
{:else if state === 'past due'}
  <rect x="1" y="1" width="14" height="14" fill="var(--paper)" stroke="var(--signal)" stroke-width="2" />
  <path d="M1 15L15 1M1 9l8-8M7 15l8-8" stroke="var(--signal)" stroke-width="2.6" />
{:else if state === 'due before the next outing'}
  <rect x="1" y="1" width="14" height="14" fill="var(--paper)" stroke="var(--signal)" stroke-width="2" />
  <rect x="1" y="8" width="14" height="7" fill="var(--signal)" />
{:else if state === 'unknown'}
  <circle
    cx="8"
    cy="8"
    r="7"
    fill="var(--paper)"
    stroke="var(--ink)"
    stroke-width="1.5"
    stroke-dasharray="3 2"
  />
  <path d="M8 4.5v4.5M8 11v1.5" stroke="var(--ink)" stroke-width="1.8" />
{:else if state === 'coming'}
  <rect x="1" y="1" width="14" height="14" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.5" />
  <path d="M4 6h8M4 10h8" stroke="var(--ink)" stroke-width="1.5" />
{:else}
  <rect x="1" y="0" width="6" height="16" fill="var(--done)" />
{/if}
