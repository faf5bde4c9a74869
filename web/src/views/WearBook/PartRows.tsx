import { FEATURES, formatLength, isMetric, type Length, type LengthUnit, MARK_WORDS, otherUnit, unitWord } from '@elder-cog/core';
import type { FeatureState, PairState } from '@elder-cog/derive';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState, type JSX } from 'react';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { useSettings } from '../../state/settings.ts';

/** One line of the book: a bush with its journal, or one thing by itself. */
export interface RowGroup {
  readonly key: string;
  readonly pair: PairState | null;
  readonly rows: readonly FeatureState[];
}

/** As many as are drawn without thinking; more than this and only those in sight are. */
const FEW = 60;
const ROW = 68;

export const sizeUnit = (feature: FeatureState): LengthUnit => (isMetric(feature.unit) ? 'mm' : feature.unit);
/** A size in the other system; a float or a gap is never in inches. */
export const sizeOther = (feature: FeatureState): LengthUnit => {
  const unit = sizeUnit(feature);
  return unit === 'mm' && !FEATURES[feature.kind].mayBeNothing ? 'in' : otherUnit(unit);
};
/** A size in inches has its wear in thou. */
export const smallUnit = (unit: LengthUnit): LengthUnit => (unit === 'mm' ? 'mm' : 'thou');

const COLUMNS =
  'grid grid-cols-[minmax(128px,1fr)_78px_108px_88px_62px_96px_84px_102px] max-lg:grid-cols-[minmax(114px,1fr)_74px_106px_86px_62px_92px_78px_88px] max-sm:grid-cols-[minmax(0,1fr)_78px_68px_62px_62px] items-stretch';

interface PartRowsProps {
  readonly groups: readonly RowGroup[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly onDecide: (feature: FeatureState) => void;
}

/** Every journal, bore, washer, roller, spring and tooth, one kind of row for all. */
export function PartRows(props: PartRowsProps): JSX.Element {
  return (
    <table
      aria-label="Parts measured"
      aria-rowcount={props.groups.reduce((n, g) => n + g.rows.length, 1)}
      className="block bg-sheet [&_th]:text-left [&_th]:font-semibold"
    >
      <thead className="block max-sm:sr-only">
        <tr className={`label border-b-2 border-ink px-1 py-2 text-[16px] text-ink2 ${COLUMNS}`}>
          <th scope="col" className="pl-3">
            Part
          </th>
          {(['New', 'Limit', 'Now', 'Wear'] as const).map((name) => (
            <th key={name} scope="col" className="pr-2 text-right!">
              {name}
            </th>
          ))}
          <th scope="col" className="pl-3">
            Clearance
          </th>
          <th scope="col">Verdict</th>
          <th scope="col">Decision</th>
        </tr>
      </thead>
      {props.groups.length <= FEW ? props.groups.map((group) => <Group key={group.key} group={group} {...props} />) : <InSight {...props} />}
    </table>
  );
}

/** Only the rows in sight are there: two thousand scroll as twenty do. */
function InSight(props: PartRowsProps): JSX.Element {
  const { groups, chosen } = props;
  const above = useRef<HTMLTableSectionElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(above.current ? above.current.getBoundingClientRect().top + window.scrollY : 0), []);
  const list = useWindowVirtualizer({
    count: groups.length,
    estimateSize: (i) => (groups[i]?.rows.length ?? 1) * ROW + 1,
    overscan: 6,
    scrollMargin: top,
    getItemKey: (i) => groups[i]?.key ?? i,
  });
  const at = groups.findIndex((g) => g.rows.some((f) => f.station.id === chosen));
  useLayoutEffect(() => {
    if (at >= 0) list.scrollToIndex(at, { align: 'auto' });
  }, [at, list]);
  const items = list.getVirtualItems();
  const before = (items[0]?.start ?? top) - top;
  const after = list.getTotalSize() - ((items.at(-1)?.end ?? top) - top);
  return (
    <>
      <tbody ref={above} aria-hidden="true" className="block" style={{ height: before }} />
      {items.map((item) => {
        const group = groups[item.index];
        return group ? <Group key={item.key} group={group} {...props} /> : null;
      })}
      <tbody aria-hidden="true" className="block" style={{ height: after }} />
    </>
  );
}

function Group({ group, chosen, onChoose, onDecide }: PartRowsProps & { group: RowGroup }): JSX.Element {
  const on = group.rows.some((f) => f.station.id === chosen);
  return (
    <tbody className={`relative block border-b border-edge ${on ? 'bg-band' : ''}`}>
      {group.rows.map((feature, i) => (
        <Row
          key={feature.station.id}
          feature={feature}
          pair={i === 0 ? group.pair : null}
          inPair={group.pair !== null}
          on={on}
          chosen={feature.station.id === chosen}
          onChoose={onChoose}
          onDecide={onDecide}
        />
      ))}
    </tbody>
  );
}

function Row({
  feature,
  pair,
  inPair,
  on,
  chosen,
  onChoose,
  onDecide,
}: {
  feature: FeatureState;
  pair: PairState | null;
  inPair: boolean;
  on: boolean;
  chosen: boolean;
  onChoose: (id: string) => void;
  onDecide: (feature: FeatureState) => void;
}): JSX.Element {
  const line = useRef<HTMLTableRowElement>(null);
  useLayoutEffect(() => {
    if (chosen) line.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const unit = sizeUnit(feature);
  const small = smallUnit(unit);
  const { survey, station, limits, nominal, bound, decision, inspection } = feature;
  return (
    <tr
      ref={line}
      aria-current={chosen}
      onClick={() => onChoose(station.id)}
      style={{ height: ROW }}
      className={`cursor-pointer scroll-mt-16 scroll-mb-56 ${COLUMNS}`}
    >
      <td className={`flex min-w-0 border-l-4 pl-3 max-sm:pl-1.5 ${chosen ? 'border-blue' : 'border-transparent'}`}>
        <button type="button" onClick={() => onChoose(station.id)} aria-pressed={chosen} className="min-h-12 min-w-0 flex-1 text-left">
          <span className="line-clamp-2 text-[17px] leading-5 font-medium max-sm:text-[15px] max-sm:leading-[18px]">{station.name}</span>
          <span className="block truncate text-[15px] leading-5 text-ink2 max-sm:text-[14px]">
            {FEATURES[feature.kind].measures}
            {limits?.fact.source === 'reckoned' ? ' · limit reckoned' : ''}
          </span>
        </button>
      </td>
      <td className="self-center pr-2 text-right max-sm:hidden">
        <TwoLines value={station.newSize} feature={feature} />
      </td>
      <td className="self-center pr-2 text-right max-sm:hidden">
        {limits ? (
          <LimitLines feature={feature} />
        ) : nominal ? (
          <>
            <span className="num block text-[16px] leading-7">{digits(nominal.value, unit)}</span>
            <span className="block text-[14px] leading-5 text-ink2">one figure</span>
          </>
        ) : (
          <span className="text-ink2">none</span>
        )}
      </td>
      <td className="self-center pr-2 text-right">
        {bound && <span className="block text-[14px] leading-4 text-ink2">{bound.kind === 'atLeast' ? 'at least' : 'at most'}</span>}
        <TwoLines value={feature.now ?? bound?.value ?? null} feature={feature} strong />
      </td>
      <td className="self-center pr-2 text-right max-sm:hidden">
        {survey?.wear === undefined ? (
          <span className="text-ink2">–</span>
        ) : (
          <>
            <span className="num block text-[17px] leading-7 whitespace-nowrap">{formatLength(survey.wear, small)}</span>
            <span className="unit block text-[14px] leading-5">{unitWord(small)}</span>
          </>
        )}
      </td>
      <td className="relative self-stretch pl-3 max-sm:pl-1">
        {pair && <Clearance pair={pair} />}
        {inPair && (
          <span
            aria-hidden="true"
            className={`absolute left-1 w-2 border-l-2 border-ink2 ${pair ? 'top-3 bottom-0 border-t-2' : 'top-0 bottom-3 border-b-2'}`}
          />
        )}
      </td>
      <td className="flex flex-col justify-center">
        {isJudgedByPair(feature) ? (
          <span className="text-[15px] leading-5 text-ink2">by the clearance</span>
        ) : (
          <>
            <Mark kind={feature.mark} named={false} ground={on ? 'var(--band)' : 'var(--sheet)'} />
            <span className={`label block text-[16px] leading-5 font-semibold whitespace-nowrap ${MARK_TEXT[feature.mark]}`}>
              {verdictWord(feature)}
            </span>
          </>
        )}
      </td>
      <td className="self-center pr-3 max-sm:pr-1">
        <button
          type="button"
          onClick={() => onDecide(feature)}
          aria-label={`${station.name}: ${decision ?? 'not decided'}; change`}
          title={inspection?.reason ?? ''}
          className={`min-h-12 w-full border px-1 text-[16px] max-sm:text-[14px] ${decision ? 'border-edge bg-paper' : 'border-dashed border-edge text-ink2'}`}
        >
          {decision ?? 'open'}
        </button>
      </td>
    </tr>
  );
}

/** Measured, with no limit of its own, and half of a pair: what is judged is the clearance. */
export const isJudgedByPair = (feature: FeatureState): boolean => feature.isPaired && feature.now !== null && !feature.limits;

/** The word for it: right, thin, short, worn; what nothing is judged by says so. */
export const verdictWord = (feature: FeatureState): string =>
  feature.mark === 'accepted'
    ? 'accepted'
    : feature.mark === 'stale'
      ? MARK_WORDS.stale
      : feature.mark === 'unmeasured'
        ? 'not read'
        : (feature.now !== null || feature.bound !== null) && !feature.limits
          ? 'no limit'
          : feature.word !== null && feature.mark !== 'cannotTell'
            ? feature.word
            : MARK_WORDS[feature.mark];

function LimitLines({ feature }: { feature: FeatureState }): JSX.Element {
  const unit = sizeUnit(feature);
  const limits = feature.limits?.limits ?? {};
  const { min, max } = limits;
  const isReckoned = feature.limits?.fact.source === 'reckoned';
  const ends = [...(min === undefined ? [] : [['min', min] as const]), ...(max === undefined ? [] : [['max', max] as const])];
  // both ends where there are two: either may put it out
  return (
    <>
      {ends.map(([word, value]) => (
        <span key={word} className="block leading-6 whitespace-nowrap">
          <span className="text-[14px] text-ink2">{word}</span>{' '}
          <span className={`num text-[16px] ${isReckoned ? 'border-b-2 border-dotted border-ink' : ''}`}>{digits(value, unit)}</span>
        </span>
      ))}
      {ends.length === 1 && <span className="num block text-[14px] leading-5 text-ink2">{digits(ends[0]?.[1] as Length, sizeOther(feature))}</span>}
    </>
  );
}

const digits = (value: Length, unit: LengthUnit): string => formatLength(value, unit).replace(/^0\.(?=\d{4})/, '.');

function TwoLines({ value, feature, strong = false }: { value: Length | null; feature: FeatureState; strong?: boolean }): JSX.Element {
  if (value === null) return <span className="num text-[20px] text-ink2">{strong ? '?' : '–'}</span>;
  return (
    <>
      <span className={`num block leading-7 whitespace-nowrap ${strong ? 'text-[20px] font-semibold max-sm:text-[17px]' : 'text-[16px]'}`}>
        {digits(value, sizeUnit(feature))}
      </span>
      <span className="num block text-[14px] leading-5 text-ink2">{digits(value, sizeOther(feature))}</span>
    </>
  );
}

/** Stands between the two rows it is of. */
function Clearance({ pair }: { pair: PairState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  return (
    <span className="absolute top-4 left-4 z-[1] flex h-[104px] flex-col justify-center max-sm:left-3">
      {pair.clearance ? (
        <>
          <span className="block text-[14px] leading-5 text-ink2">
            <span className="max-sm:hidden">greatest</span>
            <span className="sm:hidden">{unitWord(unit)}</span>
          </span>
          <span className="whitespace-nowrap">
            <span className="num text-[20px] font-semibold">{formatLength(pair.clearance.greatest, unit)}</span>{' '}
            <span className="unit text-[14px] max-sm:hidden">{unitWord(unit)}</span>
          </span>
          <span className="num block text-[14px] leading-5 text-ink2">{formatLength(pair.clearance.greatest, otherUnit(unit))}</span>
          <span className={`label text-[15px] leading-5 font-semibold ${MARK_TEXT[pair.mark]}`}>
            {pair.mark === 'accepted' ? 'accepted' : pair.limits ? MARK_WORDS[pair.mark] : 'no limits'}
          </span>
        </>
      ) : (
        <>
          <span className="num text-[20px] font-semibold">?</span>
          <span className="block text-[14px] leading-5 text-ink2">not both read</span>
        </>
      )}
    </span>
  );
}
