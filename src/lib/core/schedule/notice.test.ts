import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aFinding, aNow, aReminder, aTask, counting, hours } from '../../../../tests/core/schedule';
import { SEVERITIES } from '../finding/finding';
import { mostPressing, pressingFirst } from './decide';
import { dueItems, dueLines } from './fleet';
import { noticesDue, whyFinding, whyReminder } from './notice';
import { aheadOf, STATES } from './state';

const today = '2026-06-10';
const ahead = aheadOf(aNow(today, 2200));
const of = (findings: ReturnType<typeof aFinding>[], reminders = [] as ReturnType<typeof aReminder>[]) =>
  noticesDue({ findings, reminders }, ahead);

describe('a finding among what presses', () => {
  it.each([
    ['park the machine', 'past limit', 'not ready', true],
    ['fix now', 'past due', 'fix now', false],
    ['tell the owner', 'clear', 'tell the owner', false],
    ['watch', 'clear', 'watch', false]
  ] as const)('%s stands as %s and says “%s”', (severity, state, left, parks) =>
    expect(of([aFinding({ severity })])).toMatchObject([{ state, left, parks }])
  );
  it('says what closing it waits for, and that it has come', () => {
    const waits = aReminder({ waitsFor: 'a tool to arrive', part: 'adapter' });
    const [not, come] = of([
      aFinding({ id: 'a', severity: 'park the machine', waits }),
      aFinding({ id: 'b', severity: 'park the machine', what: 'Z', waits: { ...waits, come: true } })
    ]);
    expect([not!.left, come!.left]).toEqual([
      'not ready: waits for a tool to arrive (adapter)',
      'not ready: a tool to arrive has come'
    ]);
  });
  it('is due once what it waited for has come, however light it is', () => {
    const waits = aReminder({ waitsFor: 'a part to arrive', part: 'seal' });
    const state = (come: boolean) => of([aFinding({ waits: { ...waits, come } })])[0]!.state;
    expect([state(false), state(true)]).toEqual(['clear', 'past due']);
  });
  it('a reminder waits until its event has come, and then is due', () =>
    expect(of([], [aReminder(), aReminder({ id: 's', come: true })])).toMatchObject([
      { id: 's', state: 'past due', left: 'now: the next outing has come' },
      { id: 'r', state: 'clear', left: 'waits for the next outing' }
    ]));
  it('tells where and when it was found, and what it takes to close it', () => {
    const f = aFinding({ place: 'front left', note: 'wet after the ford', severity: 'park the machine' });
    expect(whyFinding(f, today).map((l) => l.text)).toEqual([
      '1 Jun at 22.0 h, by Wren: front left.',
      'wet after the ford',
      'It is called ready when this is closed with what was done.'
    ]);
    expect(whyFinding(aFinding({ hours: null }), today)[0]!.text).toBe('1 Jun, by Wren.');
    expect(whyReminder(aReminder({ come: true })).at(-1)!.text).toMatch(/That has come/);
  });
});

describe('a machine with findings', () => {
  const late = aTask([counting(hours(1500, 1600), 1700)], { since: 'done', hours: 0, day: today });
  it('one that parks it stands before everything, and one that is watched says nothing of it', () => {
    const items = (severity: (typeof SEVERITIES)[number]) =>
      dueItems({ tasks: [], findings: [aFinding({ severity })], reminders: [] });
    expect(mostPressing(items('park the machine'), ahead).state).toBe('past limit');
    expect(mostPressing(items('watch'), ahead).state).toBe('unknown');
    const both = dueItems({
      tasks: [late],
      findings: [aFinding({ severity: 'park the machine' })],
      reminders: [aReminder({ come: true })]
    });
    const lines = dueLines([{ id: 'm', speed: null, planned: [], items: both }], today).sort(pressingFirst);
    expect(lines.map((l) => [l.kind, l.state])).toEqual([
      ['task', 'past limit'],
      ['finding', 'past limit'],
      ['reminder', 'past due']
    ]);
  });
  it('the list, the notices and the machine agree, whatever is open', () => {
    const finding = fc.record({ severity: fc.constantFrom(...SEVERITIES) });
    fc.assert(
      fc.property(fc.array(finding, { maxLength: 5 }), fc.array(fc.boolean(), { maxLength: 3 }), (fs, rs) => {
        const findings = fs.map((f, i) => aFinding({ ...f, id: `f${i}`, what: `F${i}` }));
        const reminders = rs.map((come, i) => aReminder({ come, id: `r${i}` }));
        const items = dueItems({ tasks: [], findings, reminders });
        const lines = dueLines([{ id: 'm', speed: null, planned: [], items }], today).sort(pressingFirst);
        const notices = noticesDue({ findings, reminders }, ahead);
        expect(lines.map((l) => [l.id, l.state])).toEqual(notices.map((n) => [n.id, n.state]));
        const worst = notices.filter((n) => n.state !== 'clear')[0]?.state ?? 'unknown';
        expect(mostPressing(items, ahead).state).toBe(worst);
        expect(STATES).toContain(worst);
      })
    );
  });
});
