import type { PartType } from './featureKinds.ts';
import type { DecisionName, Look, LookList } from './decisions.ts';

const look = (what: string, slight: DecisionName, bad: DecisionName): Look => ({ look: what, slight, bad });

/** Short lists by type of part, and the usual verdicts. Common practice, no source. */
export const LOOKS: Readonly<Record<PartType, LookList>> = {
  shaft: {
    looks: [
      look('step worn at the bush', 'dress', 'recondition'),
      look('scored along it', 'dress', 'recondition'),
      look('plating flaking', 'recondition', 'replace'),
      look('bent, rolled on a flat', 'recondition', 'replace'),
      look('thread burred', 'dress', 'recondition'),
      look('crack at a corner or keyway', 'scrap', 'scrap'),
      look('blued by heat', 'replace', 'scrap'),
    ],
    factory: ['a drilled oilway', 'a rounded lead-in at the end', 'a tapered keyway or key'],
  },
  bush: {
    looks: [
      look('loose in its housing', 'recondition', 'make'),
      look('scored or grit in it', 'dress', 'make'),
      look('oil hole out of line', 'dress', 'make'),
      look('split or cracked', 'make', 'make'),
      look('bell-mouthed', 'recondition', 'make'),
    ],
    factory: ['a spiral oil groove', 'a wrapped bush’s closed seam'],
  },
  'thrust washer': {
    looks: [
      look('notch worn by the tang or the gear', 'dress', 'make'),
      look('oil grooves worn away', 'recondition', 'make'),
      look('picked up on one face', 'dress', 'make'),
      look('tang bent or cracked', 'replace', 'replace'),
      look('dished', 'replace', 'replace'),
    ],
    factory: ['grooves on one face only', 'a tang set off centre'],
  },
  gear: {
    looks: [
      look('chipped tooth', 'dress', 'replace'),
      look('teeth worn to a thin edge', 'replace', 'replace'),
      look('engaging ends burred', 'dress', 'replace'),
      look('pitted flanks', 'reuse', 'replace'),
      look('crack at a root', 'scrap', 'scrap'),
      look('bore loose or spun', 'recondition', 'replace'),
    ],
    factory: ['teeth of a sliding gear rounded as machined', 'balance or lightening holes drilled', 'a groove round it for the selector'],
  },
  bearing: {
    looks: [
      look('rough when turned dry and clean', 'replace', 'replace'),
      look('pitted or flaking track', 'replace', 'replace'),
      look('cage loose or cracked', 'replace', 'replace'),
      look('outer has turned in its housing', 'recondition', 'recondition'),
      look('blued by heat', 'replace', 'replace'),
      look('inner loose on its seat', 'recondition', 'recondition'),
    ],
    factory: ['a matt phosphate finish', 'a race under a cover that slides by hand'],
  },
  rollers: {
    looks: [
      look('count one short or one over', 'replace', 'replace'),
      look('flat or pitted roller', 'replace', 'replace'),
      look('sizes mixed', 'replace', 'replace'),
      look('ends worn', 'reuse', 'replace'),
    ],
    factory: ['rounded ends', 'room for part of one more'],
  },
  spring: {
    looks: [
      look('nicked or rusted wire', 'replace', 'replace'),
      look('coils rubbed flat', 'replace', 'replace'),
      look('leans when stood up', 'reuse', 'replace'),
      look('set short', 'replace', 'replace'),
    ],
    factory: ['ends ground flat', 'a closer coil at one end'],
  },
  'baulk ring': {
    looks: [
      look('threads of the cone worn smooth', 'replace', 'replace'),
      look('teeth rounded', 'reuse', 'replace'),
      look('cracked', 'replace', 'replace'),
      look('slots hammered wide', 'reuse', 'replace'),
    ],
    factory: ['fine threads cut in the cone', 'one slot wider than the others'],
  },
  selector: {
    looks: [
      look('fork pads worn thin', 'recondition', 'replace'),
      look('fork bent', 'recondition', 'replace'),
      look('detent notch rounded', 'dress', 'replace'),
      look('peg or screw loose', 'dress', 'recondition'),
      look('nose gouged', 'recondition', 'replace'),
    ],
    factory: ['notches of different depth', 'a flat filed on the rail'],
  },
  casing: {
    looks: [
      look('crack at a bolt boss', 'recondition', 'recondition'),
      look('bearing drops out cold without a push', 'recondition', 'scrap'),
      look('face burred or scraped', 'dress', 'recondition'),
      look('stripped thread', 'recondition', 'recondition'),
      look('dowel hole worn', 'recondition', 'recondition'),
    ],
    factory: ['a casting flash inside', 'packing under a low bolt', 'plugged core holes'],
  },
  other: {
    looks: [
      look('worn', 'dress', 'replace'),
      look('bent', 'recondition', 'replace'),
      look('cracked', 'replace', 'scrap'),
      look('thread damaged', 'dress', 'recondition'),
      look('rusted', 'dress', 'replace'),
    ],
    factory: [],
  },
};
