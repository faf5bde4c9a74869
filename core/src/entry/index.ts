export { sayGap } from './shapes.ts';
export {
  conditionsIn,
  sayConditions,
  sayDragLimits,
  understandDragLimits,
  type DragConditions,
  type DragLimits,
  type DragLimitsQuestion,
} from './dragLimits.ts';
export { eitherOf, meantBy } from './meaning.ts';
export type { EntryField, LeafLine, LimitsEntry, Meaning, Understood, Values as EntryValues } from './meaning.ts';
export { noAim } from './noAim.ts';
export { pitchInName, threadsPerInch, understandPitch } from './pitch.ts';
export { plainRange, type PlainQuantity } from './plainRange.ts';
export { understand } from './anyField.ts';
export type { DragEntry, QuantityField, QuantityQuestion, QuantityValues, UnderstoodQuantity } from './quantities.ts';
export type { EntryQuestion } from './understand.ts';
export { withTolerance } from './withTolerance.ts';
