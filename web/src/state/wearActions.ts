import type { Change, Inspection, OpenItem, Station, StripEntry } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import { newId, useSettings } from './settings.ts';

/** The commands of the Wear book and of what is left open. */

const signed = (): string => useSettings.getState().who;
const now = (): string => new Date().toISOString();

export const inspect = (
  found: Pick<Inspection, 'jobId' | 'stationId' | 'part' | 'partType' | 'cleaned' | 'findings' | 'proposed' | 'decision' | 'reason'>,
): Change => ({
  kind: 'inspect',
  inspection: { ...found, id: newId(), who: signed(), at: now() },
});

/** Taken as it is, a length in nm or a torque in N·m; left unmeasured where it is neither. */
export const accept = (stationId: string, as: { readonly value: Length } | { readonly torque: number } | null, reason: string): Change => ({
  kind: 'accept',
  acceptance: {
    id: newId(),
    stationId,
    kind: as === null ? 'unmeasured' : 'outside',
    value: as !== null && 'value' in as ? as.value : null,
    ...(as !== null && 'torque' in as ? { torque: as.torque } : {}),
    reason,
    who: signed(),
    at: now(),
  },
});

export const leaveOpen = (jobId: string, text: string, where: string): Change => ({
  kind: 'openItem.raise',
  openItem: { id: newId(), jobId, text, where, state: 'open', reason: '', who: signed(), raisedAt: now(), endedAt: null },
});

export const endItem = (item: OpenItem, state: OpenItem['state'], reason: string): Change => ({
  kind: 'openItem.change',
  openItem: { ...item, state, reason, endedAt: state === 'open' ? null : now() },
});

/** A line of the strip log, and the build and reading it also is, kept and undone with it. */
export const stripOff = (entry: Omit<StripEntry, 'id' | 'who' | 'at'>, also: readonly Change[] = [], id: string = newId()): Change => ({
  kind: 'strip.add',
  entry: { ...entry, id, who: signed(), at: now() },
  builds: also.flatMap((change) => (change.kind === 'build.add' ? [change.build] : [])),
  readings: also.flatMap((change) => (change.kind === 'reading.keep' ? [change.reading] : [])),
});

/** Rows taken out of the book together. */
export const takeOut = (stations: readonly Station[]): Change => ({
  kind: 'rows.takeOut',
  stations: stations.map(({ id, revision }) => ({ id, revision })),
});
