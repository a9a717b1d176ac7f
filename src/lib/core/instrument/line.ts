import { z } from 'zod';
import { convert, quantity, type Quantity } from '../quantity/quantity';
import { UNIT_NAMES, UNITS, type Dimension, type UnitName } from '../quantity/units';

/**
 * What an instrument says: one line of JSON. This is the only seam there is; whatever an instrument speaks by itself is turned
 * into such lines by whoever connects it, and nothing behind this knows which instrument it was.
 */
const said = {
  v: z.literal(1),
  /** Of this reading: the same id twice is one reading. */
  id: z.uuid(),
  /** What the team calls the instrument: it stands in the record. */
  instrument: z.string().trim().min(1).max(60),
  at: z.iso.datetime({ offset: true })
};
/** A blade that slides or drags lightly goes. */
export const DRAGS = ['slides', 'drags', 'does not go'] as const;
export type Drag = (typeof DRAGS)[number];

export const lineSchema = z.union([
  /** A number in a unit. `of`: the plate of the machine that it hangs on. `drag`: how a blade of this thickness went. */
  z.strictObject({
    ...said,
    value: z.number().min(-1e6).max(1e6),
    unit: z.enum(UNIT_NAMES),
    of: z.string().max(12).optional(),
    drag: z.enum(DRAGS).optional()
  }),
  /** Keys, as if somebody typed them: what has a number and no unit. A line end is Enter. */
  z.strictObject({ ...said, keys: z.string().regex(/^[0-9.,+\-<>/± ]{1,40}\n?$/u) }),
  /** Words for a remark: the weather. */
  z.strictObject({ ...said, words: z.string().trim().min(1).max(200) })
]);
export type Line = z.infer<typeof lineSchema>;

/** Reads a line as it came. @returns null for what is none: it is dropped, and nothing happens */
export function readLine(text: string): Line | null {
  try {
    const read = lineSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** A field that a reading could land in. */
export interface Field {
  /** What it takes: a dimension; `words` where it takes any. */
  takes: readonly (Dimension | 'words')[];
  /** A field that is read without a unit takes its number in this one; null: it takes a unit. */
  bare: UnitName | null;
  /** It takes blades: this one goes, that one does not. */
  blades: boolean;
  /** What stands in it. */
  text: string;
  /** The plate of the machine that it is about; null: of none, or of whichever is picked. */
  of: string | null;
}

/** What becomes of a reading at a field. */
export type Landing = { lands: true; text: string; enter: boolean } | { lands: false; why: string };

const DIMENSION_WORDS: Readonly<Record<Dimension, string>> = {
  length: 'a length',
  torque: 'a torque',
  volume: 'a volume',
  pressure: 'a pressure',
  distance: 'a distance',
  time: 'hours',
  angle: 'an angle',
  count: 'a count'
};

/** A number as an instrument shows it: no more digits than six, no tail of noughts. */
const plain = (value: number): string => String(Number(value.toFixed(6)));

/** Whether a field takes what a line brings. */
export const takes = (field: Field, line: Line): boolean =>
  'keys' in line
    ? !field.takes.includes('words')
    : 'words' in line
      ? field.takes.includes('words')
      : field.takes.includes(UNITS[line.unit].dimension);

/**
 * What a reading writes in a field. Whether the number makes sense there is asked by the field itself, as if it had been typed.
 *
 * @param line what the instrument said
 * @param field where it would land
 */
export function landing(line: Line, field: Field): Landing {
  if ('keys' in line)
    return { lands: true, text: line.keys.replace(/\n$/, ''), enter: line.keys.endsWith('\n') };
  if ('words' in line)
    return {
      lands: true,
      text: field.text.trim() === '' ? line.words : `${field.text.trim()} ${line.words}`,
      enter: false
    };
  const q = quantity(line.value, line.unit);
  if (!takes(field, line))
    return {
      lands: false,
      why: `${line.instrument} shows ${DIMENSION_WORDS[q.dimension]}; this field takes ${field.takes.map((t) => (t === 'words' ? 'words' : DIMENSION_WORDS[t])).join(' or ')}.`
    };
  if (line.of !== undefined && field.of !== null && line.of !== field.of)
    return { lands: false, why: `${line.instrument} hangs on ${line.of}; this field is about ${field.of}.` };
  if (line.drag !== undefined && field.blades) return blade(q, line.drag, field.text);
  const value = field.bare ? convert(line.value, line.unit, field.bare) : line.value;
  return { lands: true, text: field.bare ? plain(value) : `${plain(value)} ${line.unit}`, enter: false };
}

/** The blades tried so far, as they are written: `0.1/0.15` goes, does not go; `>0.15`; `<0.1`. */
function blade(q: Quantity, drag: Drag, text: string): Landing {
  const tried = /^(?:>(?<goes>[\d.]+)|<(?<stops>[\d.]+)|(?<low>[\d.]+)\/(?<high>[\d.]+))$/u.exec(
    text.replaceAll(q.unit, '').replace(/\s+/g, '')
  )?.groups;
  const at = Number(plain(q.value));
  const before = (...keys: string[]) => keys.map((k) => tried?.[k]).find((t) => t !== undefined);
  let goes: number | null = Number(before('goes', 'low') ?? NaN);
  let stops: number | null = Number(before('stops', 'high') ?? NaN);
  if (Number.isNaN(goes)) goes = null;
  if (Number.isNaN(stops)) stops = null;
  // The later of two that do not agree is right.
  if (drag === 'does not go') {
    stops = stops === null ? at : Math.min(stops, at);
    if (goes !== null && goes >= stops) goes = null;
  } else {
    goes = goes === null ? at : Math.max(goes, at);
    if (stops !== null && stops <= goes) stops = null;
  }
  const words = goes === null ? `<${stops}` : stops === null ? `>${goes}` : `${goes}/${stops}`;
  return { lands: true, text: `${words} ${q.unit}`, enter: false };
}

/** One of several fields: the one somebody is in; else the first that is empty; else the first. */
export function whichField<F extends { field: Field; focused: boolean }>(
  line: Line,
  fields: readonly F[]
): F | null {
  // Who is writing words is asked nothing about a number: it is meant for elsewhere.
  const inside = fields.find(
    (f) => f.focused && (takes(f.field, line) || f.field.takes.some((t) => t !== 'words'))
  );
  // What types like a keyboard types where the cursor is, and nowhere else.
  if (inside || 'keys' in line) return inside ?? null;
  const able = fields.filter((f) => takes(f.field, line));
  return able.find((f) => f.field.text.trim() === '') ?? able[0] ?? null;
}
