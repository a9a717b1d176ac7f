import { length, words } from './kind';

/** What a sheet holds of chain and final drive. */
export const CHAIN_KINDS = [
  length('chain slack', 'Chain slack, total at the place named', 'Chain and final drive', 5, 120, {
    unit: 'mm',
    range: true,
    hint: '35–45 mm, 40 ± 5 mm'
  }),
  words(
    'chain slack place',
    'Chain slack, where and how',
    'Chain and final drive',
    'behind the slider, on the stand'
  ),
  length('chain pitch', 'Chain pitch', 'Chain and final drive', 6, 20, { unit: 'mm' }),
  {
    key: 'chain links' as const,
    label: 'Chain, links',
    section: 'Chain and final drive',
    dimension: 'count',
    unit: 'links',
    whole: true,
    plausible: [60, 160]
  },
  {
    key: 'front sprocket' as const,
    label: 'Front sprocket',
    section: 'Chain and final drive',
    dimension: 'count',
    unit: 'teeth',
    whole: true,
    plausible: [8, 22]
  },
  {
    key: 'rear sprocket' as const,
    label: 'Rear sprocket',
    section: 'Chain and final drive',
    dimension: 'count',
    unit: 'teeth',
    whole: true,
    plausible: [24, 80]
  },
  length('swingarm length', 'Swingarm, pivot to axle', 'Chain and final drive', 250, 800, { unit: 'mm' }),
  length('adjuster pitch', 'Chain adjuster, thread pitch', 'Chain and final drive', 0.5, 2.5, { unit: 'mm' }),
  length(
    'pivot ahead of sprocket',
    'Swingarm pivot behind the front sprocket’s centre',
    'Chain and final drive',
    20,
    200,
    {
      unit: 'mm'
    }
  ),

  length(
    'pivot above sprocket',
    'Swingarm pivot above the front sprocket’s centre',
    'Chain and final drive',
    -60,
    60,
    {
      unit: 'mm',
      signed: true,
      hint: '5 mm; below it: -5 mm'
    }
  ),
  {
    key: 'swingarm hanging' as const,
    label: 'Swingarm below the horizontal, wheel hanging',
    section: 'Chain and final drive',
    dimension: 'angle',
    unit: '°',
    plausible: [3, 45],
    hint: '22°'
  },
  {
    key: 'swingarm compressed' as const,
    label: 'Swingarm above the horizontal, at the end of its travel',
    section: 'Chain and final drive',
    dimension: 'angle',
    unit: '°',
    plausible: [-10, 30],
    signed: true,
    hint: '8°'
  },
  length('axle slot', 'Axle slot, from all forward to all back', 'Chain and final drive', 8, 120, {
    unit: 'mm'
  }),
  length('adjusters across', 'Chain adjusters, from one to the other', 'Chain and final drive', 80, 450, {
    unit: 'mm'
  }),
  {
    key: 'chain wear pitches' as const,
    label: 'Chain wear, measured over so many pitches',
    section: 'Chain and final drive',
    dimension: 'count',
    unit: 'links',
    whole: true,
    plausible: [5, 40],
    hint: '20'
  },
  length('chain wear length', 'Chain wear, longest over those pitches', 'Chain and final drive', 60, 700, {
    unit: 'mm',
    hint: 'at most 323 mm'
  }),
  words('primary ratio', 'Primary drive, ratio', 'Chain and final drive', '3.05 or 64/21'),
  words(
    'gear ratios',
    'Gearbox, ratio of each gear',
    'Chain and final drive',
    '2.14, 1.75, 1.45, 1.23, 1.05'
  ),
  words('engine speed', 'Engine speed for speeds', 'Chain and final drive', '9500 a minute'),
  length('rear wheel round', 'Rear wheel, once round on the ground', 'Chain and final drive', 900, 2600, {
    unit: 'mm'
  })
];
