export * from './tradeWords.ts';
