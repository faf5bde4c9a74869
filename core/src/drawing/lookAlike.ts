import { circle, line, path, rect, text, type Shape } from './shapes.ts';

export interface AlikePart {
  readonly name: string;
  readonly goes: string;
  /** of what can be counted: grooves, coils, splines */
  readonly marks: number | null;
  readonly tang: 'none' | 'narrow' | 'wide';
  /** its size against the bigger of the two, 0 to 1 */
  readonly share: number;
}

export interface LookAlikeQuestion {
  readonly form: 'washer' | 'spring' | 'ring' | 'bolt' | 'other';
  readonly a: AlikePart;
  readonly b: AlikePart;
  readonly width: number;
  readonly height: number;
}

const TANG = { none: 0, narrow: 12, wide: 24 } as const;

function washer({ marks, tang }: AlikePart, cx: number, cy: number, r: number): Shape[] {
  const inner = r * 0.62;
  const grooves = marks ?? 0;
  return [
    ...(TANG[tang] > 0
      ? [
          rect(cx - TANG[tang] / 2, cy - r - 9, TANG[tang], 12, { fill: 'steel', stroke: 'part', width: 1.5 }),
          circle(cx, cy - r - 2, TANG[tang] / 2 + 9, { fill: 'none', stroke: 'blue', width: 2 }),
        ]
      : []),
    path(
      `M${cx - r},${cy}a${r},${r} 0 1 0 ${2 * r},0a${r},${r} 0 1 0 ${-2 * r},0ZM${cx - inner},${cy}a${inner},${inner} 0 1 1 ${2 * inner},0a${inner},${inner} 0 1 1 ${-2 * inner},0Z`,
      { fill: 'hatchBronze', stroke: 'part', width: 1.5 },
    ),
    ...Array.from({ length: grooves }, (_, i) => {
      const angle = (2 * Math.PI * (i + 0.5)) / grooves;
      const [s, c] = [Math.sin(angle), -Math.cos(angle)];
      return line(cx + s * (inner - 1), cy + c * (inner - 1), cx + s * (r + 1), cy + c * (r + 1), 'sheet', 6);
    }),
  ];
}

function spring({ marks, share }: AlikePart, cx: number, cy: number, r: number): Shape[] {
  const coils = Math.max(2, Math.min(14, marks ?? 6));
  const length = 2 * r * Math.max(0.45, share);
  const step = length / coils;
  const top = cy - length / 2;
  return Array.from({ length: coils }, (_, i) =>
    path(`M${cx - r * 0.5},${(top + i * step).toFixed(1)}L${cx + r * 0.5},${(top + (i + 0.6) * step).toFixed(1)}`, {
      fill: 'none',
      stroke: 'part',
      width: 5,
    }),
  );
}

function ring({ share }: AlikePart, cx: number, cy: number, r: number): Shape[] {
  const size = r * Math.max(0.6, share);
  const gap = 0.22;
  const [x, y] = [Math.sin(gap) * size, Math.cos(gap) * size];
  return [
    path(`M${(cx + x).toFixed(1)},${(cy - y).toFixed(1)}A${size},${size} 0 1 1 ${(cx - x).toFixed(1)},${(cy - y).toFixed(1)}`, {
      fill: 'none',
      stroke: 'part',
      width: 8,
    }),
  ];
}

function bolt({ share }: AlikePart, cx: number, cy: number, r: number): Shape[] {
  const length = 1.7 * r * Math.max(0.4, share);
  const top = cy - r;
  return [
    rect(cx - 16, top, 32, 14, { fill: 'steel', stroke: 'part', width: 1.5 }),
    rect(cx - 9, top + 14, 18, length, { fill: 'steel', stroke: 'part', width: 1.5 }),
    ...Array.from({ length: Math.floor((length * 0.6) / 7) }, (_, i) =>
      line(cx - 9, top + 10 + length - i * 7, cx + 9, top + 13 + length - i * 7, 'part'),
    ),
  ];
}

function other({ marks }: AlikePart, cx: number, cy: number, r: number): Shape[] {
  return [
    rect(cx - r * 0.8, cy - r * 0.6, r * 1.6, r * 1.2, { fill: 'steel', stroke: 'part', width: 1.5, dash: '6 4' }),
    ...(marks === null ? [] : [text(cx, cy + 8, String(marks), 'number', 24, 'ink', { anchor: 'middle' })]),
  ];
}

const FORMS = { washer, spring, ring, bolt, other } as const;

/** Two parts that nearly match, drawn side by side by what tells them apart; not to scale, but longer is drawn longer. */
export function lookAlikeShapes({ form, a, b, width, height }: LookAlikeQuestion): readonly Shape[] {
  const r = Math.min(width / 4 - 22, (height - 50) / 2);
  const cy = height / 2 - 8;
  return [a, b].flatMap((part, i): Shape[] => {
    const cx = width * (i === 0 ? 0.25 : 0.75);
    const isHollow = form === 'washer' || form === 'ring';
    return [
      ...FORMS[form](part, cx, cy, r),
      ...(isHollow && part.marks !== null && form === 'washer'
        ? [text(cx, cy + 8, String(part.marks), 'number', 24, 'blue', { anchor: 'middle', bold: true })]
        : []),
      ...(i === 0 ? [line(width / 2, 12, width / 2, height - 12, 'rule')] : []),
      text(cx, height - 12, (part.goes === '' ? part.name : part.goes).toUpperCase().slice(0, 22), 'label', 16, 'ink', {
        anchor: 'middle',
        bold: true,
      }),
    ];
  });
}
