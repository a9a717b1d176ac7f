import type { z } from 'zod';
import { elongation, maybeMiscounted, oddLength } from '../../core/chain/elongation';
import { limitOf } from '../../core/chain/sheet';
import type {
  chainEntryStrikeSchema,
  ChainDressInput,
  ChainLengthInput,
  ChainLookInput,
  ChainReplaceInput
} from '../../core/chain/form';
import { USUAL_DRIVE } from '../../core/chain/drive';
import { readLook, writeDressing, writeLength, writeLook } from '../../core/chain/stored';
import { lookAfter, lookProblems, mendedBy, WORN_OUT } from '../../core/chain/wear';
import { componentSchema } from '../../core/component/form';
import { lowerEnd } from '../../core/quantity/band';
import { figureOf } from '../../core/specs/sheet';
import { dayOf } from '../../core/time/day';
import { chainSheet } from './sheet';
import { driveOf, saveDrive } from './checks';
import { addComponent, scrap } from '../component/components';
import type { Tx } from '../base/db';
import { closeFinding, findOn } from '../finding/findings';
import { close, occupant, partOn } from '../component/fittings';
import { refuse } from '../base/refusal';
import { readSheet } from '../specs/sheet';
import { heldMachine, type Write } from '../book/under-way';

async function add(
  { tx, team, personId, at }: Write,
  e: { id: string; machineId: string; kind: 'length' | 'look' | 'dressing'; content: object }
): Promise<void> {
  const chain = await partOn(tx, team.id, e.machineId, 'chain');
  await tx`
    insert into chain_entry (team_id, id, machine_id, component_id, kind, content, at, by)
    values (${team.id}, ${e.id}, ${e.machineId}, ${chain?.id ?? null}, ${e.kind}, ${tx.json(e.content as never)}, ${at}, ${personId})`;
}

/** Writes down how long a chain is over so many pitches. */
export async function addLength(w: Write, l: ChainLengthInput): Promise<void> {
  heldMachine(w, l.machineId, 'machineId');
  const sheet = await readSheet(w.tx, w.team.id, l.machineId);
  const band = figureOf(sheet, 'chain pitch')?.band;
  if (!band)
    refuse('pitches', 'Its pitch is not on the spec sheet: without it nobody knows how long it was new.');
  const pitch = lowerEnd(band!).base;
  const odd = oddLength(l.measured, pitch, l.pitches);
  if (odd) refuse('measured', odd);
  const again = l.sure ? null : maybeMiscounted(l.measured, pitch, l.pitches);
  if (again) refuse('measured', again, { askSure: true });
  const { id, machineId, measured, pitches } = l;
  await add(w, { id, machineId, kind: 'length', content: writeLength({ measured, pitches, pitch }) });
  const { pct } = limitOf(await chainSheet(w.tx, w.team, machineId));
  const grown = elongation(measured, pitch, pitches);
  if (grown >= pct)
    await findOn(
      w,
      { machineId, componentId: null },
      {
        what: `${WORN_OUT}: ${grown.toFixed(2)} % longer than new, ${pct.toFixed(2)} % is the end`,
        note: '',
        severity: 'fix now'
      }
    );
}

/** Writes down how chain, sprockets, joining link and guides look. What is wrong is a finding. */
export async function addLook(w: Write, { id, machineId, ...look }: ChainLookInput): Promise<void> {
  heldMachine(w, machineId, 'machineId');
  await add(w, { id, machineId, kind: 'look', content: writeLook(look) });
  for (const p of lookProblems(look))
    await findOn(w, { machineId, componentId: null }, { ...p, note: look.note });
}

/** Writes down that a chain was cleaned, and with what it was dressed. */
export async function addDressing(w: Write, { id, machineId, ...dressing }: ChainDressInput): Promise<void> {
  heldMachine(w, machineId, 'machineId');
  await add(w, { id, machineId, kind: 'dressing', content: writeDressing(dressing) });
}

export async function machineOfEntry(tx: Tx, teamId: string, entryId: string): Promise<string> {
  const [e] =
    await tx`select machine_id as id from chain_entry where team_id = ${teamId} and id = ${entryId}`;
  return (e ?? refuse('', 'That is not in this team.')).id as string;
}
/** What does not count: it stays in the book, struck out with who and why. */
export async function strikeEntry(w: Write, s: z.output<typeof chainEntryStrikeSchema>): Promise<void> {
  const { tx, team, personId, now } = w;
  const [e] = await tx`
    update chain_entry set struck_at = ${now}, struck_by = ${personId}, struck_reason = ${s.reason}
    where team_id = ${team.id} and id = ${s.entryId} and struck_at is null returning machine_id, kind, content`;
  // What was found by it was not there.
  const found =
    e?.kind === 'length'
      ? [WORN_OUT]
      : e?.kind === 'look'
        ? lookProblems(readLook(e.content)).map((p) => p.what)
        : [];
  if (found.length > 0) await mended(w, e!.machine_id as string, found, `Struck out: ${s.reason}`);
}

/**
 * Puts on a new chain, new sprockets, or all three in one action: the old ones come off, each new one is a component that starts at
 * nought, and the drive has its teeth and links.
 */
export async function replaceSet(w: Write, r: ChainReplaceInput): Promise<void> {
  const { tx, team, now } = w;
  heldMachine(w, r.machineId, 'machineId');
  const sheet = await chainSheet(tx, team, r.machineId);
  for (const part of ['chain', 'front', 'rear'] as const)
    if ((sheet[part]?.id ?? null) !== r.was[part])
      refuse('', 'Somebody else has put something on meanwhile. Look at what is on it now.');
  const off = async (kind: 'chain' | 'sprockets', place: '' | 'front' | 'rear') => {
    const there = await occupant(tx, team.id, kind, { machineId: r.machineId, hostId: null, place });
    if (!there) return;
    if (r.old === 'scrapped') await scrap(w, { componentId: there.componentId, reason: r.reason });
    else await close(w, there, now, r.reason);
  };
  const put = (
    kind: 'chain' | 'sprockets',
    place: '' | 'front' | 'rear',
    part: { id: string; name: string }
  ) =>
    addComponent(
      w,
      componentSchema.parse({
        id: part.id,
        kind,
        name: part.name,
        place,
        brought: '',
        broughtDistance: '',
        fromNew: true,
        machineId: r.machineId,
        fittedOn: dayOf(now, team.timeZone)
      }),
      now
    );
  if (r.chain) {
    await off('chain', '');
    await put('chain', '', r.chain);
  }
  for (const place of ['front', 'rear'] as const) {
    const part = r[place];
    if (!part) continue;
    await off('sprockets', place);
    // One component for both was named before: it is not both any more.
    await off('sprockets', '');
    await put('sprockets', place, part);
  }
  const parts = (['chain', 'front', 'rear'] as const).filter((p) => r[p] !== null);
  await mended(w, r.machineId, parts.flatMap(mendedBy), `A new one is on: ${r.reason}`);
  const look = sheet.looks[0];
  if (look)
    await add(w, {
      id: crypto.randomUUID(),
      machineId: r.machineId,
      kind: 'look',
      content: writeLook(lookAfter(look, r))
    });
  const drive = (await driveOf(tx, team.id, r.machineId)) ?? USUAL_DRIVE;
  await saveDrive(w, r.machineId, {
    ...drive,
    front: r.front?.teeth ?? drive.front,
    rear: r.rear?.teeth ?? drive.rear,
    links: r.chain?.links ?? drive.links,
    halfLink: r.chain?.halfLink ?? drive.halfLink
  });
}

/** Findings of how it was measured and looked, by how they begin, are over. */
async function mended(w: Write, machineId: string, begins: readonly string[], word: string): Promise<void> {
  const open = await w.tx`
    select id, what from finding where team_id = ${w.team.id} and machine_id = ${machineId} and cause = 'measure' and closed_at is null`;
  for (const f of open)
    if (begins.some((b) => (f.what as string).startsWith(b)))
      await closeFinding(w, { findingId: f.id as string, word });
}
