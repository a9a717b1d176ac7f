import type { BookOf, PartRow } from './rows';

/** Moments of a machine at which its counts are asked for. */
export type Moments = ReadonlyMap<string, readonly number[]>;

/**
 * At which moments each machine's counts are asked for by a book: where tasks were done, components rebuilt and fitted, work
 * stands as a peg. Everything the book says hangs on these and on where the machine stands now.
 *
 * @param asked further moments of machines and components, for their own pages
 */
export function momentsOf(book: BookOf, asked: ReadonlyMap<string, readonly number[]> = new Map()): Moments {
  const machines = new Map<string, Set<number>>(book.machines.map((m) => [m.id, new Set(asked.get(m.id))]));
  const parts = new Map<string, Set<number>>(book.parts.map((p) => [p.id, new Set(asked.get(p.id))]));
  const at = (machineId: string | null, componentId: string | null, moment: number) => {
    if (componentId !== null) parts.get(componentId)?.add(moment);
    else if (machineId !== null) machines.get(machineId)?.add(moment);
  };
  const tasks = new Map(book.tasks.map((t) => [t.id, t]));
  for (const r of book.restarts) {
    const t = tasks.get(r.taskId);
    if (t) at(t.machineId, t.componentId, r.at);
  }
  const elsewhere = (machineId: string | null, moment: number) => {
    if (machineId === null) return;
    if (!machines.has(machineId)) machines.set(machineId, new Set());
    machines.get(machineId)!.add(moment);
  };
  for (const f of book.followers) {
    at(f.machineId, f.componentId, f.at);
    if (f.componentId !== null) elsewhere(f.onMachineId, f.at);
  }
  for (const f of book.findings) elsewhere(f.machineId, f.at);
  for (const p of book.pegs) {
    machines.get(p.machineId)?.add(p.at);
    if (p.componentId !== null) parts.get(p.componentId)?.add(p.at);
  }
  // What sits in an engine asks the engine, which asks the machines it was on.
  for (const part of inwardsFirst(book.parts)) {
    const mine = [...parts.get(part.id)!];
    for (const f of part.fittings) {
      const wanted = [
        f.from,
        ...(f.to === null ? [] : [f.to]),
        ...mine.filter((m) => m > f.from && (f.to === null || m <= f.to))
      ];
      if (f.machineId !== null && !machines.has(f.machineId)) machines.set(f.machineId, new Set());
      const host = f.machineId === null ? parts.get(f.hostId!) : machines.get(f.machineId);
      for (const m of wanted) host?.add(m);
    }
  }
  return new Map([...machines].map(([id, set]) => [id, [...set].sort((a, b) => a - b)]));
}

/** Components in an engine before the engines they are in. */
export function inwardsFirst(parts: readonly PartRow[]): PartRow[] {
  return [...parts].sort((a, b) => depth(b) - depth(a));
}
const depth = (p: PartRow): number => (p.fittings.some((f) => f.hostId !== null) ? 1 : 0);
