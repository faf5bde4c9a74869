import { NM_PER, type Length, type LengthUnit } from '../quantity/index.ts';

/** What a reading is read with, as far as the sums care. Lengths and uncertainties in nm. */
export interface Instrument {
  readonly kind: 'dial' | 'feelers' | 'depth' | 'micrometer' | 'bore gauge' | 'caliper';
  readonly name: string;
  /** unit of a bare number; on a dial a bare number is divisions */
  readonly unit: LengthUnit;
  /** one step as it is read */
  readonly resolution: Length;
  /** standard uncertainty of its own scale */
  readonly calibrationU: number;
  /** repeatability known beforehand, one standard deviation */
  readonly priorS: number;
  /** how much that is worth, as degrees of freedom; 5 where it is what is usual for its kind */
  readonly priorDof?: number;
  /** how many readings it was found from, where the workshop's own were taken */
  readonly learned?: number;
  /** divisions in one turn; a dial only */
  readonly divisions?: number;
  readonly direction?: 'clockwise' | 'anticlockwise';
  /** what it shows at nothing: taken off every size it gives, not off a dial's travel */
  readonly zeroError?: Length;
  /** a 0–50–0 dial */
  readonly balanced?: boolean;
  /** degrees from the line of movement to the dial's stem */
  readonly stemAngle?: number;
  /** degrees from square to the movement of the face it touches */
  readonly faceAngle?: number;
  /** the radius it is read at, and the one it is wanted at */
  readonly radius?: { readonly read: Length; readonly wanted: Length };
}

/**
 * How many digits after the point one step of an instrument has, in its own unit.
 *
 * @example digitsEngraved(INSTRUMENTS.caliperMm) // 2
 */
export const digitsEngraved = ({ resolution, unit }: Instrument): number => Math.max(0, Math.ceil(-Math.log10(resolution / NM_PER[unit]) - 1e-9));
