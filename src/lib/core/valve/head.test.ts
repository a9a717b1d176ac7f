import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXHAUST_TO, ROWS, USUAL_LAYOUTS, valveName, valvesOf, type Layout } from './head';
import { layoutSchema, measureSchema } from './form';

const layouts: fc.Arbitrary<Layout> = fc.record({
  cylinders: fc.integer({ min: 1, max: 4 }),
  row: fc.constantFrom(...ROWS),
  exhaustTo: fc.constantFrom(...EXHAUST_TO),
  inlets: fc.integer({ min: 1, max: 3 }),
  exhausts: fc.integer({ min: 1, max: 2 }),
  inletGauge: fc.constant('cam and bucket' as const),
  exhaustGauge: fc.constant('rocker and screw' as const)
});

describe('a head', () => {
  it('has its inlet behind and its exhaust ahead where the exhaust points to the front; left is the rider’s left', () => {
    const valves = valvesOf(USUAL_LAYOUTS[0]!.layout);
    expect(valves.map((v) => v.id)).toEqual([
      '1-inlet-left',
      '1-inlet-right',
      '1-exhaust-left',
      '1-exhaust-right'
    ]);
    const at = (id: string) => valves.find((v) => v.id === id)!;
    // Seen from above with the front at the top: y grows to the rear, x to the right.
    expect(at('1-inlet-left').y).toBeGreaterThan(0);
    expect(at('1-exhaust-left').y).toBeLessThan(0);
    expect(at('1-inlet-left').x).toBeLessThan(0);
    expect(at('1-inlet-right').x).toBeGreaterThan(0);
  });

  it('that lies across the frame has its valves one behind the other', () => {
    const valves = valvesOf({ ...USUAL_LAYOUTS[0]!.layout, exhaustTo: 'left' });
    expect(valves.map((v) => v.where)).toEqual(['front', 'rear', 'front', 'rear']);
    expect(valves.filter((v) => v.side === 'exhaust').every((v) => v.x < 0)).toBe(true);
  });

  it('of a vee has its exhausts at both ends', () => {
    const valves = valvesOf({ ...USUAL_LAYOUTS[3]!.layout, cylinders: 2, row: 'vee' });
    const exhausts = valves.filter((v) => v.side === 'exhaust').map((v) => v.y);
    const inlets = valves.filter((v) => v.side === 'inlet').map((v) => v.y);
    expect(Math.min(...exhausts)).toBeLessThan(Math.min(...inlets));
    expect(Math.max(...exhausts)).toBeGreaterThan(Math.max(...inlets));
  });

  it('calls its valves as a mechanic does', () => {
    const twin = { ...USUAL_LAYOUTS[3]!.layout, cylinders: 2 };
    expect(valvesOf(twin).map((v) => valveName(twin, v))).toEqual([
      'Cylinder 1, inlet',
      'Cylinder 1, exhaust',
      'Cylinder 2, inlet',
      'Cylinder 2, exhaust'
    ]);
    const five = USUAL_LAYOUTS[4]!.layout;
    expect(valvesOf(five).map((v) => valveName(five, v))).toEqual([
      'Inlet left',
      'Inlet middle',
      'Inlet right',
      'Exhaust left',
      'Exhaust right'
    ]);
  });

  it('of one cylinder stands in no row, whatever was picked for two of them before', () => {
    const vee = { ...USUAL_LAYOUTS[0]!.layout, row: 'vee' as const, exhaustTo: 'left' as const };
    expect(layoutSchema.parse(vee)).toEqual({ ...vee, row: 'side by side' });
    expect(layoutSchema.parse({ ...vee, cylinders: 2 }).row).toBe('vee');
  });

  it('of any layout has each valve once, none on another, and every name is one the forms take', () => {
    fc.assert(
      fc.property(layouts, (layout) => {
        expect(layoutSchema.safeParse(layout).success).toBe(true);
        const valves = valvesOf(layout);
        expect(valves).toHaveLength(layout.cylinders * (layout.inlets + layout.exhausts));
        expect(new Set(valves.map((v) => v.id)).size).toBe(valves.length);
        for (const [i, a] of valves.entries())
          for (const b of valves.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(0.45);
        const id = crypto.randomUUID();
        const readings = valves.map((v) => ({
          id,
          valve: v.id,
          stage: 'found',
          measured: { by: 'reading', at: 120 }
        }));
        expect(measureSchema.safeParse({ checkId: id, headId: id, cold: 'said', readings }).success).toBe(
          true
        );
      })
    );
  });
});
