import type { Asker } from './lines';

/** Who asks for a line, by what the door found out about them. */
export const askerOf = ({ team, person, session, token }: App.Locals): Asker => ({
  teamId: team!.id,
  person,
  by: session ? { by: 'session', id: session.id } : token ? { by: 'token', id: token.id } : null
});
