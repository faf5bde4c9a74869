import { closingOf, inForNow, judgedOf, markAsJudged, type GapState, type InForNow, type ShaftState } from '@elder-cog/derive';
import { MARK_WORDS } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Caution, Field, Heading, Primary, Quiet, Refusal, Secondary, Tick } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { buildForGood, countOut, type Staying } from '../../state/buildActions.ts';
import { useJob } from '../../state/job.ts';
import { DoneHere, lastOf } from '../Section/DoneHere.tsx';

/** The build for good: what is there for the time being comes out or is swapped, and then the last readings are taken. */
export function ForGood({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts } = useJob();
  const [open, setOpen] = useState(false);
  if (!shaft.current) return null;
  const isBuilt = shaft.current.build.stage === 'final';
  const left = judgedOf(shaft).filter(({ station }) => closingOf(facts, station.id) === null);
  return (
    <section aria-label="Built for good" className="no-print mt-3 border-t border-rule pt-3">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <Heading>Built for good</Heading>
        {!isBuilt && (
          <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
            Build it for good…
          </Quiet>
        )}
      </div>
      {isBuilt ? (
        <>
          <p className="m-0 text-ink2">
            {left.length === 0
              ? 'It is built for good, and every last reading is taken.'
              : `It is built for good. Last readings still to be taken: ${left.map(({ station }) => station.name.toLowerCase()).join(', ')}.`}
          </p>
          {left.some(({ station }) => station.id === gap.station.id) && <DoneHere {...lastOf(gap)} />}
        </>
      ) : (
        open && <ForGoodForm shaft={shaft} onDone={() => setOpen(false)} />
      )}
    </section>
  );
}

/** What stays in the stead of what is there now, as it is said beside its box. */
const STAYS: Readonly<Record<string, string>> = {
  gasket: 'a new gasket, fitted once',
  bearing: 'the bearings that stay',
  fastening: 'new or staying, and torqued as far',
};

function stayingFor(item: InForNow, shaft: ShaftState): Staying | null {
  const { slot } = item;
  if (!slot) return null;
  if (slot.kind === 'gasket') return { item, fit: { state: 'new gasket', another: true } };
  if (slot.kind === 'bearing') return { item, fit: { state: 'own bearings' } };
  const lines = shaft.current?.fitted.get(slot.id)?.tightened ?? [];
  return { item, fit: { state: 'torqued', ...(lines.length > 0 ? { tightened: lines.map((line) => ({ ...line, isSlave: false })) } : {}) } };
}

function ForGoodForm({ shaft, onDone }: { shaft: ShaftState; onDone: () => void }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const [swapped, setSwapped] = useState<ReadonlySet<string>>(new Set());
  const [locked, setLocked] = useState('');
  const [tried, setTried] = useState(false);
  const items = inForNow(facts, shaft.assembly.id);
  const counted = items.filter(({ counted }) => counted !== null);
  const places = items.filter(({ slot }) => slot !== null);
  const elsewhere = places.filter(({ slot }) => slot?.shaftId !== shaft.shaft.id);
  const here = places.filter(({ slot }) => slot?.shaftId === shaft.shaft.id);
  const unsaid = here.filter(({ slot }) => !swapped.has(slot?.id ?? ''));
  const isBlocked = counted.length > 0 || elsewhere.length > 0 || unsaid.length > 0;
  const notRight = judgedOf(shaft).filter((gap) => !['in', 'accepted'].includes(markAsJudged(gap)));
  const build = (): void => {
    setTried(true);
    if (isBlocked) return;
    const note = locked.trim() === '' ? '' : `Locked: ${locked.trim()}`;
    void send(
      buildForGood(
        shaft,
        here.flatMap((item) => stayingFor(item, shaft) ?? []),
        note,
      ),
    ).then(onDone, () => undefined);
  };
  return (
    <div className="border border-edge bg-sheet p-3">
      {counted.length > 0 && <p className="m-0 font-medium">Counted in, and to come out:</p>}
      <ul className="m-0 mb-2 list-none p-0">
        {counted.map(({ words, counted: each }) => (
          <li key={words} className="flex items-center justify-between gap-3">
            <span>{words}</span>
            {each && (
              <Secondary
                disabled={sending}
                onClick={() => void send(countOut(each, shaft.current?.build.id ?? null)).catch(() => undefined)}
                aria-label={`Out: ${words}`}
              >
                Out
              </Secondary>
            )}
          </li>
        ))}
      </ul>
      {here.length > 0 && <p className="m-0 font-medium">To be swapped for what stays:</p>}
      {here.map(({ words, slot }) => (
        <Tick
          key={words}
          checked={swapped.has(slot?.id ?? '')}
          onChange={(e) => {
            const next = new Set(swapped);
            if (e.target.checked) next.add(slot?.id ?? '');
            else next.delete(slot?.id ?? '');
            setSwapped(next);
          }}
        >
          <span>
            {words}: <span className="font-medium">{STAYS[slot?.kind ?? ''] ?? 'what stays'}</span>
          </span>
        </Tick>
      ))}
      {elsewhere.length > 0 && (
        <p className="m-0 mt-2">
          On another shaft of the box: {elsewhere.map(({ words }) => words).join(', ')}. Say there what stays, with its bolts, gasket or bearings.
        </p>
      )}
      {notRight.length > 0 && (
        <p className="m-0 mt-2">
          Not right yet: {notRight.map((gap) => `${gap.station.name.toLowerCase()} (${MARK_WORDS[markAsJudged(gap)].toLowerCase()})`).join(', ')}. It
          can be built all the same.
        </p>
      )}
      <Field label="Locked with" value={locked} maxLength={200} onChange={(e) => setLocked(e.target.value)} placeholder="like new split pin" />
      <Caution>Split pins, lock tabs, staked nuts and crush sleeves are fitted once: new ones now.</Caution>
      {tried && isBlocked && (
        <p className="m-0 mt-2">
          <Refusal>
            Not yet: {[...counted, ...elsewhere, ...unsaid].map(({ words }) => words).join(', ')}{' '}
            {counted.length + elsewhere.length + unsaid.length === 1 ? 'is' : 'are'} still in for the time being.
          </Refusal>
        </p>
      )}
      <Primary className="mt-2 w-full whitespace-normal" disabled={sending} onClick={build}>
        It is built for good
      </Primary>
    </div>
  );
}
