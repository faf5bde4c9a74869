import { describe, expect, it } from '@jest/globals';
import { change, newPair, stripEntryOf, type OpenItem, type Station, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, mm, readStripLine } from '@elder-cog/core';
import { derive, type ShaftState } from '@elder-cog/derive';
import { Story } from '../../../derive/src/testing.ts';
import { fitPack, keepReading } from './gapActions.ts';
import { accept, endItem, inspect, leaveOpen, stripOff, takeOut } from './wearActions.ts';

const story = new Story();
const shaft = derive(story.facts).shafts[0] as ShaftState;
const station = (shaft.gaps[0] as ShaftState['gaps'][number]).station;
const jobId = story.facts.job.id;
const entryOf = (text: string) => {
  const read = readStripLine(text, 'thou');
  if (!read) throw new Error(text);
  return stripEntryOf(read, { text, assemblyId: shaft.assembly.id, shaftId: shaft.shaft.id, inventory: false, supersedes: null });
};
const item: OpenItem = {
  id: story.id(),
  revision: 1,
  jobId,
  text: 'Nut hand tight',
  where: 'Gearbox',
  state: 'open',
  reason: '',
  who: '',
  raisedAt: '2026-01-01T00:00:00.000Z',
  endedAt: null,
};

describe('the commands of the Wear book', () => {
  it('are all ones the contract takes', () => {
    const pair = newPair({ of: { shaftId: shaft.shaft.id }, name: 'Front', unit: 'mm', position: 100, newId: () => story.id() });
    const commands = [
      stripOff(entryOf('Cover bolts, 6, 7/8 in, hole 5 1-1/4 in')),
      stripOff(entryOf('Rollers, 26 rollers, in grease')),
      inspect({
        jobId,
        stationId: null,
        part: 'Fork',
        partType: 'selector',
        cleaned: true,
        findings: [{ look: 'bent', severity: 'bad', note: '' }],
        proposed: 'replace',
        decision: 'reuse',
        reason: 'straight by the surface plate',
      }),
      accept(station.id, { value: mm(0.3) }, 'it ran so for years'),
      accept(station.id, { torque: 2.9 }, 'it runs cool'),
      accept(station.id, null, 'the cover is not coming off again'),
      leaveOpen(jobId, 'Rag in the case', 'Gearbox'),
      endItem(item, 'accepted', 'done with the engine in'),
      takeOut(pair.map((s): Station => ({ ...s, revision: 1 }))),
    ];
    for (const each of commands) expect(change.safeParse(each).error).toBeUndefined();
  });
  it('keep a pack that came off as the first build, and the float before it as its reading, in the same command', () => {
    const fitted = fitPack(shaft, story.slot('pack'), [Story.leaf(20), Story.leaf(8)]);
    const float = keepReading(
      station,
      null,
      withUnderstood({ method: 'dial', text: '23 thou', instrument: INSTRUMENTS.dialThou, restsOn: [] }),
      null,
      '23',
    );
    const command = stripOff(entryOf('Pack under the cover, 20+8, output side'), [fitted, float]);
    expect(change.safeParse(command).error).toBeUndefined();
    expect(command).toMatchObject({
      kind: 'strip.add',
      entry: { kind: 'pack', leaves: [{ written: '20' }, { written: '8' }], side: 'output side' },
      builds: [{ stage: 'as_found' }],
      readings: [{ raw: { text: '23 thou' } }],
    });
  });
  it('close an open item with the time, and open it again without', () => {
    const closed = endItem(item, 'closed', '');
    expect(closed.kind === 'openItem.change' && Date.parse(closed.openItem.endedAt ?? '')).toBeGreaterThan(Date.parse(item.raisedAt));
    expect(endItem({ ...item, state: 'closed' }, 'open', '')).toMatchObject({ openItem: { state: 'open', endedAt: null } });
  });
});
