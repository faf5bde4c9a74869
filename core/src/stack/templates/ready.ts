import type { Contact, LengthFeature, Part } from '../graph.ts';
import type { Place } from '../senses.ts';

/**
 * A ready shaft: places, faces and contacts by role, and *proportions* in millimetres that draw what has not been measured. It holds no
 * dimension of any machine. It only seeds a shaft: afterwards its name is a word of origin.
 */
export type TemplateName =
  | 'taperPair'
  | 'hubByNut'
  | 'pinionByNut'
  | 'pinionBySleeve'
  | 'ballAndRing'
  | 'layshaft'
  | 'twinGears'
  | 'plainThrust'
  | 'gearOnBush'
  | 'thrustPlate'
  | 'intermediate'
  | 'own';

export type PlaceKind =
  | 'casing'
  | 'cover'
  | 'plate'
  | 'hub'
  | 'shaft'
  | 'pinion'
  | 'cup'
  | 'cone'
  | 'outerRing'
  | 'innerRing'
  | 'washer'
  | 'bush'
  | 'spacer'
  | 'crushSleeve'
  | 'gear'
  | 'cluster'
  | 'collar'
  | 'circlip'
  | 'nut'
  | 'pack'
  | 'gasket'
  | 'fastening'
  | 'bearings';
export type Material = 'iron' | 'steel' | 'bronze' | 'brass' | 'paper' | '';

export interface ReadyFace {
  readonly role: string;
  /** which end it looks to */
  readonly side: 'in' | 'out';
  /** from which radius to which, mm of proportion */
  readonly inner: number;
  readonly outer: number;
}

export interface ReadyPlace {
  readonly role: string;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly material: Material;
  readonly faces: readonly ReadyFace[];
  /** what can be chosen for it */
  readonly takes: 'leaves' | 'part' | 'gasket' | null;
  /** where its pack sits */
  readonly sits: Place | null;
  /** of a pack: how thick it is drawn while nobody has said what is in, mm */
  readonly proportion: number;
}

export interface ReadyLength {
  readonly role: string;
  /** the role of the place whose part it is a size of */
  readonly place: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly kind: 'length' | 'stand' | 'play';
  /** drawn at this many mm until measured */
  readonly proportion: number;
}

export interface ReadyContact {
  readonly role: string;
  readonly a: string;
  readonly b: string;
  readonly kind: Contact['kind'];
  readonly name?: string;
  /** the role of the length that holds its faces apart */
  readonly stand?: string;
  /** the role of the nut or bolts that hold it */
  readonly fastener?: string;
}

export interface ReadyGap {
  readonly role: string;
  /** said after the name of its shaft, where it is of the whole shaft */
  readonly name: string;
  readonly ofShaft: boolean;
  readonly contacts: readonly string[];
}

/** A face a given distance from another: a gear's depth. */
export interface ReadyDepth {
  readonly role: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
}

export interface ShaftTemplate {
  readonly name: TemplateName;
  readonly places: readonly ReadyPlace[];
  readonly lengths: readonly ReadyLength[];
  readonly contacts: readonly ReadyContact[];
  readonly gaps: readonly ReadyGap[];
  readonly depths: readonly ReadyDepth[];
  /** what its two ends are called */
  readonly ends: readonly [string, string];
}

type FaceOf = readonly [role: string, inner: number, outer: number, side?: 'in' | 'out'];

/** Puts a ready shaft together, place by place from its input end. */
export class Assembling {
  readonly places: ReadyPlace[] = [];
  readonly lengths: ReadyLength[] = [];
  readonly contacts: ReadyContact[] = [];

  /** What sits in a place. The first face looks to the input end and the last to the output end, unless it is said. */
  put(role: string, name: string, kind: PlaceKind, material: Material, ...faces: readonly FaceOf[]): this {
    return this.place(role, name, kind, material, faces);
  }

  /** A place that something is chosen for. */
  slot(role: string, name: string, takes: 'leaves' | 'part', sits: Place, faces: readonly FaceOf[], proportion = 0.7): this {
    return this.place(role, name, 'pack', 'brass', faces, takes, sits, proportion);
  }

  gasket(role: string, ...faces: readonly FaceOf[]): this {
    return this.place(role, 'Gasket', 'gasket', 'paper', faces, 'gasket');
  }

  /** Nut, bolts or bearings: what is said of them is a state. */
  said(role: string, name: string, kind: 'fastening' | 'bearings'): this {
    return this.place(role, name, kind, '', []);
  }

  private place(
    role: string,
    name: string,
    kind: PlaceKind,
    material: Material,
    faces: readonly FaceOf[],
    takes: ReadyPlace['takes'] = null,
    sits: Place | null = null,
    proportion = 0,
  ): this {
    const last = faces.length - 1;
    const drawn = faces.map(([face, inner, outer, side], i): ReadyFace => {
      const looks = side ?? (i === last && last > 0 ? 'out' : 'in');
      return { role: `${faceRole(role)}.${face}`, side: looks, inner, outer };
    });
    this.places.push({ role, name, kind, material, faces: drawn, takes, sits, proportion });
    return this;
  }

  length(place: string, name: string, from: string, to: string, proportion: number): this {
    const of = faceRole(place);
    this.lengths.push({ role: `${of}.${from}-${to}`, place, name, from: `${of}.${from}`, to: `${of}.${to}`, kind: 'length', proportion });
    return this;
  }

  /** A chain of faces that meet, one after another. */
  meet(kind: 'seated' | 'clamped', pairs: readonly (readonly [string, string])[], fastener?: string): this {
    for (const [a, b] of pairs) this.contacts.push({ role: `${a}~${b}`, a, b, kind, ...(fastener === undefined ? {} : { fastener }) });
    return this;
  }

  /** A bearing: from the back of one race to the back of the other. The stand is a size of `place`, its cone. */
  bearing(
    role: string,
    name: string,
    place: string,
    [a, b]: readonly [string, string],
    proportion: number,
    kind: 'rolling' | 'open' = 'rolling',
  ): this {
    this.lengths.push({ role, place, name, from: a, to: b, kind: 'stand', proportion });
    this.contacts.push({ role, a, b, kind, name, stand: role });
    return this;
  }

  open(role: string, name: string, a: string, b: string): this {
    this.contacts.push({ role, a, b, kind: 'open', name });
    return this;
  }

  ready(name: TemplateName, gaps: readonly ReadyGap[], more: Partial<Pick<ShaftTemplate, 'ends' | 'depths'>> = {}): ShaftTemplate {
    const { places, lengths, contacts } = this;
    return { name, places, lengths, contacts, gaps, depths: [], ends: ['input end', 'output end'], ...more };
  }
}

/** Faces go by the thing they are of: "gasket.in", and not "cover.gasket.in". */
const faceRole = (place: string): string => place.split('.').at(-1) ?? place;

/** Whether something is chosen for a place: leaves of a pack, or one part of several. A gasket is said, not chosen. */
export const isChosen = ({ takes }: Pick<ReadyPlace, 'takes'>): boolean => takes === 'leaves' || takes === 'part';

/** A template as a graph with every length unknown: enough for senses. */
export function templateGraph(template: Pick<ShaftTemplate, 'places' | 'lengths' | 'contacts'>): {
  parts: Part[];
  lengths: LengthFeature[];
  contacts: Contact[];
} {
  // what is chosen is as thick as what is in, whatever a part of that place once was
  const chosen = new Set(template.places.filter(isChosen).map(({ role }) => role));
  return {
    parts: template.places
      .filter(({ faces }) => faces.length > 0)
      .map(({ role, name, kind, faces }) => ({ id: role, name, kind, faces: faces.map((f) => f.role), turned: false })),
    lengths: [
      ...template.lengths
        .filter(({ kind, place }) => kind === 'length' && !chosen.has(place))
        .map(({ role, place, name, from, to }) => ({ id: role, part: place, name, from, to, length: null })),
      ...template.places
        .filter(isChosen)
        .map(({ role, faces }) => ({ id: role, part: role, name: 'pack', from: faces[0]?.role ?? '', to: faces[1]?.role ?? '', length: null })),
    ],
    contacts: template.contacts.map(({ role, a, b, kind, name, stand }) => ({
      id: role,
      a,
      b,
      kind,
      ...(stand === undefined ? {} : { stand: null }),
      ...(name === undefined ? {} : { name }),
    })),
  };
}
