export * from './length.ts';
export * from './limits.ts';
export * from './readLength.ts';
export * from './suspectSlip.ts';
export * from './torque.ts';
export * from './wireGauge.ts';
