import { CLUTCH_USES, CONDITIONS, OUTING_KINDS, SYMPTOMS } from '../../../outing/outing';
import { machineNamed, oneOf, personNamed, someOf } from '../refs';
import type { ImportList, Made, Row } from '../model';
import { refusing } from '../refusal';
import type { Field } from '../field';

const plate: Field = {
  key: 'plate',
  kind: 'machine',
  needed: true,
  heads: /^(machine|bike|quad|plate|number|no|nr|race ?number|vehicle)$/
};
const shows: Field = {
  key: 'hours',
  kind: 'hours',
  heads: /^(hours?|meter|hour ?meter|reading|meter after|after|hours after|end|meter shows|engine hours)$/
};
const RIDDEN =
  /^(ridden|time|time ridden|duration|ride time|ridden without a meter|minutes?|mins?|minutes ridden|ride minutes|hours ridden|ridden hours|ride hours|hours of riding)$/;
const remark: Field = { key: 'remark', kind: 'text', heads: /^(remarks?|notes?|comments?|words)$/ };

/** What the field of a form would hold: a meter that was read wins over time ridden. */
const typedOf = (row: Row): string => row['hours'] || (row['ridden'] ? `+${row['ridden']} h` : '');
/** Where no meter counts, hours that were typed are time ridden. */
const asRidden = (row: Row): Row | null =>
  row['hours'] ? { ...row, hours: '', ridden: row['hours']! } : null;
/** Words that the file puts otherwise do not touch what was ridden: the book keeps its own. */
const keepsItsWords = (differs: readonly string[]): Made => ({
  ok: true,
  drafts: [],
  word: `In the book with another ${differs.join(', ')}; the book’s stays.`
});

export const readings: ImportList = {
  many: (row) => !row['hours'],
  lasting: true,
  otherwise: asRidden,
  fields: [
    plate,
    { key: 'day', kind: 'day', needed: true, heads: /^(day|date|on|when|read at|read on)$/ },
    shows,
    { key: 'ridden', kind: 'ridden', heads: RIDDEN },
    { key: 'outing', kind: 'text', told: true, heads: /^(outing|kind)$/ },
    { key: 'struck out', kind: 'text', told: true, heads: /^(struck out because|struck|struck out)$/ },
    remark
  ],
  keyOf: (row, refs) =>
    [machineNamed(refs, row['plate']!).id, row['day'], row['hours'], row['hours'] ? '' : row['ridden']].join(
      '|'
    ),
  make([row], refs, nth) {
    if (row!['outing'])
      return refusing('It was read at the end of an outing: it comes with the list of outings.');
    if (row!['struck out']) return refusing('It is struck out there.');
    if (!typedOf(row!)) return refusing('No hours and no time ridden in this row.');
    const machineId = machineNamed(refs, row!['plate']!).id;
    const id = refs.idOf(false, 'reading', machineId, row!['day']!, typedOf(row!), String(nth));
    return {
      ok: true,
      drafts: [
        {
          kind: 'reading.log',
          body: { id, machineId, typed: typedOf(row!), day: row!['day']!, remark: row!['remark']! }
        }
      ]
    };
  },
  change: (_, __, differs) => keepsItsWords(differs)
};

export const outings: ImportList = {
  many: (row) => !row['hours'],
  lasting: true,
  otherwise: asRidden,
  fields: [
    plate,
    { key: 'day', kind: 'day', heads: /^(day|date|on|when)$/ },
    { key: 'kind', kind: 'text', heads: /^(kind|type|what|session|outing)$/ },
    { key: 'rider', kind: 'person', heads: /^(rider|ridden by|who|name|driver)$/ },
    shows,
    { key: 'ridden', kind: 'ridden', heads: RIDDEN },
    { key: 'before', kind: 'hours', told: true, heads: /^(before|start|meter before|hours before)$/ },
    { key: 'distance', kind: 'distance', heads: /^(distance|km|kilometres?|kilometers?|dist|miles?|mi)$/ },
    { key: 'conditions', kind: 'words', heads: /^(conditions?|ground|weather|terrain|surface)$/ },
    { key: 'water crossings', kind: 'number', heads: /^(crossings?|water|water crossings|fords?)$/ },
    { key: 'clutch', kind: 'text', heads: /^(clutch|clutch use)$/ },
    { key: 'symptoms', kind: 'words', heads: /^(symptoms?|problems?|complaints?|issues?|trouble)$/ },
    remark
  ],
  keyOf: (row, refs) =>
    [
      machineNamed(refs, row['plate']!).id,
      row['day'] || refs.usual.day,
      kindOf(row, refs.usual.kind),
      row['hours'],
      row['hours'] ? '' : row['ridden'],
      row['hours'] || row['ridden'] ? '' : row['distance']
    ].join('|'),
  make([row], refs, nth) {
    const get = (key: string) => row![key] ?? '';
    const machineId = machineNamed(refs, get('plate')).id;
    const riderId = personNamed(refs, get('rider'));
    const body = {
      machineId,
      day: get('day') || refs.usual.day,
      typed: typedOf(row!),
      before: get('hours') ? get('before') : '',
      distance: get('distance'),
      outing: kindOf(row!, refs.usual.kind),
      riderId,
      conditions: someOf(CONDITIONS, get('conditions'), 'condition'),
      crossings: get('water crossings') === '0' ? '' : get('water crossings'),
      clutch: get('clutch') ? oneOf(CLUTCH_USES, get('clutch'), 'clutch use') : 'usual',
      symptoms: someOf(SYMPTOMS, get('symptoms'), 'symptom known here; put it under remark'),
      remark: get('remark')
    };
    const key = [body.machineId, body.day, body.outing, body.typed, body.typed ? '' : body.distance];
    return {
      ok: true,
      drafts: [
        { kind: 'reading.log', body: { ...body, id: refs.idOf(false, 'outing', ...key, String(nth)) } }
      ]
    };
  },
  change: (_, __, differs) => keepsItsWords(differs)
};
const kindOf = (row: Row, usual: string) =>
  row['kind'] ? oneOf(OUTING_KINDS, row['kind']!, 'kind of outing') : usual;
