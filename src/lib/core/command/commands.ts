import { z } from 'zod';
import {
  deviceEndSchema,
  invitationSchema,
  invitationWithdrawSchema,
  forgetSchema,
  roleSchema,
  sessionEndSchema
} from '../access/form';
import { tokenSchema, tokenWithdrawSchema } from '../token/form';
import { feedSchema, feedWithdrawSchema } from '../calendar/form';
import { componentSchema, moveSchema, rebuildSchema, scrapSchema, swapSchema } from '../component/form';
import {
  closeFindingSchema,
  findingSchema,
  findingWaitSchema,
  regradeSchema,
  reminderNoteSchema,
  reminderSchema
} from '../finding/form';
import { id } from '../forms';
import { meterChangeSchema, odometerSchema, raceDaySchema, readingSchema, strikeSchema } from '../hours/form';
import type { Logged, RowAnswer } from './logged';
import {
  eventSchema,
  machineChangeSchema,
  machineSchema,
  personLeaveSchema,
  personSchema,
  teamSchema
} from '../machine/form';
import { correctionSchema } from '../record/correction';
import { ruleSchema } from '../rules/form';
import {
  backToBookSchema,
  callSchema,
  decideSchema,
  doneSchema,
  dropCallSchema,
  proposeSchema,
  retireSchema as taskRetireSchema,
  taskChangeSchema,
  taskSchema
} from '../schedule/form';
import {
  confirmSchema,
  copySheetSchema,
  fastenerChangeSchema,
  fastenerRemoveSchema,
  fastenerSchema,
  figureSchema,
  modificationNoteSchema,
  modificationSchema
} from '../specs/form';
import { adapterSchema, oilSchema, retireSchema, stockSchema, wrenchSchema } from '../stores/form';
import { filterSchema, filterWashedSchema } from '../stores/filters';
import { drawerPasteSchema, drawerSchema, levelSchema } from '../valve/drawer';
import {
  bladesSchema,
  checkCloseSchema,
  checkStrikeSchema,
  fitSchema,
  guideSchema,
  headSchema,
  measureSchema,
  planSchema,
  shimReadSchema,
  sizesSchema
} from '../valve/form';
import {
  chainCloseSchema,
  chainDressSchema,
  chainEntryStrikeSchema,
  chainLengthSchema,
  chainLookSchema,
  chainPlaceSchema,
  chainReplaceSchema,
  chainStrikeSchema,
  driveSchema,
  slackMeasureSchema
} from '../chain/form';
import { roundAnswerSchema, roundChecksSchema, roundStrikeSchema } from '../round/form';
import { entrySchema, type Entry } from '../visit/entry';
import { startSchema } from '../visit/form';
import { jobSchema } from '../job/form';

/**
 * Every write there is, by its kind, with the shape of its body. The forms and the server check the same schema; the
 * import, the outbox and the audit trail know no other way to write.
 */
export const COMMANDS = {
  'team.found': teamSchema,
  'person.add': personSchema,
  'person.leave': personLeaveSchema,
  'person.forget': forgetSchema,
  'person.role': roleSchema,
  'invitation.keep': invitationSchema,
  'invitation.withdraw': invitationWithdrawSchema,
  'session.end': sessionEndSchema,
  'device.end': deviceEndSchema,
  'rule.set': ruleSchema,

  'machine.add': machineSchema,
  'machine.change': machineChangeSchema,
  'reading.log': readingSchema,
  'reading.paste': raceDaySchema,
  'reading.strike': strikeSchema,
  'odometer.log': odometerSchema,
  'meter.change': meterChangeSchema,
  'outing.estimate': z.object({ outingId: id }),
  'event.plan': eventSchema,
  'event.change': eventSchema,
  'event.call-off': z.object({ eventId: id, off: z.boolean() }),

  'token.keep': tokenSchema,
  'token.withdraw': tokenWithdrawSchema,

  'calendar.keep': feedSchema,
  'calendar.withdraw': feedWithdrawSchema,

  'component.add': componentSchema,
  'component.move': moveSchema,
  'component.swap': swapSchema,
  'component.rebuild': rebuildSchema,
  'component.scrap': scrapSchema,

  'task.add': taskSchema,
  'task.change': taskChangeSchema,
  'task.retire': taskRetireSchema,
  'task.done': doneSchema,
  'proposal.make': proposeSchema,
  'proposal.decide': decideSchema,
  'proposal.back-to-book': backToBookSchema,
  'call.report': callSchema,
  'call.drop': dropCallSchema,
  'finding.add': findingSchema,
  'finding.close': closeFindingSchema,
  'finding.regrade': regradeSchema,
  'finding.wait': findingWaitSchema,
  'finding.photo': z.object({ photoId: id, findingId: id }),
  'reminder.add': reminderSchema,
  'reminder.note': reminderNoteSchema,

  'fastener.add': fastenerSchema,
  'fastener.change': fastenerChangeSchema,
  'fastener.remove': fastenerRemoveSchema,
  'figure.add': figureSchema,
  'figure.confirm': confirmSchema,
  'sheet.copy': copySheetSchema,
  'modification.add': modificationSchema,
  'modification.note': modificationNoteSchema,

  'wrench.add': wrenchSchema,
  'adapter.add': adapterSchema,
  'oil.add': oilSchema,
  'oil.stock': stockSchema,
  'blades.add': bladesSchema,
  'shims.count': drawerSchema,
  'shims.paste': drawerPasteSchema,
  'shims.level': levelSchema,
  'filter.keep': filterSchema,
  'filter.washed': filterWashedSchema,
  'store.retire': retireSchema,

  'head.set': headSchema,
  'head.sizes': sizesSchema,
  'head.guide': guideSchema,
  'valve.measure': measureSchema,
  'valve.shim': shimReadSchema,
  'valve.plan': planSchema,
  'valve.fit': fitSchema,
  'valve.close': checkCloseSchema,
  'valve.strike': checkStrikeSchema,

  'chain.drive': driveSchema,
  'chain.place': chainPlaceSchema,
  'chain.measure': slackMeasureSchema,
  'chain.close': chainCloseSchema,
  'chain.strike': chainStrikeSchema,
  'chain.length': chainLengthSchema,
  'chain.look': chainLookSchema,
  'chain.dress': chainDressSchema,
  'chain.strike-entry': chainEntryStrikeSchema,
  'chain.replace': chainReplaceSchema,

  'round.answer': roundAnswerSchema,
  'round.strike': roundStrikeSchema,
  'round.checks': roundChecksSchema,

  'job.save': jobSchema,

  'record.correct': correctionSchema,

  'visit.start': startSchema,
  'visit.enter': z.object({ visitId: id, entry: entrySchema }),
  'visit.close': z.object({ visitId: id }),
  'visit.give-up': z.object({
    visitId: id,
    reason: z.string().trim().min(1, 'Say why, in a few words.').max(10_000, 'At most 10,000 characters.')
  }),
  'photo.attach': z.object({ photoId: id, visitId: id, stepKey: z.string().min(1).max(160) })
} satisfies Record<string, z.ZodType>;

export type Kind = keyof typeof COMMANDS;
export const KINDS = Object.keys(COMMANDS) as [Kind, ...Kind[]];
/** Setting up a team is by itself: there is nobody yet to carry it out for. */
export type TeamKind = Exclude<Kind, 'team.found'>;
/** A body as a form sends it, and as it is once it has been checked. */
export type Body<K extends Kind> = z.input<(typeof COMMANDS)[K]>;
export type Input<K extends Kind> = z.output<(typeof COMMANDS)[K]>;

/** What the kinds that have something to say are answered with; the others are answered with nothing. */
interface Answers {
  'team.found': string;
  'reading.log': Logged;
  'reading.paste': RowAnswer[];
  /** The machine it was done on; null on the shelf. */
  'task.done': string | null;
  /** What they are called now, and how often their name was written by hand. */
  'person.forget': { name: string; texts: number };
  /** Until when. */
  'invitation.keep': { expiresAt: string };
  'sheet.copy': { copied: number; left: number };
  'job.save': number;
  /** The head: one that was laid out already is the same. */
  'head.set': string;
  /** The check it went into. */
  'valve.measure': string;
  /** The record; null where it was done for no task. */
  'valve.close': string | null;
  /** The check it went into. */
  'chain.measure': string;
  /** The record; null where it was done for no task. */
  'chain.close': string | null;
  /** The round they went into. */
  'round.answer': string;
  /** The version it is now. */
  'round.checks': number;
  'visit.start': string;
  'visit.enter': Pick<Entry, 'seq' | 'at' | 'by'>;
  /** The first record. */
  'visit.close': string;
}
export type Answer<K extends Kind> = K extends keyof Answers ? Answers[K] : null;
/** The same as its handler returns it. */
export type Result<K extends Kind> = K extends keyof Answers ? Answers[K] : void;
