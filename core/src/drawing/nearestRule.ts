import { tickStep } from './axisTicks.ts';
import { formatLength, fromLength, NM_PER, type Length, type NearSize } from '../quantity/index.ts';
import { line, path, rect, text, textWidth, type Shape } from './shapes.ts';

export interface NearestRule {
  readonly shapes: readonly Shape[];
  readonly height: number;
  readonly says: string;
  /** pixels of a size, for tests */
  readonly x: (size: number) => number;
}

const TOP = 74;
const RAIL = 40;
const HEIGHT = TOP + RAIL + 70;
const LABEL = 15;
const GAP = 14;

/** Signed, to a tenth of a thou: by how much it misses. */
export const missWords = (error: number): string =>
  `${error > 0 ? '+' : error < 0 ? '−' : '±'}${formatLength(Math.abs(error) as Length, 'thou', 1)} thou`;

interface Label {
  readonly size: NearSize;
  readonly half: number;
  at: number;
}

/** Labels pushed apart along the rule, in order, and kept on it. */
function spread(sizes: readonly NearSize[], x: (size: number) => number, width: number): Label[] {
  const labels = [...sizes]
    .sort((a, b) => a.size - b.size)
    .map((size): Label => {
      const half = Math.max(textWidth(size.name, 'text', LABEL), textWidth(missWords(size.error), 'number', LABEL)) / 2;
      return { size, half, at: Math.min(Math.max(x(size.size), half), width - half) };
    });
  for (let i = 1; i < labels.length; i++) {
    const [before, now] = [labels[i - 1], labels[i]];
    if (before && now) now.at = Math.max(now.at, before.at + before.half + GAP + now.half);
  }
  let edge = width;
  for (const label of [...labels].reverse()) {
    label.at = Math.min(label.at, edge - label.half);
    edge = label.at - label.half - GAP;
  }
  return labels;
}

const fits = (sizes: readonly NearSize[], width: number): boolean =>
  sizes.reduce((sum, s) => sum + Math.max(textWidth(s.name, 'text', LABEL), textWidth(missWords(s.error), 'number', LABEL)) + GAP, -GAP) <= width;

/** As many of the nearest as there is room for, nearest first. */
function roomFor(sizes: readonly NearSize[], width: number): readonly NearSize[] {
  const nearest = [...sizes].sort((a, b) => Math.abs(a.error) - Math.abs(b.error));
  while (nearest.length > 1 && !fits(nearest, width)) nearest.pop();
  return nearest;
}

/**
 * A size among what can be had near it, on one rule ticked in thou along the top and in millimetres along the foot: gauges, drills and
 * sheet above, fractions and the leaves and packs on hand below.
 *
 * @param width px, 280 or more
 */
export function nearestRule({ wanted, sizes, width }: { wanted: Length; sizes: readonly NearSize[]; width: number }): NearestRule {
  const isBelow = (size: NearSize): boolean => size.of === 'fraction' || size.of === 'leaf';
  const above = roomFor(
    sizes.filter((s) => !isBelow(s)),
    width,
  );
  const below = roomFor(sizes.filter(isBelow), width);
  const reach = Math.max(NM_PER.thou * 1.5, ...[...above, ...below].map((s) => Math.abs(s.error) * 1.15));
  const x = (size: number): number => ((size - wanted + reach) / (2 * reach)) * width;
  const shapes: Shape[] = [rect(0, TOP, width, RAIL, { fill: 'sheet', stroke: 'edge', width: 1.2 }), ...ticks(wanted - reach, wanted + reach, x)];
  for (const [side, labels] of [
    ['above', spread(above, x, width)],
    ['below', spread(below, x, width)],
  ] as const)
    for (const label of labels) shapes.push(...marked(label, side, x));
  const at = x(wanted);
  shapes.push(line(at, TOP - 8, at, TOP + RAIL + 8, 'ink', 2.6), path(`M${at - 9},${TOP}h18l-9,13z`, { fill: 'ink', id: 'wanted' }));
  const said = [...above, ...below].map((s) => `${s.name} ${missWords(s.error)}`);
  return { shapes, height: HEIGHT, says: `Nearest to ${formatLength(wanted, 'thou')} thou: ${said.join('; ')}.`, x };
}

function marked({ size, at }: Label, side: 'above' | 'below', x: (size: number) => number): Shape[] {
  const on = x(size.size);
  const isLeaf = size.of === 'leaf';
  const colour = isLeaf ? 'brassText' : 'ink';
  const [edge, elbow, near, name, miss] =
    side === 'above'
      ? [TOP, TOP - 14, TOP - 24, TOP - 48, TOP - 29]
      : [TOP + RAIL, TOP + RAIL + 14, TOP + RAIL + 22, TOP + RAIL + 40, TOP + RAIL + 60];
  return [
    path(`M${on.toFixed(1)},${edge}V${elbow}L${at.toFixed(1)},${near}`, { fill: 'none', stroke: colour, width: 1.3 }),
    { kind: 'circle', x: on, y: edge, r: 5, fill: isLeaf ? 'brass' : 'sheet', stroke: isLeaf ? 'brassLine' : 'ink', width: 1.4, id: size.name },
    text(at, name, size.name, 'text', LABEL, colour, { bold: true, anchor: 'middle' }),
    text(at, miss, missWords(size.error), 'number', LABEL, isLeaf ? 'brassText' : 'ink2', { anchor: 'middle' }),
  ];
}

function ticks(low: number, high: number, x: (size: number) => number): Shape[] {
  const shapes: Shape[] = [];
  for (const [unit, from, to, textAt] of [
    ['thou', TOP, 1, TOP + 17],
    ['mm', TOP + RAIL, -1, TOP + RAIL - 7],
  ] as const) {
    const nm = NM_PER[unit];
    const step = tickStep(x(nm) - x(0), 70);
    const [first, last] = [Math.ceil(fromLength(low as Length, unit) / (step / 5)), Math.floor(fromLength(high as Length, unit) / (step / 5))];
    for (let i = first; i <= last; i++) {
      const at = x(i * (step / 5) * nm);
      const isNumbered = i % 5 === 0;
      shapes.push(line(at, from, at, from + to * (isNumbered ? 16 : 6), 'edge', 1.1));
      const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
      if (isNumbered && at > 2 && at < x(high) - 84) shapes.push(text(at + 4, textAt, (i * (step / 5)).toFixed(decimals), 'number', 14, 'ink2'));
    }
    shapes.push(text(x(high) - 5, textAt, unit, 'label', 14, 'ink2', { anchor: 'end' }));
  }
  return shapes;
}
