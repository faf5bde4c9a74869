import { FEATURES, formatLength, unitWord } from '@elder-cog/core';
import type { FeatureState, ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Chip, Primary } from '../../kit/controls.tsx';
import { useJob, whereIn } from '../../state/job.ts';
import { originWords } from '../../state/understood.ts';
import { NoShaft } from '../Section/Section.tsx';

/** The measuring sheet of a shaft or a whole box: blanks to fill in by pencil, in the order they are typed back. */
export default function MeasuringSheet(): JSX.Element {
  const open = useJob();
  const { state, shaft, box } = open;
  const [whole, setWhole] = useState(false);
  const [blank, setBlank] = useState(false);
  if (!box) return <NoShaft jobId={state.job.id} />;
  const shafts = shaft === null ? [] : whole ? state.shafts.filter((s) => s.assembly.id === box.id) : [shaft];
  const own = state.boxes.find((b) => b.assembly.id === box.id);
  const sheets: readonly Sheet[] = [
    ...shafts.map((s) => ({ ...s, name: `${box.name}, ${s.shaft.name}` })),
    ...(own && (shafts.length === 0 || own.features.length > 0) ? [{ ...own, name: box.name, gaps: [], checks: [] }] : []),
  ];
  return (
    <div className="mx-auto max-w-[860px] px-5 py-4">
      <div className="no-print mb-3 flex flex-wrap items-center gap-3">
        <Primary onClick={() => window.print()}>Print the sheet</Primary>
        {shaft && (
          <>
            <Chip on={!whole} onClick={() => setWhole(false)}>
              <span translate="no">{shaft.shaft.name}</span>
            </Chip>
            <Chip on={whole} onClick={() => setWhole(true)}>
              all of <span translate="no">{box.name}</span>
            </Chip>
          </>
        )}
        <Chip on={blank} onClick={() => setBlank((b) => !b)}>
          all blank
        </Chip>
        <Link to={`/jobs/${state.job.id}/wear${whereIn(open)}`} className="inline-flex min-h-12 items-center text-blue underline">
          Type it back in, in the same order
        </Link>
      </div>
      {sheets.map((each) => (
        <SheetOf key={each.name} sheet={each} blank={blank} />
      ))}
      <p className="mt-4">Measured by ______________________ on ______________ at ______ °C</p>
    </div>
  );
}

/** What is measured on one sheet: a shaft's, or a box's own. */
type Sheet = Pick<ShaftState, 'gaps' | 'features' | 'checks' | 'drags'> & { readonly name: string };

function SheetOf({ sheet, blank }: { sheet: Sheet; blank: boolean }): JSX.Element {
  const drags = (sheet.drags ?? []).filter(({ rise }) => !rise);
  const rows = [...sheet.features].sort((a, b) => a.station.position - b.station.position);
  return (
    <section className="mb-4 break-inside-avoid-page">
      <h1 className="label m-0 mt-2 border-b-2 border-ink text-[18px] font-semibold">
        Measuring sheet, <span translate="no">{sheet.name}</span>
      </h1>
      {rows.length === 0 && sheet.gaps.length === 0 && drags.length === 0 && <p>Nothing is measured here yet.</p>}
      <table className="w-full border-collapse">
        <tbody>
          {sheet.gaps.map((gap) => (
            <tr key={gap.station.id} className="border-b border-edge">
              <th scope="row" className="w-52 py-2 pr-2 text-left align-top font-medium print:py-1">
                {gap.letter} {gap.station.name}
                <span className="block text-[14px] font-normal text-ink2">
                  {gap.limits ? `${gap.limits.fact.written}, ${originWords(gap.limits.fact)}` : 'no limits'}
                </span>
              </th>
              <td className="py-2">
                <Blank label="pack in" />
                <Blank label="read 1" />
                <Blank label="read 2" />
                <Blank label="read 3" />
                <Blank label="feel" />
              </td>
            </tr>
          ))}
          {drags.map(({ station, limits }) => (
            <tr key={station.id} className="border-b border-edge">
              <th scope="row" className="w-52 py-2 pr-2 text-left align-top font-medium print:py-1">
                {station.name}
                <span className="block text-[14px] font-normal text-ink2">
                  {limits ? `${limits.fact.written}, ${originWords(limits.fact)}` : 'no limits'}
                </span>
              </th>
              <td className="py-2">
                {['turned on', 'cord at', 'read 1', 'read 2', 'read 3', 'feel'].map((label) => (
                  <Blank key={label} label={label} />
                ))}
              </td>
            </tr>
          ))}
          {rows.map((feature) => (
            <RowBlanks key={feature.station.id} feature={feature} blank={blank} />
          ))}
          {sheet.checks.map((check) => (
            <tr key={check.station.id} className="border-b border-edge">
              <th scope="row" className="py-2 pr-2 text-left font-medium">
                {check.station.name}
              </th>
              <td className="py-2">☐ yes &nbsp; ☐ no &nbsp; ☐ not looked</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function RowBlanks({ feature, blank }: { feature: FeatureState; blank: boolean }): JSX.Element {
  const { station, kind, unit, limits } = feature;
  const { places, measures } = FEATURES[kind];
  const directions = places.length === 3 && kind !== 'thickness' ? ['12–6', '3–9'] : [''];
  const read = (place: string, i: number): string => {
    const value = blank ? undefined : feature.places.find((p) => (p.at ?? '') === place)?.readings[i];
    return value === undefined ? '' : formatLength(value, unit);
  };
  return (
    <tr className="border-b border-edge">
      <th scope="row" className="w-52 py-2 pr-2 text-left align-top font-medium print:py-1">
        {station.name}
        <span className="block text-[14px] font-normal text-ink2">
          {measures}, {unitWord(unit)}
          {station.newSize === null ? '' : `; new ${formatLength(station.newSize, unit)}`}
          {limits ? `; ${limits.fact.written}` : ''}
        </span>
      </th>
      <td className="py-2 print:py-1">
        {(places.length === 1 ? ['', '', ''] : places).map((place, i) =>
          directions.map((direction, j) => (
            <Blank
              key={`${i} ${direction}`}
              label={[place === '' ? String(i + 1) : place, direction].filter((w) => w !== '').join(' ')}
              filled={places.length === 1 ? (blank ? '' : read('', i)) : read(place, j)}
            />
          )),
        )}
      </td>
    </tr>
  );
}

const Blank = ({ label, filled = '' }: { label: string; filled?: string }): JSX.Element => (
  <span className="mr-3 mb-1 inline-block w-[92px] align-bottom print:mr-2 print:w-[74px]">
    <span className="block text-[14px] leading-5 text-ink2">{label}</span>
    <span className="num block h-8 border-b border-ink text-[17px]">{filled}</span>
  </span>
);
