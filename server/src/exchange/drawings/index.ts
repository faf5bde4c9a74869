export * from './cuttingList.ts';
export * from './dxf.ts';
export * from './pdf.ts';
export * from './svg.ts';
export * from './title.ts';
