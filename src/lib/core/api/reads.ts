import { z } from 'zod';
import { KINDS } from '../machine/machine';
import { STATES } from '../schedule/state';
import { SEVERITIES } from '../finding/finding';
import { ROLES } from '../team/team';

/**
 * What a program can read of a book, by its path: the shape of its answer is checked before it is sent, so that what is published
 * is true. Hours are hours here, with two decimals, as people say them; what is null is not known.
 */
const uuid = z.guid();
const hours = z.number().nullable().describe('Running hours');
const day = z.iso.date();
const quantity = z.object({ value: z.number(), unit: z.string() });
const band = z.object({ from: quantity.nullable(), to: quantity.nullable() }).nullable();

const none = z.object({});
const byId = z.object({ id: uuid });
const ofMachine = z.object({ machine: uuid.optional().describe('Of this machine only') });

const read = <P extends z.ZodType, A extends z.ZodType>(
  path: string,
  about: string,
  params: P,
  answer: A
) => ({
  path,
  about,
  params,
  answer
});

const done = z.object({
  id: uuid,
  machineId: uuid.nullable(),
  task: z.string(),
  doneOn: day,
  /** Of the component it was done on, else the machine's. */
  hours,
  /** Running hours of the machine then. */
  machineHours: hours,
  remark: z.string()
});

export const READS = {
  team: read(
    '/api/v1/team',
    'The team, its people, and whose key this is.',
    none,
    z.object({
      id: uuid,
      name: z.string(),
      timeZone: z.string(),
      you: uuid,
      people: z.array(z.object({ id: uuid, name: z.string(), role: z.enum(ROLES) }))
    })
  ),
  machines: read(
    '/api/v1/machines',
    'Every machine with where it stands.',
    none,
    z.array(
      z.object({
        id: uuid,
        plate: z.string(),
        name: z.string(),
        maker: z.string(),
        kind: z.enum(KINDS),
        riderId: uuid.nullable(),
        hours,
        estimated: z.boolean(),
        ready: z.boolean(),
        visitId: uuid.nullable().describe('A visit that stands open at it')
      })
    )
  ),
  due: read(
    '/api/v1/machines/{id}/due',
    'What falls due on a machine, what presses most first.',
    byId,
    z.array(
      z.object({
        taskId: uuid,
        name: z.string(),
        component: z.string().nullable(),
        state: z.enum(STATES),
        left: z.string().describe('In words: “2.1 h”'),
        job: z.string().nullable().describe('The steps it is done by')
      })
    )
  ),
  readings: read(
    '/api/v1/readings',
    'Readings in force, the latest 500 first.',
    ofMachine,
    z.array(
      z.object({
        id: uuid,
        machineId: uuid,
        at: z.iso.datetime(),
        shows: z.number().nullable().describe('What the meter showed, h'),
        ridden: z.number().nullable().describe('Time ridden that no meter counted, h'),
        instrument: z.string()
      })
    )
  ),
  findings: read(
    '/api/v1/findings',
    'Findings that stand open.',
    ofMachine,
    z.array(
      z.object({
        id: uuid,
        machineId: uuid.nullable(),
        componentId: uuid.nullable(),
        what: z.string(),
        severity: z.enum(SEVERITIES),
        foundOn: day
      })
    )
  ),
  visit: read(
    '/api/v1/visits/{id}',
    'A visit: its steps in order, what it opens, and how far it is.',
    byId,
    z.object({
      id: uuid,
      machineId: uuid,
      title: z.string(),
      open: z.boolean(),
      steps: z.array(
        z.object({
          key: z.string(),
          title: z.string(),
          lines: z.array(z.string()),
          caution: z.string().nullable(),
          asks: z
            .string()
            .describe(
              'What kind of answer it asks for. open: `done` takes its items off, with `pointedAt` where two look alike. close: each of its items by itself (`torqued`, `by feel`, `shut`), nothing at the step. pour: `ml` and `pour`, as often as was poured. What is refused says why.'
            ),
          items: z.array(z.string()).describe('Keys of what it opens or shuts'),
          called: z.boolean().describe('Whether it is asked for, as far as was answered'),
          done: z.boolean()
        })
      ),
      items: z.array(
        z.object({
          key: z.string(),
          fastenerId: uuid.nullable().describe('Where two look alike, point at the one: pointedAt'),
          name: z.string(),
          place: z.string(),
          kind: z.enum(['fastener', 'cap', 'part']),
          torque: band,
          seal: z.string(),
          stand: z.string()
        })
      )
    })
  ),
  records: read(
    '/api/v1/records',
    'What was done, the latest 500 first.',
    ofMachine,
    z.array(done.extend({ visitId: uuid.nullable() }))
  ),
  record: read(
    '/api/v1/records/{id}',
    'A record, with what was done at the bench where it was done there.',
    byId,
    done.extend({
      by: z.string(),
      job: z.unknown().describe('As it is kept; its shape stands in the description of the team’s file')
    })
  )
} as const;
export type ReadName = keyof typeof READS;
export const READ_NAMES = Object.keys(READS) as ReadName[];
export type Params<N extends ReadName> = z.output<(typeof READS)[N]['params']>;
export type ReadAnswer<N extends ReadName> = z.input<(typeof READS)[N]['answer']>;
