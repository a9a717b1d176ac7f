import type { Grade } from '../../debris/debris';
import { pouringPlan } from '../../fluids/pour';
import { show } from '../../quantity/quantity';
import type { HouseRules } from '../../rules/rules';
import { figureOf, type Fastener, type Sheet } from '../../specs/sheet';
import type { OpenedItem, Step, VisitPlan } from '../plan';
import { levelMethod, lower, numberOf, partsLine, sealLine } from './words';

export const ENGINE_OIL = { job: 'engine-oil', version: 1, title: 'Engine oil, screen and filter' } as const;

export interface EngineOilInput {
  sheet: Sheet;
  rules: HouseRules;
  /** What went in at the last change, ml; null when nobody knows. */
  pouredLastTimeMl: number | null;
  /** Debris grades by place at earlier changes, the latest first. */
  debrisBefore: Readonly<Record<string, Grade[]>>;
  /** In the first hours after new or a rebuild. */
  breakIn: boolean;
}

/** A plug to drain the engine by, where the sheet names none: every engine has one, and its torque is unknown. */
const UNNAMED_DRAIN: Fastener = {
  id: 'drain',
  circuit: 'engine',
  role: 'drain plug',
  name: 'Engine drain plug',
  place: 'not on the sheet yet',
  quantity: 1,
  magnet: false,
  seal: 'crush washer',
  head: '',
  thread: '',
  pattern: '',
  note: ''
};
const UNNAMED_FILLER: Fastener = {
  id: 'filler',
  circuit: 'engine',
  role: 'filler cap',
  name: 'Oil filler cap',
  place: 'not on the sheet yet',
  quantity: 1,
  magnet: false,
  seal: 'O-ring',
  head: '',
  thread: '',
  pattern: '',
  note: ''
};

/**
 * Lays out the steps of an engine-oil change for one machine, in the order of the handbook (section 4): gather, open what
 * covers, warm, clean round, let air in, drain, measure, judge, clean screens, filter, refit and torque, pour, run, read the
 * level, look for leaks, cover again. Only what this machine's sheet names is in it; figures it does not hold are unknown.
 */
export function planEngineOil(input: EngineOilInput): VisitPlan {
  const { sheet, rules } = input;
  const of = (role: Fastener['role']) =>
    sheet.fasteners.filter((f) => f.role === role && (f.circuit === 'engine' || role === 'guard'));
  const drains = of('drain plug').length > 0 ? of('drain plug') : [UNNAMED_DRAIN];
  const fillers = of('filler cap').length > 0 ? of('filler cap').slice(0, 1) : [UNNAMED_FILLER];
  const screens = of('screen cap');
  const filters = of('filter cover');
  const guards = of('guard');

  const items: OpenedItem[] = [];
  const addFastener = (f: Fastener): string => {
    const key = `${f.role.replace(' ', '-')}-${f.id}`;
    const isCap = f.role === 'filler cap';
    items.push({
      key,
      kind: isCap ? 'cap' : 'fastener',
      name: f.name,
      place: f.place,
      quantity: f.quantity,
      torque: isCap ? null : numberOf('Torque', figureOf(sheet, 'torque', f.id)),
      seal: f.seal,
      note: f.note
    });
    return key;
  };
  const addPart = (key: string, name: string, place: string): string => {
    items.push({ key, kind: 'part', name, place, quantity: 1, torque: null, seal: 'none', note: '' });
    return key;
  };
  const guardKeys = guards.map(addFastener);
  const fillerKey = addFastener(fillers[0]!);
  const drainKeys = drains.map(addFastener);
  const screenKeys = screens.map((f) => ({
    cap: addFastener(f),
    screen: addPart(`screen-${f.id}`, `Screen behind ${lower(f.name)}`, f.place)
  }));
  const filterKeys = filters.map((f) => ({
    cover: addFastener(f),
    filter: addPart(`filter-${f.id}`, 'Oil filter', f.place)
  }));

  const amount = figureOf(sheet, filters.length > 0 ? 'engine oil with filter' : 'engine oil without filter');
  const quantityMl = amount?.quantity?.base ?? null;
  const pour = quantityMl === null ? null : pouringPlan(quantityMl, rules.holdBackPercent);
  const grade = figureOf(sheet, 'engine oil grade')?.text ?? null;
  const method = levelMethod(figureOf(sheet, 'oil level method')?.text);
  const run = figureOf(sheet, 'oil level run time')?.quantity ?? null;
  const settle = figureOf(sheet, 'oil level settle time')?.quantity ?? null;
  const attitude = figureOf(sheet, 'oil level attitude')?.text ?? null;

  const steps: Step[] = [];
  const add = (step: Partial<Step> & Pick<Step, 'key' | 'title' | 'input'>) =>
    steps.push({ lines: [], caution: null, number: null, mayLeaveOut: true, after: [], ...step });

  add({
    key: 'gather',
    title: 'Lay out tools, parts and oil',
    lines: [
      `Oil: ${grade ?? 'grade unknown, look it up in the manual'}${amount?.quantity ? `, ${show(amount.quantity)}` : ', quantity unknown'}`,
      ...[...guards, ...drains, ...screens, ...filters].map((f) => partsLine(f, sheet, rules)),
      ...(filters.length > 0 ? ['One new oil filter with its small ring'] : []),
      'Drain pan, measuring jug, clean rag, solvent, torque wrench that covers these values'
    ],
    input: { type: 'tick' }
  });
  add({
    key: 'meter',
    title: 'Read the hour meter',
    lines: ['The record is written at these hours.'],
    input: { type: 'tick' }
  });
  add({
    key: 'stand',
    title: 'Stand it level and secure',
    lines: [attitude ? `For the level: ${attitude}` : 'Upright, on level ground, on its stand.'],
    caution:
      'Make sure it cannot fall or roll. A quad goes on axle stands before anyone goes under it, never on a hoist alone.',
    input: { type: 'tick' }
  });
  const guardOff = () => {
    if (guardKeys.length > 0) {
      add({
        key: 'guard-off',
        title: 'Take the guard off',
        lines: guards.map((g) => `${g.name}, ${g.place}. Note which bolt goes where.`),
        input: { type: 'open', items: guardKeys }
      });
    }
  };
  if (rules.guardOff === 'before the warm-up') guardOff();
  add({
    key: 'warm',
    title: rules.warmUp === 'idle' ? 'Warm the engine at idle' : 'Drain it cold',
    lines: [
      rules.warmUp === 'idle'
        ? 'Until the side cover is warm to the hand, then stop it.'
        : 'House rule: after long storage, old oil is not pumped round.'
    ],
    caution: 'Fumes: run it outside or with extraction. Neutral, hands clear of chain and wheel.',
    input: { type: 'tick' }
  });
  if (rules.guardOff === 'after the warm-up') guardOff();
  add({
    key: 'clean-round',
    title: 'Clean round every plug and cap',
    lines: [...drains, ...screens, ...filters, ...fillers].map((f) => `${f.name}: ${f.place}`),
    input: { type: 'tick' }
  });
  add({
    key: 'filler-out',
    title: 'Open the filler',
    lines: ['Lets air in behind the oil.'],
    input: { type: 'open', items: [fillerKey] }
  });
  drains.forEach((f, i) =>
    add({
      key: `drain-${f.id}`,
      title: `Open ${lower(f.name)}`,
      lines: [f.place, ...(f.note ? [f.note] : []), 'Pan under it first. Let it run until it drips.'],
      caution: 'Hot oil and exhaust: gloves, and pull the plug away from the stream.',
      input: { type: 'open', items: [drainKeys[i]!] },
      mayLeaveOut: drains.length > 1
    })
  );
  add({
    key: 'drained',
    title: 'Tip it, then measure what came out',
    lines: ['Lean it to each side. Pour the pan into the jug.'],
    input: { type: 'drained', pouredLastTimeMl: input.pouredLastTimeMl }
  });
  const debris = (key: string, title: string, place: string, lines: string[]) =>
    add({
      key,
      title,
      lines,
      input: {
        type: 'debris',
        place,
        before: (input.debrisBefore[place] ?? []).slice(0, 3),
        breakIn: input.breakIn
      }
    });
  drains.forEach((f) => {
    debris(
      `magnet-${f.id}`,
      f.magnet ? `Read the magnet of ${lower(f.name)}` : `Look at ${lower(f.name)} and the oil`,
      f.name,
      f.magnet
        ? ['Wipe it on white paper and look in the light.']
        : ['No magnet here: look at the plug and at what settled in the pan.']
    );
  });
  screens.forEach((f, i) => {
    const keys = screenKeys[i]!;
    add({
      key: `screen-out-${f.id}`,
      title: `Take the screen out from behind ${lower(f.name)}`,
      lines: [f.place, ...(f.note ? [f.note] : [])],
      caution: 'More hot oil follows it.',
      input: { type: 'open', items: [keys.cap, keys.screen] }
    });
    debris(`screen-look-${f.id}`, 'Read the screen', `Screen behind ${lower(f.name)}`, [
      'Tap it out on white paper before it is washed.'
    ]);
    add({
      key: `screen-in-${f.id}`,
      title: 'Wash the screen and seat it',
      lines: ['Solvent away from rubber rings; no water, no lint.', 'Seated all round, the right end in.'],
      caution: 'Solvent: gloves and air.',
      input: { type: 'close', items: [keys.screen] },
      mayLeaveOut: false
    });
  });
  filters.forEach((f, i) => {
    const keys = filterKeys[i]!;
    add({
      key: `filter-out-${f.id}`,
      title: 'Take the oil filter out',
      lines: [f.place, ...(f.note ? [f.note] : []), 'Spring and small ring: count them out.'],
      input: { type: 'open', items: [keys.cover, keys.filter] }
    });
    debris(`filter-look-${f.id}`, 'Open the old filter and look', 'Oil filter', [
      'Collapsed or torn pleats are a finding: write it in the remark.'
    ]);
    add({
      key: `filter-in-${f.id}`,
      title: 'New filter in, marked side as the machine wants it',
      lines: [
        ...(rules.fillFilterFirst ? ['Fill it with clean oil first.'] : []),
        'Spring, small ring, a smear of clean oil on the rings.'
      ],
      input: { type: 'close', items: [keys.filter] },
      mayLeaveOut: false
    });
  });
  const tighten = (key: string, title: string, keys: string[], lines: string[], after: string[] = []) =>
    add({
      key,
      title,
      lines: ['By hand first: no cross-thread, no oil in a blind hole.', ...lines],
      input: { type: 'close', items: keys },
      mayLeaveOut: false,
      after
    });
  drains.forEach((f, i) =>
    tighten(`drain-in-${f.id}`, `Refit and torque ${lower(f.name)}`, [drainKeys[i]!], sealLine(f, rules))
  );
  screens.forEach((f, i) =>
    tighten(
      `screen-cap-${f.id}`,
      `Refit and torque ${lower(f.name)}`,
      [screenKeys[i]!.cap],
      sealLine(f, rules)
    )
  );
  filters.forEach((f, i) =>
    tighten(
      `filter-cover-${f.id}`,
      `Refit and torque ${lower(f.name)}`,
      [filterKeys[i]!.cover],
      [...sealLine(f, rules), ...(f.quantity > 1 ? [`${f.quantity} bolts, criss-cross, in two rounds.`] : [])]
    )
  );
  const beneath = [
    ...drainKeys,
    ...screenKeys.flatMap((k) => [k.cap, k.screen]),
    ...filterKeys.flatMap((k) => [k.cover, k.filter])
  ];
  add({
    key: 'pour',
    title: 'Pour the oil',
    number: {
      ...numberOf(
        pour && pour.heldBackMl > 0 ? `First pour: ${rules.holdBackPercent} % held back` : 'First pour',
        amount
      )
    },
    lines: [
      grade ? `Oil: ${grade}` : 'Oil grade unknown: look it up in the manual.',
      'What stays in the jug is not in the engine: write what went in.'
    ],
    input: { type: 'pour', quantityMl, firstMl: pour?.firstMl ?? null, heldBackMl: pour?.heldBackMl ?? null },
    mayLeaveOut: false,
    after: beneath
  });
  add({
    key: 'filler-in',
    title: 'Shut the filler',
    lines: ['Ring in its groove.'],
    input: { type: 'close', items: [fillerKey] },
    mayLeaveOut: false
  });
  add({
    key: 'run',
    title: `Run the engine ${run ? show(run) : 'briefly'}`,
    lines: [
      'Before it starts: oil in, plugs torqued, neutral, tools and rags counted in.',
      ...(run ? [] : ['The sheet does not say how long: see the manual.'])
    ],
    caution: 'Fumes: outside or with extraction. Hot exhaust.',
    input: { type: 'tick' },
    after: [...beneath, fillerKey]
  });
  add({
    key: 'level',
    title: 'Read the level',
    lines: [
      method ?? 'The sheet does not say how: see the manual, then pick it here.',
      `Settle ${settle ? show(settle) : 'as the manual says'}${attitude ? `; ${attitude}` : ''}.`,
      'Top up from what was held back, and read again.'
    ],
    input: { type: 'level', method, settleSeconds: settle?.base ?? null },
    mayLeaveOut: false
  });
  add({
    key: 'leaks',
    title: 'Look for leaks',
    lines: [...drains, ...screens, ...filters].map((f) => `${f.name}: ${f.place}`),
    caution: 'Hot exhaust beside the plugs.',
    input: { type: 'tick' }
  });
  if (guardKeys.length > 0)
    tighten('guard-on', 'Guard on', guardKeys, ['After the leak look, not before.'], beneath);
  add({
    key: 'write',
    title: 'Clean it and write down what was seen',
    lines: ['Old oil and solvent go where local rules say.'],
    input: { type: 'tick' }
  });

  return { ...ENGINE_OIL, steps, items };
}
