export { id, time, lengthNm, lengthUnit, who } from './basics.ts';
export { job, assembly, openItem, type Job, type Assembly, type OpenItem } from './job.ts';
export {
  packPlace,
  shaft,
  face,
  place,
  part,
  feature,
  contact,
  type Shaft,
  type FaceFact,
  type PlaceFact,
  type PartFact,
  type Feature,
  type ContactFact,
} from './shaft.ts';
export {
  instrument,
  ownInstrument,
  method,
  aim,
  station,
  wrench,
  type InstrumentCheck,
  type Method,
  type OwnInstrument,
  type Reads,
  type Station,
  type Wrench,
} from './station.ts';
export { joint, pull, rollers, rollerCount, type Joint, type JointRound, type Pull, type RollerCount, type Rollers } from './fasteners.ts';
export { limitSource, limit, conditions, quantityKind, specRow, soundSpec, spec, type LimitSource, type Limit, type Spec } from './limits.ts';
export {
  fitLeaf,
  fit,
  build,
  tightening,
  feel,
  temporary,
  closing,
  removal,
  type FitLeaf,
  type Fit,
  type Build,
  type Closing,
  type Feel,
  type Removal,
  type Temporary,
  type Tightening,
} from './builds.ts';
export { restsOn, rawReading, reading, withdrawal, type RawReading, type ReadingFact, type Withdrawal } from './readings.ts';
export { boltHole, boltMap, stripEntry, type BoltHole, type BoltMap, type StripEntry } from './stripLog.ts';
export {
  decision,
  inspection,
  acceptance,
  photoOf,
  photo,
  type Decision,
  type Inspection,
  type Acceptance,
  type PhotoOf,
  type Photo,
} from './looked.ts';
export { lookAlike, matchedSet, type LookAlike, type MatchedSet } from './together.ts';
export { criterion, setting, type Criterion, type Setting } from './settings.ts';
export { leafForm, lot, fitted, wants, type LeafForm, type Lot, type Fitted, type Wants } from './drawer.ts';
export {
  stock,
  madeForm,
  making,
  pass,
  fitting,
  heating,
  type Stock,
  type Making,
  type Pass,
  type FitPart,
  type Fitting,
  type HeatingGo,
} from './made.ts';
