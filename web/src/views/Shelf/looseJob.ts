import { newShaft, type Change } from '@elder-cog/contract';
import { isChosen, type EntryValues, type Instrument, type Length, type Meaning, type ReadingEntry } from '@elder-cog/core';
import { setBy } from '@elder-cog/derive';
import { aimSaid, asUnderstood, leavesFromSaid, limitRow, type oneByOne } from '../../state/gapActions.ts';
import { newId, useSettings } from '../../state/settings.ts';
import type { Ready } from './PlaceDrawing.tsx';

export interface LooseQuestion {
  readonly machine: string;
  readonly ready: Ready;
  readonly pack: ReturnType<typeof oneByOne>;
  readonly limits: { readonly text: string; readonly meaning: Meaning<EntryValues['limits']> };
  readonly read: {
    readonly text: string;
    readonly meaning: Meaning<ReadingEntry>;
    readonly method: 'dial' | 'feelers';
    readonly instrument: Instrument;
    /** what it comes to */
    readonly value: Length;
  };
}

/** What stands on the Loose sheet as a machine of its own: in one command, so that it is there whole or not at all. */
export function looseJob({
  machine,
  ready: { template, place },
  pack,
  limits,
  read,
}: LooseQuestion): { begin: Change; jobId: string; shaftId: string } | null {
  const at = new Date().toISOString();
  const [jobId, assemblyId, buildId] = [newId(), newId(), newId()];
  const { who } = useSettings.getState();
  const shaft = newShaft({
    assemblyId,
    name: 'Shaft',
    template,
    place,
    gasket: false,
    position: 0,
    newId,
  });
  const gap = shaft.stations.find((s) => s.subject === 'gap');
  // of two packs the one that moves the float, not the depth; where neither does, what was said is in the last
  const role = setBy(template, place)?.role;
  const slot = shaft.places.find((p) => p.role === role) ?? shaft.places.findLast(isChosen);
  if (!gap || !slot) return null;
  const { method, instrument, text } = read;
  const { kind: _, ...whole } = {
    ...shaft,
    stations: shaft.stations.map((s) => (s.id === gap.id ? { ...s, method, instrument, aim: aimSaid(limits.meaning) ?? s.aim } : s)),
  };
  const begin: Change = {
    kind: 'job.begin',
    job: { id: jobId, machine, year: '', note: '', createdAt: at, archivedAt: null },
    assemblies: [{ id: assemblyId, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
    shafts: [whole],
    limits: [limitRow(gap.id, limits.text, limits.meaning)],
    builds: [
      {
        id: buildId,
        assemblyId,
        parentId: null,
        stage: 'as_found',
        at,
        who,
        label: '',
        feel: [],
        note: '',
        fits: [{ id: newId(), placeId: slot.id, leaves: leavesFromSaid(pack, []), state: null }],
      },
    ],
    readings: [
      {
        id: newId(),
        stationId: gap.id,
        buildId,
        raw: { method, text, understood: asUnderstood(read.meaning), instrument, restsOn: [] },
        who,
        takenAt: at,
        supersedes: null,
        keptAs: { value: read.value, words: text.slice(0, 120) },
      },
    ],
  };
  return { begin, jobId, shaftId: shaft.shaft.id };
}
