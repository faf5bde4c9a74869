import { newDepth, type FaceFact } from '@elder-cog/contract';
import {
  DEPTH_MARK_WORDS,
  describeLength,
  formatLength,
  formatLimits,
  INSTRUMENTS,
  instrumentsFor,
  nanometres,
  unitOfSizes,
  unitWord,
  type Instrument,
} from '@elder-cog/core';
import {
  closingOf,
  depthsOf,
  expectedAround,
  facesNamed,
  readingComesTo,
  triedMark,
  type GapState,
  type ShaftState,
  type Tried,
} from '@elder-cog/derive';
import { DoneHere, lastOf } from './DoneHere.tsx';
import { Settled, TakenAs } from './Settled.tsx';
import { useMemo, useState, type JSX } from 'react';
import { Field, Primary, Quiet, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { useCommand } from '../../state/api.ts';
import { asUnderstood, keepReading, onBuild, withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { bareUnit, originWords } from '../../state/understood.ts';
import { PackShelf } from './PackShelf.tsx';
import { LimitsPanel } from './SetUp.tsx';

const readBy = (bare: 'thou' | 'mm'): readonly Instrument[] => instrumentsFor(['depth', 'caliper'], bare);

/** The field a depth is read in. */
const entryOf = ({ station }: GapState): string => `depth-${station.id}`;

interface DepthsProps {
  readonly shaft: ShaftState;
  /** the shaft with what is tried in it; null where nothing is */
  readonly would: ShaftState | null;
  readonly onTry: (tried: readonly Tried[] | null) => void;
}

/** How far one face is below another: read by depth micrometer, or by caliper over a parallel, and by both. */
export function Depths({ shaft, would, onTry }: DepthsProps): JSX.Element {
  const { facts } = useJob();
  const depths = useMemo(() => depthsOf(facts, shaft), [facts, shaft]);
  const tried = useMemo(() => (would ? depthsOf(facts, would) : []), [facts, would]);
  const [adding, setAdding] = useState(false);
  return (
    <section aria-label="Depths" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding}>
          Add a depth ▸
        </Quiet>
        <span className="text-ink2">how far one face is to be below another</span>
      </div>
      {adding && <AddDepth shaft={shaft} position={20 + depths.length} onDone={() => setAdding(false)} />}
      {depths.map((depth) => (
        <Depth
          key={depth.station.id}
          depth={depth}
          shaft={shaft}
          tried={tried.find(({ station, now }) => station.id === depth.station.id && now.kind === 'forecast') ?? null}
          onTry={onTry}
        />
      ))}
    </section>
  );
}

interface DepthProps extends Pick<DepthsProps, 'shaft'> {
  readonly depth: GapState;
  /** what it would come to with what is tried */
  readonly tried?: GapState | null;
  readonly onTry?: DepthsProps['onTry'];
}

export function Depth({ depth, shaft, tried = null, onTry }: DepthProps): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const typed = unitOfSizes(unit);
  const { send } = useCommand();
  const [limits, setLimits] = useState(false);
  const { station, now, mark, fromSizes } = depth;
  const value = now.reading?.kind === 'estimate' && now.kind !== 'none' ? now.reading.value : null;
  const last = now.kept.at(-1);
  const { facts } = useJob();
  const isDone = closingOf(facts, station.id) !== null;
  return (
    <div role="group" aria-label={station.name} className="border-t border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="text-[17px] font-medium">{station.name}</span>
        {value !== null && (
          <span className="num text-[20px] font-semibold">
            {now.kind === 'read' ? '' : '('}
            {formatLength(value, typed)}
            {now.kind === 'read' ? '' : ')'} <span className="unit text-[15px]">{unitWord(typed)}</span>
          </span>
        )}
        {now.U !== null && value !== null && <span className="num">±{formatLength(nanometres(Math.round(now.U)), typed)}</span>}
        <Mark kind={mark} size={24} named={false} ground="var(--paper)" />
        <span className={`label text-[17px] font-semibold ${MARK_TEXT[mark]}`}>{now.kind === 'forecast' ? 'Forecast' : DEPTH_MARK_WORDS[mark]}</span>
        <span className="text-[16px]">
          {depth.limits ? (
            <>
              <span className="num">{formatLimits(depth.limits.limits, typed)}</span> {originWords(depth.limits.fact)}
            </>
          ) : (
            <span className="text-ink2">no limits yet</span>
          )}
        </span>
        <Quiet onClick={() => setLimits((l) => !l)} aria-expanded={limits} className="ml-auto">
          Limits ▸
        </Quiet>
      </div>
      {tried?.now.reading && (
        <p className="m-0 flex items-center gap-x-2 text-[16px]">
          <span className="text-brass-text">tried, it would come to</span>
          <span className="num text-[18px] font-semibold">{formatLength(tried.now.reading.value, typed)}</span>
          <Mark kind={triedMark(tried)} size={20} named={false} ground="var(--paper)" />
          <span className="sr-only">{DEPTH_MARK_WORDS[triedMark(tried)]}</span>
        </p>
      )}
      {(depth.verdict?.because ?? now.because) && <p className="m-0 text-[15px] leading-5 text-ink2">{depth.verdict?.because ?? now.because}</p>}
      {now.methods.length > 1 && !now.disagree && (
        <p className="m-0 text-[15px] text-ink2">
          {now.methods.map(({ name, reading }) => `${name.toLowerCase()} ${describeLength(reading.value, typed)}`).join('; ')}: they agree.
        </p>
      )}
      {fromSizes && 'value' in fromSizes && (
        <p className="m-0 text-[15px] text-ink2">By the sizes alone it is {describeLength(fromSizes.value, typed)}.</p>
      )}
      {limits && <LimitsPanel gap={depth} quantity="depth" onDone={() => setLimits(false)} />}
      {depth.needsPack && (
        <div className="-mx-4">
          <PackShelf
            shaft={shaft}
            gap={depth}
            wantsFocus={null}
            onFocused={() => undefined}
            onFitted={() => document.getElementById(entryOf(depth))?.focus()}
            {...(onTry ? { onTry } : {})}
          />
        </div>
      )}
      {isDone ? <DoneHere {...lastOf(depth)} unit={typed} /> : <ReadDepth depth={depth} shaft={shaft} />}
      <TakenAs gap={depth} />
      <Settled gap={depth} unit={typed} />
      {last && now.kind === 'read' && !isDone && (
        <p className="m-0 flex flex-wrap items-center gap-x-3 text-[16px] text-ink2">
          Last: <span className="num">{last.text}</span>
          <Quiet onClick={() => void send(withdraw('reading', last.id, 'that was wrong')).catch(() => undefined)}>That was wrong</Quiet>
        </p>
      )}
    </div>
  );
}

function ReadDepth({ depth, shaft }: { depth: GapState; shaft: ShaftState }): JSX.Element {
  const { send, sending } = useCommand();
  const { facts } = useJob();
  const bare = bareUnit(depth);
  const offered = readBy(bare);
  const [by, setBy] = useState<Instrument>(
    () => offered.find(({ name }) => name === depth.station.instrument?.name) ?? offered[0] ?? INSTRUMENTS.depthMm,
  );
  const before = depth.now.reading?.kind === 'estimate' ? depth.now.reading.value : null;
  const entry = useEntry(
    { field: 'reading', bare, quantity: 'depth', instrument: by, ...(before === null ? {} : { expected: expectedAround(before) }) },
    {
      onKeep: (meaning, text) => {
        const raw = { method: 'size' as const, text, understood: asUnderstood(meaning), instrument: by, restsOn: [] };
        const value = readingComesTo(raw)?.reading.value ?? null;
        void send(...onBuild(shaft, facts, (buildId) => keepReading(depth.station, buildId, raw, value, text))).then(
          () => entry.type(''),
          () => undefined,
        );
      },
    },
  );
  return (
    <form onSubmit={entry.keep} className="flex flex-wrap items-start gap-x-3">
      <label className="block">
        <span className="label block text-[17px] font-semibold">Read with</span>
        <select
          value={by.name}
          onChange={(event) => setBy(offered.find(({ name }) => name === event.target.value) ?? by)}
          className="mt-1 h-14 border border-edge bg-sheet px-2 text-[16px]"
        >
          {offered.map(({ name }) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <EntryField
        entry={entry}
        id={entryOf(depth)}
        label="Reading; proud is less than nothing"
        placeholder={bare === 'mm' ? 'like 24.36, or 34.36 - 10' : 'like 1.103, or 1.103 - .375'}
        className="min-w-56 flex-1"
      />
      <Secondary type="submit" disabled={sending} className="mt-7 min-h-14">
        Keep
      </Secondary>
    </form>
  );
}

/** Which two faces, and what it is called. */
function AddDepth({ shaft, position, onDone }: { shaft: ShaftState; position: number; onDone: () => void }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const places = facts.places.filter((p) => p.shaftId === shaft.shaft.id && p.gone !== true).sort((a, b) => a.position - b.position);
  const faces = facesNamed(places, shaft.shaft.ends);
  const [from, setFrom] = useState(faces[0]?.id ?? '');
  const [to, setTo] = useState(faces[1]?.id ?? '');
  const [name, setName] = useState('');
  const first = shaft.gaps[0];
  const unit = first ? bareUnit(first) : 'thou';
  const add = (): void => {
    const ofId = (id: string): FaceFact | undefined => places.flatMap((p) => p.faces).find((face) => face.id === id);
    const [datum, deep] = [ofId(from), ofId(to)];
    if (!datum || !deep || refusal !== null || name.trim() === '') return;
    const station = newDepth(shaft.shaft.id, { name: name.trim(), from: datum, to: deep, position, instrument: readBy(unit)[0] ?? null }, newId);
    void send({ kind: 'stations.add', stations: [station] }).then(onDone, () => undefined);
  };
  const meet = facts.contacts.some(
    (c) => (c.kind === 'seated' || c.kind === 'clamped') && c.standId === null && ((c.a === from && c.b === to) || (c.a === to && c.b === from)),
  );
  const refusal =
    from === to ? 'A depth is from one face to another.' : meet ? 'Those two lie against each other: there is no depth between them.' : null;
  const choose = (label: string, value: string, set: (id: string) => void): JSX.Element => (
    <label className="block min-w-0">
      <span className="label block text-[17px] font-semibold">{label}</span>
      <select value={value} onChange={(event) => set(event.target.value)} className="mt-1 h-14 w-full border border-edge bg-sheet px-2 text-[16px]">
        {faces.map(({ id, words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <form
      aria-label="A depth to be read"
      className="grid grid-cols-2 gap-x-4 gap-y-1 border border-edge bg-sheet p-3 max-sm:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      {choose('From', from, setFrom)}
      {choose('Down to', to, setTo)}
      <Field
        label="What it is called"
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder="Race below the flange"
        maxLength={80}
        refusal={refusal}
      />
      <div className="flex items-start gap-3 pt-8">
        <Primary type="submit" disabled={sending || refusal !== null || name.trim() === ''}>
          Add it
        </Primary>
        <Quiet onClick={onDone}>Leave it</Quiet>
      </div>
    </form>
  );
}
