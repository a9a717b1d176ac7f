import { COMPONENT_KINDS, PLACES } from '../../../component/component';
import { machineNamed, oneOf } from '../refs';
import type { ImportList } from '../model';
import { refusing, Unknown } from '../refusal';

export const components: ImportList = {
  fields: [
    { key: 'kind', kind: 'text', needed: true, told: true, heads: /^(kind|type)$/ },
    { key: 'name', kind: 'text', needed: true, told: true, heads: /^(name|component|called)$/ },
    { key: 'serial', kind: 'text', told: true, heads: /^(serial|serial number|number|no)$/ },
    { key: 'plate', kind: 'machine', heads: /^(plate|machine|bike|quad|on)$/ },
    { key: 'in', kind: 'text', heads: /^(in|engine|in engine|host)$/ },
    { key: 'place', kind: 'text', heads: /^(place|where)$/ },
    { key: 'fitted on', kind: 'day', told: true, heads: /^(fitted on|fitted|since|on since)$/ },
    { key: 'hours', kind: 'hours', told: true, heads: /^(hours|running hours|engine hours|total)$/ },
    { key: 'scrapped on', kind: 'text', told: true, heads: /^(scrapped on|scrapped)$/ },
    { key: 'note', kind: 'text', told: true, heads: /^(notes?|remarks?|comments?)$/ }
  ],
  // Without a serial, one is known by where it is: two alike on two machines are two.
  keyOf: (row) =>
    [
      row['kind']!,
      ...(row['serial']
        ? ['serial', row['serial']]
        : ['name', row['name']!, row['plate'], row['in'], row['place']])
    ]
      .join('|')
      .toLowerCase(),
  many: (row) => !row['serial'] && !row['plate'] && !row['in'],
  make([row], refs, nth) {
    const kind = oneOf(COMPONENT_KINDS, row!['kind']!, 'kind of component');
    const machine = row!['plate'] ? machineNamed(refs, row!['plate']!) : null;
    const host = row!['in']
      ? refs.components.filter((c) => c.name.toLowerCase() === row!['in']!.toLowerCase())
      : [];
    if (row!['in'] && host.length !== 1)
      throw new Unknown(
        host.length === 0
          ? `No engine “${row!['in']!.slice(0, 40)}” in the book yet.`
          : `Two are called “${row!['in']}”.`
      );
    if (row!['scrapped on']) return refusing('It is scrapped there: it is not taken in.');
    const fitted = host.length > 0 || machine !== null;
    return {
      ok: true,
      word: fitted && !row!['fitted on'] ? `On it since today, as nothing else is said` : '',
      drafts: [
        {
          kind: 'component.add',
          body: {
            id: refs.idOf(true, 'component', components.keyOf(row!, refs), String(nth)),
            kind,
            name: row!['name']!,
            serial: row!['serial']!,
            brought: row!['hours']!,
            note: row!['note']!,
            machineId: host.length > 0 ? null : (machine?.id ?? null),
            hostId: host[0]?.id ?? null,
            place: row!['place'] ? oneOf(PLACES, row!['place']!, 'place') : '',
            fittedOn: fitted ? row!['fitted on'] || refs.today : ''
          }
        }
      ]
    };
  },
  change: (_, __, differs) =>
    refusing(
      `Its ${differs.join(' and ')} is another in the book. Move it on its own page: the hours go with it.`
    )
};
