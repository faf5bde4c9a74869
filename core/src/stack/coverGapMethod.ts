import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';

/**
 * The cover put down by hand until the bearings just touch, without its gasket: the space left under its flange, plus the
 * float wanted, is all that must go there (shims and gasket together).
 *
 * @example coverGapMethod({ flangeGap: thou(14), targetGap: thou(3) }) // 17 thou
 */
export const coverGapMethod = ({ flangeGap, targetGap }: { flangeGap: Length; targetGap: Length }): Length => nanometres(flangeGap + targetGap);

export const coverGapMethodSum = (question: { flangeGap: Length; targetGap: Length }): Sum => [
  lengthLine('gap under the flange', '', question.flangeGap),
  lengthLine('float wanted', '+', question.targetGap),
  lengthLine('shims and gasket together', 'gap + float', coverGapMethod(question)),
];
