import type { JobFacts } from '@elder-cog/contract';
import { cupGrip, hotGap, nanometres, refuse, senseAndFactor, type CupGrip, type HotLink, type Length, type Sense } from '@elder-cog/core';
import { packTotal } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import { filledPlaces, formAt, formsOf, isCrushedSince, type Filled } from './graph.ts';
import { sizeOf } from './sizes.ts';
import type { GapState } from './gap/index.ts';

/** What warms together and grows alike: the parts on a gap's way that are of one side and one material. */
export interface HotGroup {
  readonly id: string;
  readonly side: 'case' | 'shaft';
  /** as the parts have it: iron, steel … */
  readonly material: string;
  readonly parts: readonly string[];
}

interface HotLength {
  readonly label: string;
  readonly group: string;
  readonly sense: Sense;
  /** null where it is not measured */
  readonly length: Length | null;
  /** as it is drawn while it is not measured */
  readonly drawn: number;
}

/** A gap as its parts warm. */
export interface HotQuestion {
  readonly groups: readonly HotGroup[];
  readonly lengths: readonly HotLength[];
  /** sizes on the way that nobody has measured; with any, the span stands for all of them */
  readonly missing: readonly string[];
  /** taper bearings on the way, the cup of each held in the case */
  readonly cups: number;
  /** what holds the cups turns on the shaft, and is called a hub */
  readonly isHub: boolean;
}

/** What is as warm as the case: the rest is as warm as the shaft. Common practice, no source. */
const CASE: ReadonlySet<string> = new Set(['casing', 'cover', 'plate', 'hub', 'cup', 'outerRing', 'gasket']);
const CASE_PACKS: ReadonlySet<string> = new Set([
  'behindCup',
  'betweenCups',
  'underCover',
  'underCupFlange',
  'underCarrierFlange',
  'underThrustPlate',
]);

const TAPER: ReadonlySet<string> = new Set(['cup', 'cone']);

const sideOf = ({ place }: Filled): HotGroup['side'] => (CASE.has(place.kind) || CASE_PACKS.has(place.sits ?? '') ? 'case' : 'shaft');

/** The parts on the way of a gap by what they grow with; null where nothing joins its two faces. */
export function hotQuestion(facts: JobFacts, { shaft, current, slots }: ShaftState, { station }: GapState): HotQuestion | null {
  const filled = filledPlaces(facts, shaft, current);
  const bearings = new Map(facts.contacts.flatMap(({ id, standId }) => (standId === null ? [] : [[standId, id] as const])));
  const sizes = filled.flatMap((each) => each.features.map((feature) => ({ each, feature, id: bearings.get(feature.id) ?? feature.id })));
  const packs = slots.filter(({ slot }) => slot.kind === 'adjuster');
  const forms = formsOf(facts, shaft, current, { chosen: sizes.map(({ id }) => id) });
  const coefficients = formAt(forms, station)?.coefficients ?? {};
  const groups = new Map<string, HotGroup & { readonly parts: string[] }>();
  const groupOf = (of: Filled, material: string): string => {
    const side = sideOf(of);
    const id = `${side} ${material}`;
    const group = groups.get(id) ?? { id, side, material, parts: [] };
    if (!group.parts.includes(of.place.name)) group.parts.push(of.place.name);
    groups.set(id, group);
    return id;
  };
  const lengths = sizes.flatMap(({ each, feature, id }): HotLength[] => {
    const { sense, factor } = senseAndFactor(coefficients[id] ?? 0);
    if (sense === 0) return [];
    const value = isCrushedSince(current?.fitted.get(each.place.id)) ? null : sizeOf(facts, feature).value;
    const length = value === null ? null : nanometres(factor * value);
    return [{ label: feature.name, group: groupOf(each, each.part?.material ?? ''), sense, length, drawn: factor * feature.proportion }];
  });
  const chosen = packs.flatMap(({ slot, fitting }): HotLength[] => {
    const { sense, factor } = senseAndFactor(coefficients[slot.id] ?? 0);
    const at = filled.find(({ place }) => place.id === slot.id);
    if (sense === 0 || !at || fitting.leaves === null) return [];
    // too thin for what it is made of to matter: it grows with what it lies on
    const group = [...groups.values()].find((g) => g.side === sideOf(at)) ?? [...groups.values()][0];
    return group ? [{ label: slot.name, group: group.id, sense, length: nanometres(factor * packTotal(fitting.leaves)), drawn: 0 }] : [];
  });
  if (lengths.length === 0) return null;
  return {
    groups: [...groups.values()],
    lengths: [...lengths, ...chosen],
    missing: lengths.filter(({ length }) => length === null).map(({ label }) => label),
    isHub: filled.some(({ place }) => place.kind === 'hub'),
    cups: sizes.filter(({ each, feature, id }) => feature.kind === 'stand' && TAPER.has(each.place.kind) && (coefficients[id] ?? 0) !== 0).length,
  };
}

/** How warm, and of what. */
export interface HotState {
  /** kelvin over what it was measured at */
  readonly rise: Readonly<Record<HotGroup['side'], number>>;
  /** by group: µm/m·K */
  readonly expansion: Readonly<Record<string, number>>;
  /** nm, along the shaft, for all that is not measured; null where nobody said */
  readonly span: Length | null;
  /** of each cup; null where it is not reckoned with */
  readonly grip: Pick<CupGrip, 'interference' | 'outside' | 'raceway' | 'angle'> | null;
}

/** What warms, as links: the sizes where all are known; else what is longest on either side of the sum, as long as the span. */
export function hotLinks({ groups, lengths, missing }: HotQuestion, { rise, expansion, span }: HotState): HotLink[] {
  const side = new Map(groups.map((g) => [g.id, g.side]));
  const link = ({ label, group, sense }: HotLength, length: Length): HotLink => ({
    label,
    length,
    sense,
    expansion: expansion[group] ?? refuse('noMaterial', `Say what ${label} is made of.`),
    rise: rise[side.get(group) ?? 'shaft'],
  });
  if (missing.length === 0) return lengths.flatMap((l) => (l.length === null || l.length === 0 ? [] : [link(l, l.length)]));
  if (span === null) return [];
  const longest = (sense: Sense): HotLength | undefined => lengths.filter((l) => l.sense === sense).toSorted((a, b) => b.drawn - a.drawn)[0];
  return ([1, -1] as const).flatMap((sense) => {
    const one = longest(sense);
    return one ? [link(one, span)] : [];
  });
}

/**
 * How far a gap opens as it warms, nm; less than nothing where it closes. Null while a length is missing and nobody said the span.
 *
 * @throws ReckoningError as `hotGap` and `cupGrip`
 */
export function hotGrowth(question: HotQuestion, state: HotState): Length | null {
  const links = hotLinks(question, state);
  if (links.length === 0) return null;
  const cold = links.reduce((sum, { sense, length }) => sum + sense * length, 0);
  return nanometres(hotGap({ links }, { rise: 0 }) - cold + gripOf(question, state));
}

/** Of every cup, by what it is held in. */
function gripOf({ groups, cups }: HotQuestion, { grip, rise, expansion }: HotState): number {
  const of = (isHeld: (g: HotGroup) => boolean): number | undefined => expansion[groups.find(isHeld)?.id ?? ''];
  const housing = of((g) => g.side === 'case' && g.material !== 'steel');
  if (grip === null || cups === 0 || housing === undefined) return 0;
  const warm = { housing: { expansion: housing, rise: rise.case }, cup: { expansion: CUP_STEEL, rise: rise.case } };
  return cups * cupGrip({ ...grip, ...warm });
}

/** Hardened bearing steel, µm/m·K. */
const CUP_STEEL = 11.9;
