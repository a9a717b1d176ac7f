import { ADDITIVES, OIL_KINDS, RATINGS } from '../../../fluids/can';
import { oneOf, someOf } from '../refs';
import type { ImportList } from '../model';
import { refusing } from '../refusal';

export const oils: ImportList = {
  fields: [
    { key: 'name', kind: 'text', needed: true, told: true, heads: /^(name|oil|product)$/ },
    { key: 'grade', kind: 'text', needed: true, told: true, heads: /^(grade|viscosity)$/ },
    { key: 'made for', kind: 'text', heads: /^(made for|kind|type|for)$/ },
    { key: 'ratings', kind: 'words', heads: /^(ratings?|approvals?)$/ },
    { key: 'holds', kind: 'words', heads: /^(holds|additives?)$/ },
    { key: 'a bottle', kind: 'number', heads: /^(a bottle|bottle|bottle size)$/ },
    { key: 'there is', kind: 'number', heads: /^(there is|stock|left|amount)$/ }
  ],
  keyOf: (row) => `${row['name']!.toLowerCase()}|${row['grade']!.toLowerCase()}`,
  make([row], refs) {
    if (!row!['made for']) return refusing(`What is it made for? One of: ${OIL_KINDS.join(', ')}.`);
    if (!row!['a bottle']) return refusing('How much does a bottle hold, in ml?');
    return {
      ok: true,
      drafts: [
        {
          kind: 'oil.add',
          body: {
            id: refs.idOf(true, 'oil', oils.keyOf(row!, refs)),
            name: row!['name']!,
            grade: row!['grade']!,
            kind: oneOf(OIL_KINDS, row!['made for']!, 'kind of oil'),
            ratings: someOf(RATINGS, row!['ratings']!, 'rating'),
            additives: someOf(ADDITIVES, row!['holds']!, 'additive'),
            bottle: `${row!['a bottle']} ml`,
            stock: row!['there is'] && row!['there is'] !== '0' ? `${row!['there is']} ml` : ''
          }
        }
      ]
    };
  },
  change([row], { raw }, differs, refs) {
    const rest = differs.filter((f) => f !== 'there is');
    if (rest.length > 0)
      return refusing(
        `Its ${rest.join(' and ')} is another in the book. Put the new one down under another name, and put the old one away.`
      );
    return {
      ok: true,
      drafts: [
        {
          kind: 'oil.stock',
          body: {
            id: refs.idOf(true, 'stock', String(raw['id'])),
            oilId: raw['id'],
            now: `${row!['there is']} ml`,
            why: 'from a file'
          }
        }
      ]
    };
  }
};
