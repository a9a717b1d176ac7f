import { z } from 'zod';
import { day, distanceTypedOrNone, hoursTypedOrNone, id, name, remark } from '../forms';
import { COMPONENT_KINDS, PLACES } from './component';

/** Where a component is put: on a machine, in an engine, or on the shelf. */
const where = {
  machineId: id.nullable().default(null),
  hostId: id.nullable().default(null),
  place: z.enum(PLACES).default('')
};

export const componentSchema = z
  .object({
    id,
    kind: z.enum(COMPONENT_KINDS, { error: 'Pick what it is.' }),
    name: name('what you call it', 60),
    serial: z.string().trim().max(60, 'At most 60 characters.').default(''),
    /** Hours on it when it comes into the book; empty: nobody knows. */
    brought: hoursTypedOrNone,
    broughtDistance: distanceTypedOrNone,
    fromNew: z.boolean().default(false),
    note: remark,
    ...where,
    fittedOn: z.string().default('')
  })
  .superRefine((c, ctx) => {
    if (c.machineId !== null && c.hostId !== null)
      ctx.addIssue({
        code: 'custom',
        path: ['machineId'],
        message: 'On a machine or in an engine, not both.'
      });
    if ((c.machineId ?? c.hostId) !== null && !day.safeParse(c.fittedOn).success)
      ctx.addIssue({ code: 'custom', path: ['fittedOn'], message: 'Fitted since which day?' });
    if (c.fromNew && (c.brought ?? 0) > 0)
      ctx.addIssue({ code: 'custom', path: ['brought'], message: 'A new one has no hours on it.' });
  });
export type ComponentInput = z.infer<typeof componentSchema>;

/** A component fitted, or put on the shelf when it goes nowhere. What stood in its place goes on the shelf. */
export const moveSchema = z.object({
  id,
  componentId: id,
  ...where,
  day,
  /** What the machine's meter shows at that moment; empty: as last read. */
  reading: hoursTypedOrNone,
  reason: remark
});
export type MoveInput = z.infer<typeof moveSchema>;

/** Two engines change places between two machines, in one action. */
export const swapSchema = z
  .object({
    id,
    componentId: id,
    withId: id,
    day,
    reading: hoursTypedOrNone,
    withReading: hoursTypedOrNone,
    reason: remark
  })
  .superRefine((s, ctx) => {
    if (s.componentId === s.withId)
      ctx.addIssue({ code: 'custom', path: ['withId'], message: 'Pick another one to swap it with.' });
  });
export type SwapInput = z.infer<typeof swapSchema>;

export const rebuildSchema = z.object({
  id,
  componentId: id,
  day,
  remark,
  /** The counts it restarts, with break-in. */
  taskIds: z.array(id).max(100).default([])
});
export type RebuildInput = z.infer<typeof rebuildSchema>;

export const scrapSchema = z.object({ componentId: id, reason: name('what became of it', 10_000) });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'component.add': componentSchema,
  'component.move': moveSchema,
  'component.swap': swapSchema,
  'component.rebuild': rebuildSchema,
  'component.scrap': scrapSchema
};
