import type { Additive, OilKind, Rating } from '../src/lib/core/fluids/can';
import type { Circuit } from '../src/lib/core/specs/sheet';
import type { Db } from '../src/lib/server/base/db';
import { addDays, type Day } from '../src/lib/core/time/day';
import { at, DEMO_TEAM_ID, person, uid } from './ids';

interface DemoOil {
  slug: string;
  name: string;
  kind: OilKind;
  grade: string;
  ratings: Rating[];
  additives?: Additive[];
  bottleMl: number;
  stockMl: number;
}
/** The shelf: invented makers. One can is there to be taken by mistake. */
const OILS: DemoOil[] = [
  {
    slug: '4t',
    name: 'Brindle Four',
    kind: 'engine oil, four-stroke',
    grade: '10W-50',
    ratings: ['JASO MA2'],
    bottleMl: 1000,
    stockMl: 5650
  },
  {
    slug: '4t-light',
    name: 'Brindle Four',
    kind: 'engine oil, four-stroke',
    grade: '10W-40',
    ratings: ['JASO MA'],
    bottleMl: 4000,
    stockMl: 6200
  },
  {
    slug: 'car',
    name: 'Ardley Motor',
    kind: 'engine oil, four-stroke',
    grade: '5W-40',
    ratings: [],
    additives: ['friction modifiers'],
    bottleMl: 5000,
    stockMl: 7300
  },
  {
    slug: 'burnt',
    name: 'Corvane Racing Two',
    kind: 'two-stroke oil, burnt with the fuel',
    grade: 'SAE 30',
    ratings: [],
    bottleMl: 1000,
    stockMl: 3000
  },
  {
    slug: 'diff',
    name: 'Ardley Final',
    kind: 'differential oil',
    grade: '80W-90',
    ratings: ['API GL-5'],
    bottleMl: 1000,
    stockMl: 850
  }
];
export function oilFor(circuit: Circuit): DemoOil {
  const slug = circuit.includes('differential') ? 'diff' : circuit === 'gearbox' ? '4t-light' : '4t';
  return OILS.find((o) => o.slug === slug)!;
}

/** Wrenches, an adapter and the oils, with what there is of them. */
export async function loadStores(tx: Db, today: Day, season: Day): Promise<void> {
  const base = { team_id: DEMO_TEAM_ID, created_by: person('maud'), created_at: at(season, 0) };
  await tx`insert into torque_wrench ${tx([
    {
      ...base,
      id: uid('wrench/small'),
      name: 'Small click wrench',
      unit: 'N·m',
      low_nm: 2,
      high_nm: 24,
      length_mm: 210,
      calibrated_until: addDays(today, 140)
    },
    {
      ...base,
      id: uid('wrench/large'),
      name: 'Large click wrench',
      unit: 'lbf·ft',
      low_nm: 20,
      high_nm: 110,
      length_mm: 380,
      calibrated_until: addDays(today, -12)
    }
  ])}`;
  await tx`insert into adapter ${tx([{ ...base, id: uid('adapter/12'), name: 'Open adapter 12 mm', length_mm: 42 }])}`;
  for (const o of OILS) {
    const id = uid(`oil/${o.slug}`);
    await tx`insert into oil ${tx({ ...base, id, name: o.name, kind: o.kind, grade: o.grade, ratings: o.ratings, additives: o.additives ?? [], bottle_ml: o.bottleMl })}`;
    await tx`insert into oil_movement ${tx({ team_id: DEMO_TEAM_ID, id: uid(`oil/${o.slug}/stock`), oil_id: id, ml: o.stockMl, why: 'counted on the shelf', at: at(addDays(today, -6), 0), by: person('maud') })}`;
  }
}

/** Foam that goes round: one set for bikes that take the same, one for the quads; one of them waits to be washed. */
const FILTERS = [
  {
    slug: 'bikes',
    name: 'Foam, 250 and 300',
    machines: ['rake250', 'gill300', 'fell250', 'fell350'],
    clean: 2,
    dirty: 1
  },
  { slug: 'quads', name: 'Foam, quads', machines: ['lynchet', 'packhorse'], clean: 1, dirty: 0 }
];
/** Air filters in rotation, and which machines take them. */
export async function loadFilters(tx: Db, since: Day): Promise<void> {
  const team_id = DEMO_TEAM_ID;
  for (const f of FILTERS) {
    const id = uid(`filter/${f.slug}`);
    await tx`insert into air_filter ${tx({ team_id, id, name: f.name, created_by: person('jory') })}`;
    await tx`update machine set air_filter_id = ${id} where team_id = ${team_id} and id = any(${f.machines.map(uid)}::uuid[])`;
    await tx`insert into air_filter_movement ${tx({ team_id, id: uid(`filter/${f.slug}/counted`), filter_id: id, clean: f.clean, dirty: f.dirty, why: 'counted', at: at(since, 30), by: person('jory') })}`;
  }
}
