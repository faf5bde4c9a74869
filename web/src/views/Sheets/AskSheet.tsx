import { FEATURES, formatLength, formatLimits, isFeatureKind, unitWord, type LengthUnit } from '@elder-cog/core';
import { givenLimits } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Link, useParams } from 'react-router';
import { Primary } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { SectionView } from '../../kit/SectionView.tsx';
import { useJob, whereIn } from '../../state/job.ts';
import { originWords } from '../../state/understood.ts';
import { PairDrawing } from '../WearBook/PairDrawing.tsx';
import { hasSurveyDrawing, SurveyPicture } from '../WearBook/SurveyDrawing.tsx';

/** One station on a sheet, to send to someone who may know: what it is, a drawing, what was read, and the question. */
export default function AskSheet(): JSX.Element {
  const { stationId = '' } = useParams();
  const { state } = useJob();
  const [question, setQuestion] = useState('What should this be, new and worn? And how do you know?');
  const shaft = state.shafts.find((s) => [...s.gaps, ...s.features, ...s.pairs].some((row) => row.station.id === stationId));
  const holder = shaft ?? state.boxes.find((b) => [...b.features, ...b.pairs].some((row) => row.station.id === stationId));
  const gap = shaft?.gaps.find((g) => g.station.id === stationId) ?? null;
  const pair = holder?.pairs.find((p) => p.station.id === stationId) ?? null;
  const feature = holder?.features.find((f) => f.station.id === stationId) ?? null;
  const row = gap ?? pair ?? feature;
  if (!holder || !row)
    return (
      <main className="p-6">
        <p>
          There is no such station here: it may have been undone.{' '}
          <Link to={`/jobs/${state.job.id}/wear`} className="inline-flex min-h-12 items-center text-blue underline">
            To the Wear book
          </Link>
        </p>
      </main>
    );
  const features = pair ? [pair.bore, pair.journal].filter((f) => f !== null) : feature ? [feature] : [];
  const value = gap ? (gap.now.reading?.value ?? null) : pair ? (pair.clearance?.greatest ?? null) : (feature?.now ?? null);
  const unit: LengthUnit = feature && feature.unit !== 'thou' ? (feature.unit === 'mm' ? 'mm' : 'in') : 'thou';
  const what = isFeatureKind(row.station.subject) ? FEATURES[row.station.subject].measures : gap ? 'gap' : 'greatest clearance';
  return (
    <div className="mx-auto max-w-[760px] px-5 py-4">
      <div className="no-print mb-3 flex flex-wrap items-center gap-4">
        <Primary onClick={() => window.print()}>Print the question</Primary>
        <Link
          to={`/jobs/${state.job.id}/wear${whereIn({ shaft: shaft ?? null, box: holder.assembly })}`}
          className="inline-flex min-h-12 items-center text-blue underline"
        >
          Back to the Wear book
        </Link>
      </div>
      <h1 className="m-0 text-[26px] leading-8 font-semibold">{row.station.name}</h1>
      <p className="m-0 text-[17px]">
        {state.job.machine} {state.job.year},{' '}
        <span translate="no">
          {holder.assembly.name}
          {shaft ? `, ${shaft.shaft.name}` : ''}
        </span>
        . {format(new Date(), 'd MMMM yyyy')}.
      </p>
      <label htmlFor="question" className="label mt-3 block text-[17px] font-semibold">
        The question
      </label>
      <textarea
        id="question"
        value={question}
        onChange={(e) => setQuestion(e.target.value)}
        rows={3}
        className="mt-1 w-full border border-edge bg-sheet p-3 text-[18px] print:border-0 print:p-0"
      />
      <div className="mt-2">
        {shaft && gap ? (
          <SectionView question={shaft.section} height={300} />
        ) : pair ? (
          <PairDrawing pair={pair} />
        ) : (
          feature && hasSurveyDrawing(feature) && <SurveyPicture feature={feature} width={560} height={200} />
        )}
      </div>
      <p className="m-0 mt-3 text-[18px]">
        {what}, now:{' '}
        {value === null ? (
          <span className="text-ink2">not measured</span>
        ) : (
          <>
            <span className="num text-[28px] font-semibold">{formatLength(value, unit)}</span> {unitWord(unit)} ·{' '}
            <span className="num text-[20px]">{formatLength(value, unit === 'mm' ? 'in' : 'mm')}</span> {unit === 'mm' ? 'in' : 'mm'}
          </>
        )}
      </p>
      <p className="m-0">
        {row.limits ? (
          <>
            I have:{' '}
            <span className="num font-semibold">
              {formatLimits(row.limits.closesBy === undefined && !row.limits.still ? row.limits.limits : givenLimits(row.limits.fact), unit)}
            </span>{' '}
            {unitWord(unit)}, {originWords(row.limits.fact)}
            {row.limits.fact.source === 'reckoned' ? ` (${row.limits.fact.working})` : ''}.
          </>
        ) : (
          'I have no limits for it.'
        )}
      </p>
      {gap && (
        <LimitBarView
          limits={gap.limits?.limits ?? null}
          reading={gap.now.reading ? { value: gap.now.reading.value, U: gap.now.U ?? 0, state: gap.verdict?.place ?? 'unmeasured' } : null}
          most={560}
        />
      )}
      {features.map((f) => (
        <table key={f.station.id} className="mt-3 w-full border-collapse">
          <caption className="label text-left text-[16px] font-semibold">
            {f.station.name}, {FEATURES[f.kind].measures}
            {f.station.newSize === null ? '' : `; new ${formatLength(f.station.newSize, f.unit)} ${unitWord(f.unit)}`}
          </caption>
          <tbody>
            {f.places.map((p) => (
              <tr key={String(p.at)} className="border-b border-rule">
                <th scope="row" className="py-1 text-left font-normal">
                  {String(p.at ?? '') || 'as read'}
                </th>
                <td className="num py-1 text-right text-[18px]">
                  {p.readings.map((r) => formatLength(r, f.unit)).join('   ')} <span className="unit">{unitWord(f.unit)}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
      <div className="mt-6 border-t-2 border-ink pt-2">
        <p className="label m-0 text-[16px] font-semibold">The answer, and whose</p>
        {[0, 1, 2, 3].map((i) => (
          <div key={i} className="h-10 border-b border-edge" />
        ))}
      </div>
    </div>
  );
}
