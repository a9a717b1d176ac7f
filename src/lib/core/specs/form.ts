import { z } from 'zod';
import { day, id, name, numberTyped, remark } from '../forms';
import { MODIFICATION_NAMES } from './changes';
import { CIRCUITS, CONFIDENCES, FASTENER_ROLES, FIGURE_KEYS, SEALS } from './sheet';

const short = z.string().trim().max(40, 'At most 40 characters.');
const line = z.string().trim().max(120, 'At most 120 characters.');
const bolts = numberTyped('How many bolts?').pipe(
  z.number().int('Whole bolts.').min(1, 'At least one.').max(24, 'At most 24.')
);

export const fastenerSchema = z.object({
  id,
  machineId: id,
  circuit: z.enum(CIRCUITS).nullable(),
  role: z.enum(FASTENER_ROLES, { error: 'Pick what it is.' }),
  name: name('what you call it', 60),
  place: line.default(''),
  quantity: bolts,
  magnet: z.boolean(),
  seal: z.enum(SEALS),
  head: short.default(''),
  thread: short.default(''),
  pattern: line.default(''),
  lengths: line.default(''),
  comesWith: line.default(''),
  note: remark,
  lean: line.default(''),
  oiled: z.boolean().default(false),
  adapter: z.boolean().default(false)
});
export type FastenerInput = z.infer<typeof fastenerSchema>;

/** What a mechanic corrects of a fastener that is on the sheet: what it is, notes, its place on the map, what it covers. */
export const fastenerChangeSchema = z.object({
  fastenerId: id,
  name: name('what you call it', 60).optional(),
  role: z.enum(FASTENER_ROLES, { error: 'Pick what it is.' }).optional(),
  circuit: z.enum(CIRCUITS).nullable().optional(),
  quantity: bolts.optional(),
  place: line.optional(),
  head: short.optional(),
  thread: short.optional(),
  pattern: line.optional(),
  lengths: line.optional(),
  comesWith: line.optional(),
  note: z.string().trim().max(10_000, 'At most 10,000 characters.').optional(),
  lean: line.optional(),
  magnet: z.boolean().optional(),
  seal: z.enum(SEALS).optional(),
  oiled: z.boolean().optional(),
  adapter: z.boolean().optional(),
  at: z
    .object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) })
    .nullable()
    .optional(),
  covers: z.array(id).max(60).optional()
});
export type FastenerChange = z.infer<typeof fastenerChangeSchema>;

/** Taken off the sheet, because the machine has no such thing, or put back. What was done at it stays in its records. */
export const fastenerRemoveSchema = z.object({ fastenerId: id, removed: z.boolean() });

export const figureSchema = z.object({
  id,
  machineId: id,
  key: z.enum(FIGURE_KEYS, { error: 'No such figure.' }),
  fastenerId: id.nullable().default(null),
  typed: name('the figure as printed', 400),
  source: name('which manual, or who said so', 120),
  edition: z.string().trim().max(60, 'At most 60 characters.').default(''),
  page: z.string().trim().max(20, 'At most 20 characters.').default(''),
  confidence: z.enum(CONFIDENCES, { error: 'Printed, told or guessed?' }),
  variant: z.string().trim().max(120, 'At most 120 characters.').default(''),
  /** Set once a figure that looks like a slip has been looked at again. */
  sure: z.boolean().default(false)
});
export type FigureInput = z.infer<typeof figureSchema>;

/** Brings a sister machine's whole sheet over: fasteners with their places, what lies behind what, and every figure as unconfirmed. */
export const copySheetSchema = z.object({ fromMachineId: id, toMachineId: id });
export type CopySheetInput = z.infer<typeof copySheetSchema>;

/** An unconfirmed figure that was looked up for this machine and found the same. */
export const confirmSchema = z.object({
  id,
  figureId: id,
  source: name('which manual, or who said so', 120),
  edition: z.string().trim().max(60, 'At most 60 characters.').default(''),
  page: z.string().trim().max(20, 'At most 20 characters.').default(''),
  confidence: z.enum(CONFIDENCES, { error: 'Printed, told or guessed?' })
});
export type ConfirmInput = z.infer<typeof confirmSchema>;

export const modificationSchema = z.object({
  id,
  machineId: id,
  what: z.string().refine((w) => MODIFICATION_NAMES.includes(w), 'Pick what was changed.'),
  words: remark,
  day
});
export type ModificationInput = z.infer<typeof modificationSchema>;
/** A figure looked at again since a modification, or the modification taken back. */
export const modificationNoteSchema = z.object({
  modificationId: id,
  figureId: id.nullable().default(null),
  undoneOn: day.nullable().default(null)
});
export type ModificationNoteInput = z.infer<typeof modificationNoteSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'fastener.add': fastenerSchema,
  'fastener.change': fastenerChangeSchema,
  'fastener.remove': fastenerRemoveSchema,
  'figure.add': figureSchema,
  'figure.confirm': confirmSchema,
  'sheet.copy': copySheetSchema,
  'modification.add': modificationSchema,
  'modification.note': modificationNoteSchema
};
