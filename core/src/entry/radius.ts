import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { understandLength } from './understand.ts';

/** "8.2 kg at 27 mm", "3 lb on a 52 mm drum": the pull, and the radius it acts at. */
export function withoutRadius(clean: string, bare: 'thou' | 'mm'): { readonly body: string; readonly radius: Length | null } {
  const [, body = clean, word, rest] = /^(.+?)\s+(at|on|@|round)\s+(?:a\s+|the\s+)?(?:radius(?: of)?\s+)?(.+)$/i.exec(clean) ?? [];
  if (word === undefined || rest === undefined) return { body: clean, radius: null };
  if (/^cord$/i.test(rest)) return { body, radius: null };
  const isAcross = /\b(?:drum|dia(?:meter)?|pulley|flange)\b|ø/i.test(rest) && !/\bradius\b/i.test(clean);
  const size = rest.replace(/\b(?:drum|dia(?:meter)?|radius|pulley|flange|of)\b|ø/gi, '').trim();
  const found = understandLength(size, { field: 'size', bare, quantity: 'drum' });
  if (found.kind !== 'understood' || found.value <= 0)
    return refuse('notADrum', 'Where does it pull? Give the radius with its unit: 3.2 kg at 27 mm.');
  return { body, radius: isAcross ? nanometres(found.value / 2) : found.value };
}
