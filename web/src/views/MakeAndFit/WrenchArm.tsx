import { isBelieved, orNull, torqueAtWrench, understand, wrenchSetting, ZERO, type TorqueUnit, type WrenchScale } from '@elder-cog/core';
import type { JointState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Field, Heading } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { QuantityField, useQuantity } from '../../kit/QuantityField.tsx';
import { torqueWords } from '../../kit/Torque.tsx';
import { useDraft } from '../../state/drafts.ts';
import { useSettings } from '../../state/settings.ts';

/** "2-25 lb ft by 1": from where to where a wrench reads, and its least division; several scales with a comma between. */
function scalesIn(text: string, bare: 'thou' | 'mm'): readonly (WrenchScale & { readonly unit: TorqueUnit })[] {
  return text.split(/,\s+|;/).flatMap((part) => {
    const [, least = '', most = '', unit = '', division = ''] =
      /^\s*([\d.]+)\s*(?:-|to)\s*([\d.]+)\s*([^\d]*?)(?:\s*(?:by|\/)\s*([\d.]+))?\s*$/i.exec(part) ?? [];
    if (most === '' || Number(most) <= Number(least)) return [];
    const read = understand(`1 ${unit.trim() === '' ? (bare === 'mm' ? 'N·m' : 'lbf·ft') : unit}`, { field: 'torque', bare });
    if (read.kind !== 'understood') return [];
    const per = read.value[0] ?? 1;
    const span = Number(most) - Number(least);
    return [
      {
        least: Number(least) * per,
        most: Number(most) * per,
        division: (division === '' ? span / 50 : Number(division)) * per,
        unit: read.unit as TorqueUnit,
      },
    ];
  });
}

/** What to set on a wrench with an extension, which of its scales to read, and whether it can be believed there. */
export function WrenchArm({ state }: { state: JointState }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const { joint, next, rounds } = state;
  const length = useEntry({ field: 'size', bare, quantity: 'sheet' }, { draft: `wrench arm ${joint.id}` });
  const extension = useEntry({ field: 'size', bare, quantity: 'sheet' }, { draft: `wrench extension ${joint.id}` });
  const angle = useQuantity({ field: 'turn', bare }, `wrench angle ${joint.id}`);
  const degrees = angle.understood === null ? 0 : (angle.meaning?.value ?? null);
  const [range, setRange] = useDraft(`wrench range ${joint.assemblyId}`);
  // by hand first: what the wrench is set to after that
  const round = next
    ? rounds.slice(next.round).find(({ round: each }) => each.torque !== null)?.round
    : rounds.findLast(({ round: each }) => each.torque !== null)?.round;
  const torque = round?.torque ?? null;
  const scales = scalesIn(range, bare);
  const arm =
    length.meaning && degrees !== null ? { wrenchLength: length.meaning.value, extension: extension.meaning?.value ?? ZERO, angle: degrees } : null;
  const at = torque === null ? null : arm ? orNull(() => torqueAtWrench({ torque, ...arm })) : torque;
  const set = torque === null || scales.length === 0 ? null : orNull(() => wrenchSetting({ torque, scales, ...(arm ?? {}) }));
  const scale = set ? scales[set.finer] : undefined;
  const unit: TorqueUnit = scale?.unit ?? (bare === 'mm' ? 'N·m' : 'lbf·ft');
  const example = bare === 'mm' ? '8-60 N·m by 1' : '5-40 lb ft by 1';
  const isByHand = next !== null && rounds[next.round]?.round?.torque === null;
  return (
    <section aria-label="Wrench and extension" className="no-print border-t border-rule px-4 py-2">
      <Heading>Wrench and extension</Heading>
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        <EntryField entry={length} id="wrench-length" asksAtOnce label="Square to hand" placeholder={bare === 'mm' ? 'like 340 mm' : 'like 13 in'} />
        <EntryField entry={extension} id="wrench-extension" asksAtOnce label="Nut set aside by" placeholder="or nothing" />
        <QuantityField
          quantity={angle}
          label="At an angle"
          placeholder="straight on"
          says="or 90° where it stands square"
          tells={(degrees) => `${Number(degrees.toFixed(1))}° from straight on`}
        />
        <Field
          label="It reads"
          value={range}
          placeholder="its scale"
          onChange={(e) => setRange(e.target.value)}
          says={
            range.trim() === ''
              ? `like ${example}`
              : scales.length === 0
                ? `from where to where, and its divisions: ${example}`
                : scales.length > 1
                  ? `${scales.length} scales`
                  : ''
          }
        />
      </div>
      {torque === null ? (
        <p className="m-0 text-[16px] text-ink2">
          {rounds.length === 0
            ? 'The rounds first: then what to set on the wrench is said here.'
            : 'By hand or by an angle: nothing is set on the wrench.'}
        </p>
      ) : at === null ? (
        <p className="m-0 text-[16px] font-medium text-tight">Laid back so far, the pull would turn the nut the other way, or not at all.</p>
      ) : (
        <>
          <p className="m-0 text-[17px]">
            {isByHand ? 'By hand first; then set' : 'Set'} <span className="num text-[28px] font-semibold">{torqueWords(set?.set ?? at, unit)}</span>
            {(arm !== null || set !== null) && (
              <>
                ; it pulls <span className="num font-semibold whitespace-nowrap">{torqueWords(set?.achieved ?? torque, unit)}</span> at the nut
              </>
            )}
            .
          </p>
          {arm && extension.meaning && (
            <p className="num m-0 text-[16px] text-ink2">
              {torqueWords(torque, unit)} × L ÷ (L + E·cos {degrees ?? 0}°) = {torqueWords(at, unit)}
            </p>
          )}
          {set && scale && (
            <p className="m-0 text-[16px]">
              {scales.length > 1 ? `The scale in ${scale.unit} reads finer there. ` : ''}
              {isBelieved(set.set, scale) ? (
                'It is over a fifth of its most: it can be believed.'
              ) : (
                <span className="font-medium text-tight">
                  That is under a fifth of its most: a wrench cannot be believed so low. Take a smaller one.
                </span>
              )}
            </p>
          )}
          {range !== '' && scales.length > 0 && !set && (
            <p className="m-0 text-[16px] font-medium text-tight">No scale of that wrench goes there: take another.</p>
          )}
        </>
      )}
    </section>
  );
}
