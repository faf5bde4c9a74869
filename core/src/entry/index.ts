export { sayGap } from './shapes.ts';
export { eitherOf, meantBy } from './meaning.ts';
export type { EntryField, LeafLine, LimitsEntry, Meaning, Understood, Values as EntryValues } from './meaning.ts';
export { noAim } from './noAim.ts';
export { plainRange, type PlainQuantity } from './plainRange.ts';
export { understand, type EntryQuestion } from './understand.ts';
export { withTolerance } from './withTolerance.ts';
