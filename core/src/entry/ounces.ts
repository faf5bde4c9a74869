import { readNumber } from '../quantity/index.ts';

const POUNDS_AND_OUNCES =
  /(\d+)\s*(?:lbs?|lbf|pounds?)\.?,?\s*(?:and\s+)?(\d+ \d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d*\.\d+|\d+)\s*(?:ozf?|ounces?)\b(?!\s*[.·-]?\s*in)/gi;

/** Pounds and ounces of a spring balance as pounds alone: "3.25 lb on the cord", of "3 lb 4 oz on the cord". */
export const withOunces = (clean: string): string =>
  clean.replace(POUNDS_AND_OUNCES, (_, pounds: string, ounces: string) => `${Number(pounds) + readNumber(ounces) / 16} lb`);
