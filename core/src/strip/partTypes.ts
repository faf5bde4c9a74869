import type { PartType } from '../wear/index.ts';

/** What a crush sleeve is called. */
export const CRUSH_SLEEVE = /crush(?:able|ed)?[ -]?(?:sleeve|tube|spacer)|collapsible (?:sleeve|spacer)/i;

/** What a part is, from a word in its name. First that fits. */
const NAMED: readonly (readonly [RegExp, PartType | 'cup' | 'cone' | 'flange' | 'ring' | 'seal' | 'bolts' | 'cover' | 'key' | 'crush sleeve'])[] = [
  [/o-?ring\b/i, 'seal'],
  [/\b(?:un)?(?:sealed|shielded)\b/i, 'bearing'],
  [CRUSH_SLEEVE, 'crush sleeve'],
  [/spacer|distance piece|sleeve/i, 'bush'],
  [/thrust|washer/i, 'thrust washer'],
  [/bolts?\b|studs?\b|nuts?\b|screws?\b/i, 'bolts'],
  [/circlip|snap ring|retaining ring/i, 'ring'],
  [/baulk|blocker|synchro/i, 'baulk ring'],
  [/seal/i, 'seal'],
  [/cup|outer race/i, 'cup'],
  [/cone|inner race|taper(?:ed)? (?:roller )?bearing/i, 'cone'],
  [/rollers?|needles?/i, 'rollers'],
  [/bearing|race/i, 'bearing'],
  [/bush/i, 'bush'],
  [/spring/i, 'spring'],
  [/fork|rail|selector|lever|detent/i, 'selector'],
  [/flange|coupling|drum|hub/i, 'flange'],
  [/gear|pinion|cluster|wheel/i, 'gear'],
  [/key\b/i, 'key'],
  [/cover|plate|cap\b/i, 'cover'],
  [/case|casing|housing/i, 'casing'],
  [/shaft|pin|spindle/i, 'shaft'],
];

export type StripPartType = (typeof NAMED)[number][1] | 'other';

export const stripPartType = (name: string): StripPartType => NAMED.find(([pattern]) => pattern.test(name))?.[1] ?? 'other';

/** What it is looked over as. */
export function partTypeOf(name: string): PartType {
  const type = stripPartType(name);
  switch (type) {
    case 'cup':
    case 'cone':
      return 'bearing';
    case 'cover':
      return 'casing';
    case 'flange':
      return 'shaft';
    case 'ring':
    case 'seal':
    case 'bolts':
    case 'key':
    case 'crush sleeve':
      return 'other';
    default:
      return type;
  }
}

/** Which way round: what to say of each, ready to tap, and what to ask where nothing was said. Common practice, no source. */
export const WAY_ROUND: Readonly<
  Record<StripPartType, { readonly phrases: readonly string[]; readonly asks: string | null; readonly about: string }>
> = {
  'thrust washer': {
    phrases: ['grooves to the gear', 'grooves to the case', 'tang at 12', 'tang at 6'],
    asks: 'grooves which way?',
    about: 'groove',
  },
  bolts: { phrases: ['all alike', 'one longer', 'copper washers', 'drilled for wire'], asks: null, about: '' },
  ring: { phrases: ['gap at 12', 'gap at 6', 'sharp edge out', 'in the outer groove'], asks: 'gap where?', about: 'gap' },
  'baulk ring': { phrases: ['cone to the gear', 'marked slot at 12'], asks: 'which gear does it face?', about: 'gear' },
  seal: { phrases: ['lip in', 'lip out', 'flush', 'proud'], asks: 'lip which way?', about: 'lip' },
  cup: { phrases: ['wide face to the cover', 'wide face in', 'slid out by hand', 'tight'], asks: 'wide face which way?', about: 'face' },
  cone: { phrases: ['big end in', 'big end out', 'slid off', 'pulled off'], asks: 'big end which way?', about: 'end' },
  rollers: { phrases: ['dry', 'in grease', 'spacer between rows'], asks: 'how many?', about: 'many' },
  bearing: { phrases: ['numbers out', 'numbers in', 'shield out', 'slid out', 'tight'], asks: 'numbers which way?', about: 'number' },
  bush: { phrases: ['oil hole at 12', 'seam at 12', 'flange out', 'flush'], asks: 'oil hole where?', about: 'oil' },
  spring: { phrases: ['close coils in', 'close coils out', 'either way'], asks: null, about: '' },
  selector: { phrases: ['boss to the input end', 'boss to the output end', 'peg up'], asks: 'boss which way?', about: 'boss' },
  flange: { phrases: ['chamfer to the box', 'mark to mark', 'needed the puller'], asks: null, about: '' },
  gear: {
    phrases: ['long boss to the input end', 'long boss to the output end', 'rounded teeth to the input end', 'paint dot'],
    asks: 'long boss which way?',
    about: 'boss',
  },
  key: { phrases: ['tapered', 'flush', 'proud', 'round end in'], asks: null, about: '' },
  'crush sleeve': { phrases: ['wide end in', 'wide end out', 'either way'], asks: null, about: '' },
  cover: { phrases: ['oil slot at 6', 'mark at the top', 'old gasket paper'], asks: null, about: '' },
  casing: { phrases: ['dowels stayed in it', 'breather up'], asks: null, about: '' },
  shaft: { phrases: ['splines to the output end', 'worn side down', 'drawn to the input end'], asks: null, about: '' },
  other: { phrases: ['marked', 'either way', 'see the photo'], asks: null, about: '' },
};
