import { z } from 'zod';
import { COMMANDS, type Kind } from './commands';
import { RULES } from './rules';
import { ROW_OF } from '../forms';

/** What a schema says of itself, as far as it is walked here. */
interface Def {
  type: string;
  shape: Record<string, z.core.$ZodType>;
  catchall?: z.core.$ZodType;
  element: z.core.$ZodType;
  items: z.core.$ZodType[];
  valueType: z.core.$ZodType;
  innerType: z.core.$ZodType;
  getter: () => z.core.$ZodType;
  in: z.core.$ZodType;
  out: z.core.$ZodType;
  left: z.core.$ZodType;
  right: z.core.$ZodType;
  options: z.core.$ZodType[];
  discriminator?: string;
}
const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Which of several shapes a value has: by the key that tells them apart, where there is one. */
function optionOf({ options, discriminator }: Def, value: unknown): z.core.$ZodType | undefined {
  if (discriminator === undefined || !isObject(value))
    return options.find((o) => z.core.safeParse(o, value).success);
  const said = value[discriminator];
  return options.find((o) => {
    const key = (o._zod.def as unknown as Def).shape?.[discriminator];
    return key !== undefined && z.core.safeParse(key, said).success;
  });
}

/**
 * What a schema knows of a value, as it was typed: keys that it does not read are left out, at every depth. What it refuses stays as it is,
 * to be refused in its own words.
 */
export function knownBy(schema: z.core.$ZodType, value: unknown): unknown {
  const def = schema._zod.def as unknown as Def;
  switch (def.type) {
    case 'object':
      if (!isObject(value) || def.catchall) return value;
      return Object.fromEntries(
        Object.entries(def.shape).flatMap(([key, of]) =>
          Object.hasOwn(value, key) ? [[key, knownBy(of, value[key])]] : []
        )
      );
    case 'array':
      return Array.isArray(value) ? value.map((v) => knownBy(def.element, v)) : value;
    case 'tuple':
      return Array.isArray(value)
        ? value.map((v, i) => (def.items[i] ? knownBy(def.items[i], v) : v))
        : value;
    case 'record':
      return isObject(value)
        ? Object.fromEntries(Object.entries(value).map(([key, v]) => [key, knownBy(def.valueType, v)]))
        : value;
    case 'optional':
    case 'nullable':
    case 'default':
    case 'prefault':
    case 'nonoptional':
    case 'readonly':
    case 'catch':
      return value === null || value === undefined ? value : knownBy(def.innerType, value);
    case 'lazy':
      return knownBy(def.getter(), value);
    case 'pipe':
      return knownBy(def.in._zod.def.type === 'transform' ? def.out : def.in, value);
    case 'intersection': {
      const both = [knownBy(def.left, value), knownBy(def.right, value)];
      return both.every(isObject) ? Object.assign({}, ...both) : value;
    }
    case 'union': {
      const taken = optionOf(def, value);
      return taken ? knownBy(taken, value) : value;
    }
    case 'unknown': {
      const row = ROW_OF.get(schema);
      return row ? knownBy(row, value) : value;
    }
    default:
      return value;
  }
}

/** What is kept of a command’s body: what its kind reads of it, as it was typed. */
export const keptOf = (kind: Kind, body: unknown): unknown => knownBy(COMMANDS[kind], body);

/** Of the text of a body, bytes: a long story with everything else of the longest form. */
const MOST_BYTES = 150_000;
export const mostBytes = (kind: Kind): number => RULES[kind].mostBytes ?? MOST_BYTES;
