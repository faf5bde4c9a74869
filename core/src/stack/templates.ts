import type { Contact, LengthFeature, Part } from './graph.ts';
import type { Place } from './senses.ts';

/**
 * Ready shafts. A template names parts, faces and contacts by role and gives *proportions* in millimetres, used only to
 * draw what has not been measured; it holds no dimension of any machine.
 */
export type TemplateName = 'taperPair' | 'plainThrust' | 'gearOnBush';

export interface TemplatePart {
  readonly role: string;
  readonly name: string;
  readonly kind: 'casing' | 'cover' | 'shaft' | 'cup' | 'cone' | 'washer' | 'bush' | 'gear' | 'collar' | 'pack' | 'gasket';
  readonly material: 'iron' | 'steel' | 'bronze' | 'brass' | 'paper';
  readonly faces: readonly string[];
}

export interface TemplateLength {
  readonly role: string;
  readonly part: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** drawn at this many mm until measured */
  readonly proportion: number;
}

export interface TemplateContact {
  readonly role: string;
  readonly a: string;
  readonly b: string;
  readonly kind: Contact['kind'];
  readonly name?: string;
  /** drawn stand of a bearing, mm, until measured */
  readonly proportion?: number;
}

export interface TemplateSlot {
  readonly role: string;
  readonly name: string;
  readonly kind: 'adjuster' | 'gasket' | 'bearing' | 'fastening';
  /** the part it fills, where it has a thickness */
  readonly part?: string;
  readonly place?: Place;
}

export interface ShaftTemplate {
  readonly name: TemplateName;
  readonly parts: readonly TemplatePart[];
  readonly lengths: readonly TemplateLength[];
  readonly contacts: readonly TemplateContact[];
  readonly slots: readonly TemplateSlot[];
  readonly gap: { readonly contact: string; readonly name: string };
  readonly place: Place;
}

/** The choices a newcomer sees: which arrangement, and where its shims can sit. */
export const TEMPLATES: Readonly<
  Record<
    TemplateName,
    {
      readonly title: string;
      readonly says: string;
      readonly gap: string;
      readonly places: readonly { readonly place: Place; readonly says: string }[];
    }
  >
> = {
  taperPair: {
    title: 'Two taper bearings and a cover',
    says: 'cups pushed in from outside, cones on the shaft’s shoulders',
    gap: 'float',
    places: [
      { place: 'underCover', says: 'under the cover' },
      { place: 'behindCup', says: 'behind a cup' },
      { place: 'behindCone', says: 'behind a cone' },
    ],
  },
  plainThrust: {
    title: 'Plain shaft with thrust washers',
    says: 'a shaft in bushes, a washer at each end takes the thrust',
    gap: 'end float',
    places: [
      { place: 'thrustWasher', says: 'the thrust washer' },
      { place: 'underCover', says: 'under the end plate' },
    ],
  },
  gearOnBush: {
    title: 'Gear on a bush between washers',
    says: 'the gear turns on a bush clamped against the shaft’s shoulder',
    gap: 'float',
    places: [
      { place: 'thrustWasher', says: 'the thrust washer' },
      { place: 'inLine', says: 'the bush, its length' },
    ],
  },
};

const part = (role: string, name: string, kind: TemplatePart['kind'], material: TemplatePart['material'], ...faces: string[]): TemplatePart => ({
  role,
  name,
  kind,
  material,
  faces: faces.map((f) => `${role}.${f}`),
});
const length = (partRole: string, name: string, from: string, to: string, proportion: number): TemplateLength => ({
  role: `${partRole}.${from}-${to}`,
  part: partRole,
  name,
  from: `${partRole}.${from}`,
  to: `${partRole}.${to}`,
  proportion,
});
const seated = (a: string, b: string, kind: 'seated' | 'clamped' = 'seated'): TemplateContact => ({ role: `${a}~${b}`, a, b, kind });

/** Puts the pack between two faces that would otherwise meet. */
const withPack = (a: string, b: string, kind: 'seated' | 'clamped' = 'seated'): TemplateContact[] => [
  seated(a, 'pack.in', kind),
  seated('pack.out', b, kind),
];

const PACK_PART = part('pack', 'Pack', 'pack', 'brass', 'in', 'out');
const PACK_LENGTH = length('pack', 'pack', 'in', 'out', 0.7);
const BOLTS: TemplateSlot = { role: 'cover.bolts', name: 'Cover bolts', kind: 'fastening' };

function taperPair(place: Place, gasket: boolean): ShaftTemplate {
  const at = (here: Place, a: string, b: string, kind: 'seated' | 'clamped' = 'seated'): TemplateContact[] =>
    place === here ? withPack(a, b, kind) : [seated(a, b, kind)];
  const flange = gasket
    ? [seated('casing.face', 'gasket.in', 'clamped'), ...at('underCover', 'gasket.out', 'cover.flange', 'clamped')]
    : at('underCover', 'casing.face', 'cover.flange', 'clamped');
  return {
    name: 'taperPair',
    place,
    parts: [
      part('casing', 'Casing', 'casing', 'iron', 'seat', 'face'),
      part('cupIn', 'Cup, input end', 'cup', 'steel', 'back', 'front'),
      part('coneIn', 'Cone, input end', 'cone', 'steel', 'front', 'back'),
      part('shaft', 'Shaft', 'shaft', 'steel', 'shoulderIn', 'shoulderOut'),
      part('coneOut', 'Cone, output end', 'cone', 'steel', 'back', 'front'),
      part('cupOut', 'Cup, output end', 'cup', 'steel', 'front', 'back'),
      part('cover', 'Cover', 'cover', 'iron', 'spigot', 'flange'),
      PACK_PART,
      ...(gasket ? [part('gasket', 'Gasket', 'gasket', 'paper', 'in', 'out')] : []),
    ],
    lengths: [
      length('casing', 'case, cup seat to cover face', 'seat', 'face', 181),
      length('shaft', 'shaft, shoulder to shoulder', 'shoulderIn', 'shoulderOut', 133),
      length('cover', 'cover, spigot to flange', 'spigot', 'flange', 9),
      PACK_LENGTH,
      ...(gasket ? [length('gasket', 'gasket, crushed', 'in', 'out', 0.3)] : []),
    ],
    contacts: [
      ...at('behindCup', 'casing.seat', 'cupIn.back'),
      { role: 'bearingIn', a: 'cupIn.back', b: 'coneIn.back', kind: 'rolling', name: 'bearing, input end, T', proportion: 18.5 },
      ...at('behindCone', 'coneIn.back', 'shaft.shoulderIn'),
      seated('shaft.shoulderOut', 'coneOut.back'),
      { role: 'bearingOut', a: 'coneOut.back', b: 'cupOut.back', kind: 'rolling', name: 'bearing, output end, T', proportion: 18.5 },
      ...flange,
      { role: 'float', a: 'cupOut.back', b: 'cover.spigot', kind: 'open', name: 'float' },
    ],
    slots: [
      { role: 'pack', name: packName('taperPair', place), kind: 'adjuster', part: 'pack', place },
      BOLTS,
      ...(gasket ? [{ role: 'cover.gasket', name: 'Gasket', kind: 'gasket' as const, part: 'gasket' }] : []),
      { role: 'bearings', name: 'Bearings', kind: 'bearing' },
    ],
    gap: { contact: 'float', name: 'Shaft float' },
  };
}

function plainThrust(place: Place): ShaftTemplate {
  const washerIsPack = place === 'thrustWasher';
  return {
    name: 'plainThrust',
    place,
    parts: [
      part('casing', 'Casing', 'casing', 'iron', 'thrust', 'face'),
      part('washerIn', 'Thrust washer, input end', 'washer', 'bronze', 'back', 'front'),
      part('shaft', 'Shaft', 'shaft', 'steel', 'collarIn', 'collarOut'),
      part('cover', 'End plate', 'cover', 'iron', 'thrust', 'flange'),
      ...(washerIsPack
        ? [part('pack', 'Thrust washer', 'pack', 'brass', 'in', 'out')]
        : [part('washerOut', 'Thrust washer, output end', 'washer', 'bronze', 'front', 'back'), PACK_PART]),
    ],
    lengths: [
      length('casing', 'case, thrust face to end plate', 'thrust', 'face', 120),
      length('washerIn', 'thrust washer, input end', 'back', 'front', 4),
      length('shaft', 'shaft, collar to collar', 'collarIn', 'collarOut', 104),
      length('cover', 'end plate, thrust face to flange', 'thrust', 'flange', 6),
      ...(washerIsPack
        ? [length('pack', 'thrust washer', 'in', 'out', 4)]
        : [length('washerOut', 'thrust washer, output end', 'front', 'back', 4), PACK_LENGTH]),
    ],
    contacts: [
      seated('casing.thrust', 'washerIn.back'),
      seated('washerIn.front', 'shaft.collarIn'),
      ...(washerIsPack
        ? [
            seated('pack.out', 'cover.thrust'),
            seated('casing.face', 'cover.flange', 'clamped'),
            { role: 'float', a: 'shaft.collarOut', b: 'pack.in', kind: 'open' as const, name: 'end float' },
          ]
        : [
            seated('washerOut.back', 'cover.thrust'),
            ...withPack('casing.face', 'cover.flange', 'clamped'),
            { role: 'float', a: 'shaft.collarOut', b: 'washerOut.front', kind: 'open' as const, name: 'end float' },
          ]),
    ],
    slots: [
      { role: 'pack', name: packName('plainThrust', place), kind: 'adjuster', part: 'pack', place },
      { ...BOLTS, name: 'End plate bolts' },
    ],
    gap: { contact: 'float', name: 'Shaft end float' },
  };
}

function gearOnBush(place: Place): ShaftTemplate {
  const washerIsPack = place === 'thrustWasher';
  return {
    name: 'gearOnBush',
    place,
    parts: [
      part('shaft', 'Shaft', 'shaft', 'steel', 'shoulder'),
      washerIsPack ? part('bush', 'Bush', 'bush', 'bronze', 'in', 'out') : part('pack', 'Bush', 'pack', 'brass', 'in', 'out'),
      part('washerIn', 'Thrust washer, input side', 'washer', 'bronze', 'back', 'front'),
      part('gear', 'Gear', 'gear', 'steel', 'in', 'out'),
      washerIsPack
        ? part('pack', 'Thrust washer', 'pack', 'brass', 'in', 'out')
        : part('washerOut', 'Thrust washer, output side', 'washer', 'bronze', 'front', 'back'),
      part('collar', 'Collar', 'collar', 'steel', 'in', 'out'),
    ],
    lengths: [
      washerIsPack ? length('bush', 'bush, length', 'in', 'out', 58) : length('pack', 'bush, length', 'in', 'out', 58),
      length('washerIn', 'thrust washer, input side', 'back', 'front', 4),
      length('gear', 'gear, across its hub', 'in', 'out', 49),
      washerIsPack ? length('pack', 'thrust washer', 'in', 'out', 4) : length('washerOut', 'thrust washer, output side', 'front', 'back', 4),
      length('collar', 'collar', 'in', 'out', 14),
    ],
    contacts: [
      seated('shaft.shoulder', washerIsPack ? 'bush.in' : 'pack.in', 'clamped'),
      seated(washerIsPack ? 'bush.out' : 'pack.out', 'collar.in', 'clamped'),
      seated('shaft.shoulder', 'washerIn.back'),
      seated('washerIn.front', 'gear.in'),
      seated(washerIsPack ? 'pack.out' : 'washerOut.back', 'collar.in'),
      { role: 'float', a: 'gear.out', b: washerIsPack ? 'pack.in' : 'washerOut.front', kind: 'open', name: 'gear float' },
    ],
    slots: [
      { role: 'pack', name: packName('gearOnBush', place), kind: 'adjuster', part: 'pack', place },
      { role: 'cover.bolts', name: 'Collar nut', kind: 'fastening' },
    ],
    gap: { contact: 'float', name: 'Gear float' },
  };
}

function packName(template: TemplateName, place: Place): string {
  const says = TEMPLATES[template].places.find((p) => p.place === place)?.says ?? 'in its place';
  return says.startsWith('the ') ? says.replace(/^the /, '').replace(/^./, (c) => c.toUpperCase()) : `Pack ${says}`;
}

/**
 * A ready shaft with the pack in a chosen place.
 *
 * @param gasket whether a gasket lies under the cover (taper pair only)
 * @example shaftTemplate('taperPair', 'underCover').slots[0].name // 'Pack under the cover'
 */
export function shaftTemplate(name: TemplateName, place: Place, { gasket = false }: { gasket?: boolean } = {}): ShaftTemplate {
  if (name === 'taperPair') return taperPair(place, gasket);
  return name === 'plainThrust' ? plainThrust(place) : gearOnBush(place);
}

/** A template as a graph with every length unknown: enough for senses. */
export function templateGraph(template: ShaftTemplate): { parts: Part[]; lengths: LengthFeature[]; contacts: Contact[] } {
  return {
    parts: template.parts.map(({ role, name, kind, faces }) => ({ id: role, name, kind, faces, turned: false })),
    lengths: template.lengths.map(({ role, part: owner, name, from, to }) => ({ id: role, part: owner, name, from, to, length: null })),
    contacts: template.contacts.map(({ role, a, b, kind, name }) => ({
      id: role,
      a,
      b,
      kind,
      ...(kind === 'rolling' ? { stand: null } : {}),
      ...(name === undefined ? {} : { name }),
    })),
  };
}
