import { nanometres, type Length } from '../quantity/index.ts';
import type { Thread } from './threads.ts';

/**
 * Depths of a thread on the diameter, in pitches: from crest to the pitch line, and from crest to the crest of the nut. ISO 68-1 and ASME B1.1
 * (60°), BS 84 (55°), BS 93 (47½°), from memory; 60° also by trigonometry in the tests.
 */
const FORMS: Readonly<Record<Thread['angle'], { readonly toPitchLine: number; readonly toMinor: number }>> = {
  60: { toPitchLine: 0.649519, toMinor: 1.082532 },
  55: { toPitchLine: 0.640327, toMinor: 1.280654 },
  47.5: { toPitchLine: 0.6, toMinor: 1.2 },
};

type Sized = Pick<Thread, 'angle' | 'major' | 'pitch'>;

/** How deep the thread is on the diameter: major less minor, nm. */
export const threadDepth = ({ angle, pitch }: Pick<Sized, 'angle' | 'pitch'>): number => FORMS[angle].toMinor * pitch;

/**
 * The diameter at which thread and gap are as wide as each other.
 *
 * @example pitchDiameter({ major: mm(8), pitch: mm(1.25), angle: 60 }) // 7.188101 mm
 */
export const pitchDiameter = ({ angle, major, pitch }: Sized): Length => nanometres(major - FORMS[angle].toPitchLine * pitch);

/**
 * The hole of a nut with a full thread.
 *
 * @example minorDiameter({ major: mm(8), pitch: mm(1.25), angle: 60 }) // 6.646835 mm
 */
export const minorDiameter = (thread: Sized): Length => nanometres(thread.major - threadDepth(thread));

/**
 * What of a bolt carries: a round of the mean of its pitch and minor diameters, mm².
 *
 * @example stressArea({ major: mm(8), pitch: mm(1.25), angle: 60 }) // 36.6085…
 */
export function stressArea(thread: Sized): number {
  // the root of a bolt of 60° is rounded deeper than the crest of its nut: 1.226869 pitches on the diameter
  const root = thread.angle === 60 ? thread.major - 1.226869 * thread.pitch : minorDiameter(thread);
  const mean = (pitchDiameter(thread) + root) / 2e6;
  return (Math.PI / 4) * mean ** 2;
}
