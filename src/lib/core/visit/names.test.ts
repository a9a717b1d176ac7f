import { expect, it } from 'vitest';
import { namesNobody } from './names';

const [plug, oil, nobody] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()];
const plan = { points: [{ id: plug }], items: [{ fastenerId: null }] } as never;
const tools = { oils: [{ id: oil }] } as never;
const of = (action: string, content: object) => namesNobody(plan, { action, content } as never, tools);

it('an id that leads nowhere is not kept, at whatever step it is written', () => {
  expect(of('done', { ml: 600, oilId: nobody })).toEqual({ kind: 'oil gone' });
  expect(of('done', { ml: 600, oilId: oil })).toBeNull();
  expect(of('done', { ml: 600, oilId: null })).toBeNull();
  expect(of('done', { pointedAt: nobody })).toEqual({ kind: 'no such point' });
  expect(of('done', { pointedAt: plug })).toBeNull();
  expect(of('passed over', { fastenerId: nobody, reason: 'no time' })).toEqual({ kind: 'no such point' });
  expect(of('passed over', { fastenerId: plug, reason: 'no time' })).toBeNull();
  expect(of('undone', {})).toBeNull();
});
