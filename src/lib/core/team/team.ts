/** A race team or workshop: everything in the book belongs to one. */
export interface Team {
  id: string;
  name: string;
  /** IANA name; calendar days are days there. */
  timeZone: string;
  isDemo: boolean;
}

export const ROLES = ['chief mechanic', 'mechanic', 'rider', 'owner', 'screen'] as const;
export type Role = (typeof ROLES)[number];
export const CHIEF: readonly Role[] = ['chief mechanic'];
export const CREW: readonly Role[] = ['chief mechanic', 'mechanic'];
export const RIDERS: readonly Role[] = [...CREW, 'rider'];

export interface Person {
  id: string;
  name: string;
  role: Role;
}
