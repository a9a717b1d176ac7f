import type { bodies } from '../../core/finding/form';
import { type Handlers, onMachine } from '../book/handler';
import { attachToFinding } from '../photo/photos';
import { addFinding, closeByHand, placeOfFinding, regrade, waitForFinding } from './findings';
import { addReminder, noteReminder, placeOfReminder } from './reminders';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'finding.add': {
    scope: (f) => ({ machines: [f.machineId], components: f.componentId ? [f.componentId] : [] }),
    handle: addFinding
  },
  'finding.close': {
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: closeByHand
  },
  'finding.regrade': {
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: regrade
  },
  'finding.wait': {
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: waitForFinding
  },
  'finding.photo': {
    // Held, so that two of them are counted one after the other; nothing that is counted changes.
    scope: async (f, tx, teamId) => ({ ...(await placeOfFinding(tx, teamId, f.findingId)), counts: false }),
    handle: attachToFinding
  },
  'reminder.add': { scope: (r) => onMachine(r.machineId), handle: addReminder },
  'reminder.note': {
    scope: (n, tx, teamId) => placeOfReminder(tx, teamId, n.reminderId),
    handle: noteReminder
  }
};
