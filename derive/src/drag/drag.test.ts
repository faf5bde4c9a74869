import { describe, expect, it } from '@jest/globals';
import { newDrag, newJoint, newRise, newTogether, type Limit, type RawReading, type Station, type Wrench } from '@elder-cog/contract';
import { convertTorque, mm, type TorqueUnit } from '@elder-cog/core';
import {
  derive,
  dragValue,
  expectedOfDrag,
  feltDrags,
  handsOf,
  NEW_SLEEVE,
  nextOf,
  SLEEVE_CRUSHED,
  type DragState,
  type JobState,
  type ShaftState,
} from '../index.ts';
import { Story } from '../testing.ts';

const LBF_IN = convertTorque(1, 'lbf·in', 'N·m');
const POINTER: Wrench = { kind: 'beam', name: 'wrench with a pointer', unit: 'lbf·in', division: 0.5 * LBF_IN, least: null, most: null };

/** A pinion on a crush sleeve, with its drag read beside its float. */
class Dragged {
  readonly story: Story;
  readonly drag: Station;

  constructor(by: 'either' | 'both' | null = null, template: 'pinionBySleeve' | 'hubByNut' = 'pinionBySleeve') {
    this.story = new Story(
      template === 'pinionBySleeve' ? { template, place: 'behindCup', limits: null } : { template, place: 'betweenCones', limits: '2-4 thou' },
    );
    const { facts, station } = this.story;
    this.drag = { ...newDrag(station, 'Pinion drag', () => this.story.id()), revision: 1, wrench: POINTER };
    facts.stations.push(this.drag);
    if (by) {
      const together = newTogether({ assemblyId: facts.assemblies[0]?.id ?? '', name: 'Set', by }, [this.drag.id, station.id], () => this.story.id());
      facts.settings.push({ ...together, revision: 1 });
    }
  }

  limit(
    min: number | null,
    max: number | null,
    conditions: Limit['conditions'] = undefined,
    stationId = this.drag.id,
    unit: TorqueUnit = 'lbf·in',
  ): Limit {
    const inUnit = (value: number | null): number | null => (value === null ? null : convertTorque(value, unit, 'N·m'));
    const from = { source: 'manual' as const, pageOrWhom: '', saidAt: '', working: '', specId: null, inUse: true };
    const torque = { min: inUnit(min), max: inUnit(max), unit };
    const of = { id: this.story.id(), revision: 1, stationId, min: null, max: null, torque, written: '', unit: 'thou' as const, ...from };
    const limit: Limit = { ...of, ...(conditions ? { conditions } : {}) };
    this.story.facts.limits.push(limit);
    return limit;
  }

  /** lbf·in off a wrench, on the build that stands. */
  read(torques: readonly number[], more: Partial<RawReading> = {}): string {
    const values = torques.map((each) => each * LBF_IN);
    return this.keep({ method: 'wrench', text: torques.join(' '), understood: { how: 'torques', values, unit: 'lbf·in' }, wrench: POINTER, ...more });
  }

  /** N on a cord at a radius, mm. */
  pull(newtons: number, radius: number, more: Partial<RawReading> = {}): string {
    return this.keep({
      method: 'cord',
      text: `${newtons} N`,
      understood: { how: 'pulls', values: [newtons], unit: 'N', radius: mm(radius) },
      ...more,
    });
  }

  private keep(raw: Pick<RawReading, 'method' | 'text' | 'understood'> & Partial<RawReading>): string {
    const { facts } = this.story;
    const id = this.story.id();
    const buildId = facts.builds.at(-1)?.id ?? null;
    const whole = { instrument: null, restsOn: [], ...raw };
    facts.readings.push({
      id,
      stationId: this.drag.id,
      buildId,
      raw: whole,
      who: '',
      takenAt: '2026-01-03T00:00:00.000Z',
      supersedes: null,
      keptAs: { value: null, words: '' },
    });
    return id;
  }

  /** The nut turned on, and its sleeve with it. */
  turn(degrees: number): void {
    const built = this.story.build(null);
    const fit = (role: RegExp): string => this.story.facts.places.find((place) => role.test(place.kind))?.id ?? '';
    built.fits.push({ id: this.story.id(), placeId: fit(/^fastening$/), leaves: [], state: null, turn: degrees });
    if (fit(/^crushSleeve$/)) built.fits.push({ id: this.story.id(), placeId: fit(/^crushSleeve$/), leaves: [], state: SLEEVE_CRUSHED });
  }

  get job(): JobState {
    return derive({ ...this.story.facts });
  }
  get shaft(): ShaftState {
    return this.job.shafts[0] as ShaftState;
  }
  get state(): DragState {
    return this.shaft.drags?.find(({ station }) => station.id === this.drag.id) as DragState;
  }
}

describe('a drag that is read', () => {
  it('is judged by its limits: too little is loose, and told in what they are printed in', () => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24);
    of.read([14.5, 14.5]);
    expect(of.state).toMatchObject({ mark: 'loose', unit: 'lbf·in', now: { kind: 'read' }, limits: { when: '' } });
    expect(of.state.now.reading?.value).toBeCloseTo(14.5 * LBF_IN, 9);
    of.read([26, 26, 26, 26, 26, 26]);
    expect(of.state.now.values).toHaveLength(8);
  });
  it('by a cord is its pull at its radius, less its seal; and the radius is said back for the whole of the log', () => {
    const of = new Dragged();
    of.story.build(null);
    // 80.4 N at 27 mm is 2.171 N·m; 0.2 of it the seal
    of.pull(80.4, 27, { seal: 0.2 });
    expect(of.state.now.reading?.value).toBeCloseTo(80.4 * 0.027 - 0.2, 9);
    expect(of.state.radius).toEqual({ value: mm(27), isOfThisLog: true });
    of.turn(15);
    expect(of.state.radius?.isOfThisLog).toBe(true);
    // a new sleeve begins the log anew: the radius is asked again, and the old one offered
    of.story.build(null, { [of.story.facts.places.find(({ kind }) => kind === 'crushSleeve')?.role ?? '']: NEW_SLEEVE });
    expect(of.state.radius).toEqual({ value: mm(27), isOfThisLog: false });
    expect(of.state.sum.map(({ label }) => label)).toEqual(['pull', 'at a radius of', 'the seal alone', 'drag']);
  });
  it('is at work before a float nobody has read, or said limits of: what next is to turn the nut', () => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(14, 18);
    for (const [degrees, torque] of [
      [0, 3],
      [20, 6],
      [20, 9],
    ] as const) {
      if (degrees > 0) of.turn(degrees);
      of.read([torque, torque]);
    }
    expect(of.shaft.gaps[0]?.now.kind).toBe('none');
    expect(nextOf(of.shaft)).toMatchObject({ what: 'fit', stationId: of.drag.id, words: expect.stringMatching(/^Turn the nut \d+° on/) });
    // a float that is to be within limits comes first
    of.story.limit('1-3 thou');
    expect(nextOf(of.shaft)).toMatchObject({ stationId: of.story.station.id });
  });
  it('as it started is kept, and not counted', () => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24);
    of.read([30], { restsOn: [{ item: 'pull', answer: 'starting' }] });
    expect(of.state).toMatchObject({ mark: 'unmeasured', now: { kind: 'none', reading: null } });
    expect(of.state.now.kept[0]?.notCounted).toContain('starts');
  });
  it('off a wrench that clicks is none', () => {
    const raw = { method: 'wrench', text: '14', understood: { how: 'torques', values: [1.6], unit: 'N·m' }, instrument: null, restsOn: [] } as const;
    const clicks = dragValue({ ...raw, understood: { ...raw.understood, values: [1.6] }, restsOn: [], wrench: { ...POINTER, kind: 'click' } });
    expect(clicks).toMatchObject({ refusal: { code: 'clicks' } });
  });
  it('is stale once the nut was turned, a pack changed or its fastening let go; and on nothing else', () => {
    const of = new Dragged(null, 'hubByNut');
    of.story.build([20]);
    of.limit(5, 8);
    of.read([6]);
    expect(of.state.mark).toBe('in');
    of.turn(10);
    expect(of.state).toMatchObject({ mark: 'stale', now: { kind: 'stale' } });
    expect(of.state.now.because).toContain('nut turned 10° on');
    of.turn(-10);
    // turned back, it stands as it did: the build that was read differs in nothing from this
    expect(of.state.now.kind).toBe('read');
    of.story.build([22]);
    expect(of.state.now.kind).toBe('stale');
  });
  it('with no limits judges nothing, and a single figure only says how far off it is', () => {
    const of = new Dragged();
    of.story.build(null);
    of.read([14]);
    expect(of.state).toMatchObject({ mark: 'cannotTell', limits: null, nominal: null });
    const limit = of.limit(null, null);
    (limit as { torque: unknown }).torque = { min: null, max: null, nominal: 0.9, unit: 'N·m' };
    expect(of.state.nominal).toMatchObject({ value: 0.9 });
  });
});

describe('limits that are for new bearings, or for used ones', () => {
  const both = (): Dragged => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24, { bearings: 'new' });
    of.limit(9, 12, { bearings: 'used' });
    return of;
  };
  it('are chosen by what was read', () => {
    const of = both();
    of.read([10], { restsOn: [{ item: 'bearings', answer: 'used bearings' }] });
    expect(of.state).toMatchObject({ mark: 'in', limits: { when: 'used bearings' } });
    const other = both();
    other.read([10], { restsOn: [{ item: 'bearings', answer: 'new bearings' }] });
    expect(other.state).toMatchObject({ mark: 'loose', limits: { when: 'new bearings' } });
  });
  it('judge nothing that they are not for, and say what they are for', () => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24, { seal: 'out' });
    of.read([20], { restsOn: [{ item: 'seal', answer: 'seal in' }] });
    expect(of.state).toMatchObject({ mark: 'cannotTell', limits: null, otherwise: 'seal out' });
  });
  it('one net of its seal is as with the seal out, whichever way it stood', () => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24, { seal: 'out' });
    of.limit(22, 30, { seal: 'in' });
    // 24 with the seal in, of which the seal takes 3: 21, and not judged by what is for a seal that is in
    of.read([24, 24, 24], { restsOn: [{ item: 'seal', answer: 'seal in' }], seal: 3 * LBF_IN });
    expect(of.state.now.reading?.value).toBeCloseTo(21 * LBF_IN, 6);
    expect(of.state).toMatchObject({ mark: 'in', limits: { when: 'seal out' } });
  });
});

describe('the log of a crush sleeve', () => {
  const logged = (): Dragged => {
    const of = new Dragged();
    of.story.build(null);
    of.limit(18, 24);
    of.read([0.9]);
    for (const [degrees, drag] of [
      [30, 4],
      [20, 7.5],
      [15, 11.5],
      [10, 14.5],
    ] as const) {
      of.turn(degrees);
      of.read([drag]);
    }
    return of;
  };
  it('has a line a turn, what it comes to in all, and what each was to be', () => {
    const { log } = logged().state;
    expect(log?.steps.map(({ degrees, inAll }) => [degrees, inAll])).toEqual([
      [0, 0],
      [30, 30],
      [20, 50],
      [15, 65],
      [10, 75],
    ]);
    expect(log?.steps[0]?.expected).toBeNull();
    expect(log?.steps[4]?.expected?.value).toBeGreaterThan(11.5 * LBF_IN);
    expect(log?.plan?.state).toBe('go');
    expect(log?.plan?.next?.chanceOver).toBeLessThan(0.01);
  });
  it('asks for the reading of a turn that was made, with what is expected of it', () => {
    const of = logged();
    of.turn(12);
    expect(of.state).toMatchObject({ mark: 'stale', log: { plan: { state: 'read' } } });
    expect(of.state.log?.steps.at(-1)).toMatchObject({ degrees: 12, inAll: 87, drag: null });
    expect(nextOf(of.shaft).words).toContain('Read');
  });
  it('begins anew with a new sleeve, and its builds share a number', () => {
    const of = logged();
    expect(of.shaft.builds.map(({ number }) => number)).toEqual([0, 0, 0, 0, 0]);
    expect(of.shaft.builds.at(-1)?.torqued).toBe('10° on');
    of.story.build(null, { [of.story.facts.places.find(({ kind }) => kind === 'crushSleeve')?.role ?? '']: NEW_SLEEVE });
    expect(of.state.log?.steps).toHaveLength(1);
  });
  it('says of the sleeves before what they came to, and how they rose there', () => {
    const of = logged();
    const newSleeve = (): unknown =>
      of.story.build(null, { [of.story.facts.places.find(({ kind }) => kind === 'crushSleeve')?.role ?? '']: NEW_SLEEVE });
    expect(of.state.log?.before).toEqual([]);
    newSleeve();
    // 30, 20, 15 and 10 degrees; 11.5 and then 14.5 lbf·in
    expect(of.state.log?.before).toEqual([{ degrees: 75, drag: expect.closeTo(14.5 * LBF_IN, 6), perDegree: expect.closeTo(0.3 * LBF_IN, 6) }]);
    // one that was never turned tells nothing
    newSleeve();
    expect(of.state.log?.before).toHaveLength(1);
  });
  it('wants both ends of its limits', () => {
    const of = new Dragged();
    of.story.build(null);
    of.read([0.9]);
    expect(of.state.log).toMatchObject({ plan: null, wants: 'limits' });
    of.limit(null, 24);
    expect(of.state.log).toMatchObject({ plan: null, wants: 'bothEnds' });
  });
  it('expects anything from hardly nothing to well over the limits, for that is the way it goes', () => {
    const { max = 0 } = { max: 24 * LBF_IN };
    const expected = expectedOfDrag(logged().state);
    expect(expected?.min).toBeCloseTo(max / 50, 9);
    expect(expected?.max).toBeCloseTo(max * 4, 9);
    const hub = new Dragged(null, 'hubByNut');
    expect(expectedOfDrag(hub.state)).toBeNull();
  });
});

describe('a float or a drag, whichever is there', () => {
  it('is right by the one that is in; the other need not be read', () => {
    const of = new Dragged('either', 'hubByNut');
    of.story.build([20]);
    of.limit(5, 8);
    of.read([6]);
    expect(of.job.settings?.[0]).toMatchObject({ mark: 'in', judgedBy: { station: { id: of.drag.id } } });
    expect(of.shaft.gaps[0]?.isSpared).toBe(true);
    expect(nextOf(of.shaft, of.job.settings).what).not.toBe('read');
  });
  it('one in and the other out is asked about', () => {
    const of = new Dragged('either', 'hubByNut');
    of.story.build([20]);
    of.limit(5, 8);
    of.read([6]);
    of.story.read('0>12');
    expect(of.job.settings?.[0]?.asks).toMatchObject({ isIn: { station: { id: of.drag.id } } });
  });
});

describe('a rise with a ceiling', () => {
  const risen = (before: number, after: number): Dragged => {
    const of = new Dragged(null, 'hubByNut');
    const { facts } = of.story;
    const rise: Station = { ...newRise(of.drag, 'Rise', () => of.story.id()), revision: 1 };
    facts.stations.push(rise);
    const together = newTogether({ assemblyId: facts.assemblies[0]?.id ?? '', name: 'Rise', by: 'ceiling' }, [rise.id, of.drag.id], () =>
      of.story.id(),
    );
    facts.settings.push({ ...together, revision: 1 });
    of.limit(2, 8, undefined, rise.id);
    of.limit(null, 12);
    of.story.build([20]);
    of.read([before], { isBefore: true });
    of.turn(20);
    of.read([after]);
    return of;
  };
  const riseOf = (of: Dragged): DragState | undefined => of.shaft.drags?.find(({ rise }) => rise !== undefined);
  it('is what it is now less what it was before it was tightened', () => {
    const of = risen(4, 8);
    expect(riseOf(of)).toMatchObject({ mark: 'in', now: { kind: 'read' } });
    expect(riseOf(of)?.now.reading?.value).toBeCloseTo(4 * LBF_IN, 9);
    expect(of.job.settings?.[0]?.mark).toBe('in');
  });
  it('under a ceiling that is passed is never in, whatever else is', () => {
    const of = risen(10, 14);
    expect(riseOf(of)?.mark).toBe('in');
    expect(of.job.settings?.[0]).toMatchObject({ mark: 'tight', judgedBy: { station: { id: of.drag.id } } });
  });
  it('is stale where more than the nut was changed between', () => {
    const of = risen(4, 8);
    of.story.build([22]);
    of.read([8]);
    expect(riseOf(of)).toMatchObject({ mark: 'stale', rise: { staleBecause: 'pack changed' } });
  });
});

describe('a nut that sets a float', () => {
  it('moves it by its pitch: a forecast, to be read', () => {
    const of = new Dragged(null, 'hubByNut');
    const { facts } = of.story;
    const nut = facts.places.find(({ kind }) => kind === 'fastening');
    const joint = newJoint(
      { assemblyId: facts.assemblies[0]?.id ?? '', placeId: nut?.id ?? null, stripId: null, name: 'Hub nut', shape: 'circle', holes: 1 },
      () => of.story.id(),
    );
    facts.joints.push({ ...joint, revision: 1, adjusts: true, pitch: mm(1.5) });
    of.story.build([20]);
    of.story.read('0>10');
    // a sixth of a turn back of 1.5 mm: a quarter of a millimetre more
    of.turn(-60);
    const gap = of.shaft.gaps[0];
    expect(gap?.now.kind).toBe('forecast');
    expect(gap?.now.reading?.value).toBe(10 * 25400 + 250000);
    // of a nut that clamps nobody knows
    facts.joints[0] = { ...joint, revision: 1, pitch: mm(1.5) };
    expect(of.shaft.gaps[0]?.now.kind).toBe('stale');
  });
});

describe('hands that are calibrated', () => {
  it('are what was felt of a build beside the drag that was read of it, by whom, and of what size of bearing', () => {
    const of = new Dragged();
    const { facts } = of.story;
    const feel = (word: string, who = 'A. B.'): void => {
      facts.feels.push({ id: of.story.id(), buildId: facts.builds.at(-1)?.id ?? '', word, who, at: '2026-01-03T00:00:00.000Z' });
    };
    of.story.build(null);
    of.read([4]);
    feel('a little drag');
    of.turn(10);
    of.read([6]);
    feel('a little drag');
    feel('stiff', 'C. D.');
    of.turn(10);
    of.read([16]);
    feel('firm');
    const felt = feltDrags(facts);
    expect(felt).toHaveLength(4);
    expect(felt[0]).toMatchObject({ who: 'A. B.', word: 'a little drag', bore: null });
    const hands = handsOf(felt, { who: 'A. B.', bore: null });
    expect(hands.map(({ word, times }) => [word, times])).toEqual([
      ['a little drag', 2],
      ['firm', 1],
    ]);
    expect(hands[0]?.least).toBeCloseTo(4 * LBF_IN, 9);
    expect(hands[0]?.most).toBeCloseTo(6 * LBF_IN, 9);
  });
  it('of bearings a quarter bigger, or more, are other hands', () => {
    const felt = [
      { who: '', word: 'firm', drag: 1, bore: mm(30) },
      { who: '', word: 'firm', drag: 3, bore: mm(60) },
    ];
    expect(handsOf(felt, { who: '', bore: mm(32) })).toMatchObject([{ word: 'firm', times: 1, most: 1 }]);
    expect(handsOf(felt, { who: '', bore: null })).toMatchObject([{ times: 2 }]);
  });
});
