import { refuse } from '../errors.ts';
import type { PlainQuantity } from '../entry/index.ts';
import type { Length } from '../quantity/index.ts';

/** What the shop makes for a place, and what it makes to work with. */
export const MADE_KINDS = [
  'shim',
  'halfShim',
  'washer',
  'bush',
  'distancePiece',
  'sleeve',
  'lapPlate',
  'drift',
  'depthPusher',
  'dummyShaft',
  'guidePin',
  'dummyFlange',
] as const;
export type MadeKind = (typeof MADE_KINDS)[number];

/** Every size that anything made can have. */
export const MADE_SIZES = [
  'inner',
  'outer',
  'thickness',
  'length',
  'holeDiameter',
  'holeCircle',
  'tangWidth',
  'tangReach',
  'grooveWidth',
  'flangeOuter',
  'flangeThickness',
  'slit',
  'smallOuter',
  'pocket',
  'pocketDepth',
  'pilot',
  'pilotLength',
  'chamfer',
] as const;
export type MadeSizeName = (typeof MADE_SIZES)[number];
export const MADE_COUNTS = ['holes', 'tangs', 'grooves'] as const;
export type MadeCountName = (typeof MADE_COUNTS)[number];

/** A part as it is to be made: its kind, its sizes in nm, and how many of what it has more than one of. */
export interface MadeForm {
  readonly kind: MadeKind;
  readonly sizes: Readonly<Partial<Record<MadeSizeName, Length>>>;
  readonly counts: Readonly<Partial<Record<MadeCountName, number>>>;
}

export interface MadeSizeField {
  readonly name: MadeSizeName;
  readonly label: string;
  readonly quantity: PlainQuantity;
  /** it may be without */
  readonly isOptional?: true;
  /** it matters only where there are any of these */
  readonly of?: MadeCountName;
}

export interface MadeKindSaid {
  readonly called: string;
  /** in a sentence on what it is for */
  readonly does: string;
  readonly isTool: boolean;
  /** cut from sheet; else turned from bar or tube */
  readonly isFlat: boolean;
  /** the size that sets a gap, and that it is taken off to */
  readonly axial: 'thickness' | 'length';
  readonly fields: readonly MadeSizeField[];
  readonly counts: readonly { readonly name: MadeCountName; readonly label: string }[];
}

const field = (name: MadeSizeName, label: string, quantity: PlainQuantity, more: Pick<MadeSizeField, 'isOptional' | 'of'> = {}): MadeSizeField => ({
  name,
  label,
  quantity,
  ...more,
});
const INNER = field('inner', 'Inside diameter', 'diameter');
const OUTER = field('outer', 'Outside diameter', 'diameter');
const THICKNESS = field('thickness', 'Thickness', 'leaf');
const LENGTH = field('length', 'Length', 'distancePiece');
const HOLES = [
  field('holeDiameter', 'Holes, diameter', 'diameter', { of: 'holes' }),
  field('holeCircle', 'Holes, on a circle of', 'diameter', { of: 'holes' }),
];
const HOLE_COUNT = { name: 'holes', label: 'Holes' } as const;

/** Each kind: what it is called, what it is for, and the sizes it has. */
export const MADE: Readonly<Record<MadeKind, MadeKindSaid>> = {
  shim: {
    called: 'Shim',
    does: 'a flat ring, to set a gap',
    isTool: false,
    isFlat: true,
    axial: 'thickness',
    fields: [INNER, OUTER, THICKNESS, ...HOLES],
    counts: [HOLE_COUNT],
  },
  halfShim: {
    called: 'Half-shim',
    does: 'in two halves, slipped in without stripping',
    isTool: false,
    isFlat: true,
    axial: 'thickness',
    fields: [INNER, OUTER, THICKNESS, ...HOLES],
    counts: [HOLE_COUNT],
  },
  washer: {
    called: 'Thrust washer',
    does: 'plain, with tangs, with oil grooves',
    isTool: false,
    isFlat: true,
    axial: 'thickness',
    fields: [
      INNER,
      OUTER,
      THICKNESS,
      field('tangWidth', 'Tang, width', 'diameter', { of: 'tangs' }),
      field('tangReach', 'Tang, stands out', 'diameter', { of: 'tangs' }),
      field('grooveWidth', 'Groove, width', 'leaf', { of: 'grooves' }),
    ],
    counts: [
      { name: 'tangs', label: 'Tangs' },
      { name: 'grooves', label: 'Grooves' },
    ],
  },
  bush: {
    called: 'Bush',
    does: 'plain, with a flange, slit',
    isTool: false,
    isFlat: false,
    axial: 'length',
    fields: [
      INNER,
      OUTER,
      LENGTH,
      field('flangeOuter', 'Flange, outside', 'diameter', { isOptional: true }),
      field('flangeThickness', 'Flange, thickness', 'leaf', { isOptional: true }),
      field('slit', 'Slit, width', 'leaf', { isOptional: true }),
    ],
    counts: [],
  },
  distancePiece: {
    called: 'Distance piece',
    does: 'parallel, or smaller at one end',
    isTool: false,
    isFlat: false,
    axial: 'length',
    fields: [INNER, OUTER, LENGTH, field('smallOuter', 'Outside at the small end', 'diameter', { isOptional: true })],
    counts: [],
  },
  sleeve: {
    called: 'Sleeve',
    does: 'over a worn journal, or into a spun housing',
    isTool: false,
    isFlat: false,
    axial: 'length',
    fields: [INNER, OUTER, LENGTH, field('chamfer', 'Lead-in, both ends', 'leaf', { isOptional: true })],
    counts: [],
  },
  lapPlate: {
    called: 'Lap plate',
    does: 'holds a washer flat while it is lapped',
    isTool: true,
    isFlat: false,
    axial: 'thickness',
    fields: [
      OUTER,
      field('thickness', 'Thickness', 'distancePiece'),
      field('pocket', 'Pocket, diameter', 'diameter'),
      field('pocketDepth', 'Pocket, depth', 'leaf'),
    ],
    counts: [],
  },
  drift: {
    called: 'Press drift',
    does: 'a pilot in the bore, a shoulder on the end of the bush',
    isTool: true,
    isFlat: false,
    axial: 'length',
    fields: [
      field('pilot', 'Pilot, diameter', 'diameter'),
      field('pilotLength', 'Pilot, length', 'distancePiece'),
      field('outer', 'Shoulder, diameter', 'diameter'),
      field('length', 'Length behind the shoulder', 'distancePiece'),
    ],
    counts: [],
  },
  depthPusher: {
    called: 'Pusher with a stop',
    does: 'goes in so far and no further',
    isTool: true,
    isFlat: false,
    axial: 'length',
    fields: [
      field('pilot', 'Pusher, diameter', 'diameter'),
      field('pilotLength', 'Goes in by', 'distancePiece'),
      field('outer', 'Stop, diameter', 'diameter'),
      field('length', 'Stop, thickness', 'distancePiece'),
    ],
    counts: [],
  },
  dummyShaft: {
    called: 'Dummy shaft',
    does: 'keeps loose rollers in place till the shaft goes in',
    isTool: true,
    isFlat: false,
    axial: 'length',
    fields: [OUTER, LENGTH, field('chamfer', 'Lead-in, both ends', 'leaf', { isOptional: true })],
    counts: [],
  },
  guidePin: {
    called: 'Guide pin',
    does: 'keeps covers and gaskets in line while they go on',
    isTool: true,
    isFlat: false,
    axial: 'length',
    fields: [
      field('pilot', 'Threaded end, outside', 'diameter'),
      field('pilotLength', 'Threaded end, length', 'distancePiece'),
      field('outer', 'Pin, diameter', 'diameter'),
      field('length', 'Pin, length', 'distancePiece'),
    ],
    counts: [],
  },
  dummyFlange: {
    called: 'Dummy flange',
    does: 'in the place of a hub or cover while it is measured',
    isTool: true,
    isFlat: true,
    axial: 'thickness',
    fields: [INNER, OUTER, field('thickness', 'Thickness', 'distancePiece'), ...HOLES],
    counts: [HOLE_COUNT],
  },
};

const MOST_OF_A_KIND = 36;

/** The fields of a form that it needs as it stands: those of what it has none of are left out. */
export const fieldsOf = ({ kind, counts }: MadeForm): MadeSizeField[] =>
  MADE[kind].fields.filter(({ of }) => of === undefined || (counts[of] ?? 0) > 0);

/** What is not said yet of a form that it cannot be drawn without. */
export const missingOf = (form: MadeForm): MadeSizeField[] =>
  fieldsOf(form).filter(({ name, isOptional }) => !isOptional && form.sizes[name] === undefined);

/**
 * Whether a form can be made: nothing missing, and nothing inside out.
 *
 * @throws ReckoningError `missing`, `insideOut`, `tooMany`
 * @example checkForm({ kind: 'shim', sizes: { inner: mm(62.5), outer: mm(92), thickness: mm(0.267) }, counts: {} }).kind // 'shim'
 */
export function checkForm(form: MadeForm): MadeForm {
  const [missing] = missingOf(form);
  if (missing) refuse('missing', `${missing.label}: not said yet.`);
  for (const { name, label } of fieldsOf(form)) {
    const size = form.sizes[name];
    if (size !== undefined && !(size > 0)) refuse('insideOut', `${label}: more than nothing.`);
  }
  for (const { name, label } of MADE[form.kind].counts)
    if ((form.counts[name] ?? 0) > MOST_OF_A_KIND) refuse('tooMany', `${label}: at most ${MOST_OF_A_KIND}.`);
  const {
    inner,
    outer,
    pilot,
    pocket,
    pocketDepth,
    thickness,
    flangeOuter,
    smallOuter,
    holeDiameter,
    holeCircle,
    slit,
    chamfer,
    length,
    tangWidth,
    grooveWidth,
  } = sizesOf(form);
  const wrong = (isWrong: boolean, message: string): void => {
    if (isWrong) refuse('insideOut', message);
  };
  wrong(inner !== undefined && outer !== undefined && inner >= outer, 'The inside diameter is smaller than the outside.');
  wrong(pilot !== undefined && outer !== undefined && pilot >= outer && form.kind !== 'guidePin', 'The shoulder is bigger than what goes in.');
  wrong(pocket !== undefined && outer !== undefined && pocket >= outer, 'The pocket lies inside the plate.');
  wrong(pocketDepth !== undefined && thickness !== undefined && pocketDepth >= thickness, 'The pocket is not as deep as the plate is thick.');
  wrong(flangeOuter !== undefined && outer !== undefined && flangeOuter <= outer, 'The flange is bigger than the bush.');
  wrong(smallOuter !== undefined && inner !== undefined && smallOuter <= inner, 'The small end still has a wall.');
  wrong(slit !== undefined && inner !== undefined && slit >= inner, 'The slit is narrower than the bore.');
  wrong(tangWidth !== undefined && outer !== undefined && tangWidth >= outer, 'A tang is narrower than the washer.');
  wrong(grooveWidth !== undefined && inner !== undefined && grooveWidth >= inner, 'A groove is narrower than the bore.');
  wrong(chamfer !== undefined && length !== undefined && 2 * chamfer >= length, 'The lead-ins leave something between them.');
  wrong(chamfer !== undefined && outer !== undefined && 2 * chamfer >= outer - (inner ?? 0), 'A lead-in is less than the wall.');
  if (holeDiameter !== undefined && holeCircle !== undefined && inner !== undefined && outer !== undefined) {
    wrong(holeCircle - holeDiameter <= inner || holeCircle + holeDiameter >= outer, 'The holes lie between the inside and the outside.');
    const pitch = holeCircle * Math.sin(Math.PI / Math.max(2, form.counts.holes ?? 0));
    wrong((form.counts.holes ?? 0) > 1 && pitch <= holeDiameter, 'The holes run into each other.');
  }
  return form;
}

/** The sizes that count: those of what it has none of are left out. */
export function sizesOf(form: MadeForm): MadeForm['sizes'] {
  const names = new Set(fieldsOf(form).map(({ name }) => name));
  return Object.fromEntries(Object.entries(form.sizes).filter(([name]) => names.has(name as MadeSizeName)));
}
