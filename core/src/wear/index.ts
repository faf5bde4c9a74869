export * from './clearanceAdvice.ts';
export * from './decisions.ts';
export * from './featureKinds.ts';
export * from './inspection.ts';
export * from './looks.ts';
export * from './runningClearance.ts';
export * from './survey.ts';
export * from './thrustSurvey.ts';
