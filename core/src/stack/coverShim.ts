import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { meanLength, nanometres, type Length } from '../quantity/index.ts';

export interface CoverGasket {
  readonly free: Length;
  readonly crushed: Length;
  /** where it was while the depth was read: not there; lying loose under the gauge; clamped under it */
  readonly during: 'out' | 'loose' | 'clamped';
}

export interface CoverQuestion {
  /** from the case face down to the race, as read */
  readonly depths: readonly Length[];
  /** what the depths were read across, in all */
  readonly caseParallels: Length;
  /** from the cover's flange to the end of its spigot, as read */
  readonly heights: readonly Length[];
  readonly coverParallels: Length;
  readonly gasket: CoverGasket;
  readonly targetGap: Length;
  readonly place?: 'behindCup' | 'underFlange';
  /** one standard uncertainty of one reading, nm */
  readonly readingU?: number;
}

const gasketTerm = ({ free, crushed, during }: CoverGasket): number => ({ out: crushed, loose: crushed - free, clamped: 0 })[during];

/**
 * The shim under a cover from two depths: mean depth − mean height + gasket − target. A gasket that was out adds its
 * crushed thickness; lying loose it takes off free − crushed; clamped it is in the depth already. Under the flange it is the
 * negative of behind the cup. A race standing proud, or a cover hollow, is a negative depth or height.
 *
 * @returns thickness (negative: the shim belongs in the other place), its u (nm), and the two means
 * @throws ReckoningError `noReadings`, `badGasket`
 * @example coverShim({ depths: [mm(3)], caseParallels: mm(0), heights: [mm(2)], coverParallels: mm(0), gasket: { free: mm(0.4), crushed: mm(0.3), during: 'out' }, targetGap: mm(0.1) }).thickness // 1.2 mm
 */
export function coverShim({ depths, caseParallels, heights, coverParallels, gasket, targetGap, place = 'behindCup', readingU = 0 }: CoverQuestion): {
  thickness: Length;
  u: number;
  caseDepth: Length;
  coverHeight: Length;
} {
  if (gasket.crushed < 0 || gasket.crushed > gasket.free) refuse('badGasket', 'A gasket is thinner crushed than free: check the two.');
  const caseDepth = nanometres(meanLength(depths) - caseParallels);
  const coverHeight = nanometres(meanLength(heights) - coverParallels);
  const behindCup = caseDepth - coverHeight + gasketTerm(gasket) - targetGap;
  return {
    thickness: nanometres(place === 'behindCup' ? behindCup : -behindCup),
    u: readingU * Math.sqrt(1 / depths.length + 1 / heights.length),
    caseDepth,
    coverHeight,
  };
}

export function coverShimSum(question: CoverQuestion): Sum {
  const { thickness, caseDepth, coverHeight } = coverShim(question);
  return [
    lengthLine('case, face to race', 'mean depth − parallels', caseDepth),
    lengthLine('cover, flange to spigot', 'mean height − parallels', coverHeight),
    lengthLine(
      `gasket, ${{ out: 'out while read', loose: 'lying loose', clamped: 'clamped while read' }[question.gasket.during]}`,
      '+',
      nanometres(gasketTerm(question.gasket)),
    ),
    lengthLine('wanted', '−', question.targetGap),
    lengthLine(
      question.place === 'underFlange' ? 'shim under the flange' : 'shim behind the cup',
      question.place === 'underFlange' ? 'height − depth − gasket + wanted' : 'depth − height + gasket − wanted',
      thickness,
    ),
  ];
}
