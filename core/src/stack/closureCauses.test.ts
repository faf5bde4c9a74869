import { describe, expect, it } from '@jest/globals';
import { mm, thou } from '../quantity/index.ts';
import { easedCone, shortenedSpacer } from './closureCauses.ts';

describe('why a build differs from what was said', () => {
  it('a trial cone that was eased: the worked case of reckoning.md, part 5', () => {
    expect(easedCone({ interference: mm(0.03), bore: mm(25.4), meanOutside: mm(32), e: 0.37 }) / mm(1)).toBeCloseTo(-0.0483, 4);
    // half the interference, half of it; a steeper bearing, less of it
    const steep = easedCone({ interference: mm(0.03), bore: mm(25.4), meanOutside: mm(32), e: 0.74 });
    expect(steep / mm(1)).toBeCloseTo(-0.0241, 4);
    expect(easedCone({ interference: thou(0), bore: mm(25.4), meanOutside: mm(32), e: 0.37 })).toBeCloseTo(0, 6);
  });
  it('a distance piece under its nut: the worked case of reckoning.md, part 5', () => {
    const piece = { torque: 120, thread: mm(24), outside: mm(38), inside: mm(30), length: mm(60) };
    expect(shortenedSpacer(piece) / mm(1)).toBeCloseTo(-0.0171, 4);
    // by hand: 25 000 N on 427.3 mm² of steel is 58.5 MPa, and 58.5/205 000 of 60 mm 0.01712
    expect(shortenedSpacer({ ...piece, torque: 240 }) / shortenedSpacer(piece)).toBeCloseTo(2, 3);
    expect(shortenedSpacer({ ...piece, k: 0.1 }) / shortenedSpacer(piece)).toBeCloseTo(2, 3);
  });
  it('refuses what cannot be', () => {
    expect(() => easedCone({ interference: mm(0.03), bore: mm(32), meanOutside: mm(25), e: 0.37 })).toThrow('bigger than its bore');
    expect(() => shortenedSpacer({ torque: 120, thread: mm(24), outside: mm(30), inside: mm(30), length: mm(60) })).toThrow('a wall');
  });
});
