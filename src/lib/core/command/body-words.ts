/** A line of what was typed. */
export interface Line {
  name: string;
  value: string;
}
const ID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
/** Said so often in a body that it says nothing. */
const MOST_LINES = 40;

/** `runSeconds` as one reads it: run seconds. */
export const nameOf = (path: readonly string[]): string =>
  path
    .filter((p) => !/^\d+$/.test(p) && p !== 'entry' && p !== 'content')
    .slice(-2)
    .map((p) => p.replaceAll(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`))
    .join(', ');

/**
 * The body of a command as somebody reads it who wants to know what was typed: what was said, field by field. Names that only the book
 * knows (ids) and what was left empty are left out.
 * @param called what an id is called, where whoever reads it knows it
 */
export function bodyLines(
  body: unknown,
  called: (id: string) => string | undefined = () => undefined
): Line[] {
  const lines: Line[] = [];
  const walk = (value: unknown, path: readonly string[]): void => {
    if (value === null || value === undefined || value === '' || value === false) return;
    // The keys of steps, of which there are many, say nothing to whoever reads them.
    if (Array.isArray(value) && path.at(-1) === 'order') {
      if (value.length > 0) lines.push({ name: nameOf(path), value: `of ${value.length} steps` });
      return;
    }
    if (typeof value === 'object') {
      for (const [key, of] of Object.entries(value)) walk(of, [...path, key]);
      return;
    }
    const text = String(value);
    const name = ID.test(text) ? called(text) : undefined;
    if (name !== undefined) lines.push({ name: nameOf(path).replace(/ id$/, ''), value: name });
    if (ID.test(text) || path.at(-1) === 'id') return;
    lines.push({ name: nameOf(path), value: value === true ? 'yes' : text });
  };
  walk(body, []);
  return lines.slice(0, MOST_LINES);
}
