import { understand, type LeafLine, type Meaning, type PlainQuantity } from '../entry/index.ts';
import type { Length, LengthUnit } from '../quantity/index.ts';
import { stripPartType, WAY_ROUND, type StripPartType } from './partTypes.ts';

type Bare = 'thou' | 'mm';

/** One thing a figure may be that nobody can tell: how many, or how big. */
export interface StripChoice {
  readonly said: string;
  readonly count?: number;
  readonly size?: { readonly value: Length; readonly unit: LengthUnit };
  readonly leaves?: readonly LeafLine[];
}

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
  readonly leaves: readonly LeafLine[];
  /** how many, of what */
  readonly count: { readonly n: number; readonly of: string } | null;
  /** bolts that are not as the rest, by hole */
  readonly holes: readonly { readonly hole: number; readonly length: Length; readonly written: string }[];
  /** what nobody has said yet, worth asking */
  readonly asks: string | null;
  /** a figure that could be several things: nothing is kept until one is chosen */
  readonly question: { readonly piece: string; readonly why: string; readonly choices: readonly StripChoice[] } | null;
}

const COUNTED = /^(\d{1,3})\s+(rollers?|needles?|teeth|splines?|leaves|balls?|springs?|keys?|bolts?|studs?|off)\b(.*)$/i;
const HOLES = /^holes?\s+(\d{1,2}(?:\s+\d{1,2})*)\s+(\S+(?:\s?(?:mm|in|inch|thou|"|″))?)$/i;
const SIDE = /^(?:the )?(?:input|output|left|right|near|off|drive|idle|front|rear)\s+(?:side|end)$/i;
const PACK = /\b(pack|shims?)\b/i;
const FLOAT = /\b(float|end play)\b/i;
/** Four figures or more with no point are the number of a part. */
const DESIGNATION = /^\d{4,}$/;
const WHOLE = /^\d{1,3}$/;
const PLURAL = /(?:[^s]s|teeth)$/i;
/** A part of which how many there were is asked as like as how thick it was. */
const EITHER = /\b(?:washer|shim|roller|needle|spacer|ring|spring|ball|key|plate)\b/i;
/** A name, then a figure with no comma between: a size where it has a unit or a point, or the name is of a thing that is measured. */
const TAIL = /^(.*?[a-z])[\s:]+((?:\d|\.\d)[\d\s./+×x*-]*(?:\s?(?:mm|in|inch|thou|tenths?|"|″|swg|µm|um))?)$/i;
const MEASURED = /\b(?:shims?|pack|spacer|washer|float|play)$/i;

const QUANTITY_OF: readonly (readonly [RegExp, PlainQuantity])[] = [
  [FLOAT, 'float'],
  [/\bgasket\b/i, 'gasket'],
  [/\bbolts?|studs?|screws?\b/i, 'bolt'],
  [/\brollers?|needles?|balls?\b/i, 'roller'],
  [/\bsprings?\b/i, 'spring'],
];
const quantityOf = (part: string): PlainQuantity => QUANTITY_OF.find(([named]) => named.test(part))?.[1] ?? 'distancePiece';

/** In pieces: at commas; where there are none, a name and the figure after it. */
function piecesOf(text: string): string[] {
  const pieces = text
    .split(/,(?=\s|$)|;/)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '');
  const [only = '', ...more] = pieces;
  const [, name = '', figure = ''] = more.length > 0 ? [] : (TAIL.exec(only) ?? []);
  const isSize = /[a-z"″.]/i.test(figure) || MEASURED.test(name);
  return name !== '' && isSize && !DESIGNATION.test(figure) ? [name, figure] : pieces;
}

const bareOf = (piece: string): string =>
  piece.replace(/^(?:pressed on|thick|thickness|length|long)\s+/i, '').replace(/\s+(?:pressed on|thick|long)$/i, '');

type Found =
  | { readonly size: { readonly value: Length; readonly unit: LengthUnit } }
  | { readonly ask: { readonly why: string; readonly choices: readonly StripChoice[] } }
  | null;

const asChoice = ({ value, unit, said, asTyped }: Meaning<Length>): StripChoice => ({
  size: { value, unit },
  said: `${asTyped ? 'keep ' : ''}${said}`,
});

/** A figure of a piece as a size; or what it could be; or nothing, where it is words. */
function sizeIn(piece: string, { part, bare, mayBeCount }: { readonly part: string; readonly bare: Bare; readonly mayBeCount: boolean }): Found {
  const text = bareOf(piece);
  if (!/^[-.\d]/.test(text) || DESIGNATION.test(text)) return null;
  const found = understand(text, { field: 'size', bare, quantity: quantityOf(part) });
  if (found.kind === 'understood') return { size: found };
  if (found.kind === 'refused') return null;
  const counts = mayBeCount && WHOLE.test(text) && EITHER.test(part) ? [{ count: Number(text), said: `${text} of them` }] : [];
  return {
    ask: { why: counts.length > 0 ? 'How many, or how thick?' : found.why, choices: [...counts, ...found.meanings.map(asChoice)].slice(0, 4) },
  };
}

/**
 * What came off, as it is said across a bench: the part, then whatever matters of it between commas, in any order.
 *
 * `washer front, tang 12, 118` · `Pack under the cover, 20+8 thou, output side` · `Cover bolts, 6, 1 in, hole 4 1-1/8 in` ·
 * `Rollers, 31 rollers, in grease` · `Coupling flange, pressed on 31.6 mm, chamfer to the box`
 *
 * Without commas a number is a size where it has a unit or a point, or follows what is measured. A plural with a whole number is a count;
 * four figures or more are the number of a part, and stay in its name.
 *
 * @param bare what a bare number is in this workshop
 * @param chosen what was chosen of a question this line asked
 * @returns what was understood; null for an empty line
 * @example readStripLine('washer front, tang 12, 118', 'thou')?.size // 118 thou
 */
export function readStripLine(text: string, bare: Bare, chosen: StripChoice | null = null): StripLineRead | null {
  const [first = '', ...pieces] = piecesOf(text);
  if (first === '') return null;
  const part = `${first.slice(0, 1).toUpperCase()}${first.slice(1)}`;
  const type = stripPartType(part);
  const isPack = PACK.test(part);
  const isBolts = type === 'bolts';
  let size: { readonly value: Length; readonly unit: LengthUnit } | null = null;
  let written = '';
  let side = '';
  let count: StripLineRead['count'] = null;
  let leaves: readonly LeafLine[] = [];
  let question: StripLineRead['question'] = null;
  const wayRound: string[] = [];
  const holes: { hole: number; length: Length; written: string }[] = [];
  const ofIt = isBolts ? 'bolts' : part.toLowerCase();
  const take = (piece: string, ask: Omit<NonNullable<StripLineRead['question']>, 'piece'>): void => {
    const picked = chosen && ask.choices.find(({ said }) => said === chosen.said);
    if (!picked) question ??= { piece, ...ask };
    else if (picked.count !== undefined) count = { n: picked.count, of: ofIt };
    else if (picked.leaves) leaves = picked.leaves;
    else if (picked.size) [size, written] = [picked.size, piece];
  };
  for (const piece of pieces) {
    const [, numbers = '', length = ''] = HOLES.exec(piece) ?? [];
    const at = numbers === '' ? null : sizeIn(length, { part: 'bolts', bare, mayBeCount: false });
    const counted = COUNTED.exec(piece);
    const pack = isPack && leaves.length === 0 && /^[.\d]/.test(piece) ? understand(piece, { field: 'pack', bare }) : null;
    if (at && 'size' in at) holes.push(...numbers.split(/\s+/).map((hole) => ({ hole: Number(hole), length: at.size.value, written: length })));
    else if (pack?.kind === 'understood') leaves = pack.value;
    else if (pack?.kind === 'ask')
      take(piece, {
        why: pack.why,
        choices: pack.meanings.map(({ value, said, asTyped }) => ({ leaves: value, said: `${asTyped ? 'keep ' : ''}${said}` })),
      });
    else if (counted && count === null) {
      count = { n: Number(counted[1]), of: (counted[2] ?? '').toLowerCase() };
      const more = (counted[3] ?? '').trim();
      if (more !== '') wayRound.push(more);
    } else if ((isBolts || PLURAL.test(part)) && WHOLE.test(piece) && count === null) count = { n: Number(piece), of: ofIt };
    else if (SIDE.test(piece) && side === '') side = piece;
    else {
      const found: Found = size === null ? sizeIn(piece, { part, bare, mayBeCount: count === null }) : null;
      if (found === null) wayRound.push(piece);
      else if ('size' in found) [size, written] = [found.size, piece];
      else take(piece, found.ask);
    }
  }
  const kind = kindOf({ text, part, type, hasSize: size !== null, hasCount: count !== null, isPlain: wayRound.length === 0 });
  return {
    kind,
    part,
    type,
    wayRound,
    side,
    // TypeScript takes what a function inside put here for what it was at first
    size: (size as { value: Length } | null)?.value ?? null,
    written,
    unit: (size as { unit: LengthUnit } | null)?.unit ?? bare,
    leaves,
    count,
    holes,
    asks: kind === 'float' || kind === 'pack' || (type === 'rollers' && count !== null) ? null : unsaid(type, wayRound),
    question,
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
