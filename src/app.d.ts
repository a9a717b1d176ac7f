import type { Role, Team } from '$lib/core/team/team';

declare global {
  namespace App {
    interface Locals {
      /** The team of whoever asks; null: nobody has signed in. */
      team: Team | null;
      /** True where the server keeps the demo only, and this device never chose it: it is shown it, and asked. */
      teamAssumed: boolean;
      /** Who asks, of that team; stamped on every write. Null with a team: in the demo nobody has said. */
      person: { id: string; role: Role; name?: string } | null;
      /** What they came in by: a session in a browser, or the key of a program. */
      token: { id: string } | null;
      session: { id: string; deviceId: string | null; shared: boolean } | null;
      /** Asked on the machine the server runs on. */
      local: boolean;
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
