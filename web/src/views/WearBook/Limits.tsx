import type { Change, Limit, Spec, Station } from '@elder-cog/contract';
import {
  describeQuantity,
  FEATURES,
  formatQuantityLimits,
  isFeatureKind,
  quantityUnitWord,
  readSpecLine,
  suspectTorqueSlip,
  twoSystems,
  type QuantityLimits,
  type SpecLine,
} from '@elder-cog/core';
import { limitsOfSpec, specSheet, stationNamed, type SpecEntry, type SpecGroup, type SpecSheet } from '@elder-cog/derive';
import { Menu, MenuButton, MenuItem, MenuItems } from '../../kit/over.ts';
import { Check } from 'lucide-react';
import { useMemo, useRef, useState, type JSX } from 'react';
import { Field, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { download } from '../../kit/download.ts';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { addSpecs, copyTo, leaveOut, meantBy, retype, type SpecOrigin } from '../../state/specActions.ts';
import { linesFromCsv, sheetCsv } from '../../state/specCsv.ts';
import { originWords } from '../../state/understood.ts';
import { OriginFields } from '../Section/OriginFields.tsx';
import { Leaves } from './Leaves.tsx';

/** Every limit in both systems, with where it comes from; a manual's page typed or pasted line by line. */
export default function Limits(): JSX.Element {
  const { facts } = useJob();
  const sheet = useMemo(() => specSheet(facts), [facts]);
  const [pasting, setPasting] = useState(false);
  const [mending, setMending] = useState<Spec | null>(null);
  const isEmpty = sheet.groups.length === 0;
  return (
    <div className="flex min-h-full flex-col">
      <Leaves
        on="limits"
        says={isEmpty ? undefined : <SheetSays sheet={sheet} />}
        more={
          isEmpty ? undefined : (
            <Quiet onClick={() => download('limits.csv', sheetCsv(sheet), 'text/csv')} className="shrink-0">
              as a spreadsheet ▸
            </Quiet>
          )
        }
      />
      {(pasting || isEmpty) && <PastePage sheet={sheet} onDone={() => setPasting(false)} />}
      {!isEmpty && <SheetTable sheet={sheet} onMend={setMending} />}
      {!isEmpty && <PutOnStations sheet={sheet} />}
      {!pasting && !isEmpty && (
        <AddLimit
          key={mending?.id ?? 'new'}
          mending={mending}
          onMended={() => setMending(null)}
          onPaste={() => setPasting((p) => !p)}
          next={sheet.groups.reduce((most, g) => Math.max(most, ...g.entries.map((e) => (e.spec?.position ?? -1) + 1)), 0)}
          sheet={sheet}
        />
      )}
    </div>
  );
}

const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

function SheetSays({ sheet }: { sheet: SpecSheet }): JSX.Element {
  const told = sheet.groups.flatMap((g) => g.entries).filter((e) => e.trust === 'told once').length;
  const not = sheet.lines - sheet.understood - sheet.toAsk;
  const said = [
    ...(sheet.lines > 0 ? [`${sheet.understood} of ${count(sheet.lines, 'line')} understood`] : []),
    ...(sheet.toAsk > 0 ? [`${sheet.toAsk} to ask`] : []),
    ...(not > 0 ? [`${not} not understood`] : []),
    ...(sheet.conflicts > 0 ? [count(sheet.conflicts, 'conflict')] : []),
    ...(told > 0 ? [`${told} told once`] : []),
    `${sheet.inUse} in use`,
  ];
  return <>{said.join(' · ')}</>;
}

const GRID =
  'grid grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)_124px_148px_minmax(0,0.8fr)_108px] gap-x-3 max-lg:grid-cols-[minmax(0,1fr)_150px_170px] max-sm:grid-cols-2';

function SheetTable({ sheet, onMend }: { sheet: SpecSheet; onMend: (spec: Spec) => void }): JSX.Element {
  let line = 0;
  return (
    <div role="table" aria-label="Limits" className="bg-sheet">
      <div role="row" className={`${GRID} label border-b-2 border-ink px-4 py-2 text-[16px] font-semibold text-ink2 max-lg:sr-only`}>
        <span role="columnheader">As it stands on the page</span>
        <span role="columnheader">Understood as</span>
        <span role="columnheader">Thou, inch</span>
        <span role="columnheader">Millimetre</span>
        <span role="columnheader">Source and page</span>
        <span role="columnheader" className="text-right">
          In use
        </span>
      </div>
      {sheet.groups.map((group) => {
        if (group.entries.some((e) => e.spec !== null) && group.state !== 'words') line += 1;
        return <GroupRows key={group.key} group={group} line={line} onMend={onMend} />;
      })}
    </div>
  );
}

function GroupRows({ group, line, onMend }: { group: SpecGroup; line: number; onMend: (spec: Spec) => void }): JSX.Element {
  const wants = group.disagree || group.state === 'ask' || group.state === 'notUnderstood';
  if (group.state === 'words')
    return (
      <div role="row" className="border-b border-rule px-4 py-2">
        <span role="cell" className="label text-[17px] font-semibold">
          {group.entries[0]?.spec?.text}
        </span>
      </div>
    );
  return (
    <div role="rowgroup" className={`border-b border-rule ${wants ? 'border-l-4 border-l-blue bg-band' : 'border-l-4 border-l-transparent'}`}>
      {group.entries.map((entry, i) => (
        <EntryRow key={entry.spec?.id ?? entry.limit?.id} group={group} entry={entry} first={i === 0} line={line} onMend={onMend} />
      ))}
    </div>
  );
}

function EntryRow({
  group,
  entry,
  first,
  line,
  onMend,
}: {
  group: SpecGroup;
  entry: SpecEntry;
  first: boolean;
  line: number;
  onMend: (spec: Spec) => void;
}): JSX.Element {
  const isAsk = group.state === 'ask' && first;
  return (
    <div role="row" className={`${GRID} min-h-12 px-3 py-1.5 ${first ? '' : 'border-t border-rule'} ${group.state === 'leftOut' ? 'text-ink2' : ''}`}>
      <span role="cell" className="flex min-w-0 gap-3 max-lg:col-span-full">
        <span className="num w-6 shrink-0 pt-1 text-right text-[15px] text-ink2">{entry.spec ? (first ? line : '+') : ''}</span>
        <AsPrinted entry={entry} />
      </span>
      <span role="cell" className={`min-w-0 max-sm:col-span-full ${first ? '' : 'max-sm:hidden'}`}>
        {first && (
          <>
            <span className={`block text-[17px] leading-6 font-medium ${group.state === 'leftOut' ? 'line-through' : ''}`}>
              {group.state === 'notUnderstood' ? 'Not understood' : group.station && entry.spec ? entry.spec.name : group.name}
            </span>
            <span className="block text-[15px] leading-5 text-ink2">{subOf(group, entry)}</span>
            {group.disagree && <span className="label block text-[15px] font-semibold text-blue">Two sources disagree</span>}
            {isAsk && <span className="label block text-[15px] font-semibold text-blue">Which do they mean?</span>}
          </>
        )}
      </span>
      {isAsk && entry.spec ? (
        <Meanings spec={entry.spec} group={group} />
      ) : group.state === 'notUnderstood' && entry.spec ? (
        <NotUnderstood spec={entry.spec} because={group.because} onMend={onMend} />
      ) : (
        <Figures group={group} entry={entry} onMend={onMend} />
      )}
    </div>
  );
}

/** The line as typed, its figure underlined. */
function AsPrinted({ entry }: { entry: SpecEntry }): JSX.Element {
  const { spec, limit } = entry;
  if (!spec) return <span className="num text-[16px] leading-7 text-ink2">not on a page: {limit?.written}</span>;
  const at = spec.written === '' ? -1 : spec.text.lastIndexOf(spec.written.split(' (')[0] ?? '');
  const length = (spec.written.split(' (')[0] ?? '').length;
  return (
    <span className="num min-w-0 text-[16px] leading-7 [overflow-wrap:anywhere]">
      {at < 0 ? (
        spec.text
      ) : (
        <>
          {spec.text.slice(0, at)}
          <span
            className={`border-b-2 ${length < 20 ? 'whitespace-nowrap' : ''} ${spec.quantity === null ? 'border-dotted border-ink2' : 'border-blue'}`}
          >
            {spec.text.slice(at, at + length)}
          </span>
          {spec.text.slice(at + length)}
        </>
      )}
    </span>
  );
}

function subOf(group: SpecGroup, { spec, limit }: SpecEntry): string {
  if (group.state === 'leftOut') return 'left out';
  if (group.state === 'notUnderstood') return group.because;
  if (group.state === 'ask') return group.because;
  const remark = spec?.remark ?? '';
  const where = group.station ? (spec && spec.name !== group.station.name ? `limit of ${group.station.name}` : stationWords(group.station)) : '';
  return [where, remark, limit?.working ?? ''].filter((w) => w !== '').join(' · ');
}

const stationWords = (station: Station): string =>
  isFeatureKind(station.subject) ? FEATURES[station.subject].measures : { gap: 'a gap', pair: 'clearance', check: 'a check' }[station.subject];

function TwoColumns({ limits }: { limits: QuantityLimits }): JSX.Element {
  const { imperial, metric } = twoSystems(limits);
  const cell = (unit: string, strong: boolean): JSX.Element => (
    <span role="cell" className="num leading-7 whitespace-nowrap max-lg:whitespace-normal">
      <span className={strong ? 'text-[19px] font-semibold' : 'text-[17px] text-ink2'}>{formatIn(limits, unit)}</span>{' '}
      <span className="unit text-[15px]">{quantityUnitWord(unit)}</span>
    </span>
  );
  return (
    <>
      {cell(imperial, limits.unit === imperial || imperial !== limits.unit ? limits.unit !== metric : false)}
      {cell(metric, limits.unit === metric)}
    </>
  );
}

const formatIn = (limits: QuantityLimits, unit: string): string => {
  try {
    return formatQuantityLimits(limits, unit);
  } catch {
    return 'no whole step';
  }
};

function Figures({ group, entry, onMend }: { group: SpecGroup; entry: SpecEntry; onMend: (spec: Spec) => void }): JSX.Element {
  const { send } = useCommand();
  const { facts } = useJob();
  const { spec, limit } = entry;
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  return (
    <>
      {entry.limits ? <TwoColumns limits={entry.limits} /> : <span className="col-span-2" />}
      <span role="cell" className="min-w-0 text-[15px] leading-6 max-lg:col-span-2 max-sm:col-span-1">
        {originWords(limit ?? spec)}
        {(entry.trust === 'told once' || entry.trust === 'told twice' || entry.trust === 'told, and printed') && (
          <span className="block leading-5 text-ink2">
            {{ 'told once': 'unconfirmed', 'told twice': 'two say so', 'told, and printed': 'and in print' }[entry.trust]}
          </span>
        )}
        {(limit ?? spec)?.source === 'reckoned' && <span className="block leading-5 text-ink2">reckoned, yours to accept</span>}
      </span>
      <span role="cell" className="flex items-start justify-end gap-2">
        {group.state === 'leftOut' && spec ? (
          <Secondary onClick={() => quietly(leaveOut(spec, false))}>put back</Secondary>
        ) : limit?.inUse ? (
          <span className="flex h-12 w-12 items-center justify-center bg-ink text-sheet" role="img" aria-label="In use">
            <Check size={24} aria-hidden="true" />
          </span>
        ) : limit ? (
          <Secondary
            onClick={() => quietly({ kind: 'limit.use', id: limit.id, revision: limit.revision })}
            className="no-print px-3 whitespace-nowrap"
          >
            use this
          </Secondary>
        ) : spec ? (
          <ForStation spec={spec} fits={group.fits} stations={facts.stations} limits={facts.limits} onMend={() => onMend(spec)} />
        ) : null}
      </span>
    </>
  );
}

/** Where a line belongs: the station its name fits, or one that is chosen. */
function ForStation({
  spec,
  fits,
  stations,
  limits,
  onMend,
}: {
  spec: Spec;
  fits: Station | null;
  stations: readonly Station[];
  limits: readonly Limit[];
  onMend: () => void;
}): JSX.Element {
  const { send } = useCommand();
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  const lengths = stations.filter((s) => s.quantity === 'length' && !s.gone);
  return (
    <Menu>
      <MenuButton
        className="no-print min-h-12 border border-edge bg-sheet px-3 text-[15px] whitespace-nowrap"
        aria-label={`What to do with ${spec.name}`}
      >
        {fits ? 'fits one ▾' : 'keep for ▾'}
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-20 max-h-96 overflow-auto border-2 border-ink bg-sheet">
        {spec.quantity === 'length' &&
          [...lengths]
            .sort((a, b) => Number(b.id === fits?.id) - Number(a.id === fits?.id))
            .map((station) => (
              <MenuItem key={station.id}>
                <button
                  type="button"
                  onClick={() => quietly(copyTo(spec, station, limits))}
                  className={`block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band ${station.id === fits?.id ? 'font-semibold' : ''}`}
                >
                  limit of {station.name}
                </button>
              </MenuItem>
            ))}
        <MenuItem>
          <button
            type="button"
            onClick={onMend}
            className="block min-h-12 w-full border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            type the line again
          </button>
        </MenuItem>
        <MenuItem>
          <button
            type="button"
            onClick={() => quietly(leaveOut(spec, true))}
            className="block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            leave it out
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}

/** Two meanings are two buttons; nothing is chosen for anyone. */
function Meanings({ spec, group }: { spec: Spec; group: SpecGroup }): JSX.Element {
  const { send } = useCommand();
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  return (
    <span role="cell" className="col-span-4 flex flex-wrap items-start gap-2 py-0.5 max-lg:col-span-full">
      {group.meanings.map((limits, i) => {
        const { imperial, metric } = twoSystems(limits);
        const [said, other] = limits.unit === metric ? [metric, imperial] : [limits.unit === imperial ? imperial : limits.unit, metric];
        return (
          <Secondary key={i} onClick={() => quietly(meantBy(spec, limits))} className={`py-1 ${i === 0 ? 'border-2 border-blue' : ''}`}>
            <span className="num block text-[18px] leading-6 font-semibold whitespace-nowrap">
              {formatIn(limits, said)} <span className="unit text-[15px]">{quantityUnitWord(said)}</span>
            </span>
            <span className="num block text-[14px] leading-5 whitespace-nowrap text-ink2">
              {formatIn(limits, other)} {quantityUnitWord(other)}
            </span>
          </Secondary>
        );
      })}
      <Secondary onClick={() => quietly(leaveOut(spec, true))} className="no-print">
        leave it out
      </Secondary>
      {group.hint && <span className="basis-full text-[15px] text-ink2">{group.hint}</span>}
    </span>
  );
}

function NotUnderstood({ spec, because, onMend }: { spec: Spec; because: string; onMend: (spec: Spec) => void }): JSX.Element {
  const { send } = useCommand();
  return (
    <span role="cell" className="col-span-4 flex flex-wrap items-center gap-2 max-lg:col-span-full">
      <span className="sr-only">{because}</span>
      <Secondary onClick={() => onMend(spec)}>type it again</Secondary>
      <Secondary onClick={() => void send(leaveOut(spec, true)).catch(() => undefined)}>leave it out</Secondary>
    </span>
  );
}

/** One press for every line whose name fits one station that has no limit of it yet. */
function PutOnStations({ sheet }: { sheet: SpecSheet }): JSX.Element | null {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const fitting = sheet.groups.flatMap((g) => (g.fits && g.entries[0]?.spec ? [{ spec: g.entries[0].spec, station: g.fits }] : []));
  if (fitting.length === 0) return null;
  return (
    <div className="no-print flex flex-wrap items-center gap-3 border-b border-rule px-4 py-2">
      <span>{fitting.length === 1 ? 'One line is' : `${fitting.length} lines are`} named as something measured here is.</span>
      <Secondary
        disabled={sending}
        onClick={() => void send(...fitting.map(({ spec, station }) => copyTo(spec, station, facts.limits))).catch(() => undefined)}
      >
        {fitting.length === 1 ? `Keep it for ${fitting[0]?.station.name ?? ''}` : 'Keep each for its own'}
      </Secondary>
    </div>
  );
}

/** A page of lines, with what each is understood as beside it before any is kept. */
function PastePage({ sheet, onDone }: { sheet: SpecSheet; onDone: () => void }): JSX.Element {
  const { state } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const [origin, setOrigin] = useState<SpecOrigin>({ source: 'manual', pageOrWhom: '', saidAt: '' });
  const [refusal, setRefusal] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const read = lines.map((line) => ({ line, as: readSpecLine(line) }));
  const understood = read.filter(({ as }) => as.state === 'understood').length;
  const specLines = read.filter(({ as }) => as.state !== 'words').length;
  const next = sheet.groups.reduce((most, g) => Math.max(most, ...g.entries.map((e) => (e.spec?.position ?? -1) + 1)), 0);
  const keep = (): void => {
    if (lines.length === 0) return setRefusal('There is nothing there yet: paste a page, or type a line such as Cover bolts 18-22 lb ft.');
    if (lines.length > 400) return setRefusal(`That is ${lines.length} lines; 400 at a time is as much as this takes. Keep it in parts.`);
    void send(addSpecs(state.job.id, lines, origin, next)).then(
      () => {
        setText('');
        onDone();
      },
      () => undefined,
    );
  };
  const fromFile = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    const content = await chosen.text();
    const csv = /\.csv$/i.test(chosen.name) ? linesFromCsv(content) : { lines: content.split(/\r?\n/), source: null, page: '' };
    if (typeof csv === 'string') return setRefusal(csv);
    setRefusal(null);
    setText(csv.lines.join('\n'));
    setOrigin((o) => ({ ...o, source: csv.source ?? o.source, pageOrWhom: csv.page || o.pageOrWhom }));
  };
  return (
    <section aria-label="Paste a page" className="border-b-2 border-ink px-4 py-3">
      <Heading>A page of the manual</Heading>
      <p className="m-0 mb-2 text-ink2">
        One limit a line, a name and its figure, in any mixture of units: <span className="num">Cover bolts 18-22 lb ft</span> ·{' '}
        <span className="num">Bush bore 1.125 +.0015 -0</span> · <span className="num">Backlash 0.15-0.20 mm</span>
      </p>
      <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
        <div>
          <label htmlFor="page-lines" className="sr-only">
            Lines of the page
          </label>
          <textarea
            id="page-lines"
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setRefusal(null);
            }}
            rows={9}
            spellCheck={false}
            className="num w-full border border-edge bg-sheet p-3 text-[16px] leading-7"
            placeholder="Paste, or type here"
          />
          <div className="mt-2">
            <OriginFields origin={origin} onChange={setOrigin} id="pasted" />
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <Primary onClick={keep} disabled={sending}>
              {lines.length > 0 ? `Keep ${count(lines.length, 'line')}` : 'Keep the lines'}
            </Primary>
            <Secondary onClick={() => file.current?.click()} className="min-h-14">
              From a file
            </Secondary>
            <FileChooser ref={file} label="A file of limits" accept=".csv,.txt,text/csv,text/plain" onChoose={([chosen]) => void fromFile(chosen)} />
            {sheet.groups.length > 0 && (
              <Secondary onClick={onDone} className="min-h-14">
                Leave it
              </Secondary>
            )}
          </div>
          {refusal && (
            <p className="m-0 mt-2">
              <Refusal>{refusal}</Refusal>
            </p>
          )}
        </div>
        <div aria-live="polite" className="min-w-0">
          {specLines > 0 && (
            <p className="label m-0 text-[17px] font-semibold">
              {understood} of {count(specLines, 'line')} understood
            </p>
          )}
          <ol className="m-0 max-h-[340px] list-none overflow-auto p-0">
            {read.map(({ line, as }, i) => (
              <li key={i} className={`border-b border-rule py-1 ${as.state === 'ask' || as.state === 'notUnderstood' ? 'bg-band px-2' : ''}`}>
                <LineSays line={line} as={as} />
              </li>
            ))}
          </ol>
        </div>
      </div>
    </section>
  );
}

/** What one line is understood as, in both systems, or why not. */
function LineSays({ line, as }: { line: string; as: SpecLine }): JSX.Element {
  if (as.state === 'words') return <span className="label font-semibold">{line}</span>;
  if (as.state === 'notUnderstood')
    return (
      <>
        <span className="num text-[15px]">{line}</span> <span className="block text-[15px] leading-5">{as.because}</span>
      </>
    );
  const both = (limits: QuantityLimits): string => {
    const { imperial, metric } = twoSystems(limits);
    return imperial === metric
      ? `${formatIn(limits, metric)} ${quantityUnitWord(metric)}`
      : `${formatIn(limits, imperial)} ${quantityUnitWord(imperial)} · ${formatIn(limits, metric)} ${quantityUnitWord(metric)}`;
  };
  return (
    <span className="flex flex-wrap items-baseline justify-between gap-x-3">
      <span className="font-medium">{as.name}</span>
      <span className="num text-[16px]">{as.state === 'understood' ? both(as.limits) : `${as.meanings.map(both).join('  or  ')}?`}</span>
    </span>
  );
}

/** One line more, or one typed again; says back both systems, and asks about a torque that looks like a slip. */
function AddLimit({
  mending,
  onMended,
  onPaste,
  next,
  sheet,
}: {
  mending: Spec | null;
  onMended: () => void;
  onPaste: () => void;
  next: number;
  sheet: SpecSheet;
}): JSX.Element {
  const { state, facts } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState(mending?.text ?? '');
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: mending?.source ?? 'manual',
    pageOrWhom: mending?.pageOrWhom ?? '',
    saidAt: mending?.saidAt ?? '',
  });
  const [tried, setTried] = useState(false);
  const [keptAnyway, setKeptAnyway] = useState('');
  const as = text.trim() === '' ? null : readSpecLine(text);
  const slip = as?.state === 'understood' ? torqueSlip(as, sheet) : null;
  const station =
    as?.state === 'understood' && as.limits.kind === 'length'
      ? stationNamed(
          as.name,
          facts.stations.filter((s) => s.quantity === 'length' && !s.gone),
        )
      : null;
  const keep = (): void => {
    setTried(true);
    if (!as || as.state === 'words' || as.state === 'notUnderstood') return;
    if (slip && keptAnyway !== text) return setKeptAnyway(text);
    const done = (): void => {
      setText('');
      setTried(false);
      setKeptAnyway('');
      onMended();
    };
    if (mending) {
      void send(retype({ ...mending, ...origin }, text)).then(done, () => undefined);
      return;
    }
    const added = addSpecs(state.job.id, [text], origin, next);
    const [row] = added.specs;
    void send(added, ...(station && row ? [copyTo({ ...row, revision: 1 } as Spec, station, facts.limits)] : [])).then(done, () => undefined);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
      className="no-print sticky bottom-0 mt-auto flex max-sm:static flex-wrap items-start gap-x-4 border-t-2 border-ink bg-paper px-4 py-3"
    >
      <div className="pt-1">
        <Heading>{mending ? 'Type it again' : 'Add a limit'}</Heading>
        {mending ? <Quiet onClick={onMended}>leave it as it is</Quiet> : <Quiet onClick={onPaste}>or paste a page ▸</Quiet>}
      </div>
      <Field
        id="limit-line"
        label={mending ? 'The line, typed again' : 'A limit: its name and figure'}
        hideLabel
        autoFocus={mending !== null}
        value={text}
        maxLength={300}
        onChange={(e) => {
          setText(e.target.value);
          setTried(false);
        }}
        placeholder="like spigot bush 0.03 to 0.09"
        refusal={
          tried && (!as || as.state === 'words' || as.state === 'notUnderstood')
            ? as && 'because' in as
              ? as.because
              : 'Say a name and a figure, such as Cover bolts 18-22 lb ft.'
            : null
        }
        says={
          as && as.state !== 'words' && as.state !== 'notUnderstood' ? (
            <>
              <LineSays line={text} as={as} />
              {station && <span className="block text-ink2">limit of {station.name}</span>}
            </>
          ) : null
        }
        className="min-w-[280px] flex-1"
      />
      <OriginFields origin={origin} onChange={setOrigin} id="added" />
      <Primary type="submit" enter disabled={sending} className="mt-1">
        Keep
      </Primary>
      {slip && keptAnyway === text && (
        <div role="alert" className="mt-1 basis-full border-2 border-tight bg-sheet p-3">
          <p className="m-0 mb-2 font-medium">{slip.message}</p>
          <div className="flex flex-wrap gap-2">
            <Secondary
              onClick={() => {
                setText(`${as?.state === 'understood' ? as.name : ''} ${slip.said}`);
                setKeptAnyway('');
              }}
            >
              {slip.said}
            </Secondary>
            <Secondary onClick={keep}>keep it as typed</Secondary>
          </div>
        </div>
      )}
    </form>
  );
}

/** A torque against what is written already under the same name. */
function torqueSlip(as: Extract<SpecLine, { state: 'understood' }>, sheet: SpecSheet): { message: string; said: string } | null {
  if (as.limits.kind !== 'torque') return null;
  const known = sheet.groups
    .flatMap((g) => g.entries)
    .filter((e) => e.spec?.quantity === 'torque' && !e.spec.leftOut && e.spec.name.toLowerCase() === as.name.toLowerCase())
    .map((e) => (e.spec ? limitsOfSpec(e.spec) : null))[0];
  const entered = as.limits.max ?? as.limits.min;
  if (!known || entered === null) return null;
  const [low, high] = [known.min ?? 0, known.max ?? known.min ?? 0];
  const [slip] = suspectTorqueSlip(entered, { min: low === high ? low * 0.9 : low, max: low === high ? high * 1.1 : high });
  return slip ? { message: slip.message, said: describeQuantity(slip.meant, as.limits.unit, 3) } : null;
}
