import type { TeamKind } from '../../core/command/commands';
import { ROLES } from '../../core/team/team';
import { endDevice } from '../access/devices';
import { forgetPerson } from '../access/forget';
import { personLeaves } from '../access/leave';
import { keepInvitation, withdrawInvitation } from '../access/invitations';
import { endSession } from '../access/sessions';
import { keepToken, withdrawToken } from '../api/tokens';
import { keepFeed, withdrawFeed } from '../calendar/feeds';
import { addCall, dropCall, machineOfCall } from '../schedule/calls';
import { addDressing, addLength, addLook, machineOfEntry, replaceSet, strikeEntry } from '../chain/entries';
import {
  closeSlack,
  machineOfCheck,
  measureSlack,
  placeOfSlackClose,
  setDrive,
  setPlace,
  strikeSlack
} from '../chain/checks';
import { addComponent, moveComponent, rebuild, scrap, swapComponents } from '../component/components';
import { correct, placeOfRecord } from '../record/corrections';
import { placeOfHead, setGuide, setHead, setSizes } from '../valve/heads';
import { estimateOuting, machineOfOuting } from '../hours/estimates';
import { addEvent, callOff, changeEvent } from '../outing/events';
import { keepFilter, washFilters } from '../round/filters';
import { addFinding, closeByHand, placeOfFinding, regrade, waitForFinding } from '../finding/findings';
import { addMachine, changeMachine } from '../machine/machines';
import { changeMeter } from '../hours/meter-changes';
import { logDistance, machineOfReading, strikeReading } from '../hours/meters';
import { attachPhoto, attachToFinding } from '../photo/photos';
import { backToBook, decide, makeProposal, taskOf } from '../schedule/proposals';
import { logReadings, machinesOfRows, pasteReadings } from '../hours/readings';
import { addReminder, noteReminder, placeOfReminder } from '../finding/reminders';
import { answerRound, machineOfRound, strikeRound } from '../round/answers';
import { saveTeamChecks } from '../round/checks';
import { SCHEDULES, setRule } from '../rules/rules';
import { addModification, confirmFigure, copySheet, noteModification } from '../specs/changes';
import { addFastener, addFigure, changeFastener, machineOfSheet, removeFastener } from '../specs/sheet';
import { countShims, pasteDrawer, setLevel } from '../valve/drawer';
import { addAdapter, addBlades, addOil, addWrench, noteStock, retire } from '../stores/stores';
import { addTask, changeTask, ownerScope, recordDone, retireTask } from '../schedule/tasks';
import { addPerson, changeRole } from '../team/teams';
import { saveTemplate } from '../job/templates';
import { closeCheck, placeOfClose, strikeCheck } from '../valve/close';
import { fitShims } from '../valve/fit';
import { measure, placeOfCheck, readShim, settlePlan } from '../valve/checks';
import { closeVisit } from '../visit/close';
import { startVisit } from '../visit/start';
import { addEntries, giveUpVisit, machineOfVisit } from '../visit/visits';
import { answering, chief, crew, onMachine, onSheet, riders, type Handler } from './handler';

/** Setting up a team is not here: there is nobody yet to carry it out for. See `founding/`. */
export const REGISTRY: { [K in TeamKind]: Handler<K> } = {
  'person.add': { role: chief, scope: null, handle: addPerson },
  'person.leave': { role: chief, scope: null, handle: personLeaves },
  'person.forget': { role: chief, scope: null, handle: forgetPerson },
  'person.role': { role: chief, scope: null, handle: changeRole },
  'invitation.keep': { role: chief, scope: null, handle: keepInvitation },
  'invitation.withdraw': { role: chief, scope: null, handle: withdrawInvitation },
  // One's own, or anybody's as chief mechanic.
  'session.end': { role: ROLES, scope: null, handle: endSession },
  'device.end': { role: ROLES, scope: null, handle: endDevice },
  'rule.set': {
    role: chief,
    scope: (r) => (SCHEDULES.includes(r.key) ? { whole: true } : null),
    handle: setRule
  },

  'machine.add': { role: crew, scope: (m) => ({ makes: [m.id] }), handle: addMachine },
  'machine.change': { role: crew, scope: (m) => onSheet(m.machineId), handle: changeMachine },
  'reading.log': {
    role: riders,
    scope: (r) => onMachine(r.machineId),
    at: (r) => r.machineId,
    together: logReadings
  },
  'reading.paste': {
    role: crew,
    scope: async ({ rows }, tx, teamId) => ({ machines: await machinesOfRows(tx, teamId, rows) }),
    handle: pasteReadings
  },
  'reading.strike': {
    role: riders,
    scope: async (s, tx, teamId) => onMachine(await machineOfReading(tx, teamId, s.readingId)),
    handle: strikeReading
  },
  'odometer.log': { role: riders, scope: (o) => onMachine(o.machineId), handle: logDistance },
  'meter.change': { role: crew, scope: (m) => onMachine(m.machineId), handle: changeMeter },
  'outing.estimate': {
    role: riders,
    scope: async (o, tx, teamId) => onMachine(await machineOfOuting(tx, teamId, o.outingId)),
    handle: estimateOuting
  },
  'event.plan': { role: crew, scope: null, handle: addEvent },
  'event.change': { role: crew, scope: null, handle: changeEvent },
  'event.call-off': { role: crew, scope: null, handle: callOff },

  'token.keep': { role: crew, scope: null, handle: keepToken },
  'token.withdraw': { role: crew, scope: null, handle: withdrawToken },

  'calendar.keep': { role: crew, scope: null, handle: keepFeed },
  'calendar.withdraw': { role: crew, scope: null, handle: withdrawFeed },

  'component.add': {
    role: crew,
    scope: (c) => ({
      machines: c.machineId ? [c.machineId] : [],
      components: c.hostId ? [c.hostId] : [],
      moves: true
    }),
    handle: addComponent
  },
  'component.move': {
    role: crew,
    scope: (m) => ({
      machines: m.machineId ? [m.machineId] : [],
      components: [m.componentId, ...(m.hostId ? [m.hostId] : [])],
      moves: true
    }),
    handle: moveComponent
  },
  'component.swap': {
    role: crew,
    scope: (s) => ({ components: [s.componentId, s.withId], moves: true }),
    handle: swapComponents
  },
  'component.rebuild': {
    role: crew,
    scope: (r) => ({ components: [r.componentId] }),
    handle: rebuild
  },
  'component.scrap': {
    role: crew,
    scope: (s) => ({ components: [s.componentId], moves: true }),
    handle: scrap
  },

  'task.add': { role: crew, scope: ownerScope, handle: addTask },
  'task.change': { role: crew, scope: (t) => ({ tasks: [t.taskId] }), handle: changeTask },
  'task.retire': { role: crew, scope: (t) => ({ tasks: [t.taskId] }), handle: retireTask },
  'task.done': { role: crew, scope: (d) => ({ tasks: [d.taskId] }), handle: recordDone },
  'proposal.make': {
    role: crew,
    scope: (p) => ({ tasks: [p.taskId], counts: false }),
    handle: makeProposal
  },
  'proposal.decide': {
    role: crew,
    scope: async (p, tx, teamId) => ({
      tasks: [await taskOf(tx, teamId, 'interval_proposal', p.proposalId)]
    }),
    handle: decide
  },
  'proposal.back-to-book': {
    role: crew,
    scope: async (p, tx, teamId) => ({ tasks: [await taskOf(tx, teamId, 'task_trigger', p.triggerId)] }),
    handle: backToBook
  },
  'call.report': { role: riders, scope: (c) => onMachine(c.machineId), handle: addCall },
  'call.drop': {
    role: riders,
    scope: async (c, tx, teamId) => onMachine(await machineOfCall(tx, teamId, c.callId)),
    handle: dropCall
  },
  'finding.add': {
    role: riders,
    scope: (f) => ({ machines: [f.machineId], components: f.componentId ? [f.componentId] : [] }),
    handle: addFinding
  },
  'finding.close': {
    role: crew,
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: closeByHand
  },
  'finding.regrade': {
    role: crew,
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: regrade
  },
  'finding.wait': {
    role: crew,
    scope: (f, tx, teamId) => placeOfFinding(tx, teamId, f.findingId),
    handle: waitForFinding
  },
  'finding.photo': {
    role: riders,
    // Held, so that two of them are counted one after the other; nothing that is counted changes.
    scope: async (f, tx, teamId) => ({ ...(await placeOfFinding(tx, teamId, f.findingId)), counts: false }),
    handle: attachToFinding
  },
  'reminder.add': { role: crew, scope: (r) => onMachine(r.machineId), handle: addReminder },
  'reminder.note': {
    role: crew,
    scope: (n, tx, teamId) => placeOfReminder(tx, teamId, n.reminderId),
    handle: noteReminder
  },

  'fastener.add': {
    role: crew,
    scope: (f) => onSheet(f.machineId),
    handle: answering(addFastener, (_, f) => f.machineId)
  },
  'fastener.change': {
    role: crew,
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'fastener', f.fastenerId)),
    handle: answering(changeFastener, ({ tx, team }, f) =>
      machineOfSheet(tx, team.id, 'fastener', f.fastenerId)
    )
  },
  'fastener.remove': {
    role: crew,
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'fastener', f.fastenerId)),
    handle: removeFastener
  },
  'figure.add': {
    role: crew,
    scope: (f) => onSheet(f.machineId),
    handle: answering(addFigure, (_, f) => f.machineId)
  },
  'figure.confirm': {
    role: crew,
    scope: async (f, tx, teamId) => onSheet(await machineOfSheet(tx, teamId, 'spec_figure', f.figureId)),
    handle: confirmFigure
  },
  'sheet.copy': {
    role: crew,
    scope: (c) => onSheet(c.fromMachineId, c.toMachineId),
    handle: answering(copySheet, (_, c) => c.toMachineId)
  },
  'modification.add': { role: crew, scope: (m) => onSheet(m.machineId), handle: addModification },
  'modification.note': {
    role: crew,
    scope: async (m, tx, teamId) =>
      onSheet(await machineOfSheet(tx, teamId, 'modification', m.modificationId)),
    handle: noteModification
  },

  'wrench.add': { role: crew, scope: null, handle: addWrench },
  'adapter.add': { role: crew, scope: null, handle: addAdapter },
  'oil.add': { role: crew, scope: null, handle: addOil },
  'oil.stock': { role: crew, scope: null, handle: noteStock },
  'blades.add': { role: crew, scope: null, handle: addBlades },
  'shims.count': { role: crew, scope: null, handle: countShims },
  'shims.paste': { role: crew, scope: null, handle: pasteDrawer },
  'shims.level': { role: crew, scope: null, handle: setLevel },

  'head.set': { role: crew, scope: (h) => onSheet(h.machineId), handle: setHead },
  'head.sizes': {
    role: crew,
    scope: (s, tx, teamId) => placeOfHead(tx, teamId, s.headId),
    handle: setSizes
  },
  'head.guide': {
    role: crew,
    scope: (g, tx, teamId) => placeOfHead(tx, teamId, g.headId),
    handle: setGuide
  },
  'valve.measure': {
    role: crew,
    scope: (m, tx, teamId) => placeOfHead(tx, teamId, m.headId),
    handle: measure
  },
  'valve.shim': {
    role: crew,
    // Stamp and micrometer that do not agree are a finding.
    scope: async (s, tx, teamId) => ({ ...(await placeOfHead(tx, teamId, s.headId)), counts: true }),
    handle: readShim
  },
  'valve.plan': {
    role: crew,
    scope: (p, tx, teamId) => placeOfCheck(tx, teamId, p.checkId),
    handle: settlePlan
  },
  'valve.fit': {
    role: crew,
    scope: (f, tx, teamId) => placeOfCheck(tx, teamId, f.checkId),
    handle: fitShims
  },
  'valve.close': {
    role: crew,
    scope: (c, tx, teamId) => placeOfClose(tx, teamId, c),
    handle: closeCheck
  },
  'valve.strike': {
    role: crew,
    // What it said of the next one is over.
    scope: async (s, tx, teamId) => ({ ...(await placeOfCheck(tx, teamId, s.checkId)), counts: true }),
    handle: strikeCheck
  },

  'chain.drive': { role: crew, scope: (d) => onSheet(d.machineId), handle: setDrive },
  'chain.place': { role: crew, scope: (p) => onSheet(p.machineId), handle: setPlace },
  'chain.measure': { role: crew, scope: (m) => onSheet(m.machineId), handle: measureSlack },
  'chain.close': {
    role: crew,
    scope: (c, tx, teamId) => placeOfSlackClose(tx, teamId, c),
    handle: closeSlack
  },
  'chain.strike': {
    role: crew,
    // What it said of the next one is over.
    scope: async (s, tx, teamId) => onMachine(await machineOfCheck(tx, teamId, s.checkId)),
    handle: strikeSlack
  },
  // What is worn out, or wrong by its look, is a finding.
  'chain.length': { role: crew, scope: (l) => onMachine(l.machineId), handle: addLength },
  'chain.look': { role: crew, scope: (l) => onMachine(l.machineId), handle: addLook },
  'chain.dress': { role: crew, scope: (d) => onSheet(d.machineId), handle: addDressing },
  'chain.strike-entry': {
    role: crew,
    // What was found by it is over.
    scope: async (s, tx, teamId) => onMachine(await machineOfEntry(tx, teamId, s.entryId)),
    handle: strikeEntry
  },
  'chain.replace': {
    role: crew,
    scope: (r) => ({ ...onMachine(r.machineId), moves: true }),
    handle: replaceSet
  },

  // What is wrong is a finding.
  'round.answer': { role: crew, scope: (r) => onMachine(r.machineId), handle: answerRound },
  'round.strike': {
    role: crew,
    scope: async (s, tx, teamId) => onMachine(await machineOfRound(tx, teamId, s.roundId)),
    handle: strikeRound
  },

  'filter.keep': { role: crew, scope: null, handle: keepFilter },
  'filter.washed': { role: crew, scope: null, handle: washFilters },
  'store.retire': { role: crew, scope: null, handle: retire },
  'round.checks': { role: chief, scope: null, handle: saveTeamChecks },
  'job.save': { role: chief, scope: null, handle: saveTemplate },

  'record.correct': {
    role: crew,
    scope: (c, tx, teamId) => placeOfRecord(tx, teamId, c.recordId),
    handle: correct
  },

  'visit.start': {
    role: crew,
    scope: (v) => (v.jobs.some((j) => j.keep) ? onMachine(v.machineId) : onSheet(v.machineId)),
    handle: startVisit
  },
  'visit.enter': {
    role: crew,
    scope: null,
    at: (v) => v.visitId,
    together: addEntries
  },
  'visit.close': {
    role: crew,
    scope: async (v, tx, teamId) => onMachine(await machineOfVisit(tx, teamId, v.visitId)),
    handle: closeVisit
  },
  'visit.give-up': { role: crew, scope: null, handle: giveUpVisit },
  'photo.attach': { role: crew, scope: null, handle: attachPhoto }
};
