import { refuse } from '../errors.ts';
import { mm, nanometres, NM_PER, type Length } from '../quantity/index.ts';
import { minorDiameter, pitchDiameter, threadDepth } from './threadForm.ts';
import { THREADS, type Thread } from './threads.ts';

/** A thread as it was measured: over its crests, or across the hole of a nut; its pitch or threads an inch; the angle, where it was gauged. */
export type MeasuredThread = ({ readonly major: Length } | { readonly minorOfHole: Length }) &
  ({ readonly pitch: Length } | { readonly tpi: number }) & { readonly angle?: number };

export interface ThreadCandidate {
  readonly name: string;
  /** measured less what it should be, nm: less than nothing is worn, or made under */
  readonly residual: Length;
  readonly row: Thread;
}

/** `same`: of the same size and pitch; `runsHomeLoose`: goes all the way, and strips. What a bolt of that name does in this hole. */
export type ThreadMiss = 'same' | 'runsHomeLoose' | 'startsThenBinds' | 'doesNotStart';

export interface NearThread {
  readonly name: string;
  readonly why: ThreadMiss;
  /** by this turn it binds */
  readonly bindsAtTurn?: number;
  readonly row: Thread;
}

/** A pitch is read so near. Common practice: a gauge with neighbours 4 % apart is not mistaken, and a rule over ten threads is read to one. */
const PITCH = 0.015;
/** As a bolt is made and worn it is under size by so much of its pitch and a little more, and plated it is over by so much. */
const UNDER = 0.25;
const WORN = mm(0.12);
const PLATED = mm(0.04);
/** A tapped hole is opened to so much of the depth of the thread, at the most. */
const OPENED = 0.3;
/** A hole with no thread left to speak of is nobody's near miss. */
const BITES = 0.3;
const NEAR_PITCH = 0.1;
const EQUAL_PITCH = 0.001;

const pitchOf = (measured: MeasuredThread): number => ('pitch' in measured ? measured.pitch : NM_PER.in / measured.tpi);

/**
 * What a measured thread may be, nearest first. Bolts are made under size and wear; a hole is opened over. Sizes that share major and pitch
 * are all named: they come with the same residual.
 *
 * @throws ReckoningError `notASize`, `notAPitch`
 * Source: {@link THREADS}; allowances are common practice, no source.
 * @example identifyThread({ major: inch(0.309), tpi: 22 })[0].name // '5/16 BSF'
 */
export function identifyThread(measured: MeasuredThread): readonly ThreadCandidate[] {
  const size = 'major' in measured ? measured.major : measured.minorOfHole;
  const pitch = pitchOf(measured);
  if (!(size > 0)) refuse('notASize', 'Give how far it is over the crests, or across the hole.');
  if (!(pitch > 0) || !Number.isFinite(pitch)) refuse('notAPitch', 'Give its pitch, or how many threads there are in an inch.');
  const isOpened = 'minorOfHole' in measured;
  return THREADS.filter(
    (row) => Math.abs(row.pitch / pitch - 1) <= PITCH && (measured.angle === undefined || Math.abs(row.angle - measured.angle) <= 2),
  )
    .map((row) => ({ name: row.name, residual: nanometres(size - (isOpened ? minorDiameter(row) : row.major)), row }))
    .filter(({ residual, row }) =>
      isOpened
        ? residual >= -PLATED && residual <= OPENED * threadDepth(row) + PLATED
        : residual <= PLATED && residual >= -(UNDER * row.pitch + WORN),
    )
    .sort((a, b) => Math.abs(a.residual) - Math.abs(b.residual));
}

/**
 * What a measured thread may be, and what else would go into it part of the way, or not quite: what bolts of other threads do in its hole.
 *
 * @throws ReckoningError as {@link identifyThread}
 * Source: on the flanks, a clearance of c at the pitch diameter is c·tan(half the angle) along; two threads whose pitches differ by Δp have
 * used it up after so many turns. Plane trigonometry.
 * @example threadFits({ major: inch(0.3125), tpi: 18 }).near[0].why // 'same'
 */
export function threadFits(measured: MeasuredThread): { readonly fits: readonly ThreadCandidate[]; readonly near: readonly NearThread[] } {
  const fits = identifyThread(measured);
  const [best] = fits;
  return { fits, near: best ? nearTo(best.row) : [] };
}

const ORDER: readonly ThreadMiss[] = ['same', 'startsThenBinds', 'runsHomeLoose', 'doesNotStart'];

/** What bolts of other threads do in a hole of this one: the likest to be mistaken for it first. */
export function nearTo(hole: Thread): readonly NearThread[] {
  return THREADS.flatMap((row) => (row === hole ? [] : (missOf(hole, row) ?? []))).sort(
    (a, b) => ORDER.indexOf(a.why) - ORDER.indexOf(b.why) || Math.abs(a.row.major - hole.major) - Math.abs(b.row.major - hole.major),
  );
}

function missOf(hole: Thread, bolt: Thread): NearThread | null {
  const apart = Math.abs(bolt.pitch - hole.pitch);
  if (apart > NEAR_PITCH * hole.pitch) return null;
  const over = bolt.major - hole.major;
  const depth = threadDepth(hole);
  const told = (why: ThreadMiss, bindsAtTurn?: number): NearThread => ({
    name: bolt.name,
    why,
    ...(bindsAtTurn === undefined ? {} : { bindsAtTurn }),
    row: bolt,
  });
  const isEqual = apart <= EQUAL_PITCH * hole.pitch;
  if (isEqual && over === 0) return told('same');
  if (over > PLATED) return over <= OPENED * depth ? told('doesNotStart') : null;
  // what is left of the thread to hold it
  if (over < -(1 - BITES) * depth) return null;
  if (isEqual) return told('runsHomeLoose');
  const clearance = Math.max(0, pitchDiameter(hole) - pitchDiameter(bolt));
  const half = (Math.min(hole.angle, bolt.angle) / 2) * (Math.PI / 180);
  return told('startsThenBinds', Math.ceil((clearance * Math.tan(half)) / apart - 1e-9) + 1);
}

/** Which hand a thread is of, as it stands beside its name. */
const HAND = /\b(?:left|right)(?:[ -]hand(?:ed)?)?\b|\b[lr]\.?h\b\.?/gi;

/** @example saysLeftHand('3/8 BSF LH') // true */
export const saysLeftHand = (name: string): boolean => name.match(HAND)?.some((hand) => /^l/i.test(hand)) === true;

const plain = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/×/g, 'x')
    .replace(HAND, '')
    .replace(/\bwhit(?:worth)?\b/g, 'bsw')
    .replace(/\bcei\b/g, 'bsc')
    .trim()
    .replace(/^(m\d+(?:[.,]\d+)?) +(?=\d)/, '$1x')
    .replace(/(\d)[ -](\d+ ?\/)/g, '$1+$2')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/["″]|\bno\.?|\btpi\b/g, '')
    .replace(/[\s-]+/g, '')
    // "7/16 x 14" is "7/16-14"; of a metric one the × is part of its name
    .replace(/(\/\d+)x(?=\d)/, '$1');

/** What a size is called beside its name: `3/8 UNF`, `3/8 24`, `3/8`; `10 x 1.25`, `10 mm`. */
function alsoCalled({ name, series, tpi }: Thread): readonly string[] {
  if (name.startsWith('M')) return [plain(name).slice(1), `${plain(name.split(' x ')[0] ?? '').slice(1)}mm`];
  const size = plain(name.replace(/^[GR] /, '').replace(/(?:-[\d.]+)? (?:[A-Z]+)(?: \d+ tpi)?$/, ''));
  const families = [series, ...(series.startsWith('BSP') ? ['BSP'] : [])].map((family) => family.toLowerCase());
  const pitch = tpi === null ? '' : String(tpi);
  const called = families.flatMap((family) => [`${size}${family}`, `${size}${pitch}${family}`, `${size}${family}${pitch}`]);
  // a pipe is called by its bore, and never without its family
  return PIPES.has(series) ? called : [size, `${size}${pitch}`, ...called];
}
const PIPES: ReadonlySet<string> = new Set(['BSPP', 'BSPT', 'NPT']);

/**
 * Every thread that a name can mean as it is typed: one of `5/16 BSF`, `M8`, `m8x1`, `3/8 unf`, `3/8 24`, `2ba`; several of `3/8`.
 *
 * @example threadsNamed('3/8 24').map(({ name }) => name) // ['3/8-24 UNF']
 */
export function threadsNamed(typed: string): readonly Thread[] {
  const wanted = plain(typed);
  if (wanted === '') return [];
  const named = THREADS.filter(({ name }) => plain(name) === wanted);
  if (named.length > 0) return named.slice(0, 1);
  const coarse = THREADS.filter(({ name, series }) => series === 'ISO metric coarse' && plain(name).split('x')[0] === wanted);
  return coarse.length > 0 ? coarse : THREADS.filter((row) => alsoCalled(row).includes(wanted));
}

/** The thread that a name as it is typed can only mean; undefined where none is known, or several are. */
export function threadNamed(typed: string): Thread | undefined {
  const [only, ...others] = threadsNamed(typed);
  return others.length === 0 ? only : undefined;
}
