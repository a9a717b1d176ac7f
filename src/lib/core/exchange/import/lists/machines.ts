import { KINDS } from '../../../machine/machine';
import { machineNamed, oneOf, personNamed } from '../refs';
import type { ImportList } from '../model';
import { refusing, Unknown } from '../refusal';

export const machines: ImportList = {
  fields: [
    { key: 'plate', kind: 'text', needed: true, heads: /^(plate|number|no|nr|race ?number|start number)$/ },
    { key: 'name', kind: 'text', heads: /^(name|machine|bike|quad|vehicle|called)$/ },
    { key: 'maker', kind: 'text', heads: /^(maker|make|brand|manufacturer)$/ },
    { key: 'kind', kind: 'text', needed: true, heads: /^(kind|type|category)$/ },
    { key: 'rider', kind: 'person', heads: /^(rider|ridden by|who|driver)$/ },
    { key: 'meter', kind: 'text', told: true, heads: /^(meter|counted by|hours counted by)$/ },
    {
      key: 'running hours',
      kind: 'hours',
      told: true,
      heads: /^(running hours|hours|engine hours|total|meter shows)$/
    }
  ],
  keyOf: (row) => row['plate']!.toLowerCase(),
  make([row], refs) {
    const kind = oneOf(KINDS, row!['kind']!, 'kind of machine');
    const riderId = personNamed(refs, row!['rider']!);
    const hours = row!['running hours']!;
    const meter = row!['meter']
      ? oneOf(['hour meter', 'reckoned'] as const, row!['meter']!, 'way of counting')
      : 'hour meter';
    return {
      ok: true,
      word: `${hours ? '' : 'Its hours are not known until they are read or written down. '}Its tasks come with the list of tasks, or on its page`,
      drafts: [
        {
          kind: 'machine.add',
          body: {
            id: refs.idOf(true, 'machine', row!['plate']!.toLowerCase()),
            plate: row!['plate']!,
            name: row!['name'] || row!['maker'] || row!['plate']!,
            maker: row!['maker']!,
            kind,
            riderId,
            meter,
            reading: hours,
            tasks: []
          }
        }
      ]
    };
  },
  change([row], { raw }, differs, refs) {
    if (differs.includes('kind'))
      return refusing(`It is a ${String(raw['kind'])} in the book, and that does not change.`);
    const machine = machineNamed(refs, row!['plate']!);
    if (machine.plate.toLowerCase() !== row!['plate']!.toLowerCase())
      throw new Unknown('Another machine is called that.');
    return {
      ok: true,
      drafts: [
        {
          kind: 'machine.change',
          body: {
            machineId: machine.id,
            ...(differs.includes('name') && { name: row!['name'] }),
            ...(differs.includes('maker') && { maker: row!['maker'] }),
            ...(differs.includes('rider') && { riderId: personNamed(refs, row!['rider']!) })
          }
        }
      ]
    };
  }
};
