export * from './agreeWithForecast.ts';
export * from './closureCauses.ts';
export * from './coverGapMethod.ts';
export * from './coverShim.ts';
export * from './edit/index.ts';
export * from './fitTrials.ts';
export * from './forecastGap.ts';
export * from './gapDoubt.ts';
export * from './gapUnderSpacer.ts';
export {
  cupSideOf,
  isBearing,
  facePositions,
  turnedFace,
  turnRound,
  type Contact,
  type Contradiction,
  type FaceGraph,
  type LengthFeature,
  type Part,
  type TwoWays,
} from './graph.ts';
export * from './hotGap.ts';
export * from './inSeries.ts';
export * from './packWindow.ts';
export { requiredPack, requiredPackSum, type PackQuestion } from './requiredPack.ts';
export * from './senses.ts';
export * from './shaftModel.ts';
export { onTheWay, type OnTheWay } from './onTheWay.ts';
export * from './simulateStack.ts';
export * from './sleeveCrush.ts';
export * from './solveShaft.ts';
export { solveUnknown } from './solveUnknown.ts';
export * from './stackGap.ts';
export * from './templates/index.ts';
