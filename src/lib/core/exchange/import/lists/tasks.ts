import { distanceTypedOrNone, hoursTypedOrNone } from '../../../forms';
import { MEASURES, type Measure } from '../../../schedule/task';
import { ownerNamed } from '../refs';
import type { ImportList, Refs, Row } from '../model';
import { refusing, Unknown } from '../refusal';

const plate = {
  key: 'plate',
  kind: 'machine',
  told: true,
  heads: /^(plate|machine|bike|quad|number)$/
} as const;
const component = { key: 'component', kind: 'text', told: true, heads: /^(component|part|engine)$/ } as const;
const task = {
  key: 'task',
  kind: 'text',
  needed: true,
  told: true,
  heads: /^(task|what|job to do|maintenance|service|item)$/
} as const;

const keyOf = (row: Row, refs: Refs): string => {
  const { machineId, componentId } = ownerNamed(refs, row['plate']!, row['component']!);
  return `${machineId ?? ''}|${componentId ?? ''}|${row['task']!.toLowerCase()}`;
};

/** What is counted, and in which unit: by its own column, else by the unit behind the figure, else hours. @throws Unknown */
function countedIn(row: Row): { measure: Measure; unit: string; of: string } {
  const said = (row['counted in'] || /[a-z]+$/i.exec(row['every'] ?? '')?.[0] || 'hours').toLowerCase();
  const times = /^times(?: of (.+))?$/.exec(said);
  if (times) return { measure: 'times', unit: '', of: times[1] ?? '' };
  if (/^(km|kilomet(re|er)s?|distance)$/.test(said)) return { measure: 'distance', unit: 'km', of: '' };
  if (/^(mi|miles?)$/.test(said)) return { measure: 'distance', unit: 'mi', of: '' };
  if (/^(h|hrs?|hours?|min|mins|minutes?)$/.test(said))
    return { measure: 'hours', unit: /^m/.test(said) ? 'min' : 'h', of: '' };
  const measure = MEASURES.find((m) => m === said || m === `${said}s` || (m === 'days' && said === 'd'));
  if (!measure)
    throw new Unknown(`“${said.slice(0, 30)}” is nothing that is counted: ${MEASURES.join(', ')}.`);
  return { measure, unit: '', of: '' };
}

/** Amounts as plain numbers of hours, kilometres or times, and what they count in one spelling. @throws Unknown */
function refine(row: Row): Row {
  const said = ['every', 'limit', 'first at', 'first limit'].filter((f) => row[f]);
  if (said.length === 0) return row;
  const { measure, unit, of } = countedIn(row);
  const amount = (typed: string): string => {
    const bare = typed.replace(/\s*(days?|d|outings?|races?|times)$/i, '');
    if (measure !== 'hours' && measure !== 'distance') return bare;
    const read = (measure === 'hours' ? hoursTypedOrNone : distanceTypedOrNone).safeParse(
      /^[\d.]+$/.test(bare) ? `${bare} ${unit}` : bare
    );
    if (!read.success) throw new Unknown(read.error.issues[0]!.message);
    return String(read.data! / 100);
  };
  return {
    ...row,
    ...Object.fromEntries(said.map((f) => [f, amount(row[f]!)])),
    'counted in': measure === 'distance' ? 'km' : measure === 'times' ? `times of ${of}` : measure
  };
}

function triggersOf(rows: readonly Row[], refs: Refs, ids: readonly (string | null)[], key: string) {
  const { machineId, componentId } = ownerNamed(refs, rows[0]!['plate']!, rows[0]!['component']!);
  return rows.flatMap((row, i) => {
    if (!row['every']) return [];
    const { measure, of } = countedIn(row);
    const other = refs.tasks.find(
      (t) =>
        t.machineId === machineId &&
        t.componentId === componentId &&
        t.name.toLowerCase() === of.toLowerCase()
    );
    if (measure === 'times' && !other)
      throw new Unknown(`No task “${of.slice(0, 40)}” there to be counted. It is to be in the book first.`);
    const amount = (field: string) =>
      row[field] && measure === 'distance' ? `${row[field]} km` : (row[field] ?? '');
    return [
      {
        id: ids[i] ?? refs.idOf(true, 'trigger', key, String(i)),
        measure,
        ofTaskId: measure === 'times' ? other!.id : null,
        every: amount('every'),
        limit: amount('limit'),
        first: amount('first at'),
        firstLimit: amount('first limit')
      }
    ];
  });
}

export const tasks: ImportList = {
  together: 'counted in',
  refine,
  fields: [
    plate,
    component,
    task,
    { key: 'job', kind: 'text', heads: /^job$/ },
    { key: 'counted in', kind: 'text', heads: /^(counted in|unit|measure|counts)$/ },
    { key: 'every', kind: 'amount', heads: /^(every|interval|due every)$/ },
    { key: 'limit', kind: 'amount', heads: /^(limit|at the latest|maximum)$/ },
    { key: 'first at', kind: 'amount', heads: /^(first at|first|first interval)$/ },
    { key: 'first limit', kind: 'amount', heads: /^first limit$/ },
    { key: 'last done', kind: 'day', told: true, heads: /^(last done|done on|last)$/ },
    { key: 'last done at', kind: 'hours', told: true, heads: /^(last done at|done at|at hours|last hours)$/ },
    { key: 'note', kind: 'text', heads: /^(notes?|remarks?|comments?)$/ }
  ],
  keyOf,
  make(rows, refs) {
    const row = rows[0]!;
    const key = keyOf(row, refs);
    const done = rows.find((r) => r['last done'])?.['last done'] ?? '';
    const triggers = triggersOf(rows, refs, [], key);
    if (triggers.length === 0) return refusing('Every how many? There is no interval in this row.');
    return {
      ok: true,
      word: done ? '' : 'When it was last done is not known',
      drafts: [
        {
          kind: 'task.add',
          body: {
            id: refs.idOf(true, 'task', key),
            ...ownerNamed(refs, row['plate']!, row['component']!),
            name: row['task']!,
            job: row['job'] || null,
            note: row['note']!,
            triggers,
            lastDone: done ? 'done' : 'not known',
            lastDoneDay: done,
            lastDoneHours: rows.find((r) => r['last done at'])?.['last done at'] ?? ''
          }
        }
      ]
    };
  },
  change(rows, { rows: is, raw }, differs, refs) {
    // A trigger keeps its id while it counts the same: what was shortened of it stays.
    const ids = rows.map((r) => is.find((b) => b['counted in'] === r['counted in'])?.['#'] ?? null);
    const merged = rows.map(
      (r, i) => ({ ...(is.find((b) => b['#'] === ids[i]) ?? {}), ...filled(r) }) as Row
    );
    return {
      ok: true,
      word:
        rows.length === is.length
          ? ''
          : `counted in ${is.length === 1 ? 'one thing' : `${is.length} things`} → ${rows.length}`,
      drafts: [
        {
          kind: 'task.change',
          body: {
            id: refs.idOf(true, 'change', keyOf(rows[0]!, refs)),
            taskId: raw['id'],
            name: is[0]!['task'],
            job: rows[0]!['job'] || (raw['job'] as string | null),
            note: rows[0]!['note'] || String(raw['note'] ?? ''),
            triggers: triggersOf(merged, refs, ids, keyOf(rows[0]!, refs)),
            ageing: raw['ageing'],
            anchoring: raw['anchoring'],
            sensitivity: Object.fromEntries(
              Object.entries(raw['sensitivity'] as Record<string, number>).map(([k, v]) => [k, String(v)])
            ),
            perPart: raw['per_part'],
            restartsOnRebuild: raw['restarts_on_rebuild'],
            answers: raw['answers'],
            word: `From a file: ${differs.join(', ') || 'what it is counted in'}.`
          }
        }
      ]
    };
  }
};
const filled = (row: Row): Row => Object.fromEntries(Object.entries(row).filter(([, v]) => v !== ''));

export const records: ImportList = {
  many: () => true,
  lasting: true,
  fields: [
    plate,
    component,
    task,
    { key: 'done on', kind: 'day', needed: true, told: true, heads: /^(done on|day|date|on|when|done)$/ },
    { key: 'at', kind: 'hours', heads: /^(at|hours|at hours|meter|engine hours|running hours)$/ },
    { key: 'reason', kind: 'text', heads: /^(reason|why)$/ },
    { key: 'remark', kind: 'text', heads: /^(remarks?|notes?|comments?|words)$/ }
  ],
  keyOf: (row, refs) => `${keyOf(row, refs)}|${row['done on']}`,
  make([row], refs, nth) {
    const owner = ownerNamed(refs, row!['plate']!, row!['component']!);
    const name = row!['task']!.toLowerCase();
    const found = refs.tasks.find(
      (t) =>
        t.machineId === owner.machineId &&
        t.componentId === owner.componentId &&
        t.name.toLowerCase() === name
    );
    if (!found)
      return refusing(
        `No task “${row!['task']!.slice(0, 40)}” is watched there. Bring it in with the list of tasks first.`
      );
    const id = refs.idOf(false, 'record', found.id, row!['done on']!, row!['at']!, String(nth));
    return {
      ok: true,
      drafts: [
        {
          kind: 'task.done',
          body: {
            id,
            taskId: found.id,
            day: row!['done on']!,
            hours: row!['at']!,
            reason: row!['reason']!,
            remark: row!['remark']!
          }
        }
      ]
    };
  },
  change([row], { rows: [is] }, differs, refs) {
    if (!differs.includes('at'))
      return {
        ok: true,
        drafts: [],
        word: `In the book with another ${differs.join(', ')}; the book’s stays.`
      };
    const again = records.make([row!], refs, 1);
    return again.ok
      ? {
          ...again,
          doubt: `The book has it done that day at ${is!['at'] || 'hours not known'}. Was it done twice?`
        }
      : again;
  }
};
