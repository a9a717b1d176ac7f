import { afterAll, beforeAll, expect, it } from 'vitest';
import { later, Pit } from '../../../../tests/database/pit';
import { uuid } from '../../../../tests/database/book';
import { command } from '../../../../tests/database/hands';
import { listAudit } from './audit';

let pit: Pit;
beforeAll(async () => {
  pit = await Pit.open();
});
afterAll(() => pit.book.close());
const audit = (more: Partial<Parameters<typeof listAudit>[2]> = {}) =>
  listAudit(pit.sql, pit.book.team.id, { machineId: null, personId: null, before: null, ...more });

it('the audit is read of a team, of a machine and of a person, page by page', async () => {
  const { team, personId, machineId } = pit.book;
  const other = uuid();
  await pit.sql`insert into person (team_id, id, name, role) values (${team.id}, ${other}, 'Ada Thorne', 'mechanic')`;
  const find = (by: string, machine: string, what: string) =>
    command(
      pit.sql,
      team,
      by,
      'finding.add',
      {
        id: uuid(),
        machineId: machine,
        componentId: null,
        what,
        place: '',
        note: '',
        severity: 'watch'
      } as never,
      later(1)
    );
  await find(other, machineId, 'First');
  await find(personId, pit.other, 'Second');
  for (let i = 0; i < 55; i++) await find(personId, machineId, `More ${i}`);
  const what = (r: { body: unknown }) => (r.body as { what?: string }).what;

  const of = await audit({ machineId: pit.other });
  expect(of.rows.map(what)[0]).toBe('Second');
  expect(of.rows.every((r) => r.machines.includes('9'))).toBe(true);
  const hers = await audit({ personId: other });
  expect(hers.rows.map((r) => [r.kind, r.by, what(r)])).toEqual([['finding.add', 'Ada Thorne', 'First']]);
  const first = await audit();
  expect(first.rows).toHaveLength(50);
  expect(what(first.rows[0]!)).toBe('More 54');
  const second = await audit({ before: first.older });
  expect(second.rows.slice(0, 6).map(what)).toEqual([
    'More 4',
    'More 3',
    'More 2',
    'More 1',
    'More 0',
    'Second'
  ]);
});

it('what was carried out is not changed by anybody', async () => {
  await expect(pit.sql`update command set body = '{}'`).rejects.toThrow('not changed');
  await expect(pit.sql`update command set person_id = person_id, at = now()`).rejects.toThrow('not changed');
});
