import type { Station } from '@elder-cog/contract';
import { FEATURES, formatLength, formatLimits, MARK_WORDS, unitWord, type Length } from '@elder-cog/core';
import { isPair, lookAlikesWith, plainName, setsWith, type FeatureState, type PairState } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading, Quiet } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { Photos } from '../../kit/Photos.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { originWords } from '../../state/understood.ts';
import { takeOut } from '../../state/wearActions.ts';
import { DoneHere } from '../Section/DoneHere.tsx';
import { AcceptIt } from './AcceptIt.tsx';
import { OffSince, TakenOff } from './TakenOff.tsx';
import { History, type InspectSubject } from './Inspect.tsx';
import { LimitChoice } from './LimitChoice.tsx';
import { LookAlikeView } from './LookAlikeView.tsx';
import { PairDrawing } from './PairDrawing.tsx';
import { hasSurveyDrawing, SurveyDrawing } from './SurveyDrawing.tsx';
import { sizeUnit, smallUnit, verdictWord } from './PartRows.tsx';

/** What stands beside the book: the clearance of a pair, or the one thing chosen, with its drawing, limits, readings and decision. */
export function PartPanel({
  pair,
  feature,
  onInspect,
}: {
  pair: PairState | null;
  feature: FeatureState;
  onInspect: (subject: InspectSubject) => void;
}): JSX.Element {
  return (
    <>
      {pair ? <PairPanel pair={pair} /> : <FeaturePanel feature={feature} />}
      <WorkedOn key={feature.station.id} feature={feature} />
      <AboutPart feature={feature} pair={pair} onInspect={onInspect} />
    </>
  );
}

/** Of the row that is chosen: what was taken off it, and whether it is done. */
function WorkedOn({ feature }: { feature: FeatureState }): JSX.Element {
  const [off, setOff] = useState(false);
  const { station, now, worked } = feature;
  const unit = sizeUnit(feature);
  return (
    <section aria-label="Worked on" className="mt-2 border-t border-rule pt-1">
      <OffSince stationId={station.id} />
      <Quiet onClick={() => setOff((o) => !o)} aria-expanded={off} className="no-print">
        Something was taken off it…
      </Quiet>
      {off && (
        <TakenOff
          stationId={station.id}
          name={station.name}
          bare={smallUnit(unit) === 'mm' ? 'mm' : 'thou'}
          isBuilt={false}
          onKept={() => setOff(false)}
        />
      )}
      <DoneHere stationId={station.id} unit={unit} last={now === null || worked !== undefined ? null : { id: lastRead(feature), value: now }} />
    </section>
  );
}

function PairPanel({ pair }: { pair: PairState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const { state } = useJob();
  const { clearance, limits, verdict } = pair;
  return (
    <div>
      <h2 className="label m-0 text-[18px] font-semibold text-blue">{pair.station.name}</h2>
      <div className="mt-1 flex items-start justify-between gap-3">
        <div className="flex items-start gap-4">
          <Mark kind={pair.mark} size={44} />
          {clearance ? (
            <Num value={clearance.greatest} unit={unit} size={44} both />
          ) : (
            <span className="num text-[44px] leading-[48px] font-semibold text-ink2">?</span>
          )}
        </div>
        <span className={`label text-right text-[20px] font-semibold ${MARK_TEXT[pair.mark]}`}>
          {pair.mark === 'accepted'
            ? 'Accepted'
            : pair.mark === 'stale'
              ? MARK_WORDS.stale
              : verdict
                ? `${MARK_WORDS[pair.mark]}${verdict.sure === 'sure' ? ' · sure' : ''}`
                : clearance
                  ? 'No limits yet'
                  : MARK_WORDS[pair.mark]}
        </span>
      </div>
      {verdict?.because && <p className="m-0 text-[15px] text-ink2">{verdict.because}</p>}
      <PairDrawing pair={pair} />
      {clearance && (
        <p className="m-0 mt-2 flex flex-wrap gap-x-4 text-ink2">
          {(['least', 'mean', 'greatest'] as const).map((which) => (
            <span key={which}>
              {which} <span className="num text-[20px] font-semibold text-ink">{formatLength(clearance[which], unit)}</span>
            </span>
          ))}
          <span>{unitWord(unit)}</span>
        </p>
      )}
      <LimitLine row={pair} />
      {clearance && (
        <LimitBarView
          limits={limits?.limits ?? null}
          reading={{ value: clearance.greatest, U: 2 * clearance.u, state: verdict?.place ?? 'unmeasured' }}
          quantity="clearance"
          most={560}
        />
      )}
      <AcceptIt
        station={pair.station}
        value={clearance?.greatest ?? null}
        isOut={verdict !== null && verdict.place !== 'in'}
        accepted={pair.accepted}
      />
      <ByPlace pair={pair} />
      <ReadGrid features={[pair.bore, pair.journal]} />
      <Earlier features={[pair.bore, pair.journal]} />
      {pair.sum.length > 0 && (
        <div className="mt-2 border-t border-rule pt-2">
          <Heading>The sum</Heading>
          <SumView sum={pair.sum} unit={unit} answerAt={2} />
        </div>
      )}
      <AskLink jobId={state.job.id} stationId={pair.station.id} />
    </div>
  );
}

const lastRead = ({ places }: FeatureState): string | null => places.at(-1)?.ids.at(-1) ?? null;

function FeaturePanel({ feature }: { feature: FeatureState }): JSX.Element {
  const { state } = useJob();
  const { station, now, verdict, survey, limits, kind } = feature;
  const unit = sizeUnit(feature);
  const small = smallUnit(unit);
  const isFloat = FEATURES[kind].mayBeNothing;
  return (
    <div>
      <h2 className="label m-0 text-[18px] font-semibold text-blue">
        {station.name}, {FEATURES[kind].measures}
      </h2>
      <div className="mt-1 flex items-start justify-between gap-3">
        <div className="flex items-start gap-4">
          <Mark kind={feature.mark} size={44} />
          {now === null ? (
            <span className="num text-[44px] leading-[48px] font-semibold text-ink2">?</span>
          ) : (
            <Num value={now} unit={isFloat ? small : unit} size={44} both={isFloat || unit !== 'mm'} />
          )}
        </div>
        <span className={`label text-right text-[20px] font-semibold ${MARK_TEXT[feature.mark]}`}>
          {verdictWord(feature)}
          {verdict?.sure === 'sure' && feature.mark !== 'accepted' ? ' · sure' : ''}
        </span>
      </div>
      {verdict?.because && <p className="m-0 text-[15px] text-ink2">{verdict.because}</p>}
      {hasSurveyDrawing(feature) && <SurveyDrawing feature={feature} />}
      {survey && (
        <p className="m-0 mt-2 flex flex-wrap gap-x-4 text-ink2">
          {figures(feature).map(([name, value]) => (
            <span key={name}>
              {name} <span className="num text-[20px] font-semibold text-ink">{formatLength(value, small)}</span>
            </span>
          ))}
          <span>{unitWord(small)}</span>
        </p>
      )}
      <LimitLine row={feature} />
      {isFloat && now !== null && (
        <LimitBarView
          limits={limits?.limits ?? null}
          reading={{ value: now, U: 2 * (survey?.u ?? 0), state: verdict?.place ?? 'unmeasured' }}
          quantity="clearance"
          most={560}
        />
      )}
      <AcceptIt station={station} value={now} isOut={verdict !== null && verdict.place !== 'in'} accepted={feature.accepted} />
      <ReadGrid features={[feature]} />
      <Earlier features={[feature]} />
      {feature.sum.length > 0 && (
        <div className="mt-2 border-t border-rule pt-2">
          <Heading>The sum</Heading>
          <SumView sum={feature.sum} unit={unit} answerAt={feature.sum.length - 1} />
        </div>
      )}
      <AskLink jobId={state.job.id} stationId={station.id} />
    </div>
  );
}

/** Of the figures of a survey, those this kind of thing has. */
function figures({ survey, kind }: FeatureState): readonly (readonly [string, Length])[] {
  if (!survey) return [];
  const { isRound, places } = FEATURES[kind];
  return [
    ...(survey.wear === undefined ? [] : [['wear', survey.wear] as const]),
    ...(isRound ? [['oval', survey.ovality] as const] : kind === 'thickness' ? [] : [['range', survey.ovality] as const]),
    ...(places.length > 1 ? [['taper', survey.taper] as const] : []),
  ];
}

/** The limits in use and where they come from, or the ways to have some. */
function LimitLine({ row }: { row: FeatureState | PairState }): JSX.Element {
  const display = useSettings((s) => s.unit);
  const [editing, setEditing] = useState(false);
  const { limits } = row;
  const unit = isPair(row) ? display : sizeUnit(row);
  const isRead = isPair(row) ? row.clearance !== null : row.now !== null;
  const asked = editing || (!limits && isRead);
  const isReckoned = limits?.fact.source === 'reckoned';
  return (
    <div className="mt-1 border-t border-rule">
      <p className="m-0 flex flex-wrap items-center justify-between gap-x-3">
        {limits ? (
          <span>
            <span className="num text-[18px] font-semibold">{formatLimits(limits.limits, unit)}</span> <span className="unit">{unitWord(unit)}</span>{' '}
            <span className={`pl-2 ${isReckoned ? 'border-b-2 border-dotted border-ink' : ''}`}>{originWords(limits.fact)}</span>
          </span>
        ) : (
          <span className="text-ink2">no limits yet</span>
        )}
        <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={asked}>
          Limits ▸
        </Quiet>
      </p>
      {isReckoned && <p className="m-0 text-[15px] leading-5 text-ink2">{limits.fact.working}. Not the maker’s.</p>}
      {asked && <LimitChoice row={row} onDone={() => setEditing(false)} />}
    </div>
  );
}

/** The clearance at each place, direction by direction, each with its place in the limits. */
function ByPlace({ pair }: { pair: PairState }): JSX.Element | null {
  const unit = useSettings((st) => st.unit);
  const { byPlace, limits } = pair;
  if (byPlace.length === 0) return null;
  const { min = -Infinity, max = Infinity } = limits?.limits ?? {};
  const most = Math.max(...byPlace.map((place) => place.clearances.length));
  return (
    <table className="mt-2 w-full border-collapse">
      <thead>
        <tr className="label border-b border-edge text-[16px]">
          <th className="py-1 text-left font-semibold">Clearance, {unitWord(unit)}</th>
          {DIRECTIONS.slice(0, most).map((name) => (
            <th key={name} className="text-right font-semibold">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {byPlace.map(({ at, clearances }) => (
          <tr key={at} className="border-b border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              {at || 'as read'}
            </th>
            {clearances.map((clearance, i) => (
              <td
                key={i}
                className={`num text-right text-[18px] ${limits && clearance > max ? 'font-semibold text-loose' : limits && clearance < min ? 'font-semibold text-tight' : ''}`}
              >
                {formatLength(clearance, unit)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
/** Two readings at a place are taken square to each other. */
const DIRECTIONS = ['12–6', '3–9', 'third', 'fourth', 'fifth', 'sixth'] as const;

/** What it measured before it was measured afresh. */
function Earlier({ features }: { features: readonly (FeatureState | null)[] }): JSX.Element | null {
  const sets = features.flatMap((f) => (f ? f.earlier.map((set) => ({ feature: f, set })) : []));
  if (sets.length === 0) return null;
  return (
    <section aria-label="Before" className="mt-2">
      <Heading>Before</Heading>
      {sets.map(({ feature, set }) => (
        <p key={`${feature.station.id} ${set.until}`} className="m-0 flex flex-wrap justify-between gap-x-3 border-t border-rule py-1 text-[16px]">
          <span>
            {feature.station.name}, till {format(new Date(set.until), 'd MMM')}
            {set.why === '' ? '' : `: measured afresh ${set.why}`}
          </span>
          <span className="num">{set.now === null ? '?' : formatLength(set.now, sizeUnit(feature))}</span>
        </p>
      ))}
    </section>
  );
}

/** What was read, place by place. */
function ReadGrid({ features }: { features: readonly (FeatureState | null)[] }): JSX.Element | null {
  const shown = features.filter((f): f is FeatureState => f !== null);
  const order = shown.flatMap((f) => FEATURES[f.kind].places);
  const places = [...new Set(shown.flatMap((f) => f.places.map((p) => String(p.at ?? ''))))].sort((a, b) => order.indexOf(a) - order.indexOf(b));
  if (places.length === 0) return null;
  const cell = (f: FeatureState, at: string): string =>
    f.places
      .find((p) => (p.at ?? '') === at)
      ?.readings.map((r) => formatLength(r, sizeUnit(f)).replace(/^0\./, '.'))
      .join('  ') ?? '–';
  return (
    <table className="mt-2 w-full border-collapse">
      <thead>
        <tr className="label border-b border-edge text-[16px]">
          <th className="py-1 text-left font-semibold">Read</th>
          {shown.map((f) => (
            <th key={f.station.id} className="text-right font-semibold">
              {FEATURES[f.kind].measures}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {places.map((at) => (
          <tr key={at} className="border-b border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              {at || 'as read'}
            </th>
            {shown.map((f) => (
              <td key={f.station.id} className="num text-right text-[17px] whitespace-pre-wrap">
                {cell(f, at)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const AskLink = ({ jobId, stationId }: { jobId: string; stationId: string }): JSX.Element => (
  <Link to={`/jobs/${jobId}/ask/${stationId}`} className="no-print inline-flex min-h-12 items-center text-blue">
    Ask someone who may know ▸
  </Link>
);

const rowsOfPair = ({ bore, journal }: PairState): Station[] => [bore, journal].flatMap((f) => (f ? [f.station] : []));

/** Every reading of a row, this set's and those before, to be taken back any time. */
function RowReadings({ feature }: { feature: FeatureState }): JSX.Element | null {
  const { facts } = useJob();
  const [shown, setShown] = useState(false);
  const ids = new Set([...feature.places, ...feature.earlier.flatMap((set) => set.places)].flatMap((place) => place.ids));
  const gone = new Set(facts.withdrawals.map((w) => w.ofId));
  const readings = facts.readings.filter((r) => r.stationId === feature.station.id && (ids.has(r.id) || !gone.has(r.id)));
  if (readings.length === 0) return null;
  return (
    <>
      <Quiet onClick={() => setShown((s) => !s)} aria-expanded={shown}>
        each reading of the {feature.station.name.toLowerCase()} ▸
      </Quiet>
      {shown && (
        <ul className="m-0 list-none p-0" aria-label="Each reading">
          {readings.map((r) => (
            <li key={r.id} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-t border-rule">
              <span>
                <span className="num text-[17px]">{r.raw.text}</span>{' '}
                <span className="text-[15px] text-ink2">
                  {[r.raw.at ?? '', format(new Date(r.takenAt), 'd MMM HH:mm')].filter((w) => w !== '').join(', ')}
                </span>
              </span>
              <TakeBack id={r.id} what={r.raw.text} />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** The part itself: what it looks like, what it must not be taken for, what it belongs with, and what was decided. */
function AboutPart({
  feature,
  pair,
  onInspect,
}: {
  feature: FeatureState;
  pair: PairState | null;
  onInspect: (subject: InspectSubject) => void;
}): JSX.Element {
  const { facts } = useJob();
  const { send } = useCommand();
  const { station, inspection, kind } = feature;
  const alike = lookAlikesWith(facts, station.name);
  const sets = setsWith(facts, station.name);
  return (
    <section aria-label="The part" className="mt-2 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <Heading>{pair ? station.name : 'The part'}</Heading>
        <Quiet onClick={() => onInspect({ part: station.name, stationId: station.id, type: FEATURES[kind].part })}>Look it over ▸</Quiet>
      </div>
      <RowReadings feature={feature} />
      {inspection && <History history={[inspection]} />}
      {inspection && !inspection.cleaned && (inspection.decision === 'reuse' || inspection.decision === 'dress') && (
        <p className="m-0 text-[16px] font-medium">It was passed before it was clean: look again.</p>
      )}
      {sets.map((set) => (
        <p key={set.id} className="m-0 text-[16px]">
          Stays with {set.members.filter((m) => plainName(m) !== plainName(station.name)).join(', ')} ({set.name}).
        </p>
      ))}
      {alike.map((each) => (
        <LookAlikeView key={each.id} lookAlike={each} />
      ))}
      <p className="no-print m-0">
        <Quiet onClick={() => void send(takeOut(pair ? [pair.station, ...rowsOfPair(pair)] : [station])).catch(() => undefined)}>
          Take {pair ? 'both' : 'it'} out of the book
        </Quiet>
      </p>
      <div className="mt-1">
        <Photos ofKind="station" ofId={station.id} caption={station.name} />
      </div>
    </section>
  );
}
