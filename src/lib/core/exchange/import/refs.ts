import type { Refs } from './model';
import { Unknown } from './refusal';

const shown = (t: string) => `“${t.slice(0, 40)}”`;
const low = (t: string) => t.toLowerCase();

/** The machine a row names, by its plate, its name, or both. @throws Unknown */
export function machineNamed(refs: Pick<Refs, 'machines'>, said: string): Refs['machines'][number] {
  const t = low(said);
  if (!t) throw new Unknown('No machine named.');
  const found = refs.machines.filter((m) =>
    [low(m.plate), low(m.name), low(`${m.plate} ${m.name}`)].includes(t)
  );
  const plate = found.find((m) => low(m.plate) === t);
  if (found.length > 1 && !plate)
    throw new Unknown(`Two machines are called ${shown(said)}. Write the plate.`);
  const machine = plate ?? found[0];
  if (!machine) throw new Unknown(`No machine ${shown(said)} in this team.`);
  return machine;
}

/** Somebody of the team, by the whole name or the first of it; null where nobody is named. @throws Unknown */
export function personNamed(refs: Pick<Refs, 'people'>, said: string): string | null {
  const t = low(said);
  if (!t) return null;
  const whole = refs.people.filter((p) => low(p.name) === t);
  const found = whole.length > 0 ? whole : refs.people.filter((p) => low(p.name).split(' ')[0] === t);
  if (found.length > 1) throw new Unknown(`Two people are called ${shown(said)}.`);
  if (!found[0]) throw new Unknown(`Nobody called ${shown(said)} in this team.`);
  return found[0].id;
}

/** Where a row says something is: on a machine, or on a component of it or on the shelf. @throws Unknown */
export function ownerNamed(
  refs: Pick<Refs, 'machines' | 'components'>,
  plate: string,
  component: string
): { machineId: string | null; componentId: string | null } {
  const machine = plate ? machineNamed(refs, plate) : null;
  if (!component) {
    if (!machine) throw new Unknown('No machine and no component named.');
    return { machineId: machine.id, componentId: null };
  }
  const named = refs.components.filter((c) => low(c.name) === low(component));
  const found = machine ? named.filter((c) => c.machineId === machine.id) : named;
  if (found.length > 1) throw new Unknown(`Two components are called ${shown(component)}.`);
  if (!found[0])
    throw new Unknown(
      named.length > 0
        ? `The component ${shown(component)} is not on ${machine!.plate}.`
        : `No component ${shown(component)} in this team.`
    );
  return { machineId: null, componentId: found[0].id };
}

/** One of a closed list, or why not. @throws Unknown */
export function oneOf<T extends string>(list: readonly T[], said: string, what: string): T {
  const found = list.find((x) => low(x) === low(said));
  if (found === undefined) throw new Unknown(`${shown(said)} is no ${what}. One of: ${list.join(', ')}.`);
  return found;
}
/** Some of a closed list. @param said apart by commas. @throws Unknown */
export const someOf = <T extends string>(list: readonly T[], said: string, what: string): T[] =>
  said === '' ? [] : said.split(', ').map((w) => oneOf(list, w, what));
