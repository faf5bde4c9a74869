import type { Change, FitPart, Fitting, HeatingGo } from '@elder-cog/contract';
import { newId, useSettings } from './settings.ts';

/** The commands of what goes into what. */

const NOT_SAID: FitPart = {
  what: '',
  material: '',
  kind: 'plain',
  also: [],
  outside: null,
  bore: null,
  roughness: null,
  weight: null,
  temperature: null,
};

/** What is fitted, as it commonly is: a cup into a casing, a bush into a gear, a gear onto a shaft. */
export const FIT_KINDS = {
  cup: {
    called: 'Cup or bearing into a casing',
    outer: { what: 'case', material: 'aluminium casting alloy (silicon)', kind: 'aluminium' },
    inner: { what: 'cup', material: 'bearing steel, hardened', kind: 'rollingBearing' },
  },
  bush: {
    called: 'Bush into a gear or a casing',
    outer: { what: 'gear', material: 'case-hardened gear steel', kind: 'caseHardened' },
    inner: { what: 'bush', material: 'phosphor bronze', kind: 'plain' },
  },
  onShaft: {
    called: 'Bearing or gear onto a shaft',
    outer: { what: 'bearing', material: 'bearing steel, hardened', kind: 'rollingBearing' },
    inner: { what: 'shaft', material: 'mild steel', kind: 'plain' },
  },
} as const satisfies Readonly<Record<string, { called: string; outer: Partial<FitPart>; inner: Partial<FitPart> }>>;
export type FitKind = keyof typeof FIT_KINDS;

export const beginFitting = (jobId: string, kind: FitKind, name: string): Extract<Change, { kind: 'fitting.add' }> => ({
  kind: 'fitting.add',
  fitting: {
    id: newId(),
    jobId,
    name: name === '' ? FIT_KINDS[kind].called : name,
    outer: { ...NOT_SAID, ...FIT_KINDS[kind].outer },
    inner: { ...NOT_SAID, ...FIT_KINDS[kind].inner },
    length: null,
    journal: null,
    clearance: null,
    ease: null,
    ambient: 20,
    humidity: null,
    heating: null,
    working: null,
    note: '',
  },
});

export const changeFitting = (fitting: Fitting, patch: Partial<Omit<Fitting, 'id' | 'revision' | 'jobId'>>): Change => ({
  kind: 'fitting.change',
  fitting: { ...fitting, ...patch },
});

export const keepGo = (fittingId: string, go: Pick<HeatingGo, 'outer' | 'inner' | 'went' | 'isHome'>): Change => ({
  kind: 'heating.add',
  heating: { id: newId(), fittingId, ...go, note: '', who: useSettings.getState().who, at: new Date().toISOString() },
});
