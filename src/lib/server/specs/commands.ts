import type { bodies } from '../../core/specs/form';
import { type Handlers, onSheet } from '../book/handler';
import { addModification, confirmFigure, copySheet, noteModification } from './changes';
import { addFastener, addFigure, changeFastener, machineOfSheet, removeFastener } from './sheet';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'fastener.add': {
    scope: (f) => onSheet(f.machineId),
    handle: addFastener,
    sheetOf: (f) => f.machineId
  },
  'fastener.change': {
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'fastener', f.fastenerId)),
    handle: changeFastener,
    sheetOf: (f, { tx, team }) => machineOfSheet(tx, team.id, 'fastener', f.fastenerId)
  },
  'fastener.remove': {
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'fastener', f.fastenerId)),
    handle: removeFastener
  },
  'figure.add': {
    scope: (f) => onSheet(f.machineId),
    handle: addFigure,
    sheetOf: (f) => f.machineId
  },
  'figure.confirm': {
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'spec_figure', f.figureId)),
    handle: confirmFigure
  },
  'sheet.copy': {
    scope: (c) => onSheet(c.fromMachineId, c.toMachineId),
    handle: copySheet,
    sheetOf: (c) => c.toMachineId
  },
  'modification.add': { scope: (m) => onSheet(m.machineId), handle: addModification },
  'modification.note': {
    scope: async (m, tx, teamId) =>
      onSheet(await machineOfSheet(tx, teamId, 'modification', m.modificationId)),
    handle: noteModification
  }
};
