import { describe, expect, it } from '@jest/globals';
import type { FitLeaf } from '@elder-cog/contract';
import { limitBar, MARK_WORDS, mm, packWindowSum, estimate, thou, type MarkKind } from '@elder-cog/core';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { Chip, Field, Primary, Quiet, Secondary } from './controls.tsx';
import { Dial } from './Dial.tsx';
import { Keypad } from './Keypad.tsx';
import { Mark } from './Mark.tsx';
import { MethodDrawing, WAYS, wayOf } from './methodDrawings.tsx';
import { Both, Num } from './Num.tsx';
import { LeafStrip, Pack } from './Pack.tsx';
import { Hatches, Shapes } from './Shapes.tsx';
import { SumView } from './SumView.tsx';

const html = (element: ReactElement): string => renderToStaticMarkup(element);
/** What would be read: tags gone, spaces folded. */
const words = (element: ReactElement): string =>
  html(element)
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const leaf = (thickness: number, unit: 'thou' | 'mm' = 'thou', count = 1): FitLeaf => ({
  lotId: null,
  thickness: unit === 'mm' ? mm(thickness) : thou(thickness),
  written: unit === 'mm' ? thickness.toFixed(2) : String(thickness),
  unit,
  count,
});

describe('a number', () => {
  it('stands in its unit with the other system below', () =>
    expect(words(<Num value={thou(24)} unit="thou" size={44} both />)).toBe('24.0 thou 0.610 mm'));
  it('turns about with the unit, and keeps its trailing zeros', () =>
    expect(words(<Num value={mm(0.1)} unit="mm" both />)).toBe('0.100 mm 3.9 thou'));
  it('has a true minus, or none where preload is said in words', () => {
    expect(words(<Num value={thou(-3)} unit="thou" />)).toBe('−3.0 thou');
    expect(words(<Num value={thou(-3)} unit="thou" signed={false} />)).toBe('3.0 thou');
  });
  it('never has its unit under 14 px', () => {
    for (const size of [20, 28, 44] as const) {
      const unitSizes = [...html(<Num value={thou(1)} unit="thou" size={size} both />).matchAll(/font-size:(\d+)px/g)].map((m) => Number(m[1]));
      expect(Math.min(...unitSizes)).toBeGreaterThanOrEqual(14);
    }
  });
  it('says both systems back on one line', () => expect(words(<Both value={thou(24)} unit="thou" />)).toBe('24.0 thou · 0.610 mm'));
});

describe('a mark', () => {
  it.each(Object.entries(MARK_WORDS) as [MarkKind, string][])('%s has its word as its name', (kind, word) => {
    expect(html(<Mark kind={kind} />)).toContain(`aria-label="${word}"`);
    expect(html(<Mark kind={kind} named={false} />)).toContain('aria-hidden');
  });
  it('is solid when it is a verdict, and outlined when nothing is known', () => {
    expect(html(<Mark kind="in" />)).toContain('fill="var(--right)"');
    expect(html(<Mark kind="unmeasured" />)).not.toContain('fill="var(--ink2)"');
    expect(html(<Mark kind="unmeasured" />)).toContain('stroke-dasharray');
  });
  it('is never drawn under 20 px wide', () =>
    expect(Number(/width="([\d.]+)"/.exec(html(<Mark kind="in" size={20} />))?.[1])).toBeGreaterThanOrEqual(20));
});

describe('a pack', () => {
  it('has one brass shape a leaf, one scale, and a hole only where it is metric', () => {
    const drawn = html(<Pack leaves={[leaf(20), leaf(8), leaf(0.2, 'mm')]} />);
    expect(drawn.match(/fill="var\(--brass\)"/g)).toHaveLength(3);
    expect(drawn.match(/<circle/g)).toHaveLength(1);
    expect(drawn).toContain('aria-label="Pack: 20 thou, 8 thou, 0.20 mm"');
  });
  it('counts leaves of one kind one by one', () =>
    expect(html(<Pack leaves={[leaf(3, 'thou', 4)]} />).match(/fill="var\(--brass\)"/g)).toHaveLength(4));
  it('of nothing says so', () => expect(html(<Pack leaves={[]} />)).toContain('Pack: no leaves'));
  it('wanted is dashed, to be made is hatched', () => {
    expect(html(<LeafStrip leaves={[leaf(6)]} />)).toContain('stroke-dasharray="5 3"');
    expect(html(<Pack leaves={[leaf(6)]} style="make" />)).toContain('url(#hatch-make)');
  });
  it('keeps its labels 20 px apart, however thin the leaves', () => {
    const ys = [...html(<Pack leaves={[leaf(1), leaf(1), leaf(1)]} />).matchAll(/<text x="\d+" y="([\d.]+)"/g)].map((m) => Number(m[1]));
    expect(ys).toHaveLength(3);
    ys.slice(1).forEach((y, i) => expect(y - (ys[i] ?? 0)).toBeGreaterThanOrEqual(20));
  });
});

describe('a sum', () => {
  const sum = packWindowSum({ fittedPack: thou(28), measured: estimate(thou(24), 0), limits: { min: thou(5), max: thou(8) }, sense: 1 });
  it('is every line as it would be written, in either system', () => {
    expect(words(<SumView sum={sum} unit="thou" />)).toContain('pack in now 28.0 aim 6.5 read 24.0');
    expect(words(<SumView sum={sum} unit="mm" />)).toContain('pack in now 0.711');
  });
  it('has its answer under a line', () =>
    expect(html(<SumView sum={sum} unit="thou" answerAt={4} />)).toMatch(/border-t border-ink[^>]*>.*?new pack/));
});

describe('a dial', () => {
  it('says what was keyed', () => {
    expect(html(<Dial entry="" divisions={100} />)).toContain('nothing keyed yet');
    expect(html(<Dial entry={'88>12'} divisions={100} />)).toContain('Dial, from 88 clockwise to 12');
    expect(html(<Dial entry={'88<12 +2'} divisions={100} />)).toContain('Dial, from 88 anticlockwise to 12 and 2 whole turns');
  });
  it('has a hollow start, a solid finish and a swept sector', () => {
    const drawn = html(<Dial entry={'88>12'} divisions={100} />);
    for (const part of ['start', 'finish', 'sweep']) expect(drawn).toContain(`data-dial="${part}"`);
    expect(html(<Dial entry="" divisions={100} />)).not.toContain('data-dial');
  });
});

describe('shapes', () => {
  const bar = limitBar({ width: 340, limits: { min: thou(5), max: thou(8) }, reading: { value: thou(6), state: 'in' } });
  it('are drawn as they are, under their words', () => {
    const drawn = html(<Shapes shapes={bar.shapes} width={340} height={bar.height} says={bar.says} />);
    expect(drawn).toContain('aria-label="limits 5.0 to 8.0 thou; 6.0 thou, 0.152 mm, right"');
    expect(drawn).toContain('data-shape="band"');
    expect(drawn).not.toContain('undefined');
  });
  it('with nothing to say are left out of what is read', () =>
    expect(html(<Shapes shapes={[]} width={1} height={1} says="" />)).toContain('aria-hidden'));
  it('have every hatch they may ask for', () => {
    const hatches = html(<Hatches />);
    for (const id of ['hatch-casing', 'hatch-cover', 'hatch-bronze', 'hatch-preload', 'hatch-make']) expect(hatches).toContain(`id="${id}"`);
  });
});

describe('controls', () => {
  it('on the main path are at least 56 px, others 48', () => {
    expect(html(<Primary>Keep</Primary>)).toContain('min-h-14');
    for (const control of [
      <Secondary key="s">x</Secondary>,
      <Quiet key="q">x</Quiet>,
      <Chip key="c" on>
        x
      </Chip>,
    ])
      expect(html(control)).toContain('min-h-12');
  });
  it('say whether a chip is on', () => expect(html(<Chip on={false}>hand tight</Chip>)).toContain('aria-pressed="false"'));
  it('say a refusal at the field it belongs to', () => {
    const field = html(<Field label="Limits" value="8-5" onChange={() => undefined} refusal="The wrong way round." />);
    expect(field).toContain('role="alert"');
    expect(field).toContain('aria-invalid="true"');
    expect(/aria-describedby="([^"]+)"/.exec(field)?.[1]).toBe(/<div id="([^"]+)"/.exec(field)?.[1]);
  });
  it.each([
    ['drag', ['lb', 'in', 'ft', 'oz', 'kg', 'g', 'N', 'N·m', 'kgf·m', 'cm', 'mm', 'at', '½', 'comma']],
    ['torqueLimits', ['max', 'new', 'used', 'seal out', 'minus', 'lb', 'in', 'N·m', 'at']],
    ['turn', ['°', 'flat', 'turn', 'half', 'quarter', 'a', 'back', 'on', 'minus', '/']],
  ] as const)('have the units and words of a %s', (of, wanted) => {
    const keys = html(<Keypad keys={of} onPress={() => undefined} />);
    for (const key of [...'0123456789', '.', 'space', 'Rub out', 'Keep', ...wanted]) expect(keys).toContain(`aria-label="${key}"`);
    expect(keys.match(/<button/g)).toHaveLength(30);
  });
  it('have every key an oily thumb needs', () => {
    const keys = html(<Keypad onPress={() => undefined} />);
    for (const key of [
      '7',
      '0',
      '.',
      '½',
      '/',
      '&gt;',
      '&lt;',
      '+',
      'minus',
      'space',
      '×',
      'less',
      'max',
      'preload',
      'goes',
      'stops',
      'thou',
      'mm',
      'Rub out',
      'Keep',
    ])
      expect(keys).toContain(`aria-label="${key}"`);
  });
});

describe('the five ways', () => {
  it('each have a name, a line and a drawing', () => {
    expect(WAYS).toHaveLength(5);
    for (const way of WAYS) {
      expect(way.says.length).toBeGreaterThan(20);
      expect(html(<MethodDrawing method={way.method} />).match(/<path|<circle/g)?.length).toBeGreaterThan(3);
    }
  });
  it('fall back on the dial', () => expect([wayOf(null).method, wayOf('look').method]).toEqual(['dial', 'dial']));
});
