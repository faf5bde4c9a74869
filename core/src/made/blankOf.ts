import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { NestPart } from '../shim/index.ts';
import { MADE, type MadeForm } from './madeKinds.ts';
import { madeOutline } from './madeOutline.ts';

/**
 * What a flat part takes of a sheet, for laying several out: a disc with its bore, or an oblong where it is half of one.
 *
 * @throws ReckoningError `notFlat`, and as `checkForm`
 * @example blankOf({ kind: 'shim', sizes: { inner: mm(62.5), outer: mm(92), thickness: mm(0.267) }, counts: {} }, 'a').outer // 92 mm
 */
export function blankOf(form: MadeForm, id: string): NestPart {
  if (!MADE[form.kind].isFlat) refuse('notFlat', `A ${MADE[form.kind].called.toLowerCase()} is turned, and not cut from sheet.`);
  const { box } = madeOutline(form);
  const { inner } = form.sizes;
  const width = nanometres(Math.ceil(box.right - box.left));
  return form.kind === 'halfShim'
    ? { id, width, height: nanometres(Math.ceil(box.top - box.bottom)) }
    : { id, outer: width, ...(inner === undefined ? {} : { inner }) };
}

/** How far the middle of what a part takes of a sheet lies over the part's own middle, nm: nothing but of a half. */
export function blankMiddle(form: MadeForm): Length {
  const { box } = madeOutline(form);
  return nanometres(Math.round((box.top + box.bottom) / 2));
}
