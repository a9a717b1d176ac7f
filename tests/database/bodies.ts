import { AS_IT_CAME } from '../../src/lib/core/round/lists';
import type { Kind } from '../../src/lib/core/command/commands';
import { TODAY, uuid } from './book';
import type { Pit } from './pit';

/**
 * A body of every command, as it should be: they hang on one another, so that each has something to stumble over. A new command
 * gets one here.
 */
export function everyBody(pit: Pit): Record<Exclude<Kind, 'team.found'>, Record<string, unknown>> {
  const { book } = pit;
  const machineId = book.machineId;
  const id = uuid;
  const [
    outing,
    event,
    fastener,
    figure,
    call,
    finding,
    reminder,
    modification,
    wrench,
    oil,
    visit,
    template,
    head,
    check,
    slackCheck,
    chainEntry,
    round
  ] = Array.from({ length: 17 }, uuid) as string[];
  const trigger = () => ({ id: uuid(), measure: 'hours', every: '15', limit: '', first: '', firstLimit: '' });
  const at = { machineId, day: '2026-06-12' };
  return {
    'person.add': { id: id(), name: 'Somebody', role: 'rider' },
    'person.role': { personId: book.personId, role: 'chief mechanic' },
    'invitation.keep': { id: id(), personId: null, hash: 'a'.repeat(64) },
    'invitation.withdraw': { invitationId: id() },
    'session.end': { sessionId: id() },
    'device.end': { deviceId: id() },
    'rule.set': { id: id(), key: 'anchoring', value: 'from due', word: '' },
    'machine.add': {
      id: id(),
      plate: '77',
      name: 'M',
      maker: '',
      kind: 'dual-sport',
      riderId: null,
      meter: 'hour meter',
      reading: '3',
      tasks: []
    },
    'machine.change': { machineId, name: 'N', maker: '', riderId: null },
    'reading.log': {
      id: outing,
      ...at,
      typed: '41',
      before: '',
      remark: '',
      riderId: book.personId,
      outing: 'ride',
      eventId: null,
      distance: '20',
      conditions: ['mud'],
      crossings: '1',
      clutch: 'usual',
      symptoms: ['smokes'],
      sure: true,
      settlement: null
    },
    'reading.paste': { rows: [{ id: id(), ...at, typed: '41.5', outing: 'ride' }] },
    'reading.strike': { readingId: outing, reason: 'odd' },
    'odometer.log': { id: id(), ...at, typed: '40 km', remark: '' },
    'meter.change': {
      id: id(),
      ...at,
      change: 'odometer added',
      counts: 'distance',
      lastValue: '',
      firstValue: '10',
      reason: ''
    },
    'outing.estimate': { outingId: outing },
    'event.plan': {
      id: event,
      name: 'E',
      kind: 'race',
      firstDay: '2026-07-01',
      lastDay: '2026-07-02',
      hoursEach: '3',
      wholeFleet: false,
      machineIds: [machineId]
    },
    'event.change': {
      id: event,
      name: 'F',
      kind: 'practice',
      firstDay: '2026-07-01',
      lastDay: '2026-07-03',
      leavesOn: '2026-06-30',
      hoursEach: '2',
      wholeFleet: true,
      otherHours: [{ machineId, hours: '4' }]
    },
    'event.call-off': { eventId: event, off: true },
    'component.add': {
      id: id(),
      kind: 'chain',
      name: 'Chain',
      serial: 'S1',
      brought: '1',
      broughtDistance: '5',
      fromNew: false,
      note: '',
      machineId,
      hostId: null,
      place: '',
      fittedOn: '2026-06-11'
    },
    'component.move': {
      id: id(),
      componentId: pit.a,
      machineId: null,
      hostId: null,
      place: '',
      day: '2026-06-12',
      reading: '',
      reason: ''
    },
    'component.swap': {
      id: id(),
      componentId: pit.a,
      withId: pit.b,
      day: '2026-06-12',
      reading: '',
      withReading: '',
      reason: ''
    },
    'component.rebuild': { id: id(), componentId: pit.a, day: '2026-06-12', remark: '', taskIds: [pit.oilA] },
    'component.scrap': { componentId: pit.b, reason: 'seized' },
    'task.add': {
      id: id(),
      machineId,
      componentId: null,
      name: 'New',
      job: null,
      note: '',
      triggers: [trigger()],
      ageing: null,
      anchoring: null,
      sensitivity: { mud: '2' },
      perPart: false,
      restartsOnRebuild: true,
      answers: ['smokes'],
      lastDone: 'done',
      lastDoneHours: '3',
      lastDoneDay: TODAY
    },
    'task.change': {
      id: id(),
      taskId: book.taskId,
      name: 'Oil',
      job: 'engine-oil',
      note: '',
      triggers: [trigger()],
      ageing: null,
      anchoring: 'from due',
      sensitivity: {},
      perPart: false,
      restartsOnRebuild: true,
      answers: [],
      word: ''
    },
    'task.retire': { taskId: pit.oilB, word: 'gone' },
    'task.done': {
      id: id(),
      taskId: book.taskId,
      day: TODAY,
      hours: '',
      reason: 'why',
      remark: '',
      replaced: true,
      worse: 'dark'
    },
    'proposal.make': { taskId: book.taskId, reason: 'dark' },
    'proposal.decide': { proposalId: id(), decision: 'accepted', word: '' },
    'proposal.back-to-book': { triggerId: id(), word: 'w' },
    'call.report': { id: call, machineId, what: 'crash', words: '', day: TODAY },
    'call.drop': { callId: call, word: 'w' },
    'finding.add': {
      id: finding,
      machineId,
      componentId: pit.a,
      what: 'It weeps',
      place: 'left',
      note: 'n',
      severity: 'watch'
    },
    'finding.regrade': { id: id(), findingId: finding, severity: 'fix now', word: 'w' },
    'finding.wait': { id: id(), findingId: finding, waitsFor: 'a part to arrive', part: 'seal' },
    'finding.photo': { photoId: id(), findingId: finding },
    'finding.close': { findingId: finding, how: 'done', word: 'new seal' },
    'reminder.add': { id: reminder, machineId, words: 'Level', waitsFor: 'the next outing', part: '' },
    'reminder.note': { reminderId: reminder, now: 'done', word: 'w' },
    'fastener.add': {
      id: fastener,
      machineId,
      circuit: 'engine',
      role: 'drain plug',
      name: 'Plug',
      place: '',
      quantity: 1,
      magnet: true,
      seal: 'none',
      head: '',
      thread: 'M12',
      pattern: '',
      note: '',
      lean: '',
      lengths: 'rear 45 mm',
      comesWith: 'spring',
      oiled: false,
      adapter: false
    },
    'fastener.change': { fastenerId: fastener, note: 'n', at: { x: 0.1, y: 0.2 }, covers: [fastener] },
    'fastener.remove': { fastenerId: fastener, removed: false },
    'figure.add': {
      id: figure,
      machineId,
      key: 'torque',
      fastenerId: fastener,
      typed: '20 N·m',
      source: 'Manual',
      edition: '',
      page: '1',
      confidence: 'printed',
      variant: '',
      sure: true
    },
    'figure.confirm': {
      id: id(),
      figureId: figure,
      source: 'Manual',
      edition: '',
      page: '',
      confidence: 'told'
    },
    'sheet.copy': {
      fromMachineId: machineId,
      toMachineId: pit.other
    },
    'modification.add': { id: modification, machineId, what: 'other exhaust', words: '', day: TODAY },
    'modification.note': { modificationId: modification, figureId: figure, undoneOn: null },
    'wrench.add': {
      id: wrench,
      name: 'W',
      unit: 'N·m',
      low: '5',
      high: '50',
      length: '300',
      calibratedUntil: ''
    },
    'adapter.add': { id: id(), name: 'A', length: '40' },
    'oil.add': {
      id: oil,
      name: 'O',
      kind: 'gearbox oil',
      grade: '75W',
      ratings: [],
      additives: [],
      bottle: '1 L',
      stock: '2 L'
    },
    'oil.stock': { id: id(), oilId: oil, now: '3', why: 'bought' },
    'blades.add': { id: id(), name: 'B', blades: '0.05 to 0.20 by 0.05 mm' },
    'shims.count': { id: id(), across: '8', stamp: '185', measured: '', now: '+2', why: '' },
    'shims.paste': { id: id(), rows: [{ across: '8', stamp: '180', measured: '1.801', now: '2' }] },
    'shims.level': { across: 8000, stamp: 1850, least: 2 },
    'head.set': {
      id: head,
      machineId,
      layout: {
        cylinders: 1,
        row: 'side by side',
        exhaustTo: 'front',
        inlets: 2,
        exhausts: 2,
        inletGauge: 'cam and bucket',
        exhaustGauge: 'rocker and shim'
      }
    },
    'head.sizes': { headId: head, sizes: '1.20 to 3.50 by 0.05', across: '8' },
    'head.guide': {
      headId: head,
      marks: 'the line',
      turn: 'forwards',
      free: 'both rockers',
      firing: '1',
      between: '',
      note: ''
    },
    'valve.measure': {
      checkId: check,
      headId: head,
      visitId: null,
      cold: 'said',
      readings: [
        { id: id(), valve: '1-inlet-left', stage: 'found', measured: { by: 'blades', goes: 75, stops: 100 } }
      ]
    },
    'valve.shim': {
      id: id(),
      headId: head,
      checkId: check,
      valve: '1-inlet-left',
      stamp: 1850,
      measured: 1830
    },
    'valve.plan': {
      checkId: check,
      plan: {
        choice: 'by the house',
        fits: [{ valve: '1-inlet-left', shim: 1800, from: 'bought', of: null }]
      }
    },
    'valve.fit': {
      id: id(),
      checkId: check,
      fits: [
        { id: id(), valve: '1-inlet-left', stamp: 1800, measured: null, was: 1830, from: 'bought', of: null }
      ],
      out: [{ valve: '1-inlet-left', measured: 1832 }]
    },
    'valve.close': { checkId: check, taskId: null, leave: null },
    'valve.strike': { checkId: check, reason: 'warm' },
    'chain.drive': {
      machineId,
      at: 0.5,
      attitude: 'rider on',
      angle: '-12',
      adjuster: { kind: 'screws', back: 'out', perMark: '2', lastMark: '14', offset: '', zero: '' },
      chainSide: 'left',
      front: '13',
      rear: '50',
      links: '114',
      halfLink: false
    },
    'chain.place': { machineId, at: 0.4 },
    'chain.measure': {
      checkId: slackCheck,
      machineId,
      readings: [
        { id: id(), stage: 'found', slack: 55, slackest: 60, left: '4', right: '4.5', typed: '55' },
        { id: id(), stage: 'tight', slack: 40, slackest: null, left: null, right: null, typed: '40' }
      ]
    },
    'chain.close': {
      checkId: slackCheck,
      taskId: null,
      seen: ['wheel spins free'],
      leave: { reason: 'r', severity: 'watch' }
    },
    'chain.strike': { checkId: slackCheck, reason: 'wrong bike' },
    'chain.length': { id: id(), machineId, measured: '318', pitches: '20' },
    'chain.look': {
      id: chainEntry,
      machineId,
      front: 'hooked',
      rear: null,
      joint: 'riveted',
      stiff: '1',
      guides: 'grooved',
      note: 'n'
    },
    'chain.dress': { id: id(), machineId, cleaned: true, dressing: 'wax' },
    'chain.strike-entry': { entryId: chainEntry, reason: 'twice' },
    'chain.replace': {
      machineId,
      chain: { id: id(), name: 'Chain', links: '114', halfLink: false },
      front: { id: id(), name: 'Front', teeth: '13' },
      rear: null,
      was: { chain: null, front: null, rear: null },
      old: 'scrapped',
      reason: 'worn'
    },
    'round.answer': {
      roundId: round,
      machineId,
      list: 'ready',
      answers: [
        { id: id(), check: 'front-tyre', said: 'well', found: '60', set: '90', note: '' },
        { id: id(), check: 'fork-seals', said: 'wrong', severity: 'watch', note: 'right' }
      ]
    },
    'round.strike': { roundId: round, reason: 'wrong bike' },
    'round.checks': { from: 0, content: AS_IT_CAME, word: 'x' },
    'calendar.keep': { id: id(), machineId, personId: null },
    'calendar.withdraw': { feedId: id() },
    'token.keep': { id: id(), name: 'Scale', hash: 'a'.repeat(64) },
    'token.withdraw': { tokenId: id() },
    'person.forget': { personId: id() },
    'person.leave': { personId: id(), left: false },
    'filter.keep': { id: id(), name: 'Foam', machineIds: [machineId], clean: '2', dirty: '0' },
    'filter.washed': { filterId: id() },
    'store.retire': { id: wrench, what: 'wrench' },
    'job.save': {
      key: 'mine',
      from: 0,
      content: { key: 'mine', title: 'Mine', steps: [{ key: 'a', title: 'A', kind: 'tick', minutes: 1 }] },
      word: ''
    },
    'record.correct': {
      id: id(),
      recordId: id(),
      amount: { circuit: 'engine', what: 'poured', now: '950 ml' },
      words: 'misread'
    },
    'visit.start': {
      findings: [],
      id: visit,
      machineId,
      jobs: [{ taskId: book.taskId, template: null }],
      engine: 'cold',
      order: null
    },
    'visit.enter': {
      visitId: visit,
      entry: { id: id(), stepKey: 'gather', action: 'done', content: { remark: 'x' } }
    },
    'visit.close': { visitId: visit },
    'photo.attach': { photoId: template, visitId: visit, stepKey: 'gather' },
    'visit.give-up': { visitId: visit, reason: 'rain' }
  };
}
