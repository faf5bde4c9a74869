import { FILE_LIMIT_MB, type ImportReply } from '@elder-cog/contract';
import { ask } from './ask.ts';
import { useSettings } from './settings.ts';

/** A workshop's photos take their time over a slow network. */
const PATIENCE_MS = 10 * 60_000;

/** Brings a file in: all of it or nothing. Throws a RefusedError whose sentence says where and what. */
export async function bringIn(file: Blob, copy = false): Promise<ImportReply> {
  if (file.size > FILE_LIMIT_MB * 1024 * 1024) throw new Error(`That file is over ${FILE_LIMIT_MB} MB: an export of Elder Cog is not.`);
  const query = new URLSearchParams({ copy: copy ? 'yes' : 'no', who: useSettings.getState().who });
  const init = { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file };
  return ask<ImportReply>(`/api/files?${query.toString()}`, init, PATIENCE_MS);
}

/** A machine beside itself, under ids of its own. */
export async function copyJob(id: string): Promise<ImportReply> {
  const file = await fetch(`/api/jobs/${id}/file`);
  return bringIn(await file.blob(), true);
}
