/** What of an outing ages a machine, as typed; one of these a row of the grid or a log. */
export interface RiddenDraft {
  before: string;
  distance: string;
  conditions: string[];
  crossings: string;
  clutch: string;
  symptoms: string[];
  sure: boolean;
}
export const nothingRidden = (): RiddenDraft => ({
  before: '',
  distance: '',
  conditions: [],
  crossings: '',
  clutch: 'usual',
  symptoms: [],
  sure: false
});

/** The same in one line; empty where nothing was said. */
export const riddenInWords = (r: RiddenDraft): string =>
  [
    r.before && `before ${r.before}`,
    r.distance && `${r.distance}${/[a-z]/i.test(r.distance) ? '' : ' km'}`,
    ...r.conditions,
    r.crossings && `${r.crossings} crossings`,
    r.clutch !== 'usual' && `clutch ${r.clutch}`,
    ...r.symptoms
  ]
    .filter(Boolean)
    .join(', ');
