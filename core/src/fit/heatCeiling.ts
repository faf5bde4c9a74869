import type { Caution } from './pressFit.ts';

/** What is heated or chilled, as far as heat may harm it. */
export const HEATED_KINDS = [
  'plain',
  'rollingBearing',
  'sealedBearing',
  'nylonCage',
  'caseHardened',
  'aluminium',
  'magnesium',
  'lipSeal',
  'retainer',
  'nylon',
] as const;
export type HeatedKind = (typeof HEATED_KINDS)[number];

interface Ceiling {
  readonly called: string;
  /** °C that is not passed */
  readonly celsius: number;
  readonly why: string;
}

/** From memory, and common practice: what such a thing bears before it is another thing. A school never lifts a ceiling. */
export const CEILINGS: Readonly<Record<HeatedKind, Ceiling>> = {
  plain: { called: 'plain steel or iron', celsius: 200, why: 'oil on it smokes and may catch fire, and hardened steel begins to soften' },
  rollingBearing: { called: 'a rolling bearing', celsius: 120, why: 'over it its steel grows and may lose hardness' },
  sealedBearing: { called: 'a sealed bearing', celsius: 80, why: 'its seals and its grease bear no more' },
  nylonCage: { called: 'a bearing with a nylon cage', celsius: 120, why: 'its cage softens' },
  caseHardened: { called: 'a case-hardened gear', celsius: 150, why: 'over 150 to 180 °C it loses temper' },
  aluminium: { called: 'an aluminium case', celsius: 120, why: 'over it a heat-treated casting loses strength' },
  magnesium: {
    called: 'a magnesium case',
    celsius: 120,
    why: 'it loses strength; and it burns, and so does its swarf: no flame, and never water on it',
  },
  lipSeal: { called: 'a lip seal', celsius: 100, why: 'its lip hardens' },
  retainer: { called: 'a joint with retaining compound', celsius: 120, why: 'over it the compound lets go' },
  nylon: { called: 'a nylon part', celsius: 100, why: 'it softens' },
};

/**
 * What may be heated to how much: the lowest of what is in the oven together.
 *
 * @returns °C and whose ceiling it is
 * Source: common practice and from memory, as beside the table.
 * @example heatCeiling(['aluminium', 'lipSeal']).celsius // 100
 */
export function heatCeiling(kinds: readonly HeatedKind[]): Ceiling & { readonly kind: HeatedKind } {
  const [first = 'plain', ...others] = kinds;
  const kind = others.reduce((least, each) => (CEILINGS[each].celsius < CEILINGS[least].celsius ? each : least), first);
  return { kind, ...CEILINGS[kind] };
}

/** What is said of a temperature that is past a ceiling; nothing where it is not. */
export function overCeiling(celsius: number, kinds: readonly HeatedKind[]): Caution | null {
  const { called, celsius: most, why } = heatCeiling(kinds);
  return celsius <= most ? null : { code: 'overCeiling', message: `Over ${most} °C for ${called}: ${why}.` };
}
