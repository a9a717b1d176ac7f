import { z } from 'zod';
import { bad } from '../forms';
import { showUm } from './limits';
import { THICKEST_SHIM, THINNEST_SHIM } from './stamp';

/** How thick a shim is, µm. @param what the question it answers */
export const shimUm = (what: string) =>
  z
    .number({ error: what })
    .int(what)
    .min(THINNEST_SHIM, `A shim is ${showUm(THINNEST_SHIM)} thick at least.`)
    .max(THICKEST_SHIM, `A shim is ${showUm(THICKEST_SHIM)} thick at most.`);

/** How far across shims are, typed in mm from 3 to 40; empty: nobody says. µm */
export const acrossTyped = z
  .string()
  .trim()
  .max(20, 'At most 20 characters.')
  .default('')
  .transform((text, ctx): number | null => {
    if (text === '') return null;
    const n = Number(text.replace(',', '.').replace(/\s*mm$/i, ''));
    return Number.isFinite(n) && n >= 3 && n <= 40
      ? Math.round(n * 1000)
      : bad(ctx, 'Millimetres across, from 3 to 40.');
  });

/** A shim is known by one of the two at least. */
export const known = (s: { stamp: number | null; measured: number | null }, ctx: z.RefinementCtx) => {
  if (s.stamp === null && s.measured === null)
    ctx.addIssue({ code: 'custom', path: ['stamp'], message: 'Its stamp, or what a micrometer reads.' });
};
