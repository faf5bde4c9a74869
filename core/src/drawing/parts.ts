import { drawGearOnBush } from './outlines/gearOnBush.ts';
import { drawPlainThrust } from './outlines/plainThrust.ts';
import type { PartsDrawn, PartsQuestion, Solid } from './outlines/solid.ts';
import { drawTaperPair } from './outlines/taperPair.ts';

/** The parts of a ready shaft as outlines in the upper half plane, in pixels. */
export function drawParts(question: PartsQuestion): PartsDrawn {
  const drawn = { taperPair: drawTaperPair, plainThrust: drawPlainThrust, gearOnBush: drawGearOnBush }[question.template](question);
  return { ...drawn, solids: drawn.solids.map((solid) => (question.turned.includes(solid.part) ? mirror(solid, question) : solid)) };
}

/** A part fitted the other way round is its own mirror image about the middle of its faces. */
function mirror(solid: Solid, { faces, x }: PartsQuestion): Solid {
  const ends = faces(solid.part).map(x);
  const xs = ends.length > 1 ? ends : solid.rings.flatMap((ring) => ring.map(([px]) => px));
  const sum = Math.min(...xs) + Math.max(...xs);
  return { ...solid, rings: solid.rings.map((ring) => ring.map(([px, r]) => [sum - px, r] as const)) };
}
