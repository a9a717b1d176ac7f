import fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ROLES } from '../team/team';
import { passphraseSchema, pinSchema } from './form';
import { goOnTo, HOME, mayOpen, placeOf, PLACES } from './places';
import { LASTS, sessionStands, waitAfter } from './waits';

/** Every address there is, by its folder. */
function routes(folder = 'src/routes', at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? routes(`${folder}/${e.name}`, `${at}/${e.name}`)
      : /^\+(page\.svelte|server\.ts)$/.test(e.name)
        ? [at || '/']
        : []
  );
}
const all = routes();

describe('places', () => {
  it('names only addresses that there are', () => {
    for (const place of Object.keys(PLACES)) expect(all).toContain(place);
  });
  it('is shut to riders, owners and screens where nothing else is said', () => {
    expect(placeOf('/somewhere/new').to).toEqual(['chief mechanic', 'mechanic']);
    const open = (role: 'rider' | 'owner' | 'screen') =>
      all.filter((r) => placeOf(r).to !== 'anyone' && mayOpen(role, r) !== false).sort();
    expect(open('screen')).toEqual([
      '/api/along',
      '/api/commands',
      '/api/live',
      '/api/v1/commands',
      '/board',
      '/waiting',
      '/you',
      '/you/data.json'
    ]);
    expect(open('owner')).toEqual([
      '/api/along',
      '/api/commands',
      '/api/live',
      '/api/photos/[id=id]',
      '/api/v1/commands',
      '/machines/[id=id]/owner',
      '/machines/[id=id]/owner.pdf',
      '/own',
      '/records/[id=id]',
      '/records/[id=id]/record.pdf',
      '/waiting',
      '/you',
      '/you/data.json'
    ]);
    expect(open('rider')).toEqual([
      '/api/along',
      '/api/commands',
      '/api/live',
      '/api/machines',
      '/api/photos',
      '/api/photos/[id=id]',
      '/api/v1/commands',
      '/board',
      '/board.pdf',
      '/own',
      '/s/[letter]/[id=id]',
      '/waiting',
      '/you',
      '/you/data.json'
    ]);
  });
  it('is open to anyone where one comes in, and where what is shown is public or has its own key', () => {
    expect(all.filter((r) => placeOf(r).to === 'anyone').sort()).toEqual([
      '/api/team',
      '/api/v1/openapi.json',
      '/calendar/[secret].ics',
      '/exchange/team.schema.json',
      '/health',
      '/join/[code]',
      '/shell',
      '/sign-in',
      '/welcome'
    ]);
  });
  it('an owner opens what is of their own machines only', () => {
    expect(mayOpen('owner', '/records/[id=id]')).toBe('own');
    expect(mayOpen('mechanic', '/records/[id=id]')).toBe(true);
  });
  it('everybody may open where they begin', () => {
    for (const role of ROLES) expect(mayOpen(role, HOME[role])).toBe(true);
  });
});

describe('where one goes on to', () => {
  it.each([
    '//evil.example',
    '/\\evil.example',
    'https://evil.example',
    '\\\\evil',
    '/sign-in?to=/',
    '/a\nb',
    ''
  ])('is home for %j', (to) => expect(goOnTo(to, 'mechanic')).toBe('/'));
  it('is where one wanted to go', () => {
    expect(goOnTo('/machines/x?log', 'mechanic')).toBe('/machines/x?log');
    expect(goOnTo('/stores', 'rider')).toBe('/own');
    expect(goOnTo('/s/m/3f2b8f8e-6f0f-4d55-9c39-0d5c4d7f9a11', 'rider')).toBe(
      '/s/m/3f2b8f8e-6f0f-4d55-9c39-0d5c4d7f9a11'
    );
  });
  it('never leads to another server', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...ROLES), (to, role) => {
        const url = new URL(goOnTo(to, role), 'https://trail.example');
        expect(url.host).toBe('trail.example');
      })
    );
  });
});

describe('what is chosen', () => {
  it.each(['1234', '0000', '9876', '4321', '123', '123456789', '12a4', '७८९०'])('%s is no PIN', (pin) =>
    expect(pinSchema.safeParse(pin).success).toBe(false)
  );
  it.each(['1357', '4711', '20260814'])('%s is one', (pin) =>
    expect(pinSchema.safeParse(pin).success).toBe(true)
  );
  it('a passphrase has ten characters to 128, whatever they are', () => {
    expect(passphraseSchema.safeParse('short one').success).toBe(false);
    expect(passphraseSchema.safeParse('dust on the airbox').success).toBe(true);
    expect(passphraseSchema.safeParse('x'.repeat(129)).success).toBe(false);
  });
});

it('wrong passphrases cost nothing five times, then longer each time, never more than a quarter of an hour', () => {
  expect([1, 4, 5, 6, 7, 9, 10, 50].map(waitAfter)).toEqual([0, 0, 30, 60, 120, 480, 900, 900]);
});

describe('a session', () => {
  const HOUR = 3_600_000;
  const at = (more: Partial<Parameters<typeof sessionStands>[0]>, now: number) =>
    sessionStands({ trusted: true, begunAt: 0, seenAt: 0, renewedAt: 0, nextAt: null, ...more }, now);
  it('lasts a month without being seen on a trusted device, twelve hours elsewhere', () => {
    expect(at({}, LASTS.trusted.idle)).not.toBe('over');
    expect(at({}, LASTS.trusted.idle + 1)).toBe('over');
    expect(at({ trusted: false }, 12 * HOUR)).not.toBe('over');
    expect(at({ trusted: false }, 12 * HOUR + 1)).toBe('over');
  });
  it('is over in any case after 90 days, or a day elsewhere', () => {
    expect(at({ seenAt: 90 * 24 * HOUR }, 90 * 24 * HOUR + 1)).toBe('over');
    expect(at({ trusted: false, seenAt: 24 * HOUR }, 24 * HOUR + 1)).toBe('over');
  });
  it('gets a new key after a day; where that was lost on its way, another after a minute', () => {
    const now = 25 * HOUR;
    expect(at({ seenAt: now }, now)).toEqual({ renew: true, see: false });
    expect(at({ seenAt: now, nextAt: now - 1000 }, now)).toEqual({ renew: false, see: false });
    expect(at({ seenAt: now, nextAt: now - 61_000 }, now)).toEqual({ renew: true, see: false });
    expect(at({ seenAt: now, renewedAt: 2 * HOUR }, now)).toEqual({ renew: false, see: false });
  });
});
