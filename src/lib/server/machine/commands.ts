import type { bodies } from '../../core/machine/form';
import { type Handlers, onSheet } from '../book/handler';
import { addMachine, changeMachine } from './machines';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'machine.add': { scope: (m) => ({ makes: [m.id] }), handle: addMachine },
  'machine.change': { scope: (m) => onSheet(m.machineId), handle: changeMachine }
};
