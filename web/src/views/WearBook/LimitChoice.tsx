import type { Assembly } from '@elder-cog/contract';
import {
  BUSH_MATERIALS,
  bearingSeat,
  clearanceAdvice,
  clearanceAdviceSum,
  describeLength,
  formatLength,
  isoFit,
  isoLimits,
  nanometres,
  unitWord,
  type BushMaterial,
  type Length,
  type LengthUnit,
  type Limits,
  smallUnit,
  type Sum,
} from '@elder-cog/core';
import { boxOf, isPair, limitOffers, otherSidesOf, rowHolders, type FeatureState, type LimitOffer, type PairState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useCommand } from '../../state/api.ts';
import { setLimits } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { inBoth, understood } from '../../state/understood.ts';
import { LimitsPanel } from '../Section/SetUp.tsx';

type Row = FeatureState | PairState;

const FROM: Readonly<Record<string, string>> = { other_side: 'Other side', as_found: 'As found' };

/** Where no specification survives: as found and the other side at a tap, then what can be reckoned; or type what a manual prints. */
export function LimitChoice({ row, onDone }: { row: Row; onDone: () => void }): JSX.Element {
  const { facts, state } = useJob();
  const { send, sending } = useCommand();
  const offers = useMemo(() => limitOffers({ facts, holders: rowHolders(state), row }), [facts, state, row]);
  const [reckoning, setReckoning] = useState(false);
  const take = (offer: LimitOffer): void => {
    send(setLimits(row.station, offer.written, { value: offer.limits, unit: offer.unit }, { source: offer.source, pageOrWhom: offer.from })).then(
      onDone,
      () => undefined,
    );
  };
  return (
    <div className="border-t border-rule pt-2">
      <LimitsPanel gap={row} onDone={onDone} />
      <Heading className="mt-1">No spec survives?</Heading>
      <div className="mt-1 flex flex-wrap gap-2">
        {offers.map((offer) => (
          <Secondary key={`${offer.source} ${offer.from} ${offer.written}`} disabled={sending} onClick={() => take(offer)}>
            {FROM[offer.source]}: <span className="num">{offer.written}</span> <span className="text-ink2">{offer.from}</span>
          </Secondary>
        ))}
        <Secondary onClick={() => setReckoning((r) => !r)} aria-expanded={reckoning}>
          Reckon one…
        </Secondary>
      </div>
      {[...new Set(offers.flatMap((offer) => offer.warns ?? []))].map((warns) => (
        <p key={warns} className="m-0 text-[16px] text-ink2">
          {warns}
        </p>
      ))}
      {reckoning && <Reckon row={row} onDone={onDone} />}
      <OtherSide boxId={boxOf(facts, row.station)} />
    </div>
  );
}

/** Which box is the other side of this one: said once, and offered at every row of the same name from then on. */
function OtherSide({ boxId }: { boxId: string | undefined }): JSX.Element | null {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const box = facts.assemblies.find((a) => a.id === boxId);
  const others = facts.assemblies.filter((a) => a.id !== box?.id);
  if (!box || others.length === 0) return null;
  const twins = otherSidesOf(facts, box.id);
  const set = ({ id, revision, name, cameApart }: Assembly, mirrorOf: string | null): void => {
    send({ kind: 'assembly.change', id, revision, name, cameApart, mirrorOf }).catch(() => undefined);
  };
  return (
    <div role="group" aria-label="The other side" className="mt-2 flex flex-wrap items-center gap-2">
      <span className="text-ink2">The other side of the {box.name.toLowerCase()} is</span>
      {others.map((other) => {
        const on = twins.includes(other);
        return (
          <Chip
            key={other.id}
            on={on}
            disabled={sending}
            onClick={() => (on && other.mirrorOf === box.id ? set(other, null) : set(box, on ? null : other.id))}
          >
            {other.name}
          </Chip>
        );
      })}
    </div>
  );
}

type Rule = 'speed' | 'thouAnInch' | 'fit' | 'bearing';
const RULES: readonly (readonly [Rule, string])[] = [
  ['speed', 'by its speed'],
  ['thouAnInch', 'a thou an inch'],
  ['fit', 'a fit, like H7/f7'],
  ['bearing', 'a bearing’s seat'],
];

interface Reckoned {
  readonly limits: Limits;
  readonly sum: Sum;
  readonly working: string;
}

/** A clearance or a size from a rule, always marked as reckoned, with its working. */
function Reckon({ row, onDone }: { row: Row; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const pairRow = isPair(row) ? row : null;
  const unit: LengthUnit = (pairRow?.bore?.unit ?? (isPair(row) ? 'in' : row.unit)) === 'mm' ? 'mm' : 'in';
  const small = smallUnit(unit);
  const known = pairRow
    ? (pairRow.bore?.station.newSize ?? pairRow.bore?.survey?.mean ?? null)
    : isPair(row)
      ? null
      : (row.station.newSize ?? row.now);
  const [rule, setRule] = useState<Rule>(pairRow ? 'speed' : 'fit');
  const size = useEntry({ field: 'size', bare: small }, { initial: known === null ? '' : `${formatLength(known, unit)} ${unit}` });
  const [revs, setRevs] = useState('');
  const [material, setMaterial] = useState<BushMaterial>('bronze');
  const [fit, setFit] = useState(pairRow ? 'H7/f7' : row.station.subject === 'bore' ? 'H7' : 'k6');
  const [why, setWhy] = useState<string | null>(null);
  const reckoned = size.meaning
    ? understood(() => reckon({ row, rule, size: size.meaning?.value as Length, revs: Number(revs), material, fit, unit: small }))
    : 'Say the size first.';
  const ok = typeof reckoned === 'string' ? null : reckoned;
  const keep = (): void => {
    if (!ok) return setWhy(reckoned as string);
    const inUnit = pairRow ? small : unit;
    const { min, max } = ok.limits;
    const written = `${min === undefined ? '' : formatLength(min, inUnit)}${min !== undefined && max !== undefined ? '-' : ''}${max === undefined ? '' : formatLength(max, inUnit)} ${unitWord(inUnit)}`;
    send(setLimits(row.station, written, { value: ok.limits, unit: inUnit }, { source: 'reckoned', working: ok.working })).then(
      onDone,
      () => undefined,
    );
  };
  return (
    <div className="mt-2 border-l-4 border-edge pl-3">
      <div role="group" aria-label="Rule" className="flex flex-wrap gap-2">
        {RULES.filter(([each]) => (pairRow ? each !== 'bearing' : each === 'fit' || each === 'bearing')).map(([each, words]) => (
          <Chip
            key={each}
            on={rule === each}
            onClick={() => {
              setRule(each);
              setWhy(null);
            }}
          >
            {words}
          </Chip>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-3">
        <EntryField
          entry={size}
          asksAtOnce
          label={pairRow ? 'Bore' : 'Nominal size'}
          className="w-52"
          placeholder={unit === 'mm' ? 'like 22' : 'like .8750'}
        />
        {rule === 'speed' && (
          <Field label="Rev/min" value={revs} inputMode="numeric" onChange={(e) => setRevs(e.target.value)} className="w-28" placeholder="like 900" />
        )}
        {(rule === 'fit' || rule === 'bearing') && (
          <Field label="Class" value={fit} onChange={(e) => setFit(e.target.value)} className="w-32" placeholder={pairRow ? 'H7/f7' : 'k6'} />
        )}
      </div>
      {(rule === 'speed' || rule === 'thouAnInch') && (
        <div role="group" aria-label="Bush of" className="mb-2 flex flex-wrap gap-2">
          {BUSH_MATERIALS.map((each) => (
            <Chip key={each} on={material === each} onClick={() => setMaterial(each)}>
              {each}
            </Chip>
          ))}
        </div>
      )}
      {ok ? (
        <>
          <SumView sum={ok.sum} unit={pairRow ? small : unit} />
          <p className="m-0 mt-1 text-[16px]">
            Judged by:{' '}
            {[ok.limits.min, ok.limits.max]
              .map((each) => (each === undefined ? '' : pairRow ? inBoth(each, small) : describeLength(each, unit)))
              .filter((w) => w !== '')
              .join(' to ')}
          </p>
          <p className="m-0 text-[16px] text-ink2">
            <span className="border-b-2 border-dotted border-ink font-medium text-ink">Reckoned</span>, not the maker’s: yours to accept. It is the
            clearance as it runs, in place and warm.
          </p>
        </>
      ) : (
        (why ?? size.text) !== '' && <Refusal>{reckoned as string}</Refusal>
      )}
      <div className="mt-2 flex items-center gap-3">
        <Primary onClick={keep} disabled={sending || !ok}>
          Take it, as reckoned
        </Primary>
        <Quiet onClick={onDone}>Leave it</Quiet>
      </div>
    </div>
  );
}

interface Question {
  readonly row: Row;
  readonly rule: Rule;
  readonly size: Length;
  readonly revs: number;
  readonly material: BushMaterial;
  readonly fit: string;
  /** the system its sentence is told in */
  readonly unit: 'thou' | 'mm';
}

/** A pair is let go to its wear limit; a size, to the limits of its class; a seat, where the ring would no longer be held. */
function reckon({ row, rule, size, revs, material, fit, unit }: Question): Reckoned {
  if (rule === 'speed' || rule === 'thouAnInch') {
    const question = { diameter: size, revsPerMinute: revs, material, rule };
    const advice = clearanceAdvice(question);
    return {
      limits: { min: advice.min, max: advice.wearLimit },
      sum: clearanceAdviceSum(question),
      working: `${advice.because}; new ${describeLength(advice.min, unit)} to ${describeLength(advice.max, unit)}, let go to twice that`,
    };
  }
  if (isPair(row)) {
    const { least, greatest } = isoFit(size, fit);
    return {
      limits: { min: least, max: greatest },
      sum: line('least', least, 'greatest', greatest),
      working: `${fit} at ${describeLength(size, 'mm')}, ISO 286, from memory of the table`,
    };
  }
  const { upper, lower } = isoLimits(size, fit);
  const [min, max] = [nanometres(size + lower), nanometres(size + upper)];
  const seat = rule === 'bearing' ? bearingSeat(size, fit) : null;
  return {
    limits: { min, max },
    sum: [...line('least', min, 'greatest', max), ...(seat ? line('ring on it, from', seat.least, 'to', seat.greatest) : [])],
    working: `${fit} at ${describeLength(size, 'mm')}, ISO 286${seat ? `; a normal bearing ring on it lies ${describeLength(seat.least, 'mm')} to ${describeLength(seat.greatest, 'mm')} clear (minus is tight), ISO 492` : ''}; from memory of the tables`,
  };
}

const line = (a: string, x: Length, b: string, y: Length): Sum => [
  { label: a, expression: '', value: x, unit: 'nm' },
  { label: b, expression: '', value: y, unit: 'nm' },
];
