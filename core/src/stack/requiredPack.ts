import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import type { Reading } from '../reading/index.ts';
import type { Sense } from './stackGap.ts';

export interface PackQuestion {
  readonly fittedPack: Length;
  readonly measuredGap: Length | Reading;
  readonly targetGap: Length;
  /** +1 where a thicker pack opens the gap, −1 where it closes it */
  readonly sense: Sense;
  /** how far the gap moves for one of pack, where it is not one for one; its size only */
  readonly factor?: number;
}

/** The value of a measured gap that a pack may be reckoned from; refuses what only bounds it, and a zero that may hide preload. */
export function reckonableGap(measured: Length | Reading, unit: 'thou' | 'mm' = 'thou'): Length {
  if (typeof measured !== 'number' && measured.kind === 'atLeast') {
    return refuse('oneSided', `${describeLength(measured.value, unit)} or more is not a size: find the feeler that stops as well.`);
  }
  const value = typeof measured === 'number' ? measured : measured.value;
  if (value === 0)
    return refuse(
      'zeroMayBePreload',
      'No movement may be zero float or any preload. Put in a known pack that gives float, read that, and the sum works.',
    );
  if (typeof measured !== 'number' && measured.kind === 'atMost')
    return refuse('oneSided', `Under ${describeLength(value, unit)} may also be none at all: find the feeler that goes as well.`);
  return value;
}

/** Refuses a place that does not touch the gap. */
export function touching(sense: Sense): -1 | 1 {
  return sense === 0 ? refuse('senseZero', 'A pack in this place does not touch this gap: it would move something else.') : sense;
}

export function checkFactor(factor: number): number {
  return Number.isFinite(factor) && factor !== 0
    ? Math.abs(factor)
    : refuse('badFactor', 'The factor is how far the gap moves for one of pack: it cannot be nothing.');
}

/**
 * The pack that brings a gap to a target: fitted + sense·(target − measured)/|factor|.
 *
 * @returns Length ≥ 0
 * @throws ReckoningError `zeroMayBePreload`, `oneSided`, `senseZero`, `badFactor`, `negativePack` (says how much more must come off than there is)
 * @example requiredPack({ fittedPack: thou(28), measuredGap: thou(24), targetGap: thou(6.5), sense: 1 }) // 10.5 thou
 */
export function requiredPack(question: PackQuestion): Length {
  const pack = rawPack(question);
  if (pack < 0) {
    const off = describeLength(nanometres(question.fittedPack - pack), 'thou');
    refuse(
      'negativePack',
      `${off} would have to come out and only ${describeLength(question.fittedPack, 'thou')} is in: take the rest, ${describeLength(nanometres(-pack), 'thou')}, off the spacer or the seat instead.`,
    );
  }
  return pack;
}

function rawPack({ fittedPack, measuredGap, targetGap, sense, factor = 1 }: PackQuestion): Length {
  return nanometres(fittedPack + (touching(sense) * (targetGap - reckonableGap(measuredGap))) / checkFactor(factor));
}

export function requiredPackSum(question: PackQuestion): Sum {
  const { fittedPack, targetGap, sense, factor = 1 } = question;
  const measured = reckonableGap(question.measuredGap);
  const size = checkFactor(factor);
  return [
    lengthLine('pack in now', '', fittedPack),
    lengthLine('wanted, less read', `wanted − read`, nanometres(targetGap - measured)),
    lengthLine(
      sense > 0 ? 'thicker gives more' : 'thicker gives less, so the other way',
      `${sense > 0 ? '+' : '−'} (wanted − read)${size === 1 ? '' : ` ÷ ${size.toFixed(3)}`}`,
      nanometres((sense * (targetGap - measured)) / size),
    ),
    lengthLine('new pack', 'pack + change', rawPack(question)),
  ];
}
