/** What is felt and fastened on the mail van: its pinion drawn up on a crush sleeve, cap bolts half pulled, needles counted out. */
import { newDrag, newJoint, newRollers, newTorque, type JobFacts, type Limit, type Wrench } from '@elder-cog/contract';
import { convertTorque, INSTRUMENTS, thou, type TorqueUnit } from '@elder-cog/core';
import { SLEEVE_CRUSHED } from '@elder-cog/derive';
import { at, newId } from './ids.ts';
import { mailVan, tellShaft } from './others.ts';

const who = 'R. M.';
const inUnit = (value: number, unit: TorqueUnit): number => convertTorque(value, unit, 'N·m');
const POINTER: Wrench = { kind: 'beam', name: 'wrench with a pointer', unit: 'lbf·in', division: inUnit(0.5, 'lbf·in'), least: null, most: null };

function torqueLimit(stationId: string, [min, max]: readonly [number, number], unit: TorqueUnit, written: string, more: Partial<Limit> = {}): Limit {
  const torque = { min: inUnit(min, unit), max: inUnit(max, unit), unit };
  const from = { source: 'manual' as const, pageOrWhom: 'p. 61', saidAt: '', working: '', specId: null, inUse: true };
  return { id: newId(), revision: 1, stationId, min: null, max: null, torque, written, unit: 'thou', ...from, ...more };
}

/** A rear axle whose pinion is drawn up turn by turn: how far the nut went, and what it dragged then. */
function axle(facts: JobFacts): void {
  const assemblyId = newId();
  facts.assemblies.push({
    id: assemblyId,
    revision: 1,
    jobId: facts.job.id,
    name: 'Rear axle',
    kind: 'box',
    position: 2,
    mirrorOf: null,
    cameApart: false,
  });
  const story = { name: 'Pinion', template: 'pinionBySleeve', place: 'behindCup', as: INSTRUMENTS.dialThou, limits: {}, evenings: [] } as const;
  tellShaft(facts, assemblyId, story);
  const shaftId = facts.shafts.at(-1)?.id ?? '';
  const float = facts.stations.find((s) => s.shaftId === shaftId && s.subject === 'gap');
  if (!float) throw new Error('The pinion has no gap.');
  const drag = { ...newDrag(float, 'Pinion drag', newId), revision: 1, wrench: POINTER };
  facts.stations.push(drag);
  facts.limits.push(torqueLimit(drag.id, [13, 17], 'lbf·in', '13-17 lb in, new bearings', { conditions: { bearings: 'new' } }));
  const placeOf = (kind: string): string => facts.places.find((p) => p.shaftId === shaftId && p.kind === kind)?.id ?? '';
  const steps = [
    [0, [2.5, 2.5, 2.5], '19:00'],
    [20, [4.5, 4.5, 5], '19:08'],
    [20, [7, 7.5, 7], '19:17'],
    [15, [9.5, 9.5, 10], '19:29'],
  ] as const;
  steps.forEach(([degrees, torques, time], i) => {
    const id = newId();
    const when = at(13, time);
    const turned = [
      { id: newId(), placeId: placeOf('fastening'), leaves: [], state: null, turn: degrees },
      { id: newId(), placeId: placeOf('crushSleeve'), leaves: [], state: SLEEVE_CRUSHED },
    ];
    const parentId = facts.builds.findLast((b) => b.assemblyId === assemblyId)?.id ?? null;
    facts.builds.push({ id, assemblyId, parentId, stage: 'dry', at: when, who, label: '', feel: [], note: '', fits: i === 0 ? [] : turned });
    const values = torques.map((each) => inUnit(each, 'lbf·in'));
    facts.readings.push({
      id: newId(),
      stationId: drag.id,
      buildId: id,
      raw: {
        method: 'wrench',
        text: `${torques.join(' ')} lb in`,
        understood: { how: 'torques', values, unit: 'lbf·in' },
        instrument: null,
        wrench: POINTER,
        restsOn: [{ item: 'bearings', answer: 'new bearings' }],
      },
      who,
      takenAt: when,
      supersedes: null,
      keptAs: { value: null, si: values[0] ?? 0, words: `${torques[0]} lbf·in` },
    });
  });
  const second = facts.builds.at(-3);
  if (second) facts.feels.push({ id: newId(), buildId: second.id, word: 'a little drag', who, at: at(13, '19:10') });
  for (const [i, number] of ['30305', '30305', '32206', '32205'].entries()) {
    const races = facts.places.filter((p) => p.shaftId === shaftId && (p.kind === 'cup' || p.kind === 'cone'));
    const part = facts.parts.find(({ id }) => id === races[i]?.partId);
    if (part) part.number = number;
  }
  capBolts(facts, assemblyId);
}

/** The caps of the crown wheel's bearings: hand tight all round, and half of the second round. */
function capBolts(facts: JobFacts, assemblyId: string): void {
  const bare = newJoint({ assemblyId, placeId: null, stripId: null, name: 'Bearing cap bolts', shape: 'rectangle', holes: 4 }, newId);
  const rounds = [
    { torque: null, degrees: null, written: 'hand' },
    { torque: inUnit(18, 'lbf·ft'), degrees: null, written: '18 lb ft' },
    { torque: inUnit(36, 'lbf·ft'), degrees: null, written: '36 lb ft' },
  ];
  const joint = { ...bare, revision: 1, thread: '7/16 BSF', major: thou(437.5), pitch: thou(1000 / 18), grade: '8.8', dressing: 'oiled', rounds };
  facts.joints.push(joint);
  const station = { ...newTorque(joint, { shaftId: null, assemblyId }, newId), revision: 1 };
  facts.stations.push(station);
  facts.limits.push(torqueLimit(station.id, [34, 38], 'lbf·ft', '34-38 lb ft, oiled', { conditions: { dressing: 'oiled' } }));
  const pulled = [...[1, 3, 2, 4].map((hole) => [0, hole] as const), [1, 1] as const, [1, 3] as const];
  for (const [i, [round, hole]] of pulled.entries())
    facts.pulls.push({
      ...{ id: newId(), jointId: joint.id, buildId: facts.builds.findLast((b) => b.assemblyId === assemblyId)?.id ?? null, round, hole },
      ...{ torque: null, degrees: null, written: '', after: facts.readings.at(-1)?.id ?? null, who, at: at(13, `19:4${i}`) },
    });
}

/** Needles of the layshaft, as they came out. */
function layshaftNeedles(facts: JobFacts): void {
  const assemblyId = facts.assemblies[0]?.id ?? '';
  const sizes = {
    trackInner: thou(687.5),
    trackOuter: thou(938.5),
    diameter: thou(125),
    length: thou(750),
    trackLength: thou(1510),
    rows: 2,
    spacers: 1,
  };
  const rollers = { ...newRollers({ assemblyId, placeId: null, name: 'Layshaft, front end' }, newId), revision: 1, ...sizes };
  facts.rollers.push(rollers);
  const out = { way: 'out' as const, count: 40, spacers: 1, snug: null, note: '', who, at: at(11, '18:40') };
  facts.rollerCounts.push({ id: newId(), rollersId: rollers.id, buildId: null, ...out });
}

axle(mailVan);
layshaftNeedles(mailVan);
