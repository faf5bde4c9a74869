import { describe, expect, it } from '@jest/globals';
import { inch, mm, thou } from '../quantity/index.ts';
import { shaftTemplate } from '../stack/index.ts';
import {
  axisTicks,
  clearanceShapes,
  dialFace,
  drawnTemplate,
  leafShapes,
  section,
  tickStep,
  type SectionQuestion,
  type Shape,
  type Solid,
} from './index.ts';

describe('the face of a dial', () => {
  // a hundred divisions are 3.6° each: arithmetic
  it('sweeps the way the hand went: 88 clockwise to 12 is 24 divisions, 86.4°', () => {
    const face = dialFace('88>12', 100);
    expect(face?.start).toBeCloseTo(316.8, 9);
    expect(face?.finish).toBeCloseTo(43.2, 9);
    expect(face?.sweep).toBeCloseTo(86.4, 9);
    expect(face).toMatchObject({ clockwise: true, turns: 0 });
  });
  it('anticlockwise sweeps what is left of the turn', () => {
    expect(dialFace('88<12', 100)?.sweep).toBeCloseTo(273.6, 9);
    expect(dialFace('12<88', 100)?.sweep).toBeCloseTo(86.4, 9);
  });
  it('counts whole turns, halves and a balanced dial', () => {
    expect(dialFace('88>12 +2', 100)?.turns).toBe(2);
    expect(dialFace('87½>99½', 100)?.sweep).toBeCloseTo(43.2, 9);
    expect(dialFace('-4>6', 100)?.sweep).toBeCloseTo(36, 9);
  });
  it('of a bare travel starts at nought and winds up turns', () => {
    expect(dialFace('24', 100)).toMatchObject({ start: 0, turns: 0 });
    expect(dialFace('24', 100)?.finish).toBeCloseTo(86.4, 9);
    expect(dialFace('124', 100)?.turns).toBe(1);
  });
  it('numbers ten places by its divisions, and shows no hand for what is no reading', () => {
    expect(dialFace('0', 100)?.numbers.map((n) => n.words)).toEqual(['0', '10', '20', '30', '40', '50', '60', '70', '80', '90']);
    expect(dialFace('0', 50)?.numbers[1]?.words).toBe('5');
    for (const entry of ['', 'goes 9', 'x>y', '0.60 mm']) expect(dialFace(entry, 100)).toBeNull();
  });
});

describe('a journal lying in its bore', () => {
  const drawn = clearanceShapes({
    bore: { least: inch(0.8777), most: inch(0.8795) },
    journal: { least: inch(0.8742), most: inch(0.8748) },
    width: 372,
    height: 190,
  });
  const ellipse = (id: string): { rx: number; ry: number; cy: number } => {
    const d = (drawn.shapes.find((s) => 'id' in s && s.id === id) as { d: string }).d;
    const [, , cy = 0, rx = 0, ry = 0] = /M([\d.-]+),([\d.-]+)a([\d.]+),([\d.]+)/.exec(d)?.map(Number) ?? [];
    return { rx, ry, cy };
  };
  it('shows the greatest clearance at the top, at the factor it states', () => {
    const [bore, journal] = [ellipse('bore'), ellipse('journal')];
    const gap = journal.cy - journal.ry - (bore.cy - bore.ry);
    const trueGap = (inch(0.8795) - inch(0.8742)) / 1e6;
    expect(gap / (trueGap * (96 / 25.4))).toBeCloseTo(drawn.magnification, -0.5);
    expect(drawn.says).toContain('greatest clearance 5.3 thou');
  });
  it('rests at the bottom: the two touch there', () => {
    const [bore, journal] = [ellipse('bore'), ellipse('journal')];
    expect(journal.cy + journal.ry).toBeCloseTo(bore.cy + bore.ry, 1);
  });
  it('shows a bore worn oval as taller than wide, and a round one round', () => {
    expect(ellipse('bore').ry).toBeGreaterThan(ellipse('bore').rx);
    const round = clearanceShapes({ bore: { least: mm(25.05), most: mm(25.05) }, journal: { least: mm(25), most: mm(25) }, width: 372, height: 190 });
    const d = (round.shapes.find((s) => 'id' in s && s.id === 'bore') as { d: string }).d;
    const [, rx, ry] = /a([\d.]+),([\d.]+)/.exec(d) ?? [];
    expect(rx).toBe(ry);
  });
});

describe('the Section drawn in full', () => {
  interface Told {
    readonly pack?: readonly number[];
    readonly gap?: number | null;
    readonly forecast?: boolean;
    readonly gasket?: boolean;
    readonly unit?: 'thou' | 'mm';
    readonly sizes?: Readonly<Record<string, number>>;
  }
  const ask = ({ pack = [20], gap = 24, forecast = false, gasket = true, unit = 'thou', sizes = {} }: Told = {}): SectionQuestion => {
    const leaves = pack.map((t) => ({ thickness: thou(t), metric: false }));
    const shaft = drawnTemplate(shaftTemplate('taperPair', 'underCover', { gasket }), leaves);
    return {
      ...shaft,
      lengths: shaft.lengths.map((l) => (sizes[l.id] === undefined ? l : { ...l, size: mm(sizes[l.id] ?? 0) })),
      gaps: shaft.gaps.map((g) => ({ ...g, value: gap === null ? null : thou(gap), forecast })),
      width: 816,
      height: 388,
      unit,
    };
  };
  const across = (solid: Solid | undefined): [number, number] => {
    const xs = (solid?.rings ?? []).flat().map(([x]) => x);
    return [Math.min(...xs), Math.max(...xs)];
  };
  const solid = (question: SectionQuestion, id: string): Solid | undefined => section(question).solids.find((s) => s.id === id);
  const flangeOf = (q: SectionQuestion): number => Math.min(...(solid(q, 'cover')?.rings[0] ?? []).map(([x]) => x));
  it('has gasket, leaves and cover one after another, touching', () => {
    const [gasket, leaf, cover] = ['cover.gasket', 'leaf-1', 'cover'].map((id) => across(solid(ask(), id)));
    expect(gasket?.[1]).toBeCloseTo(leaf?.[0] ?? 0, 1);
    expect(leaf?.[1]).toBeCloseTo(flangeOf(ask()), 1);
    expect(cover?.[1]).toBeGreaterThan(flangeOf(ask()));
  });
  it('has no gasket where none was said', () => expect(solid(ask({ gasket: false }), 'cover.gasket')).toBeUndefined());
  it('moves the cover out for a thicker pack', () => {
    const shaft = (q: SectionQuestion): number => across(solid(q, 'shaft'))[0];
    const [thick, thin] = [ask({ pack: [60] }), ask()];
    expect(flangeOf(thick) - shaft(thick)).toBeGreaterThan(flangeOf(thin) - shaft(thin));
  });
  it('draws preload as faces that touch', () => {
    const q = ask({ gap: -3 });
    const [cup, cover] = [across(solid(q, 'cupOut')), solid(q, 'cover')];
    const spigot = Math.min(...(cover?.rings[1] ?? []).map(([x]) => x));
    expect(spigot - cup[1]).toBeCloseTo(0, 1);
  });
  it('says a forecast in brackets, a preload in words, and nothing known as ?', () => {
    const figures = (q: SectionQuestion): string[] => section(q).shapes.flatMap((s: Shape) => (s.kind === 'text' ? [s.text] : []));
    expect(figures(ask({ forecast: true }))).toContain('(24)');
    expect(figures(ask({ gap: -3 }))).toEqual(expect.arrayContaining(['3', 'PRELOAD']));
    expect(figures(ask({ gap: null }))).toContain('?');
    expect(figures(ask({ unit: 'mm' }))).toContain('0.610');
  });
  it('is the same drawing for the same question', () => expect(section(ask())).toEqual(section(structuredClone(ask()))));
  it('draws a known stand of a bearing to scale, whichever side it is', () => {
    for (const id of ['bearingIn', 'bearingOut'] as const) {
      const drawing = section(ask({ sizes: { [id]: 17.25 } }));
      expect(drawing.drawn.find((d) => d.id === id)?.px).toBeCloseTo(17.25 * (drawing.pxPerMm ?? NaN), 1);
    }
  });
  it('ignores a size of nothing rather than drawing nothing', () =>
    expect(section(ask({ sizes: { bearingIn: 0 } })).scaleWords).toContain('NOT TO SCALE'));
  it('draws a taper bearing as it lies: cup at the end its thrust comes from', () => {
    const cup = (id: string): [number, number] => across(solid(ask(), id));
    expect(cup('cupIn')[0]).toBeLessThan(cup('coneIn')[0]);
    expect(cup('cupOut')[1]).toBeGreaterThan(cup('coneOut')[1]);
  });
});

describe('a thick leaf', () => {
  it('is drawn sixty pixels tall at most, with a break line; a thin one whole', () => {
    const { leaves, height } = leafShapes(
      [
        { thickness: thou(330), metric: false },
        { thickness: thou(10), metric: false },
      ],
      { width: 104, k: 1.2 },
    );
    expect(leaves.map((leaf) => [leaf.height, leaf.broken !== null])).toEqual([
      [60, true],
      [12, false],
    ]);
    expect(height).toBe(75);
  });
});

describe('the figures of a scale', () => {
  it('go by ones, twos and fives, far enough apart to be read, from nought both ways', () => {
    expect([tickStep(60, 56), tickStep(30, 56), tickStep(12, 56), tickStep(5.6, 56), tickStep(600, 56)]).toEqual([1, 2, 5, 10, 0.1]);
    const words = (unit: 'thou' | 'mm') => axisTicks({ low: thou(-5), high: thou(10), wide: 300, apart: 56, unit }).map((tick) => tick.words);
    expect(words('thou')).toEqual(['−5', '0', '5', '10']);
    expect(words('mm')).toEqual(['−0.1', '0', '0.1', '0.2']);
  });
});
