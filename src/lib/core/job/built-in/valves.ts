import type { TemplateStep } from '../template';
import { SPARK_PLUG } from './spark-plug';
import { BEGIN, step as own, written } from './steps';

/** Jobs at the top of the engine share what they have in common: cover off, top dead centre, tensioner. */
const step: typeof own = (s) => own({ shared: true, ...s });

interface ValveJob {
  /** Shims are changed whatever the check says: the cam comes out in any case. */
  always?: boolean;
  /** Only screws and lock-nuts. */
  screws?: boolean;
}

const COVERS = ['Rag for the chain tunnel', 'Probe for the plug hole'];
/** Down to the cams, with every hole covered before anything can fall in. */
const OPENED = [
  step({
    key: 'cover-off',
    title: 'Off with what is above it, and the valve cover',
    kind: 'open',
    things: ['Valve cover', SPARK_PLUG],
    minutes: 12,
    engine: 'cold',
    needs: ['stand'],
    lines: [
      'Clean round it first. Stone cold: overnight is best.',
      'The plug out, so that it turns by hand.'
    ],
    caution: 'Fuel lines: cold engine, no flame.'
  }),
  step({
    key: 'holes',
    title: 'Cover every hole',
    kind: 'open',
    things: COVERS,
    minutes: 1,
    engine: 'cold',
    needs: ['cover-off'],
    lines: ['What falls into the chain tunnel is in the engine.']
  })
];
/** Shut again, with what covered the holes counted out of them, and what was seen written down. */
const shut = (needs: string[], seen: string[]) => [
  step({
    key: 'cover-on',
    title: 'Rag and probe out, plug in, valve cover on',
    kind: 'close',
    things: [...COVERS, SPARK_PLUG, 'Valve cover'],
    minutes: 10,
    needs,
    lines: [
      'Gasket seated, half moons sealed; cover bolts and plug to the manual’s torque.',
      '{valvecover}',
      '{sparkplug}'
    ],
    mayLeaveOut: false
  }),
  written(['cover-on'], seen)
];

const TDC = step({
  key: 'tdc',
  title: 'Top dead centre, compression stroke',
  kind: 'tick',
  minutes: 4,
  engine: 'cold',
  needs: ['cover-off', 'holes'],
  lines: ['{tdc}'],
  caution: 'Turn it by hand only, ignition off: fingers clear of chain and cams.'
});

const TURNS = step({
  key: 'turns',
  title: 'Two full turns by hand, marks read again',
  kind: 'tick',
  minutes: 3,
  needs: ['tensioner-on'],
  lines: ['{tdc}', 'Plug out: it must not stop anywhere.'],
  caution: 'If it stops, stop: a valve may touch the piston.',
  mayLeaveOut: false
});

/**
 * The steps of a valve check in the order of the handbook (section 8): cold, holes covered, top dead centre, measured; and where a
 * valve is out, cam out, shims, cam in, tensioner released, two full turns, marks read again, measured again.
 */
export function valveSteps({ always = false, screws = false }: ValveJob): TemplateStep[] {
  const out = always ? null : ({ step: 'measure', is: 'outside' } as const);
  const gated = { gate: out, when: ['the head has shims' as const] };
  const shims: TemplateStep[] = screws
    ? []
    : [
        step({
          key: 'wire',
          title: 'Wire the cam chain, mark it against its wheels',
          kind: 'open',
          things: ['Wire for the cam chain'],
          minutes: 3,
          needs: ['measure'],
          ...gated,
          lines: ['So that it cannot drop into the engine. A paint dot on chain and wheel, both sides.']
        }),
        step({
          key: 'tensioner-off',
          title: 'Lock the chain tensioner back and take it off',
          kind: 'open',
          things: ['Cam chain tensioner'],
          minutes: 4,
          needs: ['wire'],
          ...gated,
          caution: 'Its spring is under load: lock it back before its bolts come out.'
        }),
        step({
          key: 'caps-off',
          title: 'Cam caps off, criss-cross, in rounds',
          kind: 'open',
          things: [
            'Cam caps, inlet side',
            'Cam caps, exhaust side',
            'Half rings and dowels of the caps',
            'Camshafts'
          ],
          minutes: 8,
          needs: ['tensioner-off'],
          ...gated,
          lines: [
            'A quarter turn each, round by round, so that the cam comes up level.',
            'Each side in its own tray, the way round it sat. Count half rings and dowels before they fall.'
          ]
        }),
        step({
          key: 'buckets-off',
          title: '{buckets} out, in order',
          kind: 'open',
          things: ['Bucket and shim, {valve}'],
          minutes: 6,
          needs: ['caps-off'],
          ...gated,
          lines: [
            'A magnet or a suction cup; each to its own place in the tray. A shim may stick under its bucket.'
          ]
        }),
        step({
          key: 'shims',
          title: 'Measure the shims, settle the plan, fit them',
          kind: 'clearances',
          stage: 'fitted',
          minutes: 10,
          needs: ['buckets-off'],
          ...gated,
          lines: ['Micrometer on each; clean and oiled, the stamp towards the bucket.']
        }),
        step({
          key: 'buckets-on',
          title: '{buckets} in, each in its place',
          kind: 'close',
          things: ['Bucket and shim, {valve}'],
          minutes: 6,
          needs: ['shims'],
          ...gated,
          lines: ['Every bucket turns and drops by its own weight.'],
          mayLeaveOut: false
        }),
        step({
          key: 'caps-on',
          title: 'Camshafts and caps on, on their own sides',
          kind: 'close',
          things: [
            'Camshafts',
            'Half rings and dowels of the caps',
            'Cam caps, inlet side',
            'Cam caps, exhaust side'
          ],
          minutes: 12,
          needs: ['buckets-on'],
          ...gated,
          lines: [
            'Marks first. Criss-cross in rounds, then to the manual’s torque: these strip.',
            '{camcaps}',
            '{tdc}'
          ],
          mayLeaveOut: false
        }),
        step({
          key: 'tensioner-on',
          title: 'Tensioner on, and released',
          kind: 'close',
          things: ['Cam chain tensioner', 'Wire for the cam chain'],
          minutes: 5,
          needs: ['caps-on'],
          ...gated,
          lines: ['Fitted locked back, then released; wire out. The slack side pressed by hand has no play.'],
          mayLeaveOut: false
        })
      ];
  const adjust = step({
    key: 'screws',
    title: 'Set what is out, and read it again after the nut',
    kind: 'clearances',
    stage: 'left',
    minutes: 12,
    engine: 'cold',
    needs: ['measure'],
    gate: out,
    when: ['the head has screws'],
    lines: ['Goes at one blade, does not at the next. Hold the screw while the nut is tightened: it moves.']
  });
  const left = [
    { ...TURNS, ...gated },
    step({
      key: 'left',
      title: 'Measure every valve again, as left',
      kind: 'clearances',
      stage: 'left',
      minutes: 9,
      needs: ['turns'],
      ...gated,
      lines: ['{tdc}']
    })
  ];
  const setRight = [...(screws ? [] : ['left']), 'screws'];
  return [
    ...BEGIN,
    ...OPENED,
    TDC,
    step({
      key: 'measure',
      title: 'Measure every valve, as found',
      kind: 'clearances',
      stage: 'found',
      minutes: 12,
      engine: 'cold',
      needs: ['tdc'],
      lines: ['{clearances}'],
      mayLeaveOut: false
    }),
    ...shims,
    ...(screws ? [] : left),
    adjust,
    ...shut(['measure', ...setRight], ['Hard to turn, scored lobes, pitted buckets: write it here.'])
  ];
}

/** Cam chain and tensioner looked at, on an engine that is open at the top. */
export function camChainSteps(): TemplateStep[] {
  const limit = (from: number | null, to: number | null) => ({ unit: 'mm' as const, from, to, figure: null });
  return [
    ...BEGIN,
    ...OPENED,
    { ...TDC, engine: 'any' },
    step({
      key: 'chain-look',
      title: 'Chain lifted on its wheel: does it show half a tooth?',
      kind: 'choice',
      minutes: 2,
      mayLeaveOut: false,
      needs: ['tdc'],
      lines: ['Pull it away from the wheel opposite the tensioner. Guides: grooves, cracks, missing pieces.']
    }),
    step({
      key: 'tensioner-off',
      title: 'Tensioner locked back, and off',
      kind: 'open',
      things: ['Cam chain tensioner'],
      minutes: 4,
      needs: ['chain-look'],
      caution: 'Its spring is under load: lock it back before its bolts come out.'
    }),
    step({
      key: 'plunger',
      title: 'How far its plunger stood out',
      kind: 'measure',
      minutes: 2,
      needs: ['tensioner-off'],
      mayLeaveOut: false,
      measure: limit(null, null),
      lines: [
        'Against last time: what it has come out further is what the chain has grown. Its limit is in the manual.'
      ]
    }),
    step({
      key: 'tensioner-on',
      title: 'Tensioner on, and released',
      kind: 'close',
      things: ['Cam chain tensioner'],
      minutes: 4,
      needs: ['plunger'],
      lines: ['A new gasket; fitted locked back, then released.'],
      mayLeaveOut: false
    }),
    TURNS,
    ...shut(['turns'], ['Grooved guides, a tensioner that is out far: write it here.'])
  ];
}
