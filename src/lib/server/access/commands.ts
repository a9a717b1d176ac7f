import type { bodies } from '../../core/access/form';
import type { Handlers } from '../book/handler';
import { changeRole } from '../team/teams';
import { endDevice } from './devices';
import { forgetPerson } from './forget';
import { keepInvitation, withdrawInvitation } from './invitations';
import { personLeaves } from './leave';
import { endSession } from './sessions';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'person.leave': { scope: null, handle: personLeaves },
  'person.forget': { scope: null, handle: forgetPerson },
  'person.role': { scope: null, handle: changeRole },
  'invitation.keep': { scope: null, handle: keepInvitation },
  'invitation.withdraw': { scope: null, handle: withdrawInvitation },
  'session.end': { scope: null, handle: endSession },
  'device.end': { scope: null, handle: endDevice }
};
