import type { bodies } from '../../core/hours/form';
import { type Handlers, onMachine } from '../book/handler';
import { estimateOuting, machineOfOuting } from './estimates';
import { changeMeter } from './meter-changes';
import { logDistance, machineOfReading, strikeReading } from './meters';
import { logReadings, machinesOfRows, pasteReadings } from './readings';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'reading.log': {
    scope: (r) => onMachine(r.machineId),
    at: (r) => r.machineId,
    together: logReadings
  },
  'reading.paste': {
    scope: async ({ rows }, tx, teamId) => ({ machines: await machinesOfRows(tx, teamId, rows) }),
    handle: pasteReadings
  },
  'reading.strike': {
    scope: async (s, tx, teamId) => onMachine(await machineOfReading(tx, teamId, s.readingId)),
    handle: strikeReading
  },
  'odometer.log': { scope: (o) => onMachine(o.machineId), handle: logDistance },
  'meter.change': { scope: (m) => onMachine(m.machineId), handle: changeMeter },
  'outing.estimate': {
    scope: async (o, tx, teamId) => onMachine(await machineOfOuting(tx, teamId, o.outingId)),
    handle: estimateOuting
  }
};
