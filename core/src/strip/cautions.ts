import { CRUSH_SLEEVE } from './partTypes.ts';

/** What can hurt somebody as a thing comes off or is cleaned, from the words it is called by, in either vocabulary. */
const CAUTIONS: readonly (readonly [name: RegExp, says: string])[] = [
  [
    /gasket|jointing|clutch|brake|lining/i,
    'Old gaskets and linings may be asbestos: wet it, never scrape or blow it dry, and follow the rules where you live.',
  ],
  [/circlip|snap ring|retaining ring|spring|detent|plunger|poppet/i, 'Circlips, springs and plungers fly: eye protection on before it is let go.'],
  [
    /press(?:ed)? on|puller|pulled off|tight|flange|coupling|drum|hub|bearing|\bcone\b|\bcup\b|\brace\b/i,
    'Pressing and pulling: parts fly, so stand aside, and press on the ring that is fitted, never through the rollers.',
  ],
  [
    /axle|transfer|gearbox|differential|final drive|casing|housing|\bcase\b|cluster|laygear|third member/i,
    'Heavy: two people or a hoist, and never under a vehicle on a jack.',
  ],
  [CRUSH_SLEEVE, 'A crush sleeve is used once: a new one goes in.'],
  [/\btab|lock(?:ing)?[ -]?(?:washer|plate|wire)|split pin|cotter pin|nyloc/i, 'Locking devices are not used twice unless they are made to be.'],
];

/**
 * Cautions to show at a line of the strip log, the likeliest two. Common practice, no source; local rules and the maker's manual come first.
 *
 * @param text the line as it was typed
 * @returns sentences, most particular first; none where nothing is known to bite
 * @example cautionsFor('Circlip, input end, gap at 12')
 */
export const cautionsFor = (text: string): readonly string[] => CAUTIONS.flatMap(([name, says]) => (name.test(text) ? [says] : [])).slice(0, 2);

/** At the wash: what parts are cleaned with. Common practice, no source. */
export const CLEANING_CAUTION = 'Petrol is not a parts cleaner. Air the place, and keep solvent and old oil off your skin.';
