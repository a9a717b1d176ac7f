/** What is on this device for when there is no signal, for a page to show. */
export const onDevice = $state<{
  /** How many pages, and since when (ISO); null: none yet. */
  taken: { pages: number; at: string } | null;
  /** On its way now. */
  busy: boolean;
}>({ taken: null, busy: false });
