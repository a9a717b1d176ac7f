import { z } from 'zod';
import { errorsByField } from '../forms';
import { asksWhy, type EntryProblem } from '../visit/problems';
import { nameOf } from './body-words';
import { COMMANDS, type Kind } from './commands';

/** A field of a command that was refused, as it is put right where it stands. */
export interface Leaf {
  /** Where it is in the body, with dots. */
  path: string;
  name: string;
  /** As it was typed; '' where nothing was. */
  value: string;
  as: 'text' | 'number' | 'day';
}
interface Def {
  type: string;
  format?: string;
  shape: Record<string, z.core.$ZodType>;
  innerType: z.core.$ZodType;
  in: z.core.$ZodType;
  out: z.core.$ZodType;
  options: z.core.$ZodType[];
  discriminator?: string;
}
const defOf = (schema: z.core.$ZodType) => schema._zod.def as unknown as Def;
const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** What a person types is free text, a number, or a day; what is picked from a list, and what only the book knows, is not. */
function typedAs(schema: z.core.$ZodType, key: string): Leaf['as'] | null {
  const def = defOf(schema);
  switch (def.type) {
    case 'string':
      return def.format === undefined || def.format === 'regex' ? (/day$/i.test(key) ? 'day' : 'text') : null;
    case 'number':
      return 'number';
    case 'union': {
      const kinds = def.options.map((o) => typedAs(o, key));
      return kinds.includes('number') ? 'number' : kinds.includes('text') ? 'text' : null;
    }
    case 'optional':
    case 'nullable':
    case 'default':
    case 'prefault':
      return typedAs(def.innerType, key);
    case 'pipe':
      return typedAs(defOf(def.in).type === 'transform' ? def.out : def.in, key);
    default:
      return null;
  }
}
/** The shape of an object, whatever is wrapped round it, of the kind that a value is. */
function shapeOf(schema: z.core.$ZodType, value: unknown): Record<string, z.core.$ZodType> | null {
  const def = defOf(schema);
  switch (def.type) {
    case 'object':
      return def.shape;
    case 'optional':
    case 'nullable':
    case 'default':
      return shapeOf(def.innerType, value);
    case 'pipe':
      return shapeOf(def.in, value);
    case 'union': {
      const key = def.discriminator;
      const fits = def.options.find((o) =>
        key === undefined || !isObject(value)
          ? z.core.safeParse(o, value).success
          : defOf(o).shape?.[key] && z.core.safeParse(defOf(o).shape[key]!, value[key]).success
      );
      return fits ? shapeOf(fits, value) : null;
    }
    default:
      return null;
  }
}

/** Keys of a visit's plan are the book's, not the person's. */
const NOT_TYPED = new Set(['stepKey', 'itemKey', 'instrument', 'asWritten', 'severity', 'list']);
/** Where the key of a form says little. */
const CALLED: Readonly<Record<string, string>> = { typed: 'as typed' };
/** Said in its own question, the settlement. */
const ASKED_APART = new Set(['settlement']);

/** Where the reason goes that an entry of a visit is taken with all the same; null: no reason is asked for. */
function whyPath(body: unknown, problem: EntryProblem | null): string | null {
  if (!asksWhy(problem) || !isObject(body) || !isObject(body['entry'])) return null;
  const { action } = body['entry'];
  const field =
    problem!.kind === 'seal used up'
      ? 'sealReason'
      : problem!.kind === 'verdict without its reason'
        ? 'overruled'
        : problem!.kind === 'oil stopped'
          ? 'deviation'
          : action === 'torqued'
            ? 'reason'
            : 'remark';
  return `entry.content.${field}`;
}

/**
 * The fields of a refused command that a person can put right: what they typed, and what the refusal asks for.
 * @param errors by field, as it was refused
 * @param problem of an entry of a visit
 */
export function correctable(
  kind: Kind,
  body: unknown,
  errors: Readonly<Record<string, string>>,
  problem: EntryProblem | null = null
): Leaf[] {
  const why = whyPath(body, problem);
  const leaves: Leaf[] = [];
  const walk = (schema: z.core.$ZodType, value: unknown, path: readonly string[]): void => {
    const shape = shapeOf(schema, value);
    if (!shape || !isObject(value)) return;
    for (const [key, of] of Object.entries(shape)) {
      if (NOT_TYPED.has(key) || ASKED_APART.has(key)) continue;
      const at = [...path, key];
      const name = at.join('.');
      const as = typedAs(of, key);
      const there = value[key];
      if (as === null) walk(of, there, at);
      else if ((there !== undefined && there !== null && there !== '') || name in errors || name === why)
        leaves.push({
          path: name,
          name: name === why ? 'Say why' : (CALLED[name] ?? nameOf(at)),
          value: there === undefined || there === null ? '' : String(there),
          as
        });
    }
  };
  walk(COMMANDS[kind], body, []);
  return leaves;
}

/**
 * A body with fields as they are now. Where a number stood, a number stands.
 * @param typed by path; what is empty now is left out where nothing had stood there
 */
export function corrected(body: unknown, typed: readonly Leaf[]): unknown {
  const copy = structuredClone(body) as Record<string, unknown>;
  for (const { path, value, as } of typed) {
    const keys = path.split('.');
    const last = keys.pop()!;
    let at = copy;
    for (const key of keys) at = (at[key] ??= {}) as Record<string, unknown>;
    const was = at[last];
    if (value.trim() === '' && (was === undefined || was === null)) continue;
    const number = Number(value.replace(',', '.'));
    at[last] =
      as === 'number' && typeof was !== 'string' && value.trim() !== '' && Number.isFinite(number)
        ? number
        : value;
  }
  return copy;
}

/** What is still wrong with a body, by field; empty: it may be sent. */
export function stillWrong(kind: Kind, body: unknown): Record<string, string> {
  const parsed = COMMANDS[kind].safeParse(body);
  return parsed.success ? {} : errorsByField(parsed.error);
}
