import type { bodies } from '../../core/valve/form';
import { type Handlers, onSheet } from '../book/handler';
import { addBlades } from '../stores/stores';
import { measure, placeOfCheck, readShim, settlePlan } from './checks';
import { closeCheck, placeOfClose, strikeCheck } from './close';
import { countShims, pasteDrawer, setLevel } from './drawer';
import { fitShims } from './fit';
import { placeOfHead, setGuide, setHead, setSizes } from './heads';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'blades.add': { scope: null, handle: addBlades },
  'shims.count': { scope: null, handle: countShims },
  'shims.paste': { scope: null, handle: pasteDrawer },
  'shims.level': { scope: null, handle: setLevel },
  'head.set': { scope: (h) => onSheet(h.machineId), handle: setHead },
  'head.sizes': {
    scope: (s, tx, teamId) => placeOfHead(tx, teamId, s.headId),
    handle: setSizes
  },
  'head.guide': {
    scope: (g, tx, teamId) => placeOfHead(tx, teamId, g.headId),
    handle: setGuide
  },
  'valve.measure': {
    scope: (m, tx, teamId) => placeOfHead(tx, teamId, m.headId),
    handle: measure
  },
  'valve.shim': {
    // Stamp and micrometer that do not agree are a finding.
    scope: async (s, tx, teamId) => ({ ...(await placeOfHead(tx, teamId, s.headId)), counts: true }),
    handle: readShim
  },
  'valve.plan': {
    scope: (p, tx, teamId) => placeOfCheck(tx, teamId, p.checkId),
    handle: settlePlan
  },
  'valve.fit': {
    scope: (f, tx, teamId) => placeOfCheck(tx, teamId, f.checkId),
    handle: fitShims
  },
  'valve.close': {
    scope: (c, tx, teamId) => placeOfClose(tx, teamId, c),
    handle: closeCheck
  },
  'valve.strike': {
    // What it said of the next one is over.
    scope: async (s, tx, teamId) => ({ ...(await placeOfCheck(tx, teamId, s.checkId)), counts: true }),
    handle: strikeCheck
  }
};
