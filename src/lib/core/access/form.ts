import { z } from 'zod';
import { id, name } from '../forms';
import { personLeaveSchema } from '../team/form';
import { ROLES } from '../team/team';

/** Characters. Long enough that trying is hopeless behind the waits; nobody is made to use signs. */
const SHORTEST = 10;
const LONGEST = 128;

/** A passphrase as it is chosen. How good it is, the server says: that takes a dictionary. */
export const passphraseSchema = z
  .string()
  .min(SHORTEST, `At least ${SHORTEST} characters. Three or four words do well.`)
  .max(LONGEST, `At most ${LONGEST} characters.`);

const evenSteps = (pin: string): boolean => {
  const steps = [...pin].slice(1).map((d, i) => (Number(d) - Number(pin[i]) + 10) % 10);
  return steps.every((s) => s === steps[0]) && [0, 1, 9].includes(steps[0]!);
};
/** A PIN for one device: what a thumb types first is none. */
export const pinSchema = z
  .string()
  .regex(/^\d{4,8}$/, 'Four to eight digits.')
  .refine((p) => !evenSteps(p), 'Not all alike, and not in a row: those are tried first.');

/** SHA-256 of something random, hexadecimal. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'That is no hash.');

const typedSecret = z.string().min(1, 'Type it.').max(LONGEST, `At most ${LONGEST} characters.`);
/** Coming in by name. The team is asked for only where the server has several and the device knows none. */
export const signInSchema = z.object({
  name: z.string().trim().min(1, 'Your name, as the team has it.').max(80, 'At most 80 characters.'),
  passphrase: typedSecret,
  team: z.string().trim().max(80, 'At most 80 characters.').default(''),
  trust: z.stringbool().default(false),
  device: z.string().trim().max(60, 'At most 60 characters.').default('')
});
export const pinInSchema = z.object({ person: id, team: id, pin: typedSecret });

/** Coming in by an invitation: who one is, a PIN for this device, and a passphrase where one wants to come in elsewhere too. */
export const joinSchema = z.object({
  person: id,
  pin: pinSchema,
  passphrase: z.union([z.literal(''), passphraseSchema]).default(''),
  device: z.string().trim().max(60, 'At most 60 characters.').default('')
});

/** Into a team that nobody can come into yet, on the machine it is kept on. */
export const claimSchema = z.object({ team: id, person: id, passphrase: passphraseSchema });
/** The first of a new team. */
export const founderSchema = z.object({
  id,
  personId: id,
  name: name('what the team is called', 80),
  you: name('your name', 80),
  timeZone: z.string().max(100),
  passphrase: passphraseSchema
});

/** One’s own passphrase, changed: by the one before, or, where there is none, by the PIN of this device. */
export const ownPassphraseSchema = z.object({
  current: z.string().max(LONGEST, `At most ${LONGEST} characters.`).default(''),
  passphrase: passphraseSchema
});
export const ownPinSchema = z.object({
  /** The passphrase; of who has none, the PIN they have on this device. */
  current: z.string().max(LONGEST, `At most ${LONGEST} characters.`).default(''),
  pin: pinSchema,
  device: z.string().trim().max(60, 'At most 60 characters.').default('')
});

export const invitationSchema = z.object({
  id,
  /** Null: for whoever of the team has no way in yet. */
  personId: id.nullable(),
  hash: hashSchema,
  /** For one: every way in they had is over. False: it is another phone. */
  replaces: z.boolean().default(true)
});
export type InvitationInput = z.output<typeof invitationSchema>;
export const invitationWithdrawSchema = z.object({ invitationId: id });
export const sessionEndSchema = z.object({ sessionId: id });
export const deviceEndSchema = z.object({ deviceId: id });
/** Somebody who left: what is kept about them is removed. */
export const forgetSchema = z.object({ personId: id });
export const roleSchema = z.object({
  personId: id,
  role: z.enum(ROLES, { error: 'Pick what they do.' })
});

/** How long they open something. */
export const INVITED_FOR_HOURS = { person: 7 * 24, team: 24 } as const;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'person.leave': personLeaveSchema,
  'person.forget': forgetSchema,
  'person.role': roleSchema,
  'invitation.keep': invitationSchema,
  'invitation.withdraw': invitationWithdrawSchema,
  'session.end': sessionEndSchema,
  'device.end': deviceEndSchema
};
