import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  closedFloat,
  convertLimits,
  coverageFactor,
  depthOverParallels,
  dialTravel,
  estimate,
  feelerBracket,
  formatLength,
  gapUnderSpacer,
  INSTRUMENTS,
  limitBar,
  nanometres,
  packWindow,
  parseLength,
  parseLimits,
  parsePack,
  parseLeaves,
  readEntry,
  ReckoningError,
  repeats,
  requiredPack,
  searchPacks,
  sensesFromTrials,
  stackGap,
  suspectSlip,
  thou,
  verdict,
  type Length,
  type LengthUnit,
  type Limits,
  type Reading,
} from './index.ts';

const length = (low: number, high: number): fc.Arbitrary<Length> => fc.integer({ min: low, max: high }).map((nm) => nanometres(nm));
const limits: fc.Arbitrary<Limits & { min: Length; max: Length }> = fc
  .tuple(length(-500_000, 500_000), length(1_000, 400_000))
  .map(([min, width]) => ({ min, max: nanometres(min + width) }));
const sense = fc.constantFrom(1 as const, -1 as const);

describe('whatever the figures', () => {
  it('a length formatted finely and read again is the same length', () => {
    fc.assert(
      fc.property(length(-100_000_000, 100_000_000), fc.constantFrom<LengthUnit>('mm', 'in', 'thou', 'um'), (value, unit) => {
        expect(parseLength(`${formatLength(value, unit, 9)} ${unit}`, 'mm')).toBe(value);
      }),
    );
  });
  it('no text makes the parsers throw anything but their own refusal', () => {
    const text = fc.oneof(
      fc.string({ maxLength: 40 }),
      fc.string({ unit: fc.constantFrom(...'0123456789.,/-+><×½ "µ≥thoumingesp'.split('')), maxLength: 40 }),
    );
    const own = (run: () => unknown): void => {
      try {
        run();
      } catch (error) {
        expect(error).toBeInstanceOf(ReckoningError);
        expect((error as Error).message).toMatch(/^.{10,220}$/s);
      }
    };
    fc.assert(
      fc.property(text, (entry) => {
        own(() => parseLength(entry, 'mm'));
        own(() => parseLimits(entry, 'thou'));
        own(() => parsePack(entry, 'thou'));
        own(() => parseLeaves(entry, 'thou'));
        own(() => readEntry(entry, INSTRUMENTS.dialThou));
        own(() => readEntry(entry, INSTRUMENTS.micMm));
        own(() => readEntry(entry, INSTRUMENTS.feelersThou));
      }),
      { numRuns: 2_000 },
    );
  });
  it('limits converted never allow what the written ones do not', () => {
    fc.assert(
      fc.property(limits, fc.constantFrom(0.001, 0.005, 0.01), (written, step) => {
        fc.pre(written.max - written.min > 2.1 * step * 1e6);
        const inward = convertLimits(written, { unit: 'mm', step });
        expect(inward.min).toBeGreaterThanOrEqual(written.min);
        expect(inward.max).toBeLessThanOrEqual(written.max);
        expect((inward.min ?? 0) - written.min).toBeLessThan(step * 1e6);
      }),
    );
  });
  it('a dial read one way and back sums to whole turns', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99 }), fc.integer({ min: 0, max: 99 }), (from, to) => {
        const on = { from, to, divisions: 100, division: thou(1) } as const;
        const both = dialTravel({ ...on, direction: 'clockwise' }) + dialTravel({ ...on, direction: 'anticlockwise' });
        expect(both).toBe(from === to ? 0 : thou(100));
      }),
    );
  });
  it('a depth and its parallels give the reading back', () => {
    fc.assert(
      fc.property(length(0, 50_000_000), fc.array(length(1, 20_000_000), { maxLength: 3 }), (reading, parallels) =>
        expect(depthOverParallels({ reading, parallels }) + parallels.reduce<number>((a, b) => a + b, 0)).toBe(reading),
      ),
    );
  });
  it('a feeler bracket lies between its blades', () => {
    fc.assert(
      fc.property(length(10_000, 1_000_000), length(10_000, 100_000), (goes, more) => {
        const reading = feelerBracket({ goes, stops: nanometres(goes + more) });
        expect(reading.value).toBeGreaterThanOrEqual(goes);
        expect(reading.value).toBeLessThanOrEqual(goes + more);
      }),
    );
  });
  it('more of the same readings are never less sure', () => {
    fc.assert(
      fc.property(length(0, 1_000_000), fc.integer({ min: 1, max: 9 }), (value, n) => {
        const U = (count: number): number => {
          const { u, dof } = repeats(
            Array.from({ length: count }, () => value),
            { resolution: thou(1), calibrationU: 500 },
          );
          return u * coverageFactor(dof);
        };
        expect(U(n + 1)).toBeLessThan(U(n));
      }),
    );
  });
  it('the pack required, once fitted, gives the gap that was wanted', () => {
    fc.assert(
      fc.property(length(0, 2_000_000), length(1, 2_000_000), length(-300_000, 300_000), sense, (fittedPack, measuredGap, targetGap, s) => {
        fc.pre(fittedPack + s * (targetGap - measuredGap) >= 0);
        const pack = requiredPack({ fittedPack, measuredGap, targetGap, sense: s });
        expect(measuredGap + s * (pack - fittedPack)).toBe(targetGap);
      }),
    );
  });
  it('every pack in the window lands in the limits, every sure one with its doubt, and just outside does not', () => {
    fc.assert(
      fc.property(
        limits,
        length(500_000, 2_000_000),
        length(1, 900_000),
        fc.integer({ min: 0, max: 40_000 }),
        sense,
        (allowed, fittedPack, gap, u, s) => {
          const closed = closedFloat(allowed) as { min: Length; max: Length };
          const window = packWindow({ fittedPack, measured: estimate(gap, u), limits: allowed, sense: s });
          const gives = (pack: number): number => gap + s * (pack - fittedPack);
          fc.pre(window.reachable && window.min > 0);
          for (const pack of [window.min, window.max, window.ideal]) {
            expect(gives(pack)).toBeGreaterThanOrEqual(closed.min);
            expect(gives(pack)).toBeLessThanOrEqual(closed.max);
          }
          expect([gives(window.min - 1), gives(window.max + 1)].every((g) => g < closed.min || g > closed.max)).toBe(true);
          if (window.sure)
            for (const pack of [window.sure.min, window.sure.max])
              expect(verdict(estimate(nanometres(gives(pack)), Math.max(0, u - 2)), allowed)).toMatchObject({ place: 'in', sure: 'sure' });
        },
      ),
    );
  });
  it('a spacer taken off and put back is no change', () => {
    fc.assert(
      fc.property(length(-500_000, 900_000), length(1, 900_000), sense, (gap, spacer, s) =>
        expect(gapUnderSpacer({ measuredGap: gapUnderSpacer({ measuredGap: gap, spacer, sense: s }), spacer, sense: s === 1 ? -1 : 1 })).toBe(gap),
      ),
    );
  });
  it('a stack lies within its worst, and turning every sense turns the gap', () => {
    const link = fc.record({ length: length(1, 200_000_000), u: fc.integer({ min: 0, max: 20_000 }), sense });
    fc.assert(
      fc.property(fc.array(link, { minLength: 1, maxLength: 8 }), (links) => {
        const { value, worst, u } = stackGap({ links });
        expect(worst.min).toBeLessThanOrEqual(value);
        expect(worst.max).toBeGreaterThanOrEqual(value);
        expect(u).toBeLessThanOrEqual((worst.max - worst.min) / 2 + 1);
        expect(stackGap({ links: links.map((l) => ({ ...l, sense: l.sense === 1 ? -1 : 1 })) }).value + value).toBe(0);
      }),
    );
  });
  it('a trial proves the sense it was made with', () => {
    fc.assert(
      fc.property(length(0, 900_000), length(1_000, 400_000), length(0, 900_000), sense, (pack, more, gap, s) =>
        expect(sensesFromTrials({ pack, gap }, { pack: nanometres(pack + more), gap: nanometres(gap + s * more) })).toEqual({ sense: s, factor: s }),
      ),
    );
  });
  it('a verdict never calls in what is out, and a mirrored reading has the mirrored place', () => {
    fc.assert(
      fc.property(limits, length(-900_000, 900_000), fc.integer({ min: 1, max: 60_000 }), (allowed, value, u) => {
        fc.pre(allowed.min > 0);
        const v = verdict(estimate(value, u), allowed);
        expect(v.place === 'in').toBe(value >= allowed.min && value <= allowed.max);
        const turned = verdict(estimate(nanometres(-value), u), { min: nanometres(-allowed.max), max: nanometres(-allowed.min) });
        expect(turned.place).toBe({ in: 'in', tight: 'loose', loose: 'tight', unmeasured: 'unmeasured' }[v.place]);
        expect(turned.sure).toBe(v.sure);
      }),
    );
  });
  it('a bound is only ever sure of a side it lies wholly on', () => {
    fc.assert(
      fc.property(limits, length(-900_000, 900_000), fc.constantFrom('atLeast' as const, 'atMost' as const), (allowed, value, kind) => {
        fc.pre(allowed.min > 0);
        const reading: Reading = { kind, value };
        const v = verdict(reading, allowed);
        if (v.sure !== 'sure') return expect(v.place).toBe('unmeasured');
        expect(kind === 'atLeast' ? value > allowed.max : value < allowed.min).toBe(true);
      }),
    );
  });
  it('what is expected is never queried, nor what is two to four times out', () => {
    fc.assert(
      fc.property(
        length(50_000, 400_000),
        length(10_000, 200_000),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 2, max: 4, noNaN: true }),
        (min, width, share, times) => {
          const expected = { min, max: nanometres(min + width) };
          expect(suspectSlip(nanometres(min + share * width), expected)).toEqual([]);
          fc.pre(expected.max / expected.min < 1.7);
          expect(suspectSlip(nanometres(expected.max * times), expected)).toEqual([]);
        },
      ),
    );
  });
  it('packs found are made of leaves there are, add up, and lie in the window, nearest first', () => {
    const drawer = fc.array(fc.record({ thickness: length(30_000, 900_000), quantity: fc.integer({ min: 0, max: 4 }) }), {
      minLength: 1,
      maxLength: 10,
    });
    fc.assert(
      fc.property(drawer, length(200_000, 2_000_000), fc.integer({ min: 1, max: 6 }), (leaves, target, maxLeaves) => {
        const search = { min: nanometres(target - 60_000), max: nanometres(target + 60_000), target, maxLeaves, keep: 4 };
        const { packs, below, above } = searchPacks(leaves, search);
        const owned = (t: number): number => leaves.filter((l) => l.thickness === t).reduce((sum, l) => sum + l.quantity, 0);
        for (const pack of [...packs, ...(below ? [below] : []), ...(above ? [above] : [])]) {
          expect(pack.leaves.reduce((sum, l) => sum + l.thickness * l.count, 0)).toBe(pack.total);
          expect(pack.leaves.every((l) => l.count <= owned(l.thickness))).toBe(true);
          expect(pack.leaves.reduce((sum, l) => sum + l.count, 0)).toBeLessThanOrEqual(maxLeaves);
        }
        packs.forEach((pack, i) => {
          expect(pack.total >= search.min && pack.total <= search.max).toBe(true);
          expect(Math.abs(pack.error)).toBeGreaterThanOrEqual(Math.abs(packs[i - 1]?.error ?? 0));
        });
        if (below) expect(below.total).toBeLessThan(search.min);
        if (above) expect(above.total).toBeGreaterThan(search.max);
      }),
    );
  });
  it('the limit bar keeps order: what is more stands farther right', () => {
    fc.assert(
      fc.property(limits, length(-900_000, 900_000), length(-900_000, 900_000), (allowed, a, b) => {
        const bar = limitBar({ width: 340, limits: allowed, reading: { value: a, state: 'in' }, forecast: b });
        expect(Math.sign(bar.x(a) - bar.x(b))).toBe(Math.sign(a - b));
        expect(bar.says.length).toBeGreaterThan(10);
      }),
    );
  });
});
