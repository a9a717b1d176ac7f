import type { TemplateStep } from '../template';

type Short = Partial<TemplateStep> & Pick<TemplateStep, 'key' | 'title' | 'kind' | 'minutes'>;

/** A step with what is usual filled in. */
export function step(s: Short): TemplateStep {
  return {
    lines: [],
    caution: '',
    each: null,
    orNamed: '',
    expects: 1,
    part: '',
    things: [],
    partOnly: false,
    shared: false,
    wait: 0,
    waitFor: '',
    engine: 'any',
    needs: [],
    during: [],
    when: [],
    gate: null,
    mayLeaveOut: true,
    spills: false,
    orientation: false,
    measure: null,
    stage: null,
    ...s
  };
}

/** What every visit begins with. */
export const BEGIN: TemplateStep[] = [
  step({
    key: 'gather',
    title: 'Lay out tools, parts and oil',
    kind: 'tick',
    minutes: 5,
    shared: true,
    lines: ['{gather}']
  }),
  step({
    key: 'meter',
    title: 'Read the hour meter',
    kind: 'meter',
    minutes: 1,
    shared: true,
    needs: ['gather'],
    lines: ['The record is written at these hours.']
  }),
  step({
    key: 'stand',
    title: 'Stand it level and secure',
    kind: 'tick',
    minutes: 2,
    shared: true,
    needs: ['gather', 'meter'],
    lines: ['{attitude}'],
    caution:
      'Make sure it cannot fall or roll. A quad goes on axle stands before anyone goes under it, never on a hoist alone.'
  })
];

export const GUARD_OFF = step({
  key: 'guard-off',
  title: 'Take the guard off',
  kind: 'open',
  each: 'guard',
  shared: true,
  minutes: 3,
  needs: ['stand'],
  lines: [
    '{place}',
    '{fastener}',
    '{note}',
    'Bolts go back into their holes or are labelled: note which goes where.'
  ]
});
export const WARM = step({
  key: 'warm',
  title: 'Warm the engine at idle',
  kind: 'warm up',
  shared: true,
  minutes: 6,
  needs: ['stand'],
  lines: ['Until the side cover is warm to the hand, then stop it.'],
  caution:
    'Fumes: run it outside or with extraction. Neutral; nobody works on the machine while its engine runs.'
});

/** The last step of every job: its place is cleaned, and what was seen is written down. `needs`: what comes before it. */
export const written = (needs: string[], lines: string[] = []): TemplateStep =>
  step({
    key: 'write',
    title: 'Clean it and write down what was seen',
    kind: 'tick',
    shared: true,
    minutes: 4,
    needs,
    lines
  });

/** What every visit ends with. `after`: the steps of the job that must be over before the engine is started, or covered. */
export function end(after: string[], run: boolean): TemplateStep[] {
  return [
    ...(run
      ? [
          step({
            key: 'run',
            title: 'Run the engine {run}',
            kind: 'run',
            shared: true,
            minutes: 3,
            needs: after,
            lines: ['Before it starts: {ready}.', '{glass}', '{pressure}'],
            caution: 'Fumes: outside or with extraction. Hot exhaust.'
          })
        ]
      : []),
    step({
      key: 'leaks',
      title: 'Look for leaks',
      kind: 'tick',
      shared: true,
      minutes: 2,
      needs: run ? [] : after,
      // While the oil settles.
      during: run ? ['run'] : [],
      lines: ['{items}'],
      caution: '{exhaust}'
    }),
    step({
      key: 'guard-on',
      title: 'Guard on',
      kind: 'close',
      each: 'guard',
      shared: true,
      minutes: 4,
      needs: ['leaks'],
      mayLeaveOut: false,
      lines: ['After the leak look, not before.', '{pattern}']
    }),
    written(['guard-on', 'leaks'], ['Old oil and solvent go where local rules say.'])
  ];
}

/** Debris that has to be traced: appears only when it was found. */
export function source(looks: string[]): TemplateStep[] {
  return looks.map((look, i) =>
    step({
      key: `source${i === 0 ? '' : `-${i + 1}`}`,
      title: 'Find where the metal comes from',
      kind: 'tick',
      minutes: 30,
      needs: [look],
      gate: { step: look, is: 'flakes or worse' },
      lines: [
        '{inside}',
        'Write what was found and where. Not found: say so, and leave the machine out of service.'
      ]
    })
  );
}
