import { BIKES } from './bikes';
import { OTHERS } from './others';

export type { DemoMachine } from './machine';

/** The demo fleet. */
export const MACHINES = [...BIKES, ...OTHERS];
