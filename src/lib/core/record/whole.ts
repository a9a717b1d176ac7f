import type { JobRecord } from './record';

/** Something written or photographed at a step of a visit, at its place in the work. */
export interface AtStep {
  title: string;
  remark: string | null;
  photoIds: string[];
}

/** One of each, in the order they come. */
function once<T>(list: readonly T[], key: (t: T) => string): T[] {
  const seen = new Set<string>();
  return list.filter((t) => {
    const k = key(t);
    if (seen.has(k)) return false;
    seen.add(k);
    return true;
  });
}
const whole = (t: object) => JSON.stringify(t);

/**
 * The records of one visit's jobs as one: what they share (a plug, a remark, the visit's minutes) stands in it once. The first
 * gives what can only be one.
 * @param records of one visit, at least one
 */
export function wholeVisit(records: readonly JobRecord[]): JobRecord {
  const [first] = records;
  if (!first) throw new RangeError('a visit has at least one record');
  const all = <
    K extends
      | 'circuits'
      | 'debris'
      | 'found'
      | 'fasteners'
      | 'deferred'
      | 'leftOut'
      | 'fitted'
      | 'done'
      | 'remarks'
      | 'measured'
      | 'passedOver'
      | 'instruments'
  >(
    of: K,
    key: (t: JobRecord[K][number]) => string = whole
  ): JobRecord[K] =>
    once(
      records.flatMap((r) => r[of] as JobRecord[K][number][]),
      key
    ) as JobRecord[K];
  return {
    ...first,
    circuits: all('circuits', (c) => c.circuit),
    debris: all('debris', (d) => d.stepKey ?? whole(d)),
    found: all('found'),
    fasteners: all('fasteners', (t) => t.fastenerId ?? `${t.name}, ${t.place}`),
    deferred: all('deferred', (d) => d.itemKey),
    leftOut: all('leftOut'),
    fitted: all('fitted'),
    done: all('done', (d) => d.stepKey),
    title: once(records.map((r) => r.title).filter(Boolean), (t) => t).join(' + '),
    ranSeconds: records.find((r) => r.ranSeconds !== null)?.ranSeconds ?? null,
    remarks: all('remarks'),
    measured: all('measured'),
    passedOver: all('passedOver'),
    instruments: all('instruments'),
    afterwards: records.some((r) => r.afterwards)
  };
}

/**
 * Remarks and photos of a visit, each at its step, in the order of the work; those at fasteners after them. What stands elsewhere
 * in the record (debris with its photo) is left to it.
 * @param steps the visit's steps in order; a photo of a step that is not among them comes last, without a title
 * @param elsewhere keys of steps whose remark and photos are shown at another place
 */
export function atSteps(
  remarks: JobRecord['remarks'],
  photos: readonly { id: string; stepKey: string | null }[],
  steps: readonly { key: string; title: string }[],
  elsewhere: ReadonlySet<string> = new Set()
): AtStep[] {
  const named = new Set(steps.map((s) => s.key));
  const photosAt = (key: string | null) => photos.filter((p) => p.stepKey === key).map((p) => p.id);
  const made = steps
    .filter((s) => !elsewhere.has(s.key))
    .map((s) => ({
      title: s.title,
      remark:
        remarks
          .filter((r) => r.stepKey === s.key)
          .map((r) => r.remark)
          .join('\n') || null,
      photoIds: photosAt(s.key)
    }))
    .filter((a) => a.remark !== null || a.photoIds.length > 0);
  const loose = photos.filter((p) => p.stepKey === null || !named.has(p.stepKey)).map((p) => p.id);
  return [
    ...made,
    ...remarks
      .filter((r) => r.stepKey === null || !named.has(r.stepKey))
      .map((r) => ({ title: r.title, remark: r.remark, photoIds: [] })),
    ...(loose.length > 0 ? [{ title: '', remark: null, photoIds: loose }] : [])
  ];
}
