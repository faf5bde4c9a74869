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
  readEntry,
  readQuantity,
  readQuantityLimits,
  readSpecLine,
  ReckoningError,
  repeats,
  requiredPack,
  searchPacks,
  sensesFromTrials,
  stackGap,
  suspectSlip,
  formatLimits,
  formatQuantity,
  fromBase,
  inch,
  mm,
  toBase,
  toLength,
  UNITS,
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
        own(() => readEntry(entry, INSTRUMENTS.dialThou));
        own(() => readEntry(entry, INSTRUMENTS.micMm));
        own(() => readEntry(entry, INSTRUMENTS.feelersThou));
        own(() => readEntry(entry, { ...INSTRUMENTS.dialMm, balanced: true, stemAngle: 10, zeroError: thou(1) }));
        own(() => readQuantity(entry));
        own(() => readQuantityLimits(entry));
        own(() => readSpecLine(entry));
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

describe('what is written and read again is the same, over the whole grammar', () => {
  const unit = fc.constantFrom<LengthUnit>('thou', 'mm', 'in', 'um');
  const WORD: Readonly<Record<LengthUnit, string>> = { thou: ' thou', mm: ' mm', in: '"', um: ' µm' };
  /** A size of whole thousandths of the unit, as a fitter may write it. */
  const written = fc
    .tuple(unit, fc.integer({ min: 1, max: 9_999 }), fc.constantFrom('plain', 'comma', 'no nought'))
    .filter(([, n, how]) => how !== 'comma' || n < 1000 || n % 10 === 0)
    .map(([u, n, how]) => {
      const plain = String(n / 1000);
      const shown = how === 'no nought' ? plain.replace(/^0\./, '.') : how === 'comma' ? plain.replace('.', ',') : plain;
      return { text: `${shown}${WORD[u]}`, value: toLength(n / 1000, u), unit: u };
    });
  const hand = fc.integer({ min: 0, max: 199 }).map((n) => ({ text: n % 2 === 0 ? String(n / 2) : `${(n - 1) / 2}½`, value: n / 2 }));

  it('sizes, in any unit, with a comma or with nothing before the point', () => {
    fc.assert(fc.property(written, ({ text, value }) => expect(parseLength(text, 'mm')).toBe(value)));
  });
  it('fractions and mixed numbers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.constantFrom(2, 4, 8, 16, 32, 64),
        fc.nat(63),
        fc.constantFrom(' ', '-'),
        (whole, bottom, n, join) => {
          const top = 1 + (n % (bottom - 1 || 1));
          fc.pre(top < bottom);
          const text = whole === 0 ? `${top}/${bottom}"` : `${whole}${join}${top}/${bottom}"`;
          expect(parseLength(text, 'mm')).toBe(inch(whole + top / bottom));
        },
      ),
    );
  });
  it('dials: from, to, the way it ran, whole turns, and back', () => {
    fc.assert(
      fc.property(hand, hand, fc.constantFrom('>', '<'), fc.nat(3), fc.boolean(), (from, to, arrow, turns, back) => {
        const text = `${from.text}${arrow}${to.text}${back ? `${arrow}${from.text}` : ''}${turns > 0 ? ` +${turns}` : ''}`;
        const moved = ((((arrow === '>' ? to.value - from.value : from.value - to.value) % 100) + 100) % 100) + 100 * turns;
        const { reading, drifted } = readEntry(text, INSTRUMENTS.dialThou);
        expect(reading.value).toBe(thou(moved));
        expect(reading.kind).toBe(moved === 0 ? 'atMost' : 'estimate');
        expect(drifted).toBeUndefined();
      }),
    );
  });
  it('feelers, stacked, either side or both', () => {
    const blades = fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 3 });
    const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
    fc.assert(
      fc.property(blades, blades, fc.boolean(), (goes, more, first) => {
        const stops = [...goes, ...more];
        const sides = [`goes ${goes.join('+')}`, `stops ${stops.join('+')}`];
        const text = (first ? sides : sides.reverse()).join(' ');
        expect(readEntry(text, INSTRUMENTS.feelersThou).reading.value).toBe(thou((sum(goes) + sum(stops)) / 2));
        expect(readEntry(`goes ${goes.join('+')}`, INSTRUMENTS.feelersThou).reading).toEqual({ kind: 'atLeast', value: thou(sum(goes)) });
        expect(readEntry(`stops ${goes.join('+')}`, INSTRUMENTS.feelersThou).reading).toEqual({ kind: 'atMost', value: thou(sum(goes)) });
      }),
    );
  });
  it('lists, and a depth less its parallel', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 99 }), { minLength: 2, maxLength: 8 }), fc.constantFrom(' ', '; '), (values, join) => {
        expect(readEntry(values.join(join), INSTRUMENTS.dialThou).values).toEqual(values.map((v) => thou(v)));
      }),
    );
    fc.assert(
      fc.property(fc.integer({ min: 500, max: 3000 }), fc.integer({ min: 1, max: 499 }), fc.constantFrom('less', '-'), (depth, parallel, word) => {
        const text = `${(depth / 1000).toFixed(3)} ${word} .${String(parallel).padStart(3, '0')}`;
        expect(readEntry(text, INSTRUMENTS.depthInch).reading.value).toBe(thou(depth - parallel));
      }),
    );
  });
  it('limits: as they are written short, parsed again', () => {
    const whole = fc
      .tuple(fc.integer({ min: -20, max: 40 }), fc.integer({ min: 1, max: 30 }))
      .map(([low, width]) => ({ min: thou(low), max: thou(low + width) }));
    fc.assert(
      fc.property(whole, (written2) => {
        fc.pre(!(written2.max === 0));
        expect(parseLimits(`${formatLimits(written2, 'thou')} thou`, 'mm')).toEqual(written2);
      }),
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (n) =>
        expect(parseLimits(`${formatLimits({ max: mm(n / 100) }, 'mm')} mm`, 'thou')).toEqual({ max: mm(n / 100) }),
      ),
    );
  });
  it('every other quantity in every unit it has', () => {
    fc.assert(
      fc.property(fc.constantFrom(...UNITS), fc.integer({ min: 1, max: 99_999 }), ({ name, typed }, n) => {
        const value = n / 10;
        for (const word of [name, ...typed]) {
          if (['°', '′'].includes(name) && word === name && name === '′') continue;
          const read = readQuantity(`${value} ${word}`);
          expect([read.kind !== 'length', fromBase(read.value, read.unit)]).toEqual([true, expect.closeTo(value, 6)]);
        }
        expect(Number(formatQuantity(toBase(value, name), name, 12))).toBeCloseTo(value, 6);
      }),
    );
  });
});
