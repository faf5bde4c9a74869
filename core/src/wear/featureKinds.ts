import type { PlainQuantity } from '../entry/index.ts';
import { INSTRUMENTS, type Instrument } from '../reading/index.ts';

/** Anything measured on a part, in the words of its kind. Data only: what follows from it is in `featureSurvey`. */
export interface FeatureKind {
  /** as it is named in a row */
  readonly name: string;
  /** what the figure is of */
  readonly measures: string;
  /** what such a thing can plausibly be, for reading what is typed */
  readonly quantity: PlainQuantity;
  /** which of its readings it is judged by */
  readonly judgedBy: 'largest' | 'smallest';
  /** out on the worn side, and on the other, in one word each */
  readonly worn: string;
  readonly over: string;
  /** where on it a reading is taken, in order */
  readonly places: readonly string[];
  /** readings at one place, and what to call them */
  readonly each: string;
  /** one diameter, which may be oval; several of a set are no one thing's */
  readonly isRound: boolean;
  /** nothing is an answer: a float may be none */
  readonly mayBeNothing: boolean;
  readonly example: { readonly in: string; readonly mm: string };
  readonly instrument: { readonly in: Instrument; readonly mm: Instrument };
  /** what is looked at besides its size, and is no fault from the factory */
  readonly part: PartType;
}

export const PART_TYPES = [
  'shaft',
  'bush',
  'thrust washer',
  'gear',
  'bearing',
  'rollers',
  'spring',
  'baulk ring',
  'selector',
  'casing',
  'other',
] as const;
export type PartType = (typeof PART_TYPES)[number];

export const FEATURE_KINDS = [
  'bore',
  'journal',
  'thickness',
  'groove',
  'float',
  'roller',
  'pin',
  'spline',
  'tooth',
  'freeLength',
  'loadedLength',
  'gapLeft',
] as const;
export type FeatureKindName = (typeof FEATURE_KINDS)[number];

const MIC = { in: INSTRUMENTS.micInch, mm: INSTRUMENTS.micMm };
const BORE = { in: INSTRUMENTS.boreInch, mm: INSTRUMENTS.boreMm };
const ALONG = ['front', 'middle', 'rear'] as const;
const ROUND = ['12', '4', '8'] as const;
const ONE = [''] as const;

/** Which way wear goes, and the words for it: common practice, no source. */
export const FEATURES: Readonly<Record<FeatureKindName, FeatureKind>> = {
  bore: {
    name: 'bush or bore',
    measures: 'bore',
    quantity: 'diameter',
    judgedBy: 'largest',
    worn: 'loose',
    over: 'tight',
    places: ALONG,
    each: 'two directions, side by side',
    isRound: true,
    mayBeNothing: false,
    example: { in: '.5012 .5010', mm: '12.73 12.71' },
    instrument: BORE,
    part: 'bush',
  },
  journal: {
    name: 'journal',
    measures: 'journal',
    quantity: 'diameter',
    judgedBy: 'smallest',
    worn: 'worn',
    over: 'large',
    places: ALONG,
    each: 'two directions, side by side',
    isRound: true,
    mayBeNothing: false,
    example: { in: '.4988 .4990', mm: '12.68 12.69' },
    instrument: MIC,
    part: 'shaft',
  },
  thickness: {
    name: 'thrust washer',
    measures: 'thickness',
    quantity: 'distancePiece',
    judgedBy: 'smallest',
    worn: 'thin',
    over: 'thick',
    places: ROUND,
    each: 'round the clock',
    isRound: false,
    mayBeNothing: false,
    example: { in: '.1214', mm: '3.085' },
    instrument: MIC,
    part: 'thrust washer',
  },
  groove: {
    name: 'washer groove',
    measures: 'groove left',
    quantity: 'float',
    judgedBy: 'smallest',
    worn: 'shallow',
    over: 'deep',
    places: ROUND,
    each: 'depth of each groove',
    isRound: false,
    mayBeNothing: true,
    example: { in: '18 17 thou', mm: '0.45 0.42' },
    instrument: { in: INSTRUMENTS.depthInch, mm: INSTRUMENTS.depthMm },
    part: 'thrust washer',
  },
  float: {
    name: 'gear or bush float',
    measures: 'float',
    quantity: 'float',
    judgedBy: 'largest',
    worn: 'loose',
    over: 'tight',
    places: ONE,
    each: 'feelers or a dial',
    isRound: false,
    mayBeNothing: true,
    example: { in: '9 thou', mm: '0.23' },
    instrument: { in: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
    part: 'gear',
  },
  roller: {
    name: 'rollers',
    measures: 'diameter',
    quantity: 'roller',
    judgedBy: 'smallest',
    worn: 'small',
    over: 'large',
    places: ONE,
    each: 'several of the set',
    isRound: false,
    mayBeNothing: false,
    example: { in: '.1247 .1248 .1246', mm: '3.168 3.170' },
    instrument: MIC,
    part: 'rollers',
  },
  pin: {
    name: 'pin',
    measures: 'diameter',
    quantity: 'diameter',
    judgedBy: 'smallest',
    worn: 'stepped',
    over: 'large',
    places: ALONG,
    each: 'two directions, side by side',
    isRound: true,
    mayBeNothing: false,
    example: { in: '.6238 .6241', mm: '15.84 15.85' },
    instrument: MIC,
    part: 'shaft',
  },
  spline: {
    name: 'splines',
    measures: 'play at the splines',
    quantity: 'float',
    judgedBy: 'largest',
    worn: 'loose',
    over: 'tight',
    places: ONE,
    each: 'at a few splines',
    isRound: false,
    mayBeNothing: true,
    example: { in: '4 5 4 thou', mm: '0.10 0.12' },
    instrument: { in: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
    part: 'shaft',
  },
  tooth: {
    name: 'teeth',
    measures: 'span or thickness',
    quantity: 'distancePiece',
    judgedBy: 'smallest',
    worn: 'thin',
    over: 'full',
    places: ONE,
    each: 'at a few places round',
    isRound: false,
    mayBeNothing: false,
    example: { in: '.9105 .9098', mm: '23.12 23.10' },
    instrument: MIC,
    part: 'gear',
  },
  freeLength: {
    name: 'spring, free',
    measures: 'free length',
    quantity: 'spring',
    judgedBy: 'smallest',
    worn: 'short',
    over: 'long',
    places: ONE,
    each: 'turned between readings',
    isRound: false,
    mayBeNothing: false,
    example: { in: '1.482', mm: '37.6' },
    instrument: { in: INSTRUMENTS.caliperInch, mm: INSTRUMENTS.caliperMm },
    part: 'spring',
  },
  loadedLength: {
    name: 'spring, under a weight',
    measures: 'length under the weight',
    quantity: 'spring',
    judgedBy: 'smallest',
    worn: 'weak',
    over: 'stiff',
    places: ONE,
    each: 'under the weight in its name',
    isRound: false,
    mayBeNothing: false,
    example: { in: '1.105', mm: '28.1' },
    instrument: { in: INSTRUMENTS.caliperInch, mm: INSTRUMENTS.caliperMm },
    part: 'spring',
  },
  gapLeft: {
    name: 'baulk ring or detent',
    measures: 'gap left',
    quantity: 'float',
    judgedBy: 'smallest',
    worn: 'worn',
    over: 'proud',
    places: ONE,
    each: 'at three places round',
    isRound: false,
    mayBeNothing: true,
    example: { in: '31 33 32 thou', mm: '0.80 0.85' },
    instrument: { in: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
    part: 'baulk ring',
  },
};

/**
 * Whether a station measures a thing on a part, rather than a gap, a pair or a check.
 *
 * @example isFeatureKind('bore') // true
 */
export const isFeatureKind = (subject: string): subject is FeatureKindName => subject in FEATURES;
