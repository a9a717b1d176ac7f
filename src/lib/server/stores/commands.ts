import type { bodies } from '../../core/stores/form';
import type { Handlers } from '../book/handler';
import { keepFilter, washFilters } from '../round/filters';
import { addAdapter, addOil, addWrench, noteStock, retire } from './stores';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'wrench.add': { scope: null, handle: addWrench },
  'adapter.add': { scope: null, handle: addAdapter },
  'oil.add': { scope: null, handle: addOil },
  'oil.stock': { scope: null, handle: noteStock },
  'filter.keep': { scope: null, handle: keepFilter },
  'filter.washed': { scope: null, handle: washFilters },
  'store.retire': { scope: null, handle: retire }
};
