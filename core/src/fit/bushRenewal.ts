import { refuse } from '../errors.ts';
import type { Material } from '../material/index.ts';
import { describeLength, nanometres, type Length, type Limits } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { pressFit, type Caution, type PressFit } from './pressFit.ts';

export interface BushRenewalQuestion {
  /** what the bush goes into: its bore as it is measured, the outside of the metal round it, nm */
  readonly housing: { readonly bore: Length; readonly outer: Length; readonly material: Material; readonly roughness?: Length };
  /** as it is made, before it goes in, nm */
  readonly bush: {
    readonly outside: Length;
    readonly bore: Length;
    readonly length: Length;
    readonly material: Material;
    readonly roughness?: Length;
  };
  /** the journal that runs in it, the largest that was measured, nm */
  readonly journal: Length;
  /** that it is to run with, both ends, nm */
  readonly clearance: { readonly min: Length; readonly max: Length };
  readonly friction?: number;
}

export interface BushRenewal {
  readonly interference: Length;
  /** its bore once it is in, nm */
  readonly pressedBore: Length;
  /** what to ream it to, once it is in */
  readonly reamTo: Required<Limits>;
  /** what the reamer takes off the bore, least to most; minus where it is already bigger */
  readonly toReam: { readonly least: Length; readonly most: Length };
  readonly press: PressFit;
  readonly cautions: readonly Caution[];
}

/** Oiled bronze in iron or aluminium. Common practice, no source. */
const FRICTION = 0.12;
/** Below this a reamer rubs instead of cutting; above the other it wants a boring bar or a drill first. Common practice, no source. */
const LEAST_REAMED: Length = nanometres(50_000);
const MOST_REAMED: Length = nanometres(400_000);

/**
 * A bush put anew: how tight it goes into its housing, what its bore comes to when it is in, and what to ream it to for the journal that
 * runs in it.
 *
 * @returns nm on the diameter
 * @throws ReckoningError `notASize`, `notAMaterial`, `badClearance`
 * Source: {@link pressFit}; the ream size is the journal and the clearance.
 * @example bushRenewal({ housing: { bore: mm(28.535), outer: mm(60), material: MATERIALS[3] }, bush: { outside: mm(28.575), bore: mm(25.4), length: mm(30), material: MATERIALS[9] }, journal: mm(25.37), clearance: { min: mm(0.04), max: mm(0.06) } }).reamTo.min // 25.41 mm
 */
export function bushRenewal({ housing, bush, journal, clearance, friction = FRICTION }: BushRenewalQuestion): BushRenewal {
  if (!(clearance.max >= clearance.min && clearance.min >= 0))
    refuse('badClearance', 'The clearance goes from the least to the most, and is not less than nothing.');
  const interference = nanometres(bush.outside - housing.bore);
  const rough = housing.roughness !== undefined && bush.roughness !== undefined;
  const press = pressFit({
    diameter: housing.bore,
    length: bush.length,
    interference,
    hubOuter: housing.outer,
    shaftInner: bush.bore,
    hubMaterial: housing.material,
    shaftMaterial: bush.material,
    friction,
    ...(rough ? { roughness: { hub: housing.roughness, shaft: bush.roughness } } : {}),
  });
  const pressedBore = nanometres(bush.bore - press.closeIn);
  const reamTo = { min: nanometres(journal + clearance.min), max: nanometres(journal + clearance.max) };
  const toReam = { least: nanometres(reamTo.min - pressedBore), most: nanometres(reamTo.max - pressedBore) };
  return { interference, pressedBore, reamTo, toReam, press, cautions: [...press.cautions, ...reaming(toReam, bush.material)] };
}

function reaming({ least, most }: BushRenewal['toReam'], { name }: Material): Caution[] {
  const cautions: Caution[] = [];
  if (most < 0)
    cautions.push({
      code: 'tooBig',
      message: `Once it is in, its bore is ${describeLength(nanometres(-most), 'mm')} too big already: bore the bush smaller.`,
    });
  else if (least < LEAST_REAMED)
    cautions.push({
      code: 'littleToReam',
      message: 'There is little left for a reamer to cut: it may rub. Bore the bush a little smaller, or hone it.',
    });
  else if (least > MOST_REAMED)
    cautions.push({
      code: 'muchToReam',
      message: 'That is more than a reamer takes at once: bore it first, and leave 0.1 to 0.3 mm for the reamer.',
    });
  if (/bronze|gunmetal|brass|PTFE/.test(name))
    cautions.push({ code: 'looseAbrasive', message: 'No loose abrasive in it: it beds itself in and laps the shaft for ever. A reamer, or stones.' });
  return cautions;
}

/** The Sum beside {@link bushRenewal}. */
export function bushRenewalSum(question: BushRenewalQuestion): Sum {
  const { interference, pressedBore, reamTo, press } = bushRenewal(question);
  return [
    lengthLine('bush, outside', '', question.bush.outside),
    lengthLine('housing', '−', question.housing.bore),
    lengthLine('goes in tight by', '', interference),
    lengthLine('bush, bore', '', question.bush.bore),
    lengthLine('closes in by', '−', press.closeIn),
    lengthLine('bore once it is in', '', pressedBore),
    lengthLine('journal, largest', '', question.journal),
    lengthLine('ream to, least', 'journal + least clearance', reamTo.min),
    lengthLine('ream to, most', 'journal + most clearance', reamTo.max),
  ];
}
