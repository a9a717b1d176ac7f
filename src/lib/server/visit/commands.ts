import type { bodies } from '../../core/visit/form';
import { type Handlers, onMachine, onSheet } from '../book/handler';
import { attachPhoto } from '../photo/photos';
import { closeVisit } from './close';
import { startVisit } from './start';
import { addEntries, giveUpVisit, machineOfVisit } from './visits';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'visit.start': {
    scope: (v) => (v.jobs.some((j) => j.keep) ? onMachine(v.machineId) : onSheet(v.machineId)),
    handle: startVisit
  },
  'visit.enter': {
    scope: null,
    at: (v) => v.visitId,
    together: addEntries
  },
  'visit.close': {
    scope: async (v, tx, teamId) => onMachine(await machineOfVisit(tx, teamId, v.visitId)),
    handle: closeVisit
  },
  'visit.give-up': { scope: null, handle: giveUpVisit },
  'photo.attach': { scope: null, handle: attachPhoto }
};
