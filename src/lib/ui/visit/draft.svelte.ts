import type { Material } from '$lib/core/debris/debris';
import type { OilLook } from '$lib/core/debris/trend';
import type { Afterwards } from '$lib/core/visit/afterwards';
import { forget, keep, kept } from '../base/kept';

type Said = Omit<Afterwards, 'units'>;

/** A visit being written down afterwards: what was typed is kept on the device until it is in the book. */
export class Draft {
  readonly said = $state<Record<string, string>>({});
  readonly closed = $state<Record<string, boolean>>({});
  readonly why = $state<Record<string, string>>({});
  readonly materials = $state<Record<string, Material[]>>({});
  readonly oilLook = $state<Record<string, OilLook>>({});
  readonly leftOut = $state<Record<string, string>>({});
  remark = $state('');
  readonly #name: string;

  constructor(visitId: string) {
    this.#name = `ht_after_${visitId}`;
    const was = (kept('device', this.#name) ?? {}) as Partial<Record<keyof Said, unknown>>;
    for (const field of ['said', 'closed', 'why', 'materials', 'oilLook', 'leftOut'] as const)
      if (typeof was[field] === 'object' && was[field] !== null) Object.assign(this[field], was[field]);
    if (typeof was.remark === 'string') this.remark = was.remark;
  }

  /** All of it; a reason of blanks is none. */
  get all(): Said {
    const { said, closed, why, materials, oilLook, remark } = this;
    const leftOut = Object.fromEntries(Object.entries(this.leftOut).filter(([, v]) => v.trim() !== ''));
    return $state.snapshot({ said, closed, why, materials, oilLook, leftOut, remark }) as Said;
  }
  keep(): void {
    keep('device', this.#name, this.all);
  }
  drop(): void {
    forget('device', this.#name);
  }
}
