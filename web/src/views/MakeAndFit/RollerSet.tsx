import type { RollerCount, Rollers } from '@elder-cog/contract';
import { rollerRingShapes } from '@elder-cog/core';
import type { RollerState } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Caution, Chip, Field, Heading, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { KeptSize } from '../../kit/KeptSize.tsx';
import { KeptText } from '../../kit/KeptText.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useCommand } from '../../state/api.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { changeRollers, countRollers } from '../../state/rollerActions.ts';
import { useRowPatches } from '../../state/rowPatches.ts';
import { useSettings } from '../../state/settings.ts';
import { inBoth, sizeInBoth } from '../../state/understood.ts';

const SIZE = 300;

/** Loose rollers of one place: drawn round their shaft, what their sizes say, and how many came out and went in. */
export function RollerSet({ state }: { state: RollerState }): JSX.Element {
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] max-xl:grid-cols-2 max-md:grid-cols-1">
      <div className="min-w-0 border-ink md:border-r-2">
        <RoundTheShaft state={state} />
      </div>
      <div className="min-w-0 border-ink max-md:order-3 max-md:border-t-2 xl:border-r-2">
        <Sizes state={state} />
      </div>
      <div className="min-w-0 border-ink max-xl:col-span-full max-xl:border-t-2 max-md:order-2">
        <Counts state={state} />
      </div>
    </div>
  );
}

function RoundTheShaft({ state: { rollers, fit, out, in: inNow, wanted } }: { state: RollerState }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const { trackInner, diameter, rows } = rollers;
  const counted = inNow ?? out;
  const perRow = counted && counted.count % rows === 0 ? counted.count / rows : null;
  const drawn = perRow ?? fit?.count ?? null;
  return (
    <section aria-label={rollers.name} className="bg-sheet px-4 py-2">
      <Heading>{rollers.name}</Heading>
      {trackInner !== null && diameter !== null && drawn !== null && drawn <= 200 ? (
        <div className="flex justify-center">
          <svg
            role="img"
            aria-label={`${drawn} rollers round the shaft${fit ? `, ${inBoth(fit.circumferentialGap, bare)} left over when it is full` : ''}`}
            width={SIZE}
            height={SIZE}
            viewBox={`0 0 ${SIZE} ${SIZE}`}
          >
            <Shapes
              shapes={rollerRingShapes({
                trackInner,
                diameter,
                count: drawn,
                missing: fit ? fit.count - drawn : 0,
                gap: rows > 1 ? 'in a row' : '',
                size: SIZE,
              })}
              width={SIZE}
              height={SIZE}
              says=""
            />
          </svg>
        </div>
      ) : (
        <p className="m-0 py-2 text-[17px]">Across the shaft and across one roller, and they are drawn here with what is left over.</p>
      )}
      {fit && (
        <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-4 text-[17px]">
          <Answer label={rows > 1 ? 'In a row' : 'Full'} value={`${fit.count} rollers`} />
          {rows > 1 && <Answer label={`In all ${rows} rows`} value={`${fit.all} rollers`} />}
          <Answer label="Left over round" value={inBoth(fit.circumferentialGap, bare)} />
          {fit.radialClearance !== undefined && <Answer label="Clearance across" value={inBoth(2 * fit.radialClearance, bare)} />}
          {fit.axialGap !== undefined && <Answer label="Left over endways" value={inBoth(fit.axialGap, bare)} />}
          <Answer label="Bore of the arch" value={sizeInBoth(fit.archBore, bare)} />
        </dl>
      )}
      {fit && wanted !== null && (
        <p className="m-0 pt-1 text-[16px] text-ink2">
          The last goes in snug, for the row closes into an arch by itself; all are free once the shaft is through. A dummy shaft is a little less
          than the arch leaves.
        </p>
      )}
    </section>
  );
}

function Answer({ label, value }: { label: string; value: string }): JSX.Element {
  return (
    <>
      <dt className="text-ink2">{label}</dt>
      <dd className="num m-0 text-right text-[16px] font-semibold whitespace-nowrap">{value}</dd>
    </>
  );
}

const FIELDS: readonly (readonly [
  of: 'trackInner' | 'trackOuter' | 'diameter' | 'length' | 'trackLength',
  label: string,
  quantity: 'diameter' | 'roller' | 'distancePiece',
  mm: string,
  inches: string,
])[] = [
  ['trackInner', 'Across the shaft they run on', 'diameter', 'like 19.05 mm', 'like .750'],
  ['diameter', 'Across one roller', 'roller', 'like 3.00 mm', 'like .125'],
  ['trackOuter', 'Across the bore they run in', 'diameter', 'like 25.10 mm', 'like 1.002'],
  ['length', 'One roller long', 'distancePiece', 'like 23.8 mm', 'like .937'],
  ['trackLength', 'End to end of where they lie', 'distancePiece', 'like 49.0 mm', 'like 1.93'],
];

function Sizes({ state: { rollers, misfit } }: { state: RollerState }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const { send } = useCommand();
  const patch = useRowPatches(rollers, changeRollers);
  const countField = (of: 'rows' | 'spacers', label: string, least: number, most: number): JSX.Element => (
    <KeptText
      key={`${of} ${String(rollers[of])}`}
      id={`rollers-${of}`}
      label={label}
      initial={String(rollers[of])}
      inputMode="numeric"
      refusalOf={(text) => (isCount(text, least, most) ? null : `A number from ${least} to ${most}.`)}
      onKeep={(text) => patch(() => ({ [of]: Number(text) }) as Partial<Rollers>)}
    />
  );
  return (
    <section aria-label="Sizes of the rollers" className="px-4 py-2">
      <Heading className="text-blue">Sizes</Heading>
      <KeptText
        key={`name ${rollers.name}`}
        id="rollers-name"
        label="Where they run"
        initial={rollers.name}
        refusalOf={(text) => (text.trim() === '' ? 'It has a name.' : text.length > 120 ? 'A shorter name.' : null)}
        onKeep={(name) => patch(() => ({ name: name.trim() }))}
      />
      {FIELDS.map(([of, label, quantity, mm, inches]) => (
        <KeptSize
          key={`${of} ${String(rollers[of])}`}
          id={`rollers-${of}`}
          label={label}
          size={rollers[of]}
          bare={bare}
          quantity={quantity}
          example={{ mm, in: inches }}
          onKeep={(size) => patch(() => ({ [of]: size }) as Partial<Rollers>)}
        />
      ))}
      <div className="grid grid-cols-2 gap-x-3">
        {countField('rows', 'Rows', 1, 6)}
        {countField('spacers', 'Spacers and washers', 0, 12)}
      </div>
      {misfit !== null && (
        <p className="m-0 text-[16px]">
          <Refusal>{misfit}</Refusal>
        </p>
      )}
      <Quiet onClick={() => void send(changeRollers(rollers, { gone: true })).catch(() => undefined)}>Take these rollers away</Quiet>
    </section>
  );
}

const isCount = (text: string, least: number, most: number): boolean =>
  /^\d{1,3}$/.test(text.trim()) && Number(text) >= least && Number(text) <= most;

const WAYS = { out: 'Counted out', in: 'Counted in' } as const;

/** As they came out, and as they went in: what came out wins over what is reckoned, and both must be the same. */
function Counts({ state }: { state: RollerState }): JSX.Element {
  const { rollers, out, in: inNow, wanted, queries, mark, counts } = state;
  return (
    <section aria-label="Counted" className="px-4 py-2">
      <Heading className="text-blue">Counted out and in</Heading>
      <p className="m-0 flex flex-wrap items-center gap-x-2 py-1 text-[17px]">
        <Mark kind={mark} size={28} />
        {inNow ? (
          <span>
            <span className="num text-[28px] leading-8 font-semibold">{inNow.count}</span> are in{inNow.snug ? ', the last of them snug' : ''}
          </span>
        ) : out ? (
          <span>
            <span className="num text-[28px] leading-8 font-semibold">{out.count}</span> are out
          </span>
        ) : (
          <span>not counted yet{wanted === null ? '' : `: ${wanted} by their sizes`}</span>
        )}
      </p>
      {queries.map((query) => (
        <p key={query} className="m-0 text-[16px]">
          <Refusal>{query}</Refusal>
        </p>
      ))}
      <CountForm key={counts.length} rollers={rollers} way={out === null || inNow ? 'out' : 'in'} wanted={wanted} />
      <ul aria-label="Counts" className="m-0 list-none p-0">
        {counts.toReversed().map((each) => (
          <CountRow key={each.id} count={each} />
        ))}
      </ul>
      <Caution>Lay each row out and count it twice. A roller left in the bottom of the case goes through the gears.</Caution>
    </section>
  );
}

function CountForm({ rollers, way: first, wanted }: { rollers: Rollers; way: 'out' | 'in'; wanted: number | null }): JSX.Element {
  const { send, sending } = useCommand();
  const { state } = useJob();
  const [way, setWay] = useState(first);
  const [count, setCount] = useState('');
  const [spacers, setSpacers] = useState(String(rollers.spacers));
  const [snug, setSnug] = useState<boolean | null>(null);
  const [tried, setTried] = useState(false);
  const shaft = state.shafts.find(({ assembly }) => assembly.id === rollers.assemblyId);
  const isSound = isCount(count, 0, 999) && isCount(spacers, 0, 12) && (way === 'out' || snug !== null);
  return (
    <form
      aria-label="Count them"
      className="no-print border-y border-rule py-2"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (!isSound) return;
        const counted = { way, count: Number(count), spacers: Number(spacers), snug: way === 'in' ? snug : null };
        void send(countRollers(rollers, shaft?.current?.build.id ?? null, counted)).catch(() => undefined);
      }}
    >
      <div role="group" aria-label="Which way" className="flex flex-wrap gap-2 pb-1">
        {(['out', 'in'] as const).map((each) => (
          <Chip key={each} on={way === each} onClick={() => setWay(each)}>
            {WAYS[each]}
          </Chip>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-x-3">
        <Field
          id="rollers-count"
          label="How many"
          value={count}
          inputMode="numeric"
          placeholder={wanted === null ? '' : `${wanted}?`}
          onChange={(e) => setCount(e.target.value)}
          refusal={tried && !isCount(count, 0, 999) ? 'Count them: a whole number.' : null}
          says=""
        />
        <Field
          id="rollers-spacers-counted"
          label="Spacers and washers"
          value={spacers}
          inputMode="numeric"
          onChange={(e) => setSpacers(e.target.value)}
          refusal={tried && !isCount(spacers, 0, 12) ? 'Count them: none is 0.' : null}
          says=""
        />
      </div>
      {way === 'in' && (
        <div role="group" aria-label="The last went in" className="flex flex-wrap items-center gap-2 py-1">
          <span>The last went in</span>
          {(
            [
              [true, 'snug'],
              [false, 'loose'],
            ] as const
          ).map(([is, word]) => (
            <Chip key={word} on={snug === is} onClick={() => setSnug(is)}>
              {word}
            </Chip>
          ))}
          {tried && snug === null && <Refusal>Say how the last of them went in, with the shaft out.</Refusal>}
        </div>
      )}
      <Primary type="submit" enter disabled={sending} className="mt-1">
        Keep the count
      </Primary>
    </form>
  );
}

function CountRow({ count }: { count: RollerCount }): JSX.Element {
  const { send, sending } = useCommand();
  const { way, spacers, snug, at, who } = count;
  return (
    <li className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-b border-rule text-[16px]">
      <span>
        <span className="num font-semibold">{count.count}</span> {way}
        {spacers > 0 ? `, ${spacers} ${spacers === 1 ? 'spacer' : 'spacers'}` : ''}
        {snug === null ? '' : snug ? ', snug' : ', loose'}{' '}
        <span className="text-ink2">{[format(new Date(at), 'd MMM HH:mm'), who].filter((word) => word !== '').join(' · ')}</span>
      </span>
      <Quiet
        disabled={sending}
        aria-label={`That was wrong: ${count.count} ${way}`}
        onClick={() => void send(withdraw('rollerCount', count.id, 'miscounted')).catch(() => undefined)}
      >
        That was wrong
      </Quiet>
    </li>
  );
}
