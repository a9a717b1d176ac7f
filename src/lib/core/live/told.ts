/** What whoever looks on is told: that something was written, of what kinds, and where (a visit, or a machine). */
export interface Told {
  kinds: readonly string[];
  places: readonly string[];
  /** Anything may have been written: the line was down, or another day has begun. */
  all: boolean;
}
export const EVERYTHING: Told = { kinds: [], places: [], all: true };

const PLACE = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** What the database says of one command: its team, its kind, and its place where it has one. Null: it is none of ours. */
export function readNotice(payload: string): { team: string; kind: string; place: string | null } | null {
  const [team, kind, place] = payload.split(' ');
  if (!team || !PLACE.test(team) || !kind || !/^[a-z]+\.[a-z-]+$/.test(kind)) return null;
  return { team, kind, place: place && PLACE.test(place) ? place : null };
}

/** Several as one: whoever looks on reads anew once for all that came in the same moment. */
export function together(a: Told | null, b: Told): Told {
  if (a === null) return b;
  if (a.all || b.all) return EVERYTHING;
  return {
    kinds: [...new Set([...a.kinds, ...b.kinds])],
    places: [...new Set([...a.places, ...b.places])],
    all: false
  };
}

/** As it goes over the line, and read from it: what cannot be read means anything. */
export function readTold(text: string): Told {
  try {
    const t = JSON.parse(text) as Partial<Told>;
    const texts = (x: unknown): x is string[] => Array.isArray(x) && x.every((y) => typeof y === 'string');
    return texts(t.kinds) && texts(t.places) && t.all === false
      ? { kinds: t.kinds, places: t.places, all: false }
      : EVERYTHING;
  } catch {
    return EVERYTHING;
  }
}
