import { describe, expect, it } from '@jest/globals';
import { mm, thou } from '../quantity/index.ts';
import { estimate } from '../reading/index.ts';
import type { Sum } from '../sum.ts';
import {
  agreeWithForecast,
  agreeWithForecastSum,
  coverShimSum,
  gapUnderSpacerSum,
  packWindow,
  packWindowSum,
  requiredPackSum,
  sensesFromTrials,
  sleeveCrush,
  stackGap,
  stackGapSum,
} from './index.ts';

/** A sum as it stands on the page, its lengths in thou. */
const lines = (sum: Sum): readonly (readonly [string, string, number])[] => sum.map((l) => [l.label, l.expression, Math.round(l.value / 254) / 100]);

describe('the sum of a pack, as it would be written on card', () => {
  // by hand: 28 + (6½ − 24) = 10½; a pack that closes it: 28 − (6½ − 24) = 45½; half the move for one of pack: 28 + (6½ − 24) ÷ ½ = −7
  it('where thicker gives more', () =>
    expect(lines(requiredPackSum({ fittedPack: thou(28), measuredGap: thou(24), targetGap: thou(6.5), sense: 1 }))).toStrictEqual([
      ['pack in now', '', 28],
      ['wanted, less read', 'wanted − read', -17.5],
      ['thicker gives more', '+ (wanted − read)', -17.5],
      ['new pack', 'pack + change', 10.5],
    ]));
  it('where thicker gives less', () =>
    expect(lines(requiredPackSum({ fittedPack: thou(28), measuredGap: estimate(thou(24), 0), targetGap: thou(6.5), sense: -1 }))).toStrictEqual([
      ['pack in now', '', 28],
      ['wanted, less read', 'wanted − read', -17.5],
      ['thicker gives less, so the other way', '− (wanted − read)', 17.5],
      ['new pack', 'pack + change', 45.5],
    ]));
  it('where the gap moves half as far as the pack', () =>
    expect(
      lines(requiredPackSum({ fittedPack: thou(50), measuredGap: thou(24), targetGap: thou(6.5), sense: 1, factor: 0.5 })).slice(2),
    ).toStrictEqual([
      ['thicker gives more', '+ (wanted − read) ÷ 0.500', -35],
      ['new pack', 'pack + change', 15],
    ]));
  it('of the window: 28 + (5 − 24) = 9 to 28 + (8 − 24) = 12', () =>
    expect(
      lines(packWindowSum({ fittedPack: thou(28), measured: estimate(thou(24), 0), limits: { min: thou(5), max: thou(8) }, sense: 1 })),
    ).toStrictEqual([
      ['pack in now', '', 28],
      ['aim', '', 6.5],
      ['read', '', 24],
      ['thicker opens it: aim less read', 'aim − read', -17.5],
      ['new pack', 'pack + change', 10.5],
      ['from', 'for the limits', 9],
      ['to', 'for the limits', 12],
    ]));
  it('of the window where thicker closes it, something is still to close, and it moves half as far', () =>
    // aim 6½ + 2 = 8½; 28 − (8½ − 24) ÷ ½ = 59; ends 28 − (7 − 24) ÷ ½ = 62 and 28 − (10 − 24) ÷ ½ = 56
    expect(
      lines(
        packWindowSum({
          fittedPack: thou(28),
          measured: estimate(thou(24), 0),
          limits: { min: thou(5), max: thou(8) },
          aim: { at: 'middle', closesBy: thou(2) },
          sense: -1,
          factor: 0.5,
        }),
      ),
    ).toStrictEqual([
      ['pack in now', '', 28],
      ['aim', 'aim + what will close', 8.5],
      ['read', '', 24],
      ['thicker closes it: read less aim', 'read − aim', 31],
      ['new pack', 'pack + change', 59],
      ['from', 'for the limits', 56],
      ['to', 'for the limits', 62],
    ]));
  it('of a pack that nobody knows is of the change alone', () => {
    const question = { fittedPack: null, measured: estimate(thou(24), 0), limits: { min: thou(5), max: thou(8) }, sense: 1 } as const;
    expect(lines(packWindowSum(question))).toStrictEqual([
      ['aim', '', 6.5],
      ['read', '', 24],
      ['thicker opens it: aim less read', 'aim − read', -17.5],
      ['change of the pack, whatever is in', '', -17.5],
      ['from', 'for the limits', -19],
      ['to', 'for the limits', -16],
    ]);
    expect(packWindow(question)).toMatchObject({ reachable: true, min: thou(-19), max: thou(-16) });
  });
});

describe('the sums of what a pack is reckoned from', () => {
  // 8 read with 10 in: 8 − 10 = −2, preload; where thicker closes it 8 + 10 = 18
  it('a known spacer comes off, or is added where thicker closes the gap', () => {
    expect(lines(gapUnderSpacerSum({ measuredGap: thou(8), spacer: thou(10) }))).toStrictEqual([
      ['read with the spacer in', '', 8],
      ['the spacer', '−', 10],
      ['gap without it', 'read ∓ spacer', -2],
    ]);
    expect(lines(gapUnderSpacerSum({ measuredGap: estimate(thou(8), 0), spacer: thou(10), sense: -1 })).slice(1)).toStrictEqual([
      ['the spacer', '+', 10],
      ['gap without it', 'read ∓ spacer', 18],
    ]);
  });
  it('a stack shows each part with its sign', () =>
    expect(
      lines(
        stackGapSum({
          links: [
            { label: 'case', length: thou(100), sense: 1 },
            { length: thou(90), sense: -1 },
            { label: 'dowel', length: thou(7), sense: 0 },
          ],
        }),
      ),
    ).toStrictEqual([
      ['case', '+', 100],
      ['part', '−', 90],
      ['dowel', '0 ×', 7],
      ['gap', 'Σ', 10],
    ]));
  it('what touches no gap moves neither its value nor its worst', () =>
    expect(
      stackGap({
        links: [
          { length: thou(100), limits: { min: thou(99), max: thou(102) }, sense: 1 },
          { length: thou(90), limits: { min: thou(88), max: thou(91) }, sense: -1 },
          { length: thou(7), limits: { min: thou(1), max: thou(9) }, sense: 0 },
        ],
      }),
      // by hand: 99 − 91 = 8; 102 − 88 = 14
    ).toMatchObject({ value: thou(10), worst: { min: thou(8), max: thou(14) } }));
  it.each([
    ['out', 'gasket, out while read', 10],
    ['loose', 'gasket, lying loose', -2],
    ['clamped', 'gasket, clamped while read', 0],
  ] as const)('a cover’s shim says what its gasket did: %s', (during, label, term) =>
    expect(
      lines(
        coverShimSum({
          depths: [thou(346)],
          caseParallels: thou(0),
          heights: [thou(340)],
          coverParallels: thou(0),
          gasket: { free: thou(12), crushed: thou(10), during },
          targetGap: thou(6),
        }),
      )[2],
    ).toStrictEqual([label, '+', term]),
  );
});

describe('a forecast and a reading of one side', () => {
  // truncated normal, textbook: cut at its own mean, mean ∓ u·√(2/π) and sd u·√(1 − 2/π); a standard table gives φ(1)/Φ(1) = 0.2876
  it('cut at its own mean moves by 0.798 u, and is surer', () => {
    const forecast = estimate(mm(0.1), 10_000);
    for (const [kind, side] of [
      ['atMost', -1],
      ['atLeast', 1],
    ] as const) {
      const agreed = agreeWithForecast(forecast, { kind, value: mm(0.1) });
      if (!agreed.agree) throw new Error('they agree');
      expect(agreed.reading.value).toBe(mm(0.1) + side * Math.round(10_000 * Math.sqrt(2 / Math.PI)));
      expect(agreed.reading.u).toBeCloseTo(10_000 * Math.sqrt(1 - 2 / Math.PI), 0);
    }
  });
  it('cut one u beyond it is 0.2876 u off, with 0.794 of the doubt', () => {
    const agreed = agreeWithForecast(estimate(mm(0.1), 10_000), { kind: 'atMost', value: mm(0.11) });
    if (!agreed.agree) throw new Error('they agree');
    expect(agreed.reading.value).toBe(mm(0.1) - 2_876);
    expect(agreed.reading.u / 10_000).toBeCloseTo(Math.sqrt(1 - 0.2876 - 0.2876 ** 2), 3);
  });
  it('show both, and what they come to where they agree', () => {
    expect(agreeWithForecastSum(estimate(thou(-2), 0), { kind: 'atMost', value: thou(0) }).map((l) => [l.label, l.value])).toStrictEqual([
      ['said', thou(-2)],
      ['read, at most', 0],
      ['so', thou(-2)],
    ]);
    expect(agreeWithForecastSum(estimate(thou(9), 100), { kind: 'atLeast', value: thou(20) }).map((l) => l.label)).toStrictEqual([
      'said',
      'read, at least',
    ]);
  });
});

describe('one trial', () => {
  const trial = (pack: number, gap: number) => ({ pack: thou(pack), gap: thou(gap) });
  it('in which the gap stood still proves nothing', () =>
    expect(sensesFromTrials(trial(22, 18), trial(28, 18), { drawn: 1 })).toStrictEqual({ sense: null, factor: 0 }));
  it('with nothing drawn contradicts nothing', () => expect(sensesFromTrials(trial(22, 18), trial(28, 12))).not.toHaveProperty('contradiction'));
});

describe('a shim under a flange', () => {
  const question = {
    depths: [thou(346)],
    caseParallels: thou(0),
    heights: [thou(340)],
    coverParallels: thou(0),
    gasket: { free: thou(12), crushed: thou(10), during: 'out' as const },
    targetGap: thou(6),
  };
  // by hand: 346 − 340 + 10 − 6 = 10 behind the cup, and as much the other way under the flange
  it('says where it goes, and how it was reckoned there', () => {
    expect(lines(coverShimSum(question)).at(-1)).toStrictEqual(['shim behind the cup', 'depth − height + gasket − wanted', 10]);
    expect(lines(coverShimSum({ ...question, place: 'underFlange' })).at(-1)).toStrictEqual([
      'shim under the flange',
      'height − depth − gasket + wanted',
      -10,
    ]);
  });
  it('takes a gasket that does not crush at all, and none that grows', () => {
    expect(() => coverShimSum({ ...question, gasket: { free: thou(10), crushed: thou(10), during: 'out' } })).not.toThrow();
    expect(() => coverShimSum({ ...question, gasket: { free: thou(9), crushed: thou(10), during: 'out' } })).toThrow('thinner crushed');
  });
});

describe('a window that the doubt just fills', () => {
  it('has one pack that is sure, and a little more doubt has none', () => {
    const at = (u: number) =>
      packWindow({ fittedPack: thou(28), measured: estimate(thou(24), thou(u)), limits: { min: thou(5), max: thou(8) }, sense: 1 }).sure;
    // 9 to 12, less 2 × 0.75 at each end: 10½ alone
    expect(at(0.75)).toEqual({ min: thou(10.5), max: thou(10.5) });
    expect(at(0.76)).toBeNull();
  });
});

// by hand: 9 read, preload 1 to 3 wanted: shorter by 9 + 1 = 10 to 9 + 3 = 12, 11 in the middle
describe('how much shorter a crush sleeve has to become', () => {
  const limits = { min: thou(-3), max: thou(-1) };
  it('is what was read less the limit, with the doubt off both ends where it is to be sure', () => {
    expect(sleeveCrush({ measured: estimate(thou(9), 0), limits, sense: 1 })).toStrictEqual({
      min: thou(10),
      max: thou(12),
      ideal: thou(11),
      sure: { min: thou(10), max: thou(12) },
      over: null,
    });
    const doubted = sleeveCrush({ measured: estimate(thou(9), thou(0.25)), limits, sense: 1 });
    expect([doubted.min, doubted.max]).toStrictEqual([thou(10), thou(12)]);
    // k is 2 where there is no end of readings behind it: half a thou off either end
    expect(doubted.sure).toStrictEqual({ min: thou(10.5), max: thou(11.5) });
    expect(sleeveCrush({ measured: estimate(thou(9), thou(3)), limits, sense: 1 }).sure).toBeNull();
  });
  it('comes to the least of the limits, or the most, where that is aimed at', () => {
    expect(sleeveCrush({ measured: estimate(thou(9), 0), limits, sense: 1, aim: { at: 'loose' } }).ideal).toBe(thou(10));
    expect(sleeveCrush({ measured: estimate(thou(9), 0), limits, sense: 1, aim: { at: 'tight' } }).ideal).toBe(thou(12));
  });
  it('is none any more, at the least, inside the limits; and past them it is said by how much, for it does not come back', () => {
    // 2 preload: from none to 1 shorter still
    expect(sleeveCrush({ measured: estimate(thou(-2), 0), limits, sense: 1 })).toMatchObject({ min: thou(0), max: thou(1), over: null });
    expect(sleeveCrush({ measured: estimate(thou(-5), 0), limits, sense: 1 })).toStrictEqual({
      min: thou(0),
      max: thou(0),
      ideal: thou(0),
      sure: null,
      over: thou(2),
    });
  });
  it('opens a gap that a longer one closes', () =>
    expect(sleeveCrush({ measured: estimate(thou(2), 0), limits: { min: thou(5), max: thou(8) }, sense: -1 })).toMatchObject({
      min: thou(3),
      max: thou(6),
      over: null,
    }));
  it('is not told by a dial that shows no movement', () =>
    expect(() => sleeveCrush({ measured: { kind: 'atMost', value: thou(0) }, limits, sense: 1 })).toThrow(/drag/));
});
