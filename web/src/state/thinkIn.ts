import type { DoneReply } from '@elder-cog/contract';
import { ask, postJson } from './ask.ts';
import { useRefusal } from './api.ts';
import { useSettings } from './settings.ts';

/** What a bare number is in this workshop, said once for every tablet: kept by the server, and never what is shown. */
export async function thinkIn(bare: 'thou' | 'mm'): Promise<void> {
  const before = useSettings.getState().bare;
  useSettings.setState({ bare });
  try {
    await ask<DoneReply>('/api/workshop/bare', postJson({ bare }));
  } catch (error) {
    useSettings.setState({ bare: before });
    useRefusal.getState().say((error as Error).message);
  }
}
