import type { ComponentKind, Place } from '../src/lib/core/component/component';

/** A component of the demo: on a machine since the season began, in its engine, or on the shelf. */
export interface DemoComponent {
  slug: string;
  kind: ComponentKind;
  name: string;
  serial?: string;
  /** Machine by its slug; null: the shelf. */
  on: string | null;
  /** In the engine of that machine. */
  inEngine?: boolean;
  place?: Place;
  /** Hours on it when the book began; left out: as many as the machine had then. */
  brought?: number;
  note?: string;
}

export const COMPONENTS: DemoComponent[] = [
  { slug: 'fell250-engine', kind: 'engine', name: 'Engine 250-A', serial: 'CF25 0417', on: 'fell250' },
  {
    slug: 'fell250-clutch',
    kind: 'clutch',
    name: 'Clutch pack',
    on: 'fell250',
    inEngine: true,
    brought: 3.5
  },
  { slug: 'fell250-chain', kind: 'chain', name: 'Chain, 114 links', on: 'fell250', brought: 0 },
  { slug: 'fell250-sprockets', kind: 'sprockets', name: 'Sprockets 13/50', on: 'fell250', brought: 0 },
  { slug: 'fell250-fork', kind: 'fork', name: 'Fork, stiff springs', on: 'fell250', brought: 24 },
  { slug: 'fell350-engine', kind: 'engine', name: 'Engine 350-A', serial: 'CF35 0098', on: 'fell350' },
  { slug: 'fell350-clutch', kind: 'clutch', name: 'Clutch pack', on: 'fell350', inEngine: true, brought: 12 },
  { slug: 'scree450-engine', kind: 'engine', name: 'Engine 450', serial: 'HS45 1120', on: 'scree450' },
  { slug: 'gill125-engine', kind: 'engine', name: 'Engine 125', serial: 'BG12 2203', on: 'gill125' },
  { slug: 'gill125-top', kind: 'top end', name: 'Top end, cylinder B', on: 'gill125', inEngine: true },
  { slug: 'gill300-engine', kind: 'engine', name: 'Engine 300', serial: 'BG30 0611', on: 'gill300' },
  { slug: 'gill300-top', kind: 'top end', name: 'Top end, cylinder A', on: 'gill300', inEngine: true },
  { slug: 'gill300-fork', kind: 'fork', name: 'Fork', on: 'gill300' },
  { slug: 'rake250-engine', kind: 'engine', name: 'Engine 250 MX', serial: 'HR25 0077', on: 'rake250' },
  { slug: 'pippet-engine', kind: 'engine', name: 'Engine 110', on: 'pippet' },
  { slug: 'drover-engine', kind: 'engine', name: 'Engine 650', serial: 'OD65 0302', on: 'drover' },
  { slug: 'lynchet-engine', kind: 'engine', name: 'Engine 450 quad', on: 'lynchet' },
  { slug: 'lynchet-shock-left', kind: 'shock', name: 'Front shock', on: 'lynchet', place: 'left' },
  { slug: 'lynchet-shock-right', kind: 'shock', name: 'Front shock', on: 'lynchet', place: 'right' },
  {
    slug: 'spare-250',
    kind: 'engine',
    name: 'Engine 250-B, spare',
    serial: 'CF25 0388',
    on: null,
    brought: 61.5,
    note: 'Fresh main bearings, runs; oil drained for the shelf.'
  },
  { slug: 'spare-top', kind: 'top end', name: 'Top end, cylinder C', on: null, brought: 18 },
  {
    slug: 'spare-chain',
    kind: 'chain',
    name: 'Chain, 112 links',
    on: null,
    brought: 42,
    note: 'Half worn, for practice.'
  }
];

/** What of a machine's tasks belongs to a component, by the task's name. */
export function partOf(machine: string, task: string): string | null {
  const has = (slug: string) => COMPONENTS.some((c) => c.slug === slug);
  const first = (...slugs: string[]) => slugs.find(has) ?? null;
  if (/^(Engine oil|Valve|O-rings)/.test(task)) return first(`${machine}-engine`);
  if (/^Piston/.test(task)) return first(`${machine}-top`);
  if (/^Clutch/.test(task)) return first(`${machine}-clutch`);
  if (/^Fork/.test(task)) return first(`${machine}-fork`);
  if (/^Chain wear/.test(task)) return first(`${machine}-chain`);
  return null;
}

/** By how much a component's own hours differ from its machine's, given those the machine had when the book began. */
export function ownOffset(slug: string | null, start: number): number {
  const c = COMPONENTS.find((x) => x.slug === slug);
  return c?.brought === undefined ? 0 : Math.round(c.brought * 100) - start;
}
