import type { Adapter, TorqueWrench } from '../fasteners/wrench';
import type { Oil } from '../fluids/can';

/** An oil of the stores: how much there is, in bottles of what size. */
export interface StockedOil extends Oil {
  bottleMl: number;
  stockMl: number;
}

/** What the team has to work with: the same on the screen and on the server, so that both refuse the same. */
export interface Toolbox {
  wrenches: TorqueWrench[];
  adapters: Adapter[];
  oils: StockedOil[];
  /** What visits that stand open take of them; not read: none. */
  claims?: readonly OilClaim[];
}

/** What other visits take of an oil that is counted as there still: it is taken out of the stores when they close. */
export interface OilClaim {
  oilId: string;
  ml: number;
  /** Plates of the machines. */
  by: string[];
}

/** Feeler blades that are kept together, µm, the thinnest first. */
export interface BladeSet {
  id: string;
  name: string;
  /** As they are marked. */
  unit: 'mm' | 'in';
  um: number[];
}
export const NO_TOOLS: Toolbox = { wrenches: [], adapters: [], oils: [] };
