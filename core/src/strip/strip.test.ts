import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { inch, mm, thou } from '../quantity/index.ts';
import { cautionsFor, partTypeOf, readStripLine, stripPartType, WAY_ROUND } from './index.ts';

describe('a line of the strip log', () => {
  it('is the part, then whatever matters of it, in any order', () => {
    expect(readStripLine('washer front, tang at 12, 118', 'thou')).toMatchObject({
      kind: 'part',
      part: 'Washer front',
      wayRound: ['tang at 12'],
      size: thou(118),
      written: '118',
      unit: 'thou',
    });
    expect(readStripLine('Cup, 2.9 mm, output end, wide face to the cover', 'thou')).toMatchObject({
      size: mm(2.9),
      unit: 'mm',
      side: 'output end',
      wayRound: ['wide face to the cover'],
      asks: null,
    });
  });
  it('reads a bare number in the unit that was chosen, and leaves a decimal comma alone', () => {
    expect(readStripLine('Washer, 3', 'mm')?.size).toBe(mm(3));
    expect(readStripLine('Washer, 2,85 mm', 'thou')?.size).toBe(mm(2.85));
  });
  it('knows a float, a pack, a pressed-on length, caps and a count for what they are', () => {
    expect(readStripLine('Float, before anything, 23', 'thou')).toMatchObject({ kind: 'float', size: thou(23), asks: null });
    expect(readStripLine('Pack under the cover, 20+8, output side', 'thou')).toMatchObject({
      kind: 'pack',
      side: 'output side',
      leaves: [{ thickness: thou(20) }, { thickness: thou(8) }],
      size: null,
    });
    expect(readStripLine('Coupling flange, pressed on 31.6 mm', 'thou')).toMatchObject({ kind: 'pressedOn', size: mm(31.6) });
    expect(readStripLine('Caps, left side', 'thou')?.kind).toBe('caps');
    expect(readStripLine('Needles, 26 needles, in grease', 'thou')).toMatchObject({ kind: 'count', count: { n: 26, of: 'needles' }, asks: null });
    expect(readStripLine('Second gear, 19 teeth, long boss to the input end', 'thou')).toMatchObject({ kind: 'part', count: { n: 19, of: 'teeth' } });
  });
  it('makes a bolt map of a count, a length and the holes that differ', () =>
    expect(readStripLine('Cover bolts, 6, 1 in, hole 4 1-1/8 in', 'thou')).toMatchObject({
      kind: 'bolts',
      count: { n: 6, of: 'bolts' },
      size: inch(1),
      holes: [{ hole: 4, length: inch(1.125) }],
    }));
  it('a plural with a whole number is a count, and the singular of what is measured is asked: how many, or how thick?', () => {
    expect(readStripLine('Washers, 5', 'thou')).toMatchObject({ count: { n: 5, of: 'washers' }, size: null, question: null });
    expect(readStripLine('Rollers, 18', 'thou')).toMatchObject({ kind: 'count', count: { n: 18 } });
    const asked = readStripLine('Washer, 5', 'thou');
    expect(asked).toMatchObject({ size: null, count: null, question: { piece: '5', why: 'How many, or how thick?' } });
    const [many, thick] = asked?.question?.choices ?? [];
    expect(readStripLine('Washer, 5', 'thou', many)).toMatchObject({ count: { n: 5 }, size: null, question: null });
    expect(readStripLine('Washer, 5', 'thou', thick)?.size).toBe(thick?.size?.value);
  });
  it('sizes are read by how they are written, in the workshop they are written in', () => {
    expect(readStripLine('Snap ring, .098', 'thou')?.size).toBe(inch(0.098));
    expect(readStripLine('Spacer, 1.103', 'thou')).toMatchObject({
      size: null,
      question: { choices: [{ said: expect.stringContaining('in') }, {}] },
    });
    expect(readStripLine('Washer, 2.85', 'mm')?.size).toBe(mm(2.85));
    expect(readStripLine('Gasket, .012', 'thou')?.size).toBe(inch(0.012));
  });
  it('without commas a figure is a size where it has a unit or a point, or follows what is measured; a number of four figures is a name', () => {
    expect(readStripLine('shim 12+5', 'thou')).toMatchObject({ kind: 'pack', leaves: [{ thickness: thou(12) }, { thickness: thou(5) }] });
    expect(readStripLine('end play 21', 'thou')).toMatchObject({ kind: 'float', size: thou(21) });
    expect(readStripLine('Idler bush 18.06 mm', 'thou')).toMatchObject({ part: 'Idler bush', size: mm(18.06) });
    expect(readStripLine('Bearing 30206', 'thou')).toMatchObject({ part: 'Bearing 30206', size: null, question: null });
    expect(readStripLine('Bearing, 30206', 'thou')).toMatchObject({ wayRound: ['30206'], size: null });
    expect(readStripLine('Oil seal, 25 40 7', 'mm')).toMatchObject({ wayRound: ['25 40 7'], size: null });
    expect(readStripLine('Gear No 4', 'thou')).toMatchObject({ part: 'Gear No 4', size: null });
  });
  it('several holes of one length are several holes', () =>
    expect(readStripLine('Cover bolts, 8, 1 in, holes 2 3 7 1-1/2 in', 'thou')?.holes).toEqual(
      [2, 3, 7].map((hole) => ({ hole, length: inch(1.5), written: '1-1/2 in' })),
    ));
  it('asks which way round, until something is said of it', () => {
    expect(readStripLine('Thrust washer rear, 112', 'thou')?.asks).toBe('grooves which way?');
    expect(readStripLine('Thrust washer rear, grooves to the gear, 112', 'thou')?.asks).toBeNull();
    expect(readStripLine('Seal', 'thou')?.asks).toBe('lip which way?');
    expect(readStripLine('Spring', 'thou')?.asks).toBeNull();
  });
  it('is nothing where nothing was typed', () => {
    for (const empty of ['', '  ', ',', ' ; ']) expect(readStripLine(empty, 'mm')).toBeNull();
  });
  it('never throws, whatever is typed, and keeps every word of it', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), fc.constantFrom('thou' as const, 'mm' as const), (text, unit) => {
        const read = readStripLine(text, unit);
        if (read === null) expect(text.replace(/[,;\s]/g, '')).toBe('');
        else expect(read.part.length).toBeGreaterThan(0);
      }),
      { numRuns: 1_000 },
    ));
});

describe('what can hurt somebody', () => {
  it.each([
    ['Cover, old gasket paper', /asbestos/],
    ['Circlip, gap at 12', /eye protection/],
    ['Snap ring, input end', /eye protection/],
    ['Detent spring and plunger', /eye protection/],
    ['Coupling flange, pressed on 27.3 mm', /stand aside/],
    ['Transfer case off the frame', /two people or a hoist/],
    ['Split pin', /not used twice/],
    ['Cotter pin', /not used twice/],
  ])('is said at %s', (line, says) => expect(cautionsFor(line).join(' ')).toMatch(says));
  it.each(['Float, before anything, 23', 'Thrust washer front, 118', 'Layshaft, splines to the output end', 'Rollers, 31 rollers, in grease', ''])(
    'is not said where nothing bites: %s',
    (line) => expect(cautionsFor(line)).toEqual([]),
  );
  it('is no more than two things at once', () =>
    expect(cautionsFor('Clutch housing, old gasket, circlip, spring, pressed on flange')).toHaveLength(2));
});

describe('what a part is', () => {
  it.each([
    ['Thrust washer, front', 'thrust washer', 'thrust washer'],
    ['Cover bolts', 'bolts', 'other'],
    ['Cone, output end', 'cone', 'bearing'],
    ['Baulk ring', 'baulk ring', 'baulk ring'],
    ['Cluster gear', 'gear', 'gear'],
    ['Cover', 'cover', 'casing'],
    ['Snap ring', 'ring', 'other'],
    ['Wotsit', 'other', 'other'],
    ['O-ring', 'seal', 'other'],
    ['Spacer between cones', 'bush', 'bush'],
    ['Crush sleeve', 'crush sleeve', 'other'],
    ['Collapsible spacer', 'crush sleeve', 'other'],
    ['Sleeve, gear side', 'bush', 'bush'],
    ['Taper bearing, output end', 'cone', 'bearing'],
    ['Sealed bearing', 'bearing', 'bearing'],
    ['Ball bearing, sealed', 'bearing', 'bearing'],
    ['Oil seal', 'seal', 'other'],
  ])('by its name: %s is a %s, looked over as %s', (name, strip, part) => {
    expect(stripPartType(name)).toBe(strip);
    expect(partTypeOf(name)).toBe(part);
  });
  it('has something ready to say of every kind', () => {
    for (const { phrases } of Object.values(WAY_ROUND)) expect(phrases.length).toBeGreaterThan(0);
  });
});
