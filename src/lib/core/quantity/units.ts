/**
 * Units of the workshop with their exact factors to one base unit per dimension:
 * length mm, torque N·m, volume ml, pressure kPa, distance m, time s, angle °, count 1.
 *
 * Sources of the factors: the international inch (25.4 mm), yard and pound (0.453 592 37 kg) of 1959, standard gravity
 * 9.806 65 m/s², the US gallon of 231 in³ and the imperial gallon of 4.546 09 l. All are definitions, so all are exact.
 */
export type Dimension = 'length' | 'torque' | 'volume' | 'pressure' | 'distance' | 'time' | 'angle' | 'count';

export interface Unit {
  dimension: Dimension;
  /** How many base units one of these is. */
  factor: number;
  system: 'metric' | 'imperial' | 'both';
  /** Decimals that mean something on a bench, for a value converted into this unit. */
  decimals: number;
  /** What people type for it, folded by {@link foldUnit}. The unit's own name is always understood. */
  aliases: readonly string[];
}

const POUND_FORCE_N = 0.45359237 * 9.80665;
const FOOT_M = 0.3048;
const INCH_M = 0.0254;
const US_GALLON_ML = 3785.411784;
const IMP_GALLON_ML = 4546.09;

export const UNITS = {
  mm: {
    dimension: 'length',
    factor: 1,
    system: 'metric',
    decimals: 2,
    aliases: ['millimetre', 'millimetres', 'millimeter', 'millimeters']
  },
  cm: {
    dimension: 'length',
    factor: 10,
    system: 'metric',
    decimals: 2,
    aliases: ['centimetre', 'centimetres']
  },
  µm: {
    dimension: 'length',
    factor: 0.001,
    system: 'metric',
    decimals: 0,
    aliases: ['um', 'micron', 'microns', 'my']
  },
  in: {
    dimension: 'length',
    factor: 25.4,
    system: 'imperial',
    decimals: 4,
    aliases: ['inch', 'inches', '"', '″', '”']
  },
  thou: { dimension: 'length', factor: 0.0254, system: 'imperial', decimals: 1, aliases: ['mil', 'mils'] },

  'N·m': {
    dimension: 'torque',
    factor: 1,
    system: 'metric',
    decimals: 1,
    aliases: ['nm', 'mn', 'newtonmetre', 'newtonmetres', 'newtonmeter']
  },
  'kgf·m': {
    dimension: 'torque',
    factor: 9.80665,
    system: 'metric',
    decimals: 2,
    aliases: ['kgfm', 'kgm', 'mkg', 'mkgf', 'kpm']
  },
  'kgf·cm': {
    dimension: 'torque',
    factor: 0.0980665,
    system: 'metric',
    decimals: 0,
    aliases: ['kgfcm', 'kgcm', 'cmkg']
  },
  'lbf·ft': {
    dimension: 'torque',
    factor: POUND_FORCE_N * FOOT_M,
    system: 'imperial',
    decimals: 1,
    aliases: ['lbfft', 'lbft', 'ftlb', 'ftlbs', 'lbsft', 'ftlbf', 'lbfoot', 'footpound', 'footpounds']
  },
  'lbf·in': {
    dimension: 'torque',
    factor: POUND_FORCE_N * INCH_M,
    system: 'imperial',
    decimals: 0,
    aliases: ['lbfin', 'lbin', 'inlb', 'inlbs', 'lbsin', 'inlbf', 'inchpound', 'inchpounds']
  },

  ml: {
    dimension: 'volume',
    factor: 1,
    system: 'metric',
    decimals: 0,
    aliases: ['cc', 'cm3', 'cm³', 'ccm', 'millilitre', 'millilitres', 'milliliter', 'milliliters']
  },
  L: {
    dimension: 'volume',
    factor: 1000,
    system: 'metric',
    decimals: 2,
    aliases: ['litre', 'litres', 'liter', 'liters', 'ltr']
  },
  'US qt': {
    dimension: 'volume',
    factor: US_GALLON_ML / 4,
    system: 'imperial',
    decimals: 2,
    aliases: ['usqt', 'qt', 'qts', 'quart', 'quarts', 'usquart', 'usquarts']
  },
  'imp qt': {
    dimension: 'volume',
    factor: IMP_GALLON_ML / 4,
    system: 'imperial',
    decimals: 2,
    aliases: ['impqt', 'ukqt', 'imperialquart', 'impquart']
  },
  'US pt': {
    dimension: 'volume',
    factor: US_GALLON_ML / 8,
    system: 'imperial',
    decimals: 2,
    aliases: ['uspt', 'uspint', 'uspints']
  },
  'imp pt': {
    dimension: 'volume',
    factor: IMP_GALLON_ML / 8,
    system: 'imperial',
    decimals: 2,
    aliases: ['imppt', 'ukpt', 'imppint', 'imperialpint']
  },
  'US fl oz': {
    dimension: 'volume',
    factor: US_GALLON_ML / 128,
    system: 'imperial',
    decimals: 1,
    aliases: ['usfloz', 'usoz']
  },
  'imp fl oz': {
    dimension: 'volume',
    factor: IMP_GALLON_ML / 160,
    system: 'imperial',
    decimals: 1,
    aliases: ['impfloz', 'ukfloz', 'impoz', 'ukoz']
  },

  kPa: { dimension: 'pressure', factor: 1, system: 'metric', decimals: 0, aliases: ['kilopascal'] },
  bar: { dimension: 'pressure', factor: 100, system: 'metric', decimals: 2, aliases: ['bars'] },
  psi: {
    dimension: 'pressure',
    factor: POUND_FORCE_N / (INCH_M * INCH_M) / 1000,
    system: 'imperial',
    decimals: 1,
    aliases: ['lbin2', 'lbfin2', 'lbsin2']
  },
  'kgf/cm²': {
    dimension: 'pressure',
    factor: 98.0665,
    system: 'metric',
    decimals: 2,
    aliases: ['kgfcm2', 'kgcm2', 'kgcm²', 'kgfcm²']
  },

  m: {
    dimension: 'distance',
    factor: 1,
    system: 'metric',
    decimals: 0,
    aliases: ['metre', 'metres', 'meter', 'meters']
  },
  km: {
    dimension: 'distance',
    factor: 1000,
    system: 'metric',
    decimals: 1,
    aliases: ['kms', 'kilometre', 'kilometres', 'kilometer', 'kilometers']
  },
  mi: {
    dimension: 'distance',
    factor: 1609.344,
    system: 'imperial',
    decimals: 1,
    aliases: ['mile', 'miles']
  },

  h: {
    dimension: 'time',
    factor: 3600,
    system: 'both',
    decimals: 2,
    aliases: ['hr', 'hrs', 'hour', 'hours', 'std']
  },
  min: {
    dimension: 'time',
    factor: 60,
    system: 'both',
    decimals: 0,
    aliases: ['mins', 'minute', 'minutes', "'"]
  },
  s: {
    dimension: 'time',
    factor: 1,
    system: 'both',
    decimals: 0,
    aliases: ['sec', 'secs', 'second', 'seconds']
  },

  '°': { dimension: 'angle', factor: 1, system: 'both', decimals: 0, aliases: ['deg', 'degree', 'degrees'] },
  teeth: { dimension: 'count', factor: 1, system: 'both', decimals: 0, aliases: ['tooth', 't'] },
  links: { dimension: 'count', factor: 1, system: 'both', decimals: 0, aliases: ['link'] },
  clicks: { dimension: 'count', factor: 1, system: 'both', decimals: 0, aliases: ['click'] },
  turns: { dimension: 'count', factor: 1, system: 'both', decimals: 2, aliases: ['turn'] },
  pieces: { dimension: 'count', factor: 1, system: 'both', decimals: 0, aliases: ['piece', 'pcs', 'pc'] }
} as const satisfies Record<string, Unit>;

export type UnitName = keyof typeof UNITS;
export const UNIT_NAMES = Object.keys(UNITS) as [UnitName, ...UnitName[]];

/** Words that name more than one unit; the person is asked which. */
export const AMBIGUOUS: Readonly<Record<string, readonly UnitName[]>> = {
  oz: ['US fl oz', 'imp fl oz'],
  ozs: ['US fl oz', 'imp fl oz'],
  ounce: ['US fl oz', 'imp fl oz'],
  ounces: ['US fl oz', 'imp fl oz'],
  floz: ['US fl oz', 'imp fl oz'],
  fluidounce: ['US fl oz', 'imp fl oz'],
  fluidounces: ['US fl oz', 'imp fl oz'],
  pt: ['US pt', 'imp pt'],
  pint: ['US pt', 'imp pt'],
  pints: ['US pt', 'imp pt']
};

/** Folds a typed unit so that `lbf · in`, `LBF-IN` and `lbf in` are one word. */
export function foldUnit(text: string): string {
  return text
    .toLowerCase()
    .replace(/μ/g, 'µ')
    .replace(/[\s.·⋅•*×\-/_]/g, '');
}

const byWord = new Map<string, UnitName>();
for (const [name, unit] of Object.entries(UNITS) as [UnitName, Unit][]) {
  byWord.set(foldUnit(name), name);
  for (const alias of unit.aliases) byWord.set(foldUnit(alias), name);
}

/** The unit a typed word names, every unit it may name, or none. */
export function unitsNamed(word: string): readonly UnitName[] {
  const folded = foldUnit(word);
  const one = byWord.get(folded);
  return one ? [one] : (AMBIGUOUS[folded] ?? []);
}

/** The unit shown for a dimension in each system, when nothing else says which. */
export const USUAL_UNIT: Readonly<Record<Dimension, Readonly<Record<'metric' | 'imperial', UnitName>>>> = {
  length: { metric: 'mm', imperial: 'in' },
  torque: { metric: 'N·m', imperial: 'lbf·ft' },
  volume: { metric: 'ml', imperial: 'US qt' },
  pressure: { metric: 'kPa', imperial: 'psi' },
  distance: { metric: 'km', imperial: 'mi' },
  time: { metric: 'h', imperial: 'h' },
  angle: { metric: '°', imperial: '°' },
  count: { metric: 'links', imperial: 'links' }
};
