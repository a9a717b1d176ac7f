import type { bodies } from '../../core/schedule/form';
import { type Handlers, onMachine } from '../book/handler';
import { addCall, dropCall, machineOfCall } from './calls';
import { backToBook, decide, makeProposal, taskOf } from './proposals';
import { addTask, changeTask, ownerScope, recordDone, retireTask } from './tasks';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'task.add': { scope: ownerScope, handle: addTask },
  'task.change': { scope: (t) => ({ tasks: [t.taskId] }), handle: changeTask },
  'task.retire': { scope: (t) => ({ tasks: [t.taskId] }), handle: retireTask },
  'task.done': { scope: (d) => ({ tasks: [d.taskId] }), handle: recordDone },
  'proposal.make': {
    scope: (p) => ({ tasks: [p.taskId], counts: false }),
    handle: makeProposal
  },
  'proposal.decide': {
    scope: async (p, tx, teamId) => ({
      tasks: [await taskOf(tx, teamId, 'interval_proposal', p.proposalId)]
    }),
    handle: decide
  },
  'proposal.back-to-book': {
    scope: async (p, tx, teamId) => ({ tasks: [await taskOf(tx, teamId, 'task_trigger', p.triggerId)] }),
    handle: backToBook
  },
  'call.report': { scope: (c) => onMachine(c.machineId), handle: addCall },
  'call.drop': {
    scope: async (c, tx, teamId) => onMachine(await machineOfCall(tx, teamId, c.callId)),
    handle: dropCall
  }
};
