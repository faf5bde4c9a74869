import { FEATURES, type FeatureKindName, type Length } from '@elder-cog/core';
import type { FaceFact, Feature, Station } from './facts/index.ts';

export type NewStation = Omit<Station, 'revision'>;

const BASE = {
  quantity: 'length',
  reads: null,
  boreId: null,
  journalId: null,
  newSize: null,
  rule: 'plain',
  aim: { at: 'middle' },
  gone: false,
} as const;

/** What a row is of: a shaft, or a box and no shaft in it. */
export type RowBelongs = { readonly shaftId: string } | { readonly shaftId: null; readonly assemblyId: string };

interface RowQuestion {
  readonly of: RowBelongs;
  readonly kind: FeatureKindName;
  readonly name: string;
  readonly unit: 'in' | 'mm';
  readonly position: number;
  readonly newSize?: Length | null;
  readonly newId: () => string;
}

/** One thing to be measured, with the instrument its kind is usually measured by. */
export function newRow({ of, kind, name, unit, position, newSize = null, newId }: RowQuestion): NewStation {
  return {
    ...BASE,
    ...of,
    id: newId(),
    subject: kind,
    moreIs: FEATURES[kind].judgedBy === 'largest' ? 'loose' : 'tight',
    role: `${kind}.${position}`,
    name,
    position,
    newSize,
    method: 'size',
    instrument: FEATURES[kind].instrument[unit],
  };
}

/** After all else that is read of a shaft. */
const FIRST_LINK = 1000;

/** A size of a part as it stands in a stack, to be read. */
export const newLink = (shaftId: string, feature: Pick<Feature, 'id' | 'role' | 'name'>, newId: () => string): NewStation => ({
  ...BASE,
  id: newId(),
  shaftId,
  subject: 'link',
  moreIs: 'loose',
  role: `link.${feature.role}`.slice(0, 80),
  name: feature.name,
  position: FIRST_LINK,
  reads: { what: 'feature', feature: feature.id },
  method: 'size',
  instrument: null,
});

interface DepthQuestion extends Pick<NewStation, 'name' | 'position' | 'instrument'> {
  /** the face it is measured from, and the one it is measured down to */
  readonly from: Pick<FaceFact, 'id' | 'side'>;
  readonly to: Pick<FaceFact, 'id'>;
}

/** How far one face is below another: into the body of the part that the one is of, away from the end that it looks to. Proud is less than nothing. */
export const newDepth = (shaftId: string, { name, from, to, position, instrument }: DepthQuestion, newId: () => string): NewStation => ({
  ...BASE,
  id: newId(),
  shaftId,
  subject: 'depth',
  moreIs: 'loose',
  role: `depth.${position}`,
  name,
  position,
  reads: from.side === 'in' ? { what: 'depth', from: from.id, to: to.id } : { what: 'depth', from: to.id, to: from.id },
  method: 'size',
  instrument,
});

/** A bush, the journal that runs in it, and the clearance between. */
export function newPair({ of, name, unit, position, newId }: Omit<RowQuestion, 'kind' | 'newSize'>): readonly [NewStation, NewStation, NewStation] {
  const bore = newRow({ of, kind: 'bore', name: `${name} bush`, unit, position, newId });
  const journal = newRow({ of, kind: 'journal', name: `${name} journal`, unit, position: position + 1, newId });
  return [
    { ...bore, role: `pair.${position}.bore` },
    { ...journal, role: `pair.${position}.journal` },
    {
      ...BASE,
      ...of,
      id: newId(),
      subject: 'pair',
      moreIs: 'loose',
      role: `pair.${position}`,
      name: `${name} clearance`,
      position: position + 2,
      boreId: bore.id,
      journalId: journal.id,
      method: null,
      instrument: null,
    },
  ];
}
