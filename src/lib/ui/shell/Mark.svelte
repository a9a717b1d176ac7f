<!-- The mark: a trail with two pegs behind, a post where the machine stands, and a stake's flag ahead. -->
<svg viewBox="0 0 32 32" width="32" height="32" aria-hidden="true">
  <path d="M2 24h28" stroke="var(--ink)" stroke-width="2.5" />
  <path d="M7 24v-5M12.5 24v-5" stroke="var(--done)" stroke-width="2.5" />
  <path d="M18 29V6" stroke="var(--ink)" stroke-width="2.5" />
  <path d="M25 24V7l-6 3 6 3" fill="var(--signal)" stroke="var(--signal)" stroke-width="1.5" />
</svg>
