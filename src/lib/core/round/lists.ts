import { z } from 'zod';
import { SEVERITIES } from '../finding/finding';
import { name } from '../forms';
import { KINDS, type Kind } from '../machine/machine';
import { UNIT_NAMES, UNITS } from '../quantity/units';
import { FIGURE_KEYS, figureKind } from '../specs/kinds';
import { readStored } from '../stored/stored';
import { STATIONS, type Choice, type Check, type Gauge, type List, type ListCheck } from './check';
import { LIBRARY } from './library';

/**
 * What a team checks on its machines: the library as it came, or a version of its own, as data. One list of checks for all kinds
 * of machine and for both walks; which kind is asked for what stands at each.
 */
export type RoundCheck = ListCheck & {
  /** Not asked for any more; its answers stay readable. */
  off: boolean;
};
export const AS_IT_CAME: readonly RoundCheck[] = LIBRARY.map((c) => ({ ...c, off: false }));

/** What a machine of a kind is checked for, in walking order: station by station, at each in the order of the list. */
export function asked<C extends Check & { off?: boolean }>(
  checks: readonly C[],
  kind: Kind,
  list: List
): C[] {
  const mine = checks.filter(
    (c) =>
      !c.off &&
      c.kinds.includes(kind) &&
      c.lists.includes(list) &&
      !c.except?.some((x) => x.kind === kind && x.list === list)
  );
  return STATIONS.flatMap((station) => mine.filter((c) => c.station === station));
}
/** The same of the library as it came. */
export const checksOf = (kind: Kind, list: List): RoundCheck[] => asked(AS_IT_CAME, kind, list);

/** What a round costs where all is well: a press a station for its looks, one for each of the others; and about how many minutes. */
export function costOf(checks: readonly ListCheck[]): { taps: number; minutes: number } {
  const looks = new Set(checks.filter((c) => c.how === 'look').map((c) => c.station)).size;
  return {
    taps: looks + checks.filter((c) => c.how !== 'look').length,
    minutes: checks.reduce((sum, c) => sum + c.minutes, 0)
  };
}

const words = (max: number) => z.string().trim().max(max, `At most ${max} characters.`);
const number = z.number({ error: 'A number.' });
const bandEnd = number.min(-1e6).max(1e6).nullable();
const gauge = {
  figure: z.enum(FIGURE_KEYS, { error: 'No such figure.' }).nullable(),
  from: bandEnd,
  to: bandEnd,
  unit: z.enum(UNIT_NAMES, { error: 'Pick a unit.' }),
  step: number.min(0.001, 'More than nothing.').max(1000, 'At most 1,000.'),
  least: z.boolean()
} satisfies Record<keyof Gauge, z.ZodType>;
const choice = z.object({
  word: name('what it may be', 40),
  wrong: z.enum(SEVERITIES).nullable(),
  sooner: z.boolean().optional(),
  spare: z.boolean().optional()
}) satisfies z.ZodType<Choice>;
const any = {
  key: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'Small letters, digits and hyphens.'),
  title: name('what is looked at', 90),
  station: z.enum(STATIONS, { error: 'Where does one stand?' }),
  line: words(200),
  caution: words(200).optional(),
  minutes: number.min(0, 'Not below nothing.').max(60, 'At most an hour.'),
  kinds: z.array(z.enum(KINDS)).min(1, 'On which machines?').max(KINDS.length),
  lists: z
    .array(z.enum(['ready', 'washed']))
    .min(1, 'In which round?')
    .max(2),
  except: z
    .array(z.object({ kind: z.enum(KINDS), list: z.enum(['ready', 'washed']) }))
    .max(2 * KINDS.length)
    .optional(),
  wrong: name('what it is called where it is wrong', 90),
  severity: z.enum(SEVERITIES),
  task: words(60).optional(),
  shows: z.enum(FIGURE_KEYS).optional(),
  off: z.boolean()
};
const check = z.discriminatedUnion('how', [
  z.object({
    ...any,
    how: z.literal('look'),
    reads: z.object(gauge).optional(),
    wrongs: z.array(words(40).min(1, 'Say it, or take it away.')).max(8, 'At most eight.').optional()
  }),
  z.object({
    ...any,
    how: z.literal('choose'),
    choices: z.array(choice).min(2, 'At least two, or it is a look.').max(8, 'At most eight.'),
    reads: z.object(gauge).optional()
  }),
  z.object({ ...any, ...gauge, how: z.literal('measure'), sets: z.boolean() }),
  z.object({ ...any, how: z.literal('count'), most: z.number().int().min(1).max(9999) })
]) satisfies z.ZodType<RoundCheck>;

/** What is wrong with a list of checks as a whole. */
export function listProblems(
  checks: readonly RoundCheck[]
): { path: (string | number)[]; message: string }[] {
  const problems: { path: (string | number)[]; message: string }[] = [];
  const seen = new Map<string, number>();
  for (const [i, c] of checks.entries()) {
    const issue = (field: string, message: string) => problems.push({ path: [i, field], message });
    if (seen.has(c.key)) issue('key', `Check ${seen.get(c.key)! + 1} has that key too.`);
    else seen.set(c.key, i);
    if (c.how === 'choose') {
      if (!c.choices.some((x) => x.wrong === null)) issue('choices', 'One of them is as it should be.');
      if (new Set(c.choices.map((x) => x.word.toLowerCase())).size < c.choices.length)
        issue('choices', 'Two of them read alike.');
    }
    const g: Gauge | undefined = c.how === 'measure' ? c : c.how === 'count' ? undefined : c.reads;
    if (!g) continue;
    const kind = g.figure === null ? null : figureKind(g.figure);
    if (kind && (kind.dimension === null || kind.perFastener))
      issue('figure', `“${kind.label}” is not read off a gauge.`);
    else if (kind && kind.dimension !== UNITS[g.unit].dimension)
      issue('unit', `${g.unit} does not measure “${kind.label}”.`);
    if (g.from !== null && g.to !== null && g.from > g.to) issue('from', 'The band runs backwards.');
  }
  if (!checks.some((c) => !c.off)) problems.push({ path: [], message: 'At least one thing is looked at.' });
  return problems;
}

export const roundChecks = z
  .array(check)
  .min(1, 'At least one thing is looked at.')
  .max(200, 'At most 200 checks.')
  .superRefine((list, ctx) => {
    for (const p of listProblems(list)) ctx.addIssue({ code: 'custom', path: p.path, message: p.message });
  });

export const keptChecks = z.object({ v: z.literal(1), checks: z.array(check) });
/** A team's checks as they are kept. @throws UnreadableError */
export const readChecks = (kept: unknown): RoundCheck[] =>
  readStored('what is checked in a round', keptChecks, kept).checks;
export const writeChecks = (checks: readonly RoundCheck[]) => ({ v: 1 as const, checks });
