import type { SYMPTOMS } from './outing';

type Symptom = (typeof SYMPTOMS)[number];

/** What a remark at an outing speaks of: it is offered, and a person says that it is so. */
export interface Named {
  symptoms: Symptom[];
  /** Damage at the machine, each in the words of the remark: what a finding would be called. */
  damage: string[];
}

/** How riders say each symptom. */
const SAID: Readonly<Record<Symptom, RegExp>> = {
  'hard to start':
    /\bhard (to )?start|\bstart(s|ed)? (hard|badly)|\b(wo|did|does|would|could)(n['’]?t| not) (even )?start|\bwill not start/,
  backfires: /\bback-?fir/,
  'runs badly':
    /\b(runs?|ran|running) (badly|rough\w*|poorly|lean|rich)|\bbog(s|ged|ging)\b|\bmisfir|\bcut(s|ting)? out\b|\bstall(s|ed|ing)?\b|\bhesitat/,
  'clutch slips': /\bclutch\b.{0,15}\bslip|\bslipp\w+ clutch/,
  'clutch drags': /\bclutch\b.{0,15}\bdrag|\bdragg\w+ clutch/,
  'gears jump out':
    /\b(jump|pop)\w* out of (gear|\w+ gear|first|second|third|fourth|fifth|sixth)|\bgears? (jump|pop)/,
  overheats: /\boverheat|\bboil(s|ed|ing)\b|\b(runs?|ran|running) hot\b|\bsteam/,
  smokes: /\bsmok(e|es|ed|ing|y)\b/,
  'oil leak': /\boil\b.{0,8}\b(leak|weep|drip)|\bleak\w* oil|\blos(es|t|ing) oil/,
  'squeak from the steering': /\bsteering\b.{0,15}\bsqueak|\bsqueak\w*.{0,20}\b(steering|bars)\b/,
  'play in the steering':
    /\b(steering|head bearings?)\b.{0,15}\b(play|loose|wobbl)|\bplay in the (steering|head)/,
  'brake weak or spongy':
    /\bbrakes?\b.{0,15}\b(weak|spong\w*|soft|fad(es|ed|ing)|to the bar)|\b(weak|spongy|soft|no) (front |rear )?brakes?\b/,
  'chain noise': /\bchain\b.{0,15}\b(nois|rattl|clatter)|\bnois\w* chain/,
  'suspension leaks or bottoms':
    /\b(forks?|shock|suspension)\b.{0,15}\b(leak|weep|bottom)|\bbottom(s|ed|ing) out/
};

const DAMAGE =
  /\b(bent|broken?|cracked|torn|ripped|loose(?! (ground|gravel|stones?|sand|soil|rocks?))|missing|leak(s|ing)?|weep(s|ing)?|split|snapped|chafed|dented|rattl(es|ing)|(fell|came|fallen) (off|loose)|flat tyre|tyre flat|punctur\w*|worn( out)?|seized|stripped|twisted)\b/i;

/** It was so and is no more: nothing to offer. */
const PAST =
  /\b(no longer|not any ?more|fixed|repaired|replaced|changed|put right|was all right|new (one|part)s?)\b/i;
/** What stands before the words of something that is not so: “no oil leak”, “does not smoke”. “No brakes” has its no in the words. */
const NOT_SO = /(\b(no|not|nothing|never|without)|n['’]t)( \w+){0,2} $/i;
const says = (clause: string, words: RegExp): boolean => {
  const at = words.exec(clause)?.index;
  return at !== undefined && !NOT_SO.test(clause.slice(0, at));
};

/**
 * What a remark speaks of, clause by clause: the symptoms that call work, and the damage a finding would be written for.
 * @param known the symptoms a machine of its kind may have: of what it has not, a remark does not speak
 */
export function namedIn(remark: string, known: readonly Symptom[]): Named {
  const named: Named = { symptoms: [], damage: [] };
  for (const clause of remark.split(/[,;.\n]|\band\b|\bbut\b/i).map((c) => c.trim().replace(/\s+/g, ' '))) {
    if (clause === '' || PAST.test(clause)) continue;
    const symptoms = known.filter((s) => says(clause.toLowerCase(), SAID[s]));
    named.symptoms.push(...symptoms.filter((s) => !named.symptoms.includes(s)));
    const words = (clause.charAt(0).toUpperCase() + clause.slice(1)).slice(0, 200);
    const damaged = clause.includes(' ') && says(clause, DAMAGE);
    if (symptoms.length === 0 && damaged && !named.damage.includes(words)) named.damage.push(words);
  }
  return named;
}
