import { parseBand } from '../../../quantity/band';
import { implausible } from '../../../specs/plausible';
import {
  CIRCUITS,
  CONFIDENCES,
  FASTENER_ROLES,
  figureKind,
  FIGURE_KEYS,
  SEALS,
  type FigureKey
} from '../../../specs/sheet';
import { kindOfFastener } from '../../../specs/usual';
import { machineNamed, oneOf } from '../refs';
import type { Draft, ImportList, Made, Refs, Row } from '../model';
import { refusing, Unknown } from '../refusal';

const plate = {
  key: 'plate',
  kind: 'machine',
  needed: true,
  told: true,
  heads: /^(plate|machine|bike|quad|number)$/
} as const;
const source = { kind: 'text', told: true } as const;

/** A figure as it would be typed: from its ends and unit, or its words. */
function printed(row: Row, from = 'from', to = 'to', unit = 'unit', words = 'words'): string {
  const [low, high, in_] = [row[from] ?? '', row[to] ?? '', row[unit] ?? ''];
  if (!low && !high) return row[words] ?? '';
  const said = (n: string) => `${n} ${in_}`.trim();
  if (low && high) return low === high ? said(low) : `${low}–${high} ${in_}`.trim();
  return low ? `at least ${said(low)}` : `at most ${said(high)}`;
}
const keyNamed = (said: string): FigureKey => {
  const found = FIGURE_KEYS.find(
    (k) => k === said.toLowerCase() || figureKind(k).label.toLowerCase() === said.toLowerCase()
  );
  if (!found)
    throw new Unknown(
      `“${said.slice(0, 40)}” is no figure of a sheet. The list as it leaves the book names them all.`
    );
  return found;
};
const fastenerNamed = (refs: Refs, machineId: string, said: string): string => {
  const found = refs.fasteners.find(
    (f) => f.machineId === machineId && f.name.toLowerCase() === said.toLowerCase()
  );
  if (!found)
    throw new Unknown(
      `No fastener “${said.slice(0, 40)}” on its sheet. Bring it in with the list of fasteners first.`
    );
  return found.id;
};
/** A figure that looks like a slip of a digit or unit is doubted before it is sent. */
function doubtOf(key: FigureKey, typed: string): string | undefined {
  const kind = figureKind(key);
  if (!kind.dimension) return undefined;
  const parsed = parseBand(typed, {
    dimension: kind.dimension,
    unit: kind.unit,
    ...(kind.signed && { allowNegative: true })
  });
  return parsed.ok ? (implausible(kind, parsed.band) ?? undefined) : undefined;
}

function putFigure(row: Row, refs: Refs, id: string): Made {
  const machineId = machineNamed(refs, row['plate']!).id;
  const key = keyNamed(row['key'] || row['figure']!);
  const typed = printed(row);
  if (!typed) return refusing('There is no figure in this row.');
  if (!row['source']) return refusing('Which manual, or who said so? There is no source in this row.');
  const doubt = doubtOf(key, typed);
  return {
    ok: true,
    doubt,
    drafts: [
      {
        kind: 'figure.add',
        body: {
          id,
          machineId,
          key,
          fastenerId: row['fastener'] ? fastenerNamed(refs, machineId, row['fastener']!) : null,
          typed,
          source: row['source']!,
          page: row['page']!,
          confidence: row['how sure'] ? oneOf(CONFIDENCES, row['how sure']!, 'degree of sureness') : 'told',
          variant: row['variant']!,
          sure: doubt !== undefined
        }
      }
    ]
  };
}

export const figures: ImportList = {
  fields: [
    plate,
    { key: 'key', kind: 'text', told: true, heads: /^key$/ },
    { key: 'figure', kind: 'text', told: true, heads: /^(figure|spec|specification|item|what)$/ },
    { key: 'fastener', kind: 'text', told: true, heads: /^(fastener|bolt)$/ },
    { key: 'as printed', kind: 'text', told: true, heads: /^(as printed|value|printed|amount)$/ },
    { key: 'from', kind: 'number', heads: /^(from|min|minimum|low)$/ },
    { key: 'to', kind: 'number', heads: /^(to|max|maximum|high)$/ },
    { key: 'unit', kind: 'text', heads: /^units?$/ },
    { key: 'words', kind: 'text', heads: /^(words|text)$/ },
    { key: 'source', heads: /^(source|manual|from where)$/, ...source },
    { key: 'page', heads: /^page$/, ...source },
    { key: 'how sure', heads: /^(how sure|confidence)$/, ...source },
    { key: 'variant', heads: /^(variant|for)$/, ...source }
  ],
  refine(row) {
    if (!row['key'] && !row['figure']) throw new Unknown('Which figure? There is none named in this row.');
    if (!row['as printed'] || row['from'] || row['to']) return row;
    const kind = figureKind(keyNamed(row['key'] || row['figure']!));
    if (!kind.dimension) return { ...row, words: row['as printed'] };
    const parsed = parseBand(row['as printed'], {
      dimension: kind.dimension,
      unit: kind.unit,
      ...(kind.signed && { allowNegative: true })
    });
    if (!parsed.ok) throw new Unknown(parsed.problem.message);
    const { from, to } = parsed.band;
    return {
      ...row,
      from: from ? String(from.value) : '',
      to: to ? String(to.value) : '',
      unit: (from ?? to)!.unit
    };
  },
  keyOf: (row, refs) => {
    const machineId = machineNamed(refs, row['plate']!).id;
    return [
      machineId,
      keyNamed(row['key'] || row['figure']!),
      (row['fastener'] ?? '').toLowerCase(),
      (row['variant'] ?? '').toLowerCase()
    ].join('|');
  },
  make: ([row], refs) => putFigure(row!, refs, refs.idOf(true, 'figure', figures.keyOf(row!, refs))),
  change: ([row], { raw }, _, refs) =>
    putFigure(
      {
        ...row!,
        source: row!['source'] || String(raw['source'] ?? ''),
        'how sure': row!['how sure'] || String(raw['confidence'] ?? '')
      },
      refs,
      refs.idOf(true, 'figure', figures.keyOf(row!, refs))
    )
};

const FASTENER_WORDS = ['where', 'head', 'thread', 'pattern', 'lengths', 'comes with', 'note'] as const;
const BODY: Record<(typeof FASTENER_WORDS)[number], string> = {
  where: 'place',
  head: 'head',
  thread: 'thread',
  pattern: 'pattern',
  lengths: 'lengths',
  'comes with': 'comesWith',
  note: 'note'
};
const torqueOf = (row: Row) => printed(row, 'torque', 'torque to', 'torque unit', 'torque in words');

function torque(
  row: Row,
  fastenerId: string,
  machineId: string,
  refs: Refs
): { draft: Omit<Draft, 'id'> | null; doubt?: string; word?: string } {
  const typed = torqueOf(row);
  if (!typed) return { draft: null };
  if (!row['torque source'])
    return { draft: null, word: 'Its torque is left out: a column “torque source” is to say which manual' };
  const doubt = doubtOf('torque', typed);
  return {
    doubt,
    draft: {
      kind: 'figure.add',
      body: {
        id: refs.idOf(true, 'torque', fastenerId),
        machineId,
        key: 'torque',
        fastenerId,
        typed,
        source: row['torque source']!,
        page: row['torque page'] ?? '',
        confidence: row['torque how sure']
          ? oneOf(CONFIDENCES, row['torque how sure']!, 'degree of sureness')
          : 'told',
        sure: doubt !== undefined
      }
    }
  };
}

export const fasteners: ImportList = {
  fields: [
    plate,
    { key: 'circuit', kind: 'text', heads: /^circuit$/ },
    { key: 'role', kind: 'text', heads: /^(role|what it is|kind)$/ },
    { key: 'name', kind: 'text', needed: true, told: true, heads: /^(name|fastener|part|bolt|item)s?$/ },
    { key: 'where', kind: 'text', heads: /^(where|place|location|position)$/ },
    { key: 'how many', kind: 'number', heads: /^(how many|count|qty|quantity|pcs)$/ },
    { key: 'head', kind: 'text', heads: /^(head|size|socket|tool)$/ },
    { key: 'thread', kind: 'text', heads: /^thread$/ },
    { key: 'seal', kind: 'text', heads: /^(seal|washer|ring)$/ },
    { key: 'magnet', kind: 'yes', heads: /^magnet$/ },
    { key: 'torque', kind: 'number', heads: /^(torque|tightening|tightening torque)$/ },
    { key: 'torque to', kind: 'number', heads: /^torque to$/ },
    { key: 'torque unit', kind: 'text', heads: /^torque unit$/ },
    { key: 'torque in words', kind: 'text', heads: /^torque in words$/ },
    { key: 'torque source', heads: /^(torque source|source|manual)$/, ...source },
    { key: 'torque page', heads: /^(torque page|page)$/, ...source },
    { key: 'torque how sure', heads: /^torque how sure$/, ...source },
    { key: 'pattern', kind: 'text', heads: /^(pattern|order|tightening order|order of tightening)$/ },
    { key: 'lengths', kind: 'text', heads: /^(bolt )?lengths?( by position)?$/ },
    { key: 'comes with', kind: 'text', heads: /^(comes (out )?with( it)?|loose parts?)$/ },
    { key: 'note', kind: 'text', heads: /^(notes?|remarks?|comments?)$/ }
  ],
  keyOf: (row, refs) => `${machineNamed(refs, row['plate']!).id}|${row['name']!.toLowerCase()}`,
  make([row], refs) {
    const machineId = machineNamed(refs, row!['plate']!).id;
    const guessed = kindOfFastener(row!['name']!, [...CIRCUITS]);
    const id = refs.idOf(true, 'fastener', fasteners.keyOf(row!, refs));
    const { draft, doubt, word } = torque(row!, id, machineId, refs);
    const body = {
      id,
      machineId,
      circuit: row!['circuit']
        ? oneOf(CIRCUITS, row!['circuit']!, 'circuit')
        : row!['role']
          ? null
          : guessed.circuit,
      role: row!['role'] ? oneOf(FASTENER_ROLES, row!['role']!, 'kind of fastener') : guessed.role,
      name: row!['name']!,
      quantity: row!['how many'] || '1',
      magnet: row!['magnet'] === 'yes',
      seal: row!['seal'] ? oneOf(SEALS, row!['seal']!, 'seal') : 'none',
      ...Object.fromEntries(FASTENER_WORDS.map((w) => [BODY[w], row![w] ?? '']))
    };
    return { ok: true, doubt, word, drafts: [{ kind: 'fastener.add', body }, ...(draft ? [draft] : [])] };
  },
  change([row], { raw, rows: [is] }, differs, refs): Made {
    const machineId = machineNamed(refs, row!['plate']!).id;
    const fastenerId = raw['id'] as string;
    const has = (f: string) => differs.includes(f);
    const body = {
      fastenerId,
      ...(has('circuit') && { circuit: oneOf(CIRCUITS, row!['circuit']!, 'circuit') }),
      ...(has('role') && { role: oneOf(FASTENER_ROLES, row!['role']!, 'kind of fastener') }),
      ...(has('how many') && { quantity: row!['how many'] }),
      ...(has('magnet') && { magnet: row!['magnet'] === 'yes' }),
      ...(has('seal') && { seal: oneOf(SEALS, row!['seal']!, 'seal') }),
      ...Object.fromEntries(FASTENER_WORDS.filter(has).map((w) => [BODY[w], row![w]]))
    };
    const turned = differs.some((f) => f.startsWith('torque'))
      ? torque(
          { ...row!, 'torque unit': row!['torque unit'] || is!['torque unit']! },
          fastenerId,
          machineId,
          refs
        )
      : { draft: null };
    const drafts: Omit<Draft, 'id'>[] = [
      ...(Object.keys(body).length > 1 ? [{ kind: 'fastener.change' as const, body }] : []),
      ...(turned.draft ? [turned.draft] : [])
    ];
    return { ok: true, drafts, doubt: turned.doubt, word: turned.word };
  }
};
