import type { Role, Team } from '$lib/core/team/team';

declare global {
  namespace App {
    interface Locals {
      /** The team this device works in; null until one exists. */
      team: Team | null;
      /** True when the device never chose: it is shown the demo team and asked. */
      teamAssumed: boolean;
      /** Who is working on this device, of that team; stamped on every write. */
      person: { id: string; role: Role } | null;
      theme: 'light' | 'dark' | 'auto';
      /** Set where the database was lost while a page was being made. */
      away: boolean;
      units: 'metric' | 'imperial';
    }
    interface Error {
      message: string;
      id?: string;
    }
  }
}

export {};
