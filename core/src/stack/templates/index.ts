import { ballAndRing } from './ballAndRing.ts';
import { gearOnBush } from './gearOnBush.ts';
import { hubByNut } from './hubByNut.ts';
import { intermediate } from './intermediate.ts';
import { layshaft } from './layshaft.ts';
import { own } from './own.ts';
import { pinionByNut, pinionBySleeve } from './pinion.ts';
import { plainThrust } from './plainThrust.ts';
import type { Place } from '../senses.ts';
import type { ShaftTemplate, TemplateName } from './ready.ts';
import { taperPair } from './taperPair.ts';
import { thrustPlate } from './thrustPlate.ts';
import { twinGears } from './twinGears.ts';

export {
  isChosen,
  templateGraph,
  type Material as PartMaterial,
  type PlaceKind,
  type ReadyContact,
  type ReadyFace,
  type ReadyPlace,
  type ShaftTemplate,
  type TemplateName,
} from './ready.ts';

interface Choice {
  readonly title: string;
  readonly says: string;
  /** where the shim sits, usual place first; none where it is not asked */
  readonly places: readonly { readonly place: Place; readonly says: string }[];
  readonly make: (place: Place, gasket: boolean) => ShaftTemplate;
  /** whether a gasket may lie under its cover */
  readonly gasket?: true;
}

/** Where the depth shim of a pinion sits. */
const DEPTH_SHIMS: Choice['places'] = [
  { place: 'behindCone', says: 'behind the head cone' },
  { place: 'behindCup', says: 'behind the head cup' },
];

/** The choices a newcomer sees: which arrangement, how it is told from its neighbour, and where its shims can sit. */
export const TEMPLATES: Readonly<Record<TemplateName, Choice>> = {
  taperPair: {
    title: 'Two taper bearings and a cover',
    says: 'cups pushed in from outside by a cover, cones on the shaft’s shoulders',
    places: [
      { place: 'underCover', says: 'under the cover' },
      { place: 'behindCup', says: 'behind a cup' },
      { place: 'behindCone', says: 'behind a cone' },
    ],
    make: taperPair,
    gasket: true,
  },
  hubByNut: {
    title: 'Wheel hub drawn up by a nut',
    says: 'two tapers in a hub, cones drawn together over a distance piece',
    places: [
      { place: 'betweenCones', says: 'between the cones' },
      { place: 'behindCup', says: 'behind the outer cup' },
    ],
    make: hubByNut,
  },
  pinionByNut: {
    title: 'Bevel pinion drawn up by a nut',
    says: 'a depth shim at its head, a distance piece and shims between the cones',
    places: DEPTH_SHIMS,
    make: pinionByNut,
  },
  pinionBySleeve: {
    title: 'Bevel pinion on a crush sleeve',
    says: 'a depth shim at its head; no pack between the cones, but a sleeve that the nut crushes, once',
    places: DEPTH_SHIMS,
    make: pinionBySleeve,
  },
  ballAndRing: {
    title: 'Ball bearing held by a ring',
    says: 'in a recess, with a snap ring of chosen thickness',
    places: [{ place: 'inLine', says: 'the ring, its thickness' }],
    make: ballAndRing,
  },
  layshaft: {
    title: 'Layshaft between plates',
    says: 'a cluster on a distance piece, gears on a bush, washers, a circlip',
    places: [{ place: 'inLine', says: 'the washers, two of them' }],
    make: layshaft,
  },
  twinGears: {
    title: 'Two gears on one bush',
    says: 'side by side, with washers, between a shoulder and a collar',
    places: [{ place: 'thrustWasher', says: 'the thrust washer' }],
    make: twinGears,
  },
  plainThrust: {
    title: 'Plain shaft with thrust washers',
    says: 'a shaft in bushes, a washer at each end takes the thrust',
    places: [
      { place: 'thrustWasher', says: 'the thrust washer' },
      { place: 'underCover', says: 'under the end plate' },
    ],
    make: plainThrust,
  },
  gearOnBush: {
    title: 'Gear on a bush between washers',
    says: 'the gear turns on a bush clamped against the shaft’s shoulder',
    places: [
      { place: 'thrustWasher', says: 'the thrust washer' },
      { place: 'inLine', says: 'the bush, its length' },
    ],
    make: gearOnBush,
  },
  thrustPlate: {
    title: 'Shaft under a thrust plate',
    says: 'a collar between the casing and a plate bolted over it',
    places: [{ place: 'underThrustPlate', says: 'under the thrust plate' }],
    make: thrustPlate,
  },
  intermediate: {
    title: 'Intermediate gear on two tapers',
    says: 'cups in the gear, cones on a pin with a spacer between',
    places: [{ place: 'betweenCones', says: 'between the cones' }],
    make: intermediate,
  },
  own: {
    title: 'My own',
    says: 'a casing and a shaft: put in the rest part by part',
    places: [],
    make: own,
  },
};

/**
 * A ready shaft with the pack in a chosen place.
 *
 * @param gasket whether a gasket lies under the cover (taper pair only)
 * @example shaftTemplate('taperPair', 'underCover').gaps[0].contacts // ['float']
 */
export const shaftTemplate = (name: TemplateName, place: Place, { gasket = false }: { gasket?: boolean } = {}): ShaftTemplate =>
  TEMPLATES[name].make(place, gasket);
