import { describe, expect, it } from '@jest/globals';
import { inch, mm, nanometres } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { looseRollers, looseRollersSum } from './looseRollers.ts';

describe('loose rollers round a shaft', () => {
  it('28 of 2.5 go round 20, and leave 0.54 over; without the shaft their arch leaves 19.83', () => {
    // the design's own values; 2.5 ÷ sin(180°/28) = 22.33, less one roller
    const found = looseRollers({ trackInner: mm(20), rollerDiameter: mm(2.5) });
    expect(found.count).toBe(28);
    expect(found.circumferentialGap / 1e6).toBeCloseTo(0.54, 2);
    expect(found.archBore / 1e6).toBeCloseTo(19.83, 2);
  });
  it('six of the same size go round one', () =>
    expect(looseRollers({ trackInner: mm(10), rollerDiameter: mm(10) })).toMatchObject({ count: 6, circumferentialGap: 0 }));
  it('leave over less than one of them, and one more would not go: every size by putting them round one by one', () => {
    for (let track = 8; track <= 60; track += 0.7)
      for (const roller of [2, 2.5, 3, 4, 5]) {
        const { count, circumferentialGap } = looseRollers({ trackInner: mm(track), rollerDiameter: mm(roller) });
        const pitch = (track + roller) / 2;
        // a second route: chords laid round the circle of centres
        const turn = 2 * Math.asin(roller / 2 / pitch);
        let laid = 0;
        while ((laid + 1) * turn <= 2 * Math.PI + 1e-9) laid += 1;
        expect([track, roller, count]).toEqual([track, roller, laid]);
        expect(circumferentialGap / 1e6).toBeCloseTo((2 * Math.PI - laid * turn) * pitch, 5);
        expect(circumferentialGap).toBeLessThan(mm(roller) * 1.06);
      }
  });
  it('in a bore have half of what is left over across, and end to end what the track is longer', () => {
    const found = looseRollers({
      trackInner: inch(0.75),
      rollerDiameter: inch(0.125),
      trackOuter: inch(1.002),
      rollerLength: inch(1),
      trackLength: inch(2.02),
      rows: 2,
    });
    expect(found).toMatchObject({ radialClearance: nanometres(25400), axialGap: nanometres(508000), all: found.count * 2 });
    expect(looseRollersSum({ trackInner: inch(0.75), rollerDiameter: inch(0.125), trackOuter: inch(1.002) }).map(({ label }) => label)).toContain(
      'radial clearance',
    );
  });
  it('do not go in a bore too small for them, and are counted', () => {
    const of = (more: object): string => refusalOf(() => looseRollers({ trackInner: mm(20), rollerDiameter: mm(2.5), ...more }));
    expect(of({ trackOuter: mm(24.9) })).toBe('trackTooNarrow');
    expect(of({ rows: 1.5 })).toBe('notACount');
    expect(of({ rollerDiameter: mm(0) })).toBe('notASize');
    expect(of({ rollerDiameter: mm(400) })).toBe('notASize');
  });
});
