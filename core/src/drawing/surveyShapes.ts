import { formatLength, type Length, type LengthUnit } from '../quantity/index.ts';
import { ellipse, line, path, magnificationOf, text, textWidth, type Shape } from './shapes.ts';

export interface SurveyPlace {
  readonly at: string;
  readonly least: Length;
  readonly most: Length;
}

export interface SurveyDrawing {
  readonly places: readonly SurveyPlace[];
  /** a hole opens as it wears; anything else grows thin */
  readonly isHole: boolean;
  /** a washer has no ovality to show: its places alone are drawn */
  readonly isRound?: boolean;
  readonly unit: LengthUnit;
  readonly width: number;
  readonly height: number;
}

/**
 * One bore, journal or washer: at the left the place that is most oval, seen along it; at the right its mean size from place to place.
 * What differs is drawn larger than life, each factor stated; the sizes themselves are not to scale.
 */
export function surveyShapes({ places, isHole, isRound = true, unit, width, height }: SurveyDrawing): { shapes: readonly Shape[]; says: string } {
  const ovality = (p: SurveyPlace): number => p.most - p.least;
  const oval = places.reduce((worst, p) => (ovality(p) > ovality(worst) ? p : worst), places[0] ?? { at: '', least: 0 as Length, most: 0 as Length });
  const cx = Math.min(width * 0.21, 110);
  const cy = height / 2 - 4;
  const radius = Math.min(cx - 20, height / 2 - 34);
  const room = radius * 0.3;
  const span = Math.max(1, ovality(oval));
  const rx = radius;
  const ry = ovality(oval) === 0 ? radius : radius - room / 2;
  const ovalScale = magnificationOf(room / span);
  const divide = cx * 2 + 8;
  const left: Shape[] = [
    path(`${ellipse(cx, cy, radius + 12, radius + 12)}${ellipse(cx, cy, rx, ry)}`, {
      fill: isHole ? 'hatchBronze' : 'none',
      stroke: isHole ? 'part' : 'rule',
      width: isHole ? 1.5 : 1,
    }),
    path(ellipse(cx, cy, rx, ry), { fill: isHole ? 'sheet' : 'steel', stroke: 'part', width: 1.5, id: 'oval' }),
    line(cx - 10, cy, cx + 10, cy, 'part'),
    line(cx, cy - 10, cx, cy + 10, 'part'),
    text(
      cx,
      height - 8,
      ovality(oval) === 0 ? 'ROUND, AS READ' : `OVAL ×${ovalScale}, ${oval.at.toUpperCase()}`.replace(/, $/, ''),
      'label',
      15,
      'ink2',
      {
        anchor: 'middle',
      },
    ),
    line(divide, 14, divide, height - 14, 'rule'),
  ];
  const along = alongShapes(places, isHole, unit, isRound ? divide + 12 : 14, width - 12, height);
  return { shapes: isRound ? [...left, ...along] : along, says: saying(places, isRound ? oval : null, unit) };
}

function alongShapes(places: readonly SurveyPlace[], isHole: boolean, unit: LengthUnit, x0: number, x1: number, height: number): Shape[] {
  const means = places.map((p) => (p.least + p.most) / 2);
  const [least, most] = [Math.min(...means), Math.max(...means)];
  if (places.length < 2) {
    const [only] = places;
    return [
      text((x0 + x1) / 2, height / 2, only ? `${formatLength(only.least, unit)} to ${formatLength(only.most, unit)}` : '', 'number', 18, 'ink', {
        anchor: 'middle',
      }),
      text((x0 + x1) / 2, height - 8, 'ONE PLACE: NO TAPER TO SEE', 'label', 15, 'ink2', { anchor: 'middle' }),
    ];
  }
  const deep = (height - 96) * 0.45;
  const perNm = deep / Math.max(1, most - least);
  const [top, bottom] = [36, height - 40];
  const step = (x1 - x0) / (places.length - 1);
  // a hole is wider where it is worn; a journal narrower
  const lean = (mean: number): number => (isHole ? most - mean : mean - least) * perNm * 0.5;
  const edge = (at: (offset: number) => number): string =>
    means.map((mean, i) => `${(x0 + i * step).toFixed(1)},${at(lean(mean)).toFixed(1)}`).join('L');
  const upper = edge((off) => (isHole ? top + 8 + off : top + 8 + deep / 2 - off));
  const lower = edge((off) => (isHole ? bottom - 8 - off : bottom - 8 - deep / 2 + off));
  const scale = magnificationOf(perNm);
  const body: Shape[] = isHole
    ? [
        path(`M${x0},${top - 12}H${x1}L${upper.split('L').reverse().join('L')}Z`, { fill: 'hatchBronze', stroke: 'part', width: 1.5 }),
        path(`M${x0},${bottom + 12}H${x1}L${lower.split('L').reverse().join('L')}Z`, { fill: 'hatchBronze', stroke: 'part', width: 1.5 }),
      ]
    : [path(`M${upper}L${lower.split('L').reverse().join('L')}Z`, { fill: 'steel', stroke: 'part', width: 1.5, id: 'along' })];
  return [
    ...body,
    ...places.flatMap((p, i): Shape[] => {
      const said = formatLength(Math.round(means[i] ?? 0) as Length, unit).replace(/^0\./, '.');
      const half = textWidth(said, 'number', 16) / 2 + 10;
      const x = Math.min(Math.max(x0 + i * step, x0 + half), x1 - half);
      return [
        text(x, height / 2 + 4, said, 'number', 16, 'ink', { anchor: 'middle', halo: isHole ? 'sheet' : 'steel' }),
        text(x, 16, p.at, 'text', 14, 'ink2', { anchor: 'middle' }),
      ];
    }),
    text((x0 + x1) / 2, height - 8, most === least ? 'NO TAPER, AS READ' : `TAPER ×${scale}`, 'label', 15, 'ink2', {
      anchor: 'middle',
    }),
  ];
}

function saying(places: readonly SurveyPlace[], oval: SurveyPlace | null, unit: LengthUnit): string {
  const each = places.map((p) => `${p.at === '' ? '' : `${p.at} `}${formatLength(p.least, unit)} to ${formatLength(p.most, unit)}`).join('; ');
  const most = oval === null ? '' : ` Most oval ${oval.at === '' ? 'as read' : `at the ${oval.at}`}.`;
  return `${each}.${most} Differences drawn larger than life.`;
}
