/**
 * House rules: where good mechanics differ (handbook, section 11). These are the defaults with their reasons; a visit and a
 * record keep the ones that were in force.
 */
export interface HouseRules {
  /** Keep this much back from the first pour; 0 pours all at once. Percent of the quantity, 0 to 50. */
  holdBackPercent: number;
  /** Fill the new filter with oil before it goes in. */
  fillFilterFirst: boolean;
  washers: 'new every time' | 're-use after a look';
  warmUp: 'idle' | 'drain cold';
  guardOff: 'before the warm-up' | 'after the warm-up';
}

export const DEFAULT_RULES: HouseRules = {
  holdBackPercent: 8,
  fillFilterFirst: false,
  washers: 'new every time',
  warmUp: 'idle',
  guardOff: 'before the warm-up'
};

export const RULE_REASONS: Readonly<Record<keyof HouseRules, string>> = {
  holdBackPercent: 'Some old oil always stays in; what is held back is poured when the level has been read.',
  fillFilterFirst: 'A dry filter fills in seconds; a full one drips over the engine on its way in.',
  washers: 'A crushed washer seals once for certain.',
  warmUp: 'Warm oil runs out and takes the dirt with it.',
  guardOff: 'Cold fingers on a cold guard: nothing hot to reach round.'
};
