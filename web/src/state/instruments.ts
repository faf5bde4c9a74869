import type { Method, Repeatability, Station } from '@elder-cog/contract';
import type { Instrument } from '@elder-cog/core';
import { asInstrument, asLearned } from '@elder-cog/derive';
import { useDrawer } from './api.ts';

const NONE_LEARNED: readonly Repeatability[] = [];

/** What a station is read with, as well as it is known to repeat here. */
export function useInstrument({ instrument }: Pick<Station, 'instrument'>, method: Method): Instrument {
  const learned = useDrawer().data?.repeatability ?? NONE_LEARNED;
  return asLearned(asInstrument(instrument), method, learned);
}

/** The workshop's own instruments. */
export function useOwnInstruments(): Instrument[] {
  return (useDrawer().data?.instruments ?? []).map((own) => asInstrument(own.instrument));
}
