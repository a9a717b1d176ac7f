import type { bodies } from '../../core/chain/form';
import { type Handlers, onMachine, onSheet } from '../book/handler';
import {
  closeSlack,
  machineOfCheck,
  measureSlack,
  placeOfSlackClose,
  setDrive,
  setPlace,
  strikeSlack
} from './checks';
import { addDressing, addLength, addLook, machineOfEntry, replaceSet, strikeEntry } from './entries';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'chain.drive': { scope: (d) => onSheet(d.machineId), handle: setDrive },
  'chain.place': { scope: (p) => onSheet(p.machineId), handle: setPlace },
  'chain.measure': { scope: (m) => onSheet(m.machineId), handle: measureSlack },
  'chain.close': {
    scope: (c, tx, teamId) => placeOfSlackClose(tx, teamId, c),
    handle: closeSlack
  },
  'chain.strike': {
    // What it said of the next one is over.
    scope: async (s, tx, teamId) => onMachine(await machineOfCheck(tx, teamId, s.checkId)),
    handle: strikeSlack
  },
  // What is worn out, or wrong by its look, is a finding.
  'chain.length': { scope: (l) => onMachine(l.machineId), handle: addLength },
  'chain.look': { scope: (l) => onMachine(l.machineId), handle: addLook },
  'chain.dress': { scope: (d) => onSheet(d.machineId), handle: addDressing },
  'chain.strike-entry': {
    // What was found by it is over.
    scope: async (s, tx, teamId) => onMachine(await machineOfEntry(tx, teamId, s.entryId)),
    handle: strikeEntry
  },
  'chain.replace': {
    scope: (r) => ({ ...onMachine(r.machineId), moves: true }),
    handle: replaceSet
  }
};
