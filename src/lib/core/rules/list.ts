/**
 * House rules: where good mechanics differ (handbook, section 11). The team sets its own; a visit and a record keep the ones
 * that were in force. This is the list of them, with the defaults and their reasons.
 */
export type RuleValue = string | number | boolean;

interface Choice {
  key: string;
  title: string;
  /** Where it matters, for the order of the page. */
  about:
    'Oil' | 'Fasteners and seals' | 'Valves' | 'Chain' | 'Before an outing' | 'Schedule' | 'At the bench';
  reason: string;
}
interface OneOf extends Choice {
  type: 'one of';
  choices: readonly string[];
  default: string;
}
interface YesNo extends Choice {
  type: 'yes or no';
  default: boolean;
}
interface Amount extends Choice {
  type: 'number';
  unit: string;
  from: number;
  to: number;
  default: number;
}
export type HouseRule = OneOf | YesNo | Amount;

export const HOUSE_RULES = [
  {
    key: 'warmUp',
    about: 'Oil',
    title: 'Before draining',
    type: 'one of',
    choices: ['idle', 'drain cold'],
    default: 'idle',
    reason:
      'Warm oil runs out and takes the dirt with it. Cold only after long storage, so that old oil is not pumped round.'
  },
  {
    key: 'gearboxWarmUp',
    about: 'Oil',
    title: 'Before draining a two-stroke’s gearbox',
    type: 'one of',
    choices: ['ride', 'drain cold'],
    default: 'ride',
    reason: 'Idling warms a two-stroke’s engine, not its gearbox; a few minutes of riding does.'
  },
  {
    key: 'warmForMinutes',
    about: 'Oil',
    title: 'Warm oil is drained within',
    type: 'number',
    unit: 'min',
    from: 5,
    to: 60,
    default: 15,
    reason: 'Warmth fades: oil that has stood leaves its dirt behind. Later than that, the bench asks.'
  },
  {
    key: 'holdBackPercent',
    about: 'Oil',
    title: 'Kept back from the first pour',
    type: 'number',
    unit: '%',
    from: 0,
    to: 50,
    default: 8,
    reason:
      'Some old oil always stays in; what is held back is poured when the level has been read. 0 pours all at once.'
  },
  {
    key: 'cranking',
    about: 'Oil',
    title: 'Cranking with ignition off',
    type: 'one of',
    choices: ['never', 'while it drains', 'before the first start', 'both'],
    default: 'never',
    reason:
      'While it drains it pumps the rest out; before the first start it fills the filter and passages. Many do neither.'
  },
  {
    key: 'filter',
    about: 'Oil',
    title: 'Oil filter',
    type: 'one of',
    choices: ['paper, replaced', 'washable'],
    default: 'paper, replaced',
    reason: 'A new paper filter is a known quantity; a washed one is as good as the washing.'
  },
  {
    key: 'fillFilterFirst',
    about: 'Oil',
    title: 'Fill the new filter with oil before it goes in',
    type: 'yes or no',
    default: false,
    reason: 'A dry filter fills in seconds; a full one drips over the engine on its way in.'
  },
  {
    key: 'sideForFilter',
    about: 'Oil',
    title: 'Lay the machine on its side for the filter',
    type: 'yes or no',
    default: false,
    reason: 'Less oil is spilled, but fuel and battery do not like it.'
  },
  {
    key: 'screens',
    about: 'Oil',
    title: 'Oil screens',
    type: 'one of',
    choices: ['clean and look', 'replace'],
    default: 'clean and look',
    reason: 'A metal screen outlasts the engine if it is clean and whole.'
  },
  {
    key: 'level',
    about: 'Oil',
    title: 'Reading a level',
    type: 'one of',
    choices: ['as the machine’s protocol says'],
    default: 'as the machine’s protocol says',
    reason: 'Readings compare only under one protocol, and the machine’s manual has it.'
  },
  {
    key: 'breakIn',
    about: 'Oil',
    title: 'Break-in change',
    type: 'one of',
    choices: ['at the book’s hours', 'when convenient up to the limit'],
    default: 'at the book’s hours',
    reason: 'The first hours shed the most metal; the sooner it is out the better.'
  },
  {
    key: 'washers',
    about: 'Fasteners and seals',
    title: 'Crush washers',
    type: 'one of',
    choices: ['new every time', 're-use after a look'],
    default: 'new every time',
    reason: 'A crushed washer seals once for certain.'
  },
  {
    key: 'washerUses',
    about: 'Fasteners and seals',
    title: 'Uses of one washer, where it is re-used',
    type: 'number',
    unit: 'times',
    from: 1,
    to: 10,
    default: 2,
    reason: 'A washer that was turned and looked at may serve again; not for ever.'
  },
  {
    key: 'rings',
    about: 'Fasteners and seals',
    title: 'O-rings',
    type: 'one of',
    choices: ['look every time, new every Nth', 'new every time'],
    default: 'look every time, new every Nth',
    reason: 'Rubber shows its age: flat, hard or nicked is new at once, the rest in turn.'
  },
  {
    key: 'ringsEvery',
    about: 'Fasteners and seals',
    title: 'A new O-ring at every so many changes',
    type: 'number',
    unit: 'changes',
    from: 1,
    to: 20,
    default: 3,
    reason: 'Three changes of a looked-at ring is where weeping begins.'
  },
  {
    key: 'torque',
    about: 'Fasteners and seals',
    title: 'Tightening',
    type: 'one of',
    choices: ['wrench', 'by feel where the house allows'],
    default: 'wrench',
    reason: 'A number can be checked; a feeling cannot.'
  },
  {
    key: 'threads',
    about: 'Fasteners and seals',
    title: 'Threads before torque',
    type: 'one of',
    choices: ['dry, rings oiled', 'oiled'],
    default: 'dry, rings oiled',
    reason: 'Torque values are for dry threads unless the manual says oiled.'
  },
  {
    key: 'impactTool',
    about: 'Fasteners and seals',
    title: 'Impact tools',
    type: 'one of',
    choices: ['off only', 'never'],
    default: 'off only',
    reason: 'They undo what is stuck; on the way in they strip threads nobody felt.'
  },
  {
    key: 'coolAfterMinutes',
    about: 'Valves',
    title: 'Cool enough for the spark plug after',
    type: 'number',
    unit: 'min',
    from: 15,
    to: 240,
    default: 60,
    reason: 'Out of a hot alloy head a plug takes its thread with it. Until a hand stays on the head.'
  },
  {
    key: 'coldAfterHours',
    about: 'Valves',
    title: 'An engine is stone cold after',
    type: 'number',
    unit: 'h',
    from: 1,
    to: 24,
    default: 8,
    reason: 'Overnight. A clearance that is read on an engine still warm inside is a few hundredths out.'
  },
  {
    key: 'shims',
    about: 'Valves',
    title: 'Shims to change',
    type: 'one of',
    choices: ['all that are open', 'only those out of spec'],
    default: 'all that are open',
    reason: 'The work is in the opening; a clearance set to the aim lasts longest.'
  },
  {
    key: 'aim',
    about: 'Valves',
    title: 'Aim of a clearance',
    type: 'one of',
    choices: ['middle', 'loose side'],
    default: 'middle',
    reason: 'The middle forgives an error either way; the loose side lasts longer, since valves close up.'
  },
  {
    key: 'shimReading',
    about: 'Valves',
    title: 'Reading for shim sums',
    type: 'one of',
    choices: ['goes', 'middle of the bracket'],
    default: 'goes',
    reason: 'The blade that went is what was felt; the middle is a guess between two.'
  },
  {
    key: 'borderlineValve',
    about: 'Valves',
    title: 'A borderline valve',
    type: 'one of',
    choices: ['also put right while open', 'leave'],
    default: 'also put right while open',
    reason: 'It will be out by the next check, and the cover is off now.'
  },
  {
    key: 'chainDressing',
    about: 'Chain',
    title: 'Chain dressing',
    type: 'one of',
    choices: ['lube', 'wax', 'dry'],
    default: 'lube',
    reason: 'Lube keeps the rings supple; wax throws less; dry holds no sand.'
  },
  {
    key: 'chainLimit',
    about: 'Chain',
    title: 'A chain is worn out at, where its book does not say',
    type: 'number',
    unit: 'mm over a metre',
    from: 5,
    to: 40,
    default: 15,
    reason: 'Longer than that it climbs on the teeth and takes the sprockets with it.'
  },
  {
    key: 'chainSet',
    about: 'Chain',
    title: 'A worn chain is replaced',
    type: 'one of',
    choices: ['with both sprockets', 'by itself, sprockets by their look'],
    default: 'with both sprockets',
    reason: 'A new chain on old teeth wears to their pitch within hours.'
  },
  {
    key: 'chainLeast',
    about: 'Chain',
    title: 'Slack left where the loop is tightest',
    type: 'number',
    unit: 'mm',
    from: 0,
    to: 40,
    default: 8,
    reason: 'With none left, chain, bearings and arm carry the landing.'
  },
  {
    key: 'slackTolerance',
    about: 'Chain',
    title: 'Slack printed as one figure is kept to within',
    type: 'number',
    unit: 'mm',
    from: 1,
    to: 15,
    default: 5,
    reason: 'One figure is aimed at; nobody hits it to the millimetre.'
  },
  {
    key: 'fingerWidth',
    about: 'Chain',
    title: 'A finger, where slack is told in fingers',
    type: 'number',
    unit: 'mm',
    from: 10,
    to: 25,
    default: 16,
    reason: 'Two fingers are 25 mm on one hand and 40 on another: measured once, they are a figure.'
  },
  {
    key: 'roundHolds',
    about: 'Before an outing',
    title: 'A ready round holds, until it is ridden, for',
    type: 'number',
    unit: 'days',
    from: 0,
    to: 30,
    default: 3,
    reason:
      'What was right on Thursday is right on Saturday, if nobody rode it. Before every outing the round is walked again; 0 asks for none.'
  },
  {
    key: 'levelAgain',
    about: 'Before an outing',
    title: 'After an oil change the level is read again once it was ridden',
    type: 'yes or no',
    default: true,
    reason: 'Filter and passages have filled by then, and what weeps has had time to.'
  },
  {
    key: 'ageing',
    about: 'Schedule',
    title: 'Hours age what they pass',
    type: 'one of',
    choices: ['by the meter', 'by the riding'],
    default: 'by the meter',
    reason:
      'By the meter an hour is an hour. By the riding dust, mud or a hot clutch bring work forward, never past the book. A task may say otherwise.'
  },
  {
    key: 'anchoring',
    about: 'Schedule',
    title: 'The next is counted',
    type: 'one of',
    choices: ['from done', 'from due'],
    default: 'from done',
    reason:
      'From done follows the work; from due keeps a fixed grid, so that late work does not push the next back. A task may say otherwise.'
  },
  {
    key: 'guardOff',
    about: 'At the bench',
    title: 'Skid plate comes off',
    type: 'one of',
    choices: ['before the warm-up', 'after the warm-up'],
    default: 'before the warm-up',
    reason: 'Cold fingers on a cold guard: nothing hot to reach round.'
  },
  {
    key: 'solventIntoBores',
    about: 'At the bench',
    title: 'Solvent sprayed into bores and ports',
    type: 'yes or no',
    default: false,
    reason: 'It washes dirt to where nobody sees it, and eats rubber rings.'
  }
] as const satisfies readonly HouseRule[];
