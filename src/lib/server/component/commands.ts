import type { bodies } from '../../core/component/form';
import type { Handlers } from '../book/handler';
import { addComponent, moveComponent, rebuild, scrap, swapComponents } from './components';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'component.add': {
    scope: (c) => ({
      machines: c.machineId ? [c.machineId] : [],
      components: c.hostId ? [c.hostId] : [],
      moves: true
    }),
    handle: addComponent
  },
  'component.move': {
    scope: (m) => ({
      machines: m.machineId ? [m.machineId] : [],
      components: [m.componentId, ...(m.hostId ? [m.hostId] : [])],
      moves: true
    }),
    handle: moveComponent
  },
  'component.swap': {
    scope: (s) => ({ components: [s.componentId, s.withId], moves: true }),
    handle: swapComponents
  },
  'component.rebuild': {
    scope: (r) => ({ components: [r.componentId] }),
    handle: rebuild
  },
  'component.scrap': {
    scope: (s) => ({ components: [s.componentId], moves: true }),
    handle: scrap
  }
};
