/** What no field may hold: a zero byte, and half of a character that takes two. PostgreSQL keeps neither. */
// eslint-disable-next-line no-control-regex -- the zero byte is what is looked for
const UNKEEPABLE = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** Deeper than any form is, and longer than any list in one. */
const MOST_DEPTH = 12;

/**
 * Looks through what was sent for text that cannot be kept, before anything reads it.
 * @returns errors by field, the path with dots; empty where all of it can be kept
 */
export function unkeepable(value: unknown, path = '', depth = 0): Record<string, string> {
  if (typeof value === 'string')
    return UNKEEPABLE.test(value)
      ? { [path]: 'There is a character in it that cannot be kept. Type it again.' }
      : {};
  if (typeof value !== 'object' || value === null) return {};
  if (depth >= MOST_DEPTH) return { [path]: 'That is nested too deeply to be a form.' };
  const errors: Record<string, string> = {};
  for (const [key, inner] of Object.entries(value)) {
    if (UNKEEPABLE.test(key)) return { [path]: 'There is a character in it that cannot be kept.' };
    Object.assign(errors, unkeepable(inner, path === '' ? key : `${path}.${key}`, depth + 1));
  }
  return errors;
}
