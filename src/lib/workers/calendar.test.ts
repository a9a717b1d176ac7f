import { describe, expect, it } from 'vitest';
import { readIcs } from './calendar';

const TODAY = '2026-11-27';
const file = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...events, 'END:VCALENDAR'].join('\r\n');
const event = (uid: string, ...lines: string[]) =>
  ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'].join('\r\n');
const read = (text: string, zone = 'Europe/London') => {
  const r = readIcs(text, zone, TODAY);
  if (!r.ok) throw new Error(r.message);
  return r;
};
const days = (text: string, zone?: string) =>
  read(text, zone).events.map(
    (e) => `${e.name} ${e.firstDay}${e.lastDay === e.firstDay ? '' : ` to ${e.lastDay}`}`
  );

describe('a calendar file', () => {
  it('whole days end where the next begins', () => {
    expect(
      days(
        file(
          event('a', 'SUMMARY:Harrow', 'DTSTART;VALUE=DATE:20261205', 'DTEND;VALUE=DATE:20261207'),
          event('b', 'SUMMARY:One day', 'DTSTART;VALUE=DATE:20261210')
        )
      )
    ).toEqual(['Harrow 2026-12-05 to 2026-12-06', 'One day 2026-12-10']);
  });
  it('a moment is a day on the team’s clock', () => {
    // Half past eleven in the evening in London is the next day in Oslo.
    const late = file(event('a', 'SUMMARY:Late', 'DTSTART:20261205T233000Z', 'DTEND:20261206T000000Z'));
    expect(days(late)).toEqual(['Late 2026-12-05']);
    expect(days(late, 'Europe/Oslo')).toEqual(['Late 2026-12-06']);
    // On nobody's clock it is the day it says.
    expect(
      days(
        file(event('a', 'SUMMARY:Float', 'DTSTART:20261205T233000', 'DTEND:20261206T010000')),
        'Europe/Oslo'
      )
    ).toEqual(['Float 2026-12-05 to 2026-12-06']);
  });
  it('what comes round is there each time, but where it is left out or moved', () => {
    const weekly = event(
      'w',
      'SUMMARY:Track',
      'DTSTART;VALUE=DATE:20261202',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      'EXDATE;VALUE=DATE:20261209'
    );
    const moved = event(
      'w',
      'SUMMARY:Track',
      'RECURRENCE-ID;VALUE=DATE:20261216',
      'DTSTART;VALUE=DATE:20261218'
    );
    expect(days(file(weekly, moved))).toEqual(['Track 2026-12-02', 'Track 2026-12-18', 'Track 2026-12-23']);
  });
  it('a thousand times are a season’s, and it says that there are more', () => {
    const r = read(
      file(event('w', 'SUMMARY:Daily', 'DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=DAILY;COUNT=10000'))
    );
    expect(r.events).toHaveLength(60);
    expect(r.events[0]!.firstDay >= '2026-11-26').toBe(true);
    expect(r.more).toBeGreaterThan(0);
    // Every second for ever comes to an end here.
    const each = read(file(event('s', 'SUMMARY:Tick', 'DTSTART:19700101T000000Z', 'RRULE:FREQ=SECONDLY')));
    expect([each.events.length, each.more]).toEqual([0, 1]);
  });
  it('what is called off is not in it; what has no name or no day is counted', () => {
    const r = read(
      file(
        event('a', 'SUMMARY:Off', 'DTSTART;VALUE=DATE:20261205', 'STATUS:CANCELLED'),
        event('b', 'SUMMARY: ', 'DTSTART;VALUE=DATE:20261205'),
        event('c', 'SUMMARY:No day'),
        event('d', 'SUMMARY:Good', 'DTSTART;VALUE=DATE:20261205')
      )
    );
    expect(r.events.map((e) => e.name)).toEqual(['Good']);
    expect(r.unreadable).toBe(2);
  });
  it('a day that no calendar has is none, and no later day', () => {
    const r = read(
      file(
        event('a', 'SUMMARY:Begins', 'DTSTART;VALUE=DATE:20270230'),
        event('b', 'SUMMARY:Ends', 'DTSTART;VALUE=DATE:20270227', 'DTEND;VALUE=DATE:20270231'),
        event('c', 'SUMMARY:At an hour', 'DTSTART:20270631T100000Z'),
        event('d', 'SUMMARY:Leap', 'DTSTART;VALUE=DATE:20280229')
      )
    );
    expect(r.events.map((e) => [e.name, e.firstDay])).toEqual([['Leap', '2028-02-29']]);
    expect(r.unreadable).toBe(3);
  });
  it('rules without an end are not walked to theirs, however many there are', () => {
    const rules = Array.from({ length: 200 }, (_, i) =>
      event(`r${i}`, `SUMMARY:Heat ${i}`, 'DTSTART:20000101T000000Z', 'RRULE:FREQ=SECONDLY')
    );
    const r = read(file(...rules, event('z', 'SUMMARY:Once', 'DTSTART;VALUE=DATE:20261205')));
    expect(r.events.map((e) => e.name)).toEqual(['Once']);
    expect(r.more).toBe(200);
  });
  it('what was moved goes with what it was moved from, by its name', () => {
    const r = read(
      file(
        event('a', 'SUMMARY:Heat', 'DTSTART;VALUE=DATE:20261205', 'RRULE:FREQ=WEEKLY;COUNT=2'),
        event('a', 'SUMMARY:Heat', 'DTSTART;VALUE=DATE:20261213', 'RECURRENCE-ID;VALUE=DATE:20261212'),
        event('b', 'SUMMARY:Alone', 'DTSTART;VALUE=DATE:20261220', 'RECURRENCE-ID;VALUE=DATE:20261219')
      )
    );
    expect(r.events.map((e) => [e.name, e.firstDay])).toEqual([
      ['Heat', '2026-12-05'],
      ['Heat', '2026-12-13'],
      ['Alone', '2026-12-20']
    ]);
  });
  it('long names are cut, folded lines and bare newlines are read', () => {
    const long = `SUMMARY:${'Very long '.repeat(10)}`;
    const folded = event('a', long.slice(0, 60), ` ${long.slice(60)}`, 'DTSTART;VALUE=DATE:20261205').replace(
      /\r\n/g,
      '\n'
    );
    expect(read(file(folded)).events[0]!.name.length).toBeLessThanOrEqual(60);
  });
  it('anything else is none', () => {
    for (const text of [
      '',
      'hello',
      '{"a":1}',
      'BEGIN:VCARD\r\nEND:VCARD',
      'BEGIN:VCALENDAR\r\nBEGIN:VEVENT'
    ])
      expect([text, readIcs(text, 'Europe/London', TODAY).ok]).toEqual([text, false]);
    expect(read(file()).events).toEqual([]);
  });
});
