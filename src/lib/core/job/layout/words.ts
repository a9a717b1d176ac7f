/** What job templates say of a machine's own fasteners and figures. */
import { showBand } from '../../quantity/band';
import type { HouseRules } from '../../rules/rules';
import {
  figureOf,
  LEVEL_METHODS,
  type Fastener,
  type Figure,
  type LevelMethod,
  type Sheet
} from '../../specs/sheet';
import type { SheetNumber } from '../plan';

/** A figure of the sheet as a step shows it; null stays unknown. */
export function numberOf(label: string, figure: Figure | null): SheetNumber {
  return {
    label,
    band: figure?.band ?? null,
    words: figure?.text ?? null,
    source: figure
      ? [figure.source, figure.page && `p. ${figure.page}`, figure.confidence].filter(Boolean).join(' · ')
      : null,
    unsure: figure ? figure.confidence !== 'printed' : false
  };
}

/** A figure as the manual has it, number or words; null where the sheet does not say. */
export function figureInWords(figure: Pick<Figure, 'band' | 'text'> | null): string | null {
  return figure ? (figure.band ? showBand(figure.band) : figure.text) : null;
}

export function lower(name: string): string {
  return name.charAt(0).toLowerCase() + name.slice(1);
}

export function levelMethod(text: string | null | undefined): LevelMethod | null {
  return LEVEL_METHODS.find((m) => m === text) ?? null;
}

export function sealLine(f: Fastener, rules: HouseRules): string[] {
  if (f.seal === 'none') return [];
  if (f.seal === 'crush washer')
    return [
      rules.washers === 'new every time' ? 'New crush washer.' : 'Look at the washer; a flattened one goes.'
    ];
  return [`Look at the ${f.seal}: whole, soft, seated.`];
}

export function partsLine(f: Fastener, sheet: Sheet, rules: HouseRules): string {
  const torque = figureOf(sheet, 'torque', f.id);
  const seal =
    f.seal === 'crush washer' && rules.washers === 'new every time'
      ? ', 1 new crush washer'
      : f.seal === 'none' || f.seal === 'crush washer'
        ? ''
        : `, spare ${f.seal}`;
  return `${f.name}${f.quantity > 1 ? ` × ${f.quantity}` : ''}: ${figureInWords(torque) ?? 'torque unknown'}${seal}`;
}
