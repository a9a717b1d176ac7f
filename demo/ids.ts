import { v5 as uuidv5 } from 'uuid';
import type { Day } from '../src/lib/core/time/day';

const NAMESPACE = '6f1c2b5e-8a34-4d0e-9f57-3f1f0c7f5a10';
/** The same thing has the same id in every demo. */
export const uid = (name: string) => uuidv5(name, NAMESPACE);
export const DEMO_TEAM_ID = uid('team');
export const person = (slug: string) => uid(`person/${slug}`);
export const at = (day: Day, minutes: number) => new Date(Date.parse(`${day}T08:00:00Z`) + minutes * 60_000);
