/**
 * The mark: two faces seen edge-on with what lies between them, in a 24-unit box. Pure data; whoever draws it picks the colour.
 */
export type MarkKind = 'in' | 'tight' | 'loose' | 'cannotTell' | 'unmeasured' | 'stale' | 'accepted';

export const MARK_WORDS: Readonly<Record<MarkKind, string>> = {
  in: 'Right',
  tight: 'Tight',
  loose: 'Loose',
  cannotTell: 'Cannot tell',
  unmeasured: 'Not measured',
  stale: 'Stale',
  accepted: 'Accepted, outside',
};

/** Of how deep one face is below another. */
export const DEPTH_MARK_WORDS: Readonly<Record<MarkKind, string>> = { ...MARK_WORDS, tight: 'Not deep enough', loose: 'Too deep' };

export interface MarkStroke {
  readonly d: string;
  readonly as: 'fill' | 'outline' | 'cut' | 'dotted';
  readonly width?: number;
}

/** Both plates with their faces at x = f and its mirror in x = 12. */
const plates = (f: number): string =>
  `M${f - 6.5},3.5H${f}V20.5H${f - 6.5}L${f - 8.5},18.5V5.5ZM${30.5 - f},3.5H${24 - f}V20.5H${30.5 - f}L${32.5 - f},18.5V5.5Z`;
const ARROW: readonly MarkStroke[] = [
  { d: 'M8.6,12H15.4', as: 'outline', width: 1.5 },
  { d: 'M7.6,12l3.2,-2.7v5.4zM16.4,12l-3.2,-2.7v5.4z', as: 'fill' },
];

export function markStrokes(kind: MarkKind): readonly MarkStroke[] {
  switch (kind) {
    case 'in':
      return [{ d: plates(11), as: 'fill' }];
    case 'loose':
      return [{ d: plates(6.5), as: 'fill' }, ...ARROW];
    case 'accepted':
      return [{ d: plates(6.5), as: 'fill' }, ...ARROW, { d: 'M-2,22.6h28v2.6h-28z', as: 'fill' }];
    case 'tight':
      return [
        { d: plates(12.6), as: 'fill' },
        { d: 'M12,2.6L13.6,6.2L10.4,9.8L13.6,13.4L10.4,17L12.6,21.4', as: 'cut', width: 2 },
      ];
    case 'cannotTell':
      return [
        { d: plates(9), as: 'outline', width: 1.6 },
        { d: 'M12,3.5C13.8,6.5 10.2,9.2 12,12S13.8,17.6 12,20.5', as: 'outline', width: 1.5 },
      ];
    case 'unmeasured':
      return [{ d: plates(9), as: 'dotted', width: 1.5 }];
    case 'stale':
      return [
        { d: plates(11), as: 'outline', width: 1.6 },
        { d: 'M4.2,22.6L19.8,1.4', as: 'cut', width: 4.4 },
        { d: 'M4.2,22.6L19.8,1.4', as: 'outline', width: 1.9 },
      ];
  }
}
