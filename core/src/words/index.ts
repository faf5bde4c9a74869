export * from './counted.ts';
export * from './tradeWords.ts';
