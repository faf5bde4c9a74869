import { FEATURE_KINDS, mm, type Length } from '@elder-cog/core';
import type { FitLeaf } from './facts/index.ts';
import type { FileProblem } from './rowRules.ts';
import type { RowOf, TableName } from './tables.ts';

type Range = readonly [least: Length, most: Length, says: string];
const metres = (m: number): Length => mm(m * 1000);

/** What a figure of each kind can be in anything that has a gearbox. Common practice, no source: far outside all of them is a slip. */
const RANGES = {
  size: [metres(-2), metres(2), 'a size up to 2 m'],
  gap: [mm(-50), mm(50), 'a gap within 50 mm of nothing'],
  leaf: [mm(0.005), mm(100), 'a leaf of 0.005 to 100 mm'],
  pack: [mm(0), mm(300), 'a pack of up to 300 mm'],
  /** under a gauge or a flange, in one piece */
  between: [mm(0), mm(100), 'a spacer or gasket of up to 100 mm'],
} as const satisfies Record<string, Range>;
export type FigureKind = keyof typeof RANGES;

/** Whether a figure is one that a gearbox can have. */
export const inRange = (kind: FigureKind, value: number): boolean => value >= RANGES[kind][0] && value <= RANGES[kind][1];
/** What is wrong with a figure no gearbox can have: what was found, and what there should be; null where nothing is. */
export const rangeProblem = (kind: FigureKind, value: number): Omit<FileProblem, 'path'> | null =>
  inRange(kind, value) ? null : { found: `${String(Math.round(value / 1000) / 1000)} mm`, wanted: RANGES[kind][2] };

type Path = FileProblem['path'];
type Figure = readonly [kind: FigureKind, field: Path, value: number | null | undefined];

const leafFigures = (leaves: readonly Pick<FitLeaf, 'thickness' | 'count'>[], at: Path): Figure[] => [
  ...leaves.map((leaf, i): Figure => ['leaf', [...at, i, 'thickness'], leaf.thickness]),
  ['pack', at, leaves.reduce((sum, leaf) => sum + leaf.thickness * leaf.count, 0)],
];

const SIZED: ReadonlySet<string> = new Set([...FEATURE_KINDS, 'link', 'depth']);
/** What a station's figures are: a size of a part, or a gap between two. */
export const figureOf = (subject: string): FigureKind => (SIZED.has(subject) ? 'size' : 'gap');

/** The figures of a row, by table. Lines of a manual's page may hold anything that is printed; they are checked when they become limits. */
const FIGURES: { readonly [T in TableName]?: (row: RowOf[T], subject: string) => readonly Figure[] } = {
  feature: (r) => [
    ['size', ['nominal'], r.nominal],
    ['size', ['proportion'], r.proportion],
  ],
  station: (r) => [
    ['size', ['newSize'], r.newSize],
    [figureOf(r.subject), ['aim', 'value'], r.aim.value],
    ['gap', ['aim', 'closesBy'], r.aim.closesBy],
    ['size', ['instrument', 'zeroError'], r.instrument?.zeroError],
  ],
  limit: (r, subject) => [
    [figureOf(subject), ['min'], r.min],
    [figureOf(subject), ['max'], r.max],
    [figureOf(subject), ['nominal'], r.nominal],
  ],
  lot: (r) => [
    ['leaf', ['thickness'], r.thickness],
    ['size', ['bore'], r.bore],
    ['size', ['outside'], r.outside],
    ['leaf', ['crushed'], r.crushed],
  ],
  place: (r) => [
    ['size', ['wants', 'bore'], r.wants?.bore],
    ['size', ['wants', 'outside'], r.wants?.outside],
    ['leaf', ['wants', 'supply', 'from'], r.wants?.supply?.from],
    ['leaf', ['wants', 'supply', 'to'], r.wants?.supply?.to],
  ],
  build: (r) =>
    r.fits.flatMap((fit, i): Figure[] => [
      ...leafFigures(fit.leaves, ['fits', i, 'leaves']),
      ['between', ['fits', i, 'crushed'], fit.crushed],
      ['between', ['fits', i, 'film'], fit.film],
    ]),
  stock: (r) => [
    ['size', ['thickness'], r.thickness],
    ['size', ['width'], r.width],
    ['size', ['outside'], r.outside],
    ['size', ['bore'], r.bore],
    ['size', ['length'], r.length],
  ],
  making: (r) => [
    ...Object.entries(r.form?.sizes ?? {}).map(([name, value]): Figure => ['size', ['form', 'sizes', name], value]),
    ['size', ['window', 'min'], r.window?.min],
    ['size', ['window', 'max'], r.window?.max],
    ['size', ['blank', 'size'], r.blank?.size],
    ...leafFigures(r.beside, ['beside']),
  ],
  pass: (r) => r.readings.map((value, i): Figure => ['size', ['readings', i], value]),
  fitting: (r) => [
    ...(['outer', 'inner'] as const).flatMap((which): Figure[] =>
      (['outside', 'bore'] as const).map((name): Figure => ['size', [which, name], r[which][name]]),
    ),
    ['size', ['length'], r.length],
    ['size', ['journal'], r.journal],
    ['gap', ['clearance', 'max'], r.clearance?.max],
    ['gap', ['ease'], r.ease],
  ],
  reading: (r, subject) => [
    [figureOf(subject), ['keptAs', 'value'], r.keptAs.value],
    ['between', ['raw', 'spacer'], r.raw.spacer],
    ['between', ['raw', 'gasket', 'free'], r.raw.gasket?.free],
    ['between', ['raw', 'gasket', 'crushed'], r.raw.gasket?.crushed],
    ['size', ['raw', 'parallels', 'depths'], r.raw.parallels?.depths],
    ['size', ['raw', 'parallels', 'heights'], r.raw.parallels?.heights],
  ],
  strip: (r) => [
    ['size', ['size'], r.size],
    ...leafFigures(r.leaves, ['leaves']),
    ...(r.bolts?.holes ?? []).map((hole, i): Figure => ['size', ['bolts', 'holes', i, 'length'], hole.length]),
  ],
  joint: (r) => [
    ['size', ['major'], r.major],
    ['size', ['pitch'], r.pitch],
  ],
  rollers: (r) => [
    ['size', ['trackInner'], r.trackInner],
    ['size', ['trackOuter'], r.trackOuter],
    ['size', ['diameter'], r.diameter],
    ['size', ['length'], r.length],
    ['size', ['trackLength'], r.trackLength],
  ],
  acceptance: (r) => [['size', ['value'], r.value]],
  lookAlike: (r) => [
    ['size', ['a', 'size'], r.a.size],
    ['size', ['b', 'size'], r.b.size],
  ],
};

/**
 * Figures of a row that nothing with a gearbox has. A command with one is refused; a row from an older file or database is let in, and
 * shown as damaged.
 *
 * @param subject what the station of a limit or a reading measures
 */
export function figureProblems<T extends TableName>(table: T, row: RowOf[T], subject = 'gap'): FileProblem[] {
  const figures = FIGURES[table]?.(row, subject) ?? [];
  return figures.flatMap(([kind, path, value]) => {
    const problem = value === null || value === undefined ? null : rangeProblem(kind, value);
    return problem ? [{ path, ...problem }] : [];
  });
}
