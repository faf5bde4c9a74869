import { readLength, type Length, type LengthUnit } from '../quantity/index.ts';
import { parsePack } from '../shim/index.ts';
import { stripPartType, WAY_ROUND, type StripPartType } from './partTypes.ts';

type PackLeaf = ReturnType<typeof parsePack>[number];

/** One line of the strip log, as it was understood. */
export interface StripLineRead {
  readonly kind: 'part' | 'float' | 'pack' | 'bolts' | 'pressedOn' | 'caps' | 'count';
  readonly part: string;
  readonly type: StripPartType;
  readonly wayRound: readonly string[];
  readonly side: string;
  readonly size: Length | null;
  readonly written: string;
  readonly unit: LengthUnit;
  readonly leaves: readonly PackLeaf[];
  /** how many, of what */
  readonly count: { readonly n: number; readonly of: string } | null;
  /** bolts that are not as the rest, by hole */
  readonly holes: readonly { readonly hole: number; readonly length: Length; readonly written: string }[];
  /** what nobody has said yet, worth asking */
  readonly asks: string | null;
}

const COUNTED = /^(\d{1,3})\s+(rollers?|needles?|teeth|splines?|leaves|balls?|springs?|keys?|bolts?|studs?|off)\b(.*)$/i;
const HOLE = /^hole\s+(\d{1,2})\s+(.+)$/i;
const SIDE = /^(?:the )?(?:input|output|left|right|near|off|drive|idle|front|rear)\s+(?:side|end)$/i;
const PACK = /\b(pack|shims?)\b/i;
const FLOAT = /\b(float|end play)\b/i;

function lengthIn(piece: string, unit: LengthUnit): { size: Length; unit: LengthUnit } | null {
  const bare = piece.replace(/^(?:pressed on|thick|thickness|length|long)\s+/i, '').replace(/\s+(?:pressed on|thick|long)$/i, '');
  if (!/\d/.test(bare)) return null;
  try {
    const read = readLength(bare, unit);
    return { size: read.value, unit: read.unit };
  } catch {
    return null;
  }
}

/**
 * What came off, as it is said across a bench: the part, then whatever matters of it between commas, in any order.
 *
 * `washer front, tang 12, 118` · `Pack under the cover, 20+8 thou, output side` · `Cover bolts, 6, 1 in, hole 4 1-1/8 in` ·
 * `Rollers, 28 rollers, in grease` · `Coupling flange, pressed on 31.6 mm, chamfer to the box`
 *
 * @param unit what a bare number is in
 * @returns what was understood; null for an empty line
 * @example readStripLine('washer front, tang 12, 118', 'thou')?.size // 118 thou
 */
export function readStripLine(text: string, unit: LengthUnit): StripLineRead | null {
  const [first = '', ...pieces] = text
    .split(/,(?=\s|$)|;/)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '');
  if (first === '') return null;
  const part = `${first.slice(0, 1).toUpperCase()}${first.slice(1)}`;
  const type = stripPartType(part);
  const isPack = PACK.test(part);
  const isBolts = type === 'bolts';
  let size: { size: Length; unit: LengthUnit } | null = null;
  let written = '';
  let side = '';
  let count: StripLineRead['count'] = null;
  let leaves: readonly PackLeaf[] = [];
  const wayRound: string[] = [];
  const holes: { hole: number; length: Length; written: string }[] = [];
  for (const piece of pieces) {
    const hole = HOLE.exec(piece);
    const at = hole ? lengthIn(hole[2] ?? '', unit === 'thou' ? 'in' : unit) : null;
    const counted = COUNTED.exec(piece);
    const pack = isPack && leaves.length === 0 ? tryPack(piece, unit) : [];
    if (hole && at) holes.push({ hole: Number(hole[1]), length: at.size, written: hole[2] ?? '' });
    else if (pack.length > 0) leaves = pack;
    else if (counted && count === null) {
      count = { n: Number(counted[1]), of: (counted[2] ?? '').toLowerCase() };
      const more = (counted[3] ?? '').trim();
      if (more !== '') wayRound.push(more);
    } else if (isBolts && /^\d{1,2}$/.test(piece) && count === null) count = { n: Number(piece), of: 'bolts' };
    else if (SIDE.test(piece) && side === '') side = piece;
    else {
      const length: { size: Length; unit: LengthUnit } | null = size === null ? lengthIn(piece, isBolts && unit === 'thou' ? 'in' : unit) : null;
      if (length) [size, written] = [length, piece];
      else wayRound.push(piece);
    }
  }
  const kind = kindOf({ text, part, type, hasSize: size !== null, hasCount: count !== null, isPlain: wayRound.length === 0 });
  return {
    kind,
    part,
    type,
    wayRound,
    side,
    size: size?.size ?? null,
    written,
    unit: size?.unit ?? unit,
    leaves,
    count,
    holes,
    asks: kind === 'float' || kind === 'pack' || (type === 'rollers' && count !== null) ? null : unsaid(type, wayRound),
  };
}

interface Said {
  readonly text: string;
  readonly part: string;
  readonly type: StripPartType;
  readonly hasSize: boolean;
  readonly hasCount: boolean;
  /** nothing else was said of it */
  readonly isPlain: boolean;
}

function kindOf({ text, part, type, hasSize, hasCount, isPlain }: Said): StripLineRead['kind'] {
  if (PACK.test(part)) return 'pack';
  if (type === 'bolts') return 'bolts';
  if (FLOAT.test(part)) return 'float';
  if (/pressed on/i.test(text)) return 'pressedOn';
  if (/\bcaps?\b/i.test(part)) return 'caps';
  return hasCount && !hasSize && (type === 'rollers' || isPlain) ? 'count' : 'part';
}

/** A question is answered by what it is about being spoken of at all: "grooves which way?" by anything of grooves. */
function unsaid(type: StripPartType, wayRound: readonly string[]): string | null {
  const { asks, about } = WAY_ROUND[type];
  return asks === null || wayRound.some((said) => said.toLowerCase().includes(about)) ? null : asks;
}

/** A size as it was written, with its unit where it had none. */
export const withUnit = (written: string, unit: LengthUnit): string => (written === '' || /[a-z"]/i.test(written) ? written : `${written} ${unit}`);

function tryPack(piece: string, unit: LengthUnit): readonly PackLeaf[] {
  try {
    return parsePack(piece, unit);
  } catch {
    return [];
  }
}
