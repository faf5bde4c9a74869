import { ReckoningError } from '../errors.ts';
import { readQuantityLimits, type QuantityLimits } from './quantityLimits.ts';
import { tidy } from './readLength.ts';

/** One line of a manual's page, as far as it was understood. Nothing is chosen where there are two meanings. */
export type SpecLine =
  | { readonly state: 'understood'; readonly name: string; readonly written: string; readonly limits: QuantityLimits; readonly remark: string }
  | {
      readonly state: 'ask';
      readonly name: string;
      readonly written: string;
      readonly meanings: readonly QuantityLimits[];
      readonly because: string;
      readonly remark: string;
    }
  | { readonly state: 'notUnderstood'; readonly because: string }
  /** no figure on it: a heading, or a remark */
  | { readonly state: 'words' };

const START = /^(?:[-+±.,]?\d|(?:max|min|maximum|minimum|not (?:over|more|less|under)|up to|no more|at least)\b)/i;
const PRELOAD = /\b(?:preload|interference|crush|nip)$/i;
const LEADERS = /\.{4,}|(?:\. ){3,}|_{2,}|…{2,}|\t|\||[:=]/g;

type Found = { name: string; written: string; remark: string; meanings: readonly QuantityLimits[]; because?: string };

/**
 * Understands one line of a page of specifications: a name and a figure with its unit, in either order, with dotted leaders, colons
 * or tabs between, and perhaps the same figure in the other system in brackets, which must then agree. What could mean two things
 * comes back as both; what cannot be read says why and is left as it was typed.
 *
 * @param line one line as printed
 * @example readSpecLine('Cover bolts .... 18-22 lb ft') // understood, 'Cover bolts', 24.4 to 29.8 N·m
 */
export function readSpecLine(line: string): SpecLine {
  const clean = tidy(line.replace(LEADERS, ' ')).replace(/^(?:\(?\d{1,2}[).]|[a-h]\)|[•*·-]) /i, '');
  if (!/\d/.test(clean)) return { state: 'words' };
  const { body, brackets } = withoutBrackets(clean);
  if (read(body)) return { state: 'notUnderstood', because: 'There is a figure here and no name: say what it is the limit of.' };
  const found = nameFirst(body) ?? figureFirst(body);
  if (!found) return { state: 'notUnderstood', because: whyNot(body) };
  return settle(found, brackets);
}

const withoutBrackets = (clean: string): { body: string; brackets: string } => {
  const inside = /\(([^()]*)\)/.exec(clean);
  return inside ? { body: tidy(clean.replace(inside[0], ' ')), brackets: (inside[1] ?? '').trim() } : { body: clean, brackets: '' };
};

const read = (text: string): ReturnType<typeof readQuantityLimits> | null => {
  try {
    return readQuantityLimits(text);
  } catch (error) {
    if (error instanceof ReckoningError) return null;
    throw error;
  }
};

/** A figure after the word preload is so much less than no gap, where it is a length. */
function readNamed(name: string, written: string): ReturnType<typeof read> {
  const plain = read(written);
  return PRELOAD.test(name) && plain?.meanings.every((m) => m.kind === 'length' && (m.min ?? 0) >= 0) ? read(`preload ${written}`) : plain;
}

/** A name, then the figure; perhaps a word or two after it ("dry", "each side"). */
function nameFirst(body: string): Found | null {
  const words = body.split(' ');
  for (let start = 1; start < words.length; start++) {
    if (!START.test(words.slice(start).join(' ')) || !/[a-z]/i.test(words.slice(0, start).join(''))) continue;
    for (let end = words.length; end > start; end--) {
      const after = words.slice(end);
      if (after.length > 3 || after.some((word) => /\d/.test(word))) break;
      const written = words
        .slice(start, end)
        .join(' ')
        .replace(/[,;.]+$/, '');
      const name = words.slice(0, start).join(' ');
      const limits = readNamed(name, written);
      if (limits) return { name, written, remark: after.join(' '), ...limits };
    }
  }
  return null;
}

/** The figure, then the name. */
function figureFirst(body: string): Found | null {
  const words = body.split(' ');
  if (!START.test(words[0] ?? '')) return null;
  for (let end = words.length - 1; end > 0; end--) {
    const limits = read(words.slice(0, end).join(' '));
    const name = words.slice(end).join(' ');
    if (limits) return /[a-z]{2}/i.test(name) && !/\d/.test(name) ? { name, written: words.slice(0, end).join(' '), remark: '', ...limits } : null;
  }
  return null;
}

function settle({ name, written, remark, meanings, because }: Found, brackets: string): SpecLine {
  const said = [remark, brackets].filter((text) => text !== '').join(', ');
  const line = {
    name: name.replace(/[\s,;–-]+$/, ''),
    written: brackets === '' ? written : `${written} (${brackets})`,
    remark: /\d/.test(brackets) ? remark : said,
  };
  const other = /\d/.test(brackets) ? read(brackets) : null;
  if (!other)
    return meanings.length === 1 && meanings[0]
      ? { state: 'understood', ...line, limits: meanings[0] }
      : { state: 'ask', ...line, meanings, because: because ?? '' };
  const agreeing = meanings.filter((m) => other.meanings.some((o) => agree(m, o)));
  const [only] = agreeing;
  if (agreeing.length === 1 && only) return { state: 'understood', ...line, limits: only };
  return { state: 'ask', ...line, meanings: [...meanings, ...other.meanings], because: 'the two figures on this line do not agree' };
}

/** The same limits as printed in two systems: within a printer's rounding: 0.01 mm, or a twenty-fifth of anything else. */
function agree(a: QuantityLimits, b: QuantityLimits): boolean {
  if (a.kind !== b.kind) return false;
  // no least and a least of nothing are the same
  const near = (x: number | null, y: number | null): boolean => {
    const [one, other] = [x ?? 0, y ?? 0];
    return Math.abs(one - other) <= (a.kind === 'length' ? 10_000 : Math.max(Math.abs(one), Math.abs(other)) / 25);
  };
  return near(a.min, b.min) && near(a.max, b.max);
}

function whyNot(body: string): string {
  const figure = body.split(' ').findIndex((word) => /^[-+±.,]?\d/.test(word));
  const tail = body.split(' ').slice(Math.max(0, figure)).join(' ');
  try {
    readQuantityLimits(tail);
  } catch (error) {
    if (error instanceof ReckoningError) return error.message;
    throw error;
  }
  return 'Say it as a name and then a figure with its unit, such as Cover bolts 18-22 lb ft.';
}
