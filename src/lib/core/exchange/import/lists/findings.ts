import { CLOSINGS, SEVERITIES } from '../../../finding/finding';
import { ownerNamed, oneOf } from '../refs';
import type { Draft, ImportList, Made, Refs, Row } from '../model';
import { refusing } from '../refusal';

function closing(row: Row, findingId: string, refs: Refs): Omit<Draft, 'id'>[] {
  if (!row['closed on'] && !row['how it ended']) return [];
  const how = row['how it ended'] ? oneOf(CLOSINGS, row['how it ended']!, 'way to end') : 'done';
  return [
    {
      kind: 'finding.close',
      body: { findingId, how, word: row['with'] || how, closedOn: row['closed on'] || refs.today }
    }
  ];
}

export const findings: ImportList = {
  lasting: true,
  fields: [
    { key: 'plate', kind: 'machine', told: true, needed: true, heads: /^(plate|machine|bike|quad|number)$/ },
    { key: 'component', kind: 'text', told: true, heads: /^(component|part)$/ },
    {
      key: 'what',
      kind: 'text',
      needed: true,
      told: true,
      heads: /^(what|finding|problem|fault|defect|wrong)$/
    },
    { key: 'where', kind: 'text', heads: /^(where|place|location)$/ },
    { key: 'severity', kind: 'text', heads: /^(severity|how grave|grave|priority)$/ },
    { key: 'found on', kind: 'day', told: true, heads: /^(found on|found|day|date|on|when)$/ },
    { key: 'note', kind: 'text', heads: /^(notes?|remarks?|comments?)$/ },
    { key: 'closed on', kind: 'day', heads: /^(closed on|closed|done on|put right on)$/ },
    { key: 'how it ended', kind: 'text', heads: /^(how it ended|ended|how)$/ },
    { key: 'with', kind: 'text', heads: /^(with|done|what was done)$/ }
  ],
  keyOf: (row, refs) => {
    const { machineId, componentId } = ownerNamed(refs, row['plate']!, row['component']!);
    return [
      machineId ?? '',
      componentId ?? '',
      row['what']!.toLowerCase(),
      row['found on'] || refs.today
    ].join('|');
  },
  make([row], refs) {
    const on = ownerNamed(refs, row!['plate']!, row!['component']!);
    const machineId = ownerNamed(refs, row!['plate']!, '').machineId!;
    const severity = row!['severity'] ? oneOf(SEVERITIES, row!['severity']!, 'severity') : null;
    if (!severity) return refusing(`How grave is it? One of: ${SEVERITIES.join(', ')}.`);
    const id = refs.idOf(false, 'finding', findings.keyOf(row!, refs));
    const body = {
      id,
      machineId,
      componentId: on.componentId,
      what: row!['what']!,
      place: row!['where']!,
      note: row!['note']!,
      severity,
      foundOn: row!['found on'] || refs.today
    };
    return { ok: true, drafts: [{ kind: 'finding.add', body }, ...closing(row!, id, refs)] };
  },
  change([row], { raw, rows: [is] }, differs, refs): Made {
    const findingId = raw['id'] as string;
    const drafts: Omit<Draft, 'id'>[] = [];
    const open = !is!['closed on'];
    if (open && differs.includes('severity'))
      drafts.push({
        kind: 'finding.regrade',
        body: {
          id: refs.idOf(true, 'regrade', findingId),
          findingId,
          severity: oneOf(SEVERITIES, row!['severity']!, 'severity'),
          word: row!['note'] || 'From a file.'
        }
      });
    if (open) drafts.push(...closing(row!, findingId, refs));
    return drafts.length > 0
      ? { ok: true, drafts }
      : { ok: true, drafts, word: `In the book with another ${differs.join(', ')}; the book’s stays.` };
  }
};
