import { stripEntryOf, type Change } from '@elder-cog/contract';
import { cautionsFor, describeLength, readStripLine, WAY_ROUND, type StripChoice, type StripLineRead } from '@elder-cog/core';
import { type StripLine, slotStateOf } from '@elder-cog/derive';
import { useRef, useState, type JSX } from 'react';
import { Caution, Chip, Primary, Quiet, Secondary } from '../../kit/controls.tsx';
import { Asked } from '../../kit/EntryField.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { tick } from '../../kit/tick.ts';
import { useTurn } from '../../kit/turn.ts';
import { useCommand } from '../../state/api.ts';
import { fitPack, foundAs, readAsSaid } from '../../state/gapActions.ts';
import { clearDraft, useDraft } from '../../state/drafts.ts';
import { useJob } from '../../state/job.ts';
import { sendPhoto } from '../../state/photos.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { stripOff } from '../../state/wearActions.ts';
import { asSaid, otherOf } from './stripWords.ts';

interface NextOffProps {
  readonly lines: readonly StripLine[];
  readonly cameApart: boolean;
  readonly assemblyId: string;
  readonly mending: StripLine | null;
  readonly onKept: (id: string) => void;
  readonly onLeave: () => void;
}

/** One line for what came off next: said back as it was understood, with ready phrases, and its photos beside it. */
export function NextOff({ lines, cameApart, assemblyId, mending, onKept, onLeave }: NextOffProps): JSX.Element {
  const { facts, shaft } = useJob();
  const { send, sending } = useCommand();
  // photos go by themselves: the next line does not wait for them
  const { send: sendAfter } = useCommand();
  const draft = mending ? `mend ${mending.entry.id}` : `strip ${assemblyId}`;
  const [text, setText] = useDraft(draft, mending?.entry.text ?? '');
  const bare = useSettings((st) => st.bare);
  const [chosen, setChosen] = useState<{ readonly text: string; readonly choice: StripChoice } | null>(null);
  const [tried, setTried] = useState(false);
  const [files, setFiles] = useState<readonly File[]>([]);
  const [trouble, setTrouble] = useState('');
  const strip = useRef<HTMLInputElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const read = readStripLine(text, bare, chosen?.text === text ? chosen.choice : null);
  const phrases = read ? WAY_ROUND[read.type].phrases.filter((p) => !read.wayRound.some((w) => w.toLowerCase() === p)) : [];
  const number = mending?.number ?? lines.length + 1;
  const keep = async (): Promise<void> => {
    setTried(true);
    if (!read || read.question || turn.mustWait(text) || !turn.begins(text)) return;
    const id = newId();
    const chosen = files;
    try {
      await send(
        stripOff(
          stripEntryOf(read, { text, assemblyId, shaftId: shaft?.shaft.id ?? null, inventory: cameApart, supersedes: mending?.entry.id ?? null }),
          mending ? [] : alsoKept(read, text),
          id,
        ),
      );
    } catch {
      return;
    }
    if (useSettings.getState().tick) tick();
    clearDraft(draft, text);
    setTried(false);
    setFiles((now) => (now === chosen ? [] : now));
    onKept(id);
    strip.current?.focus();
    const said: string[] = [];
    for (const file of chosen) {
      try {
        await sendAfter(await sendPhoto(file, { jobId: facts.job.id, ofKind: 'strip', ofId: id, caption: read.part }));
      } catch (error) {
        said.push(`${file.name}: ${(error as Error).message}`);
      }
    }
    setTrouble(said.join(' '));
  };
  const turn = useTurn(sending, text, () => void keep());
  const packInNow = shaft?.slots.find((s) => s.slot.kind === 'adjuster' && s.fitting.leaves !== null)?.words ?? null;
  /** What is typed here is not typed again: a pack is what is in, and the float before it is what that pack read. */
  const alsoKept = (said: StripLineRead, entry: string): Change[] => {
    const gap = shaft?.gaps[0];
    if (!shaft || !gap) return [];
    const slot = slotStateOf(shaft, gap);
    // of a float that no pack sets this is known with the first reading
    const isSaid = slot ? slot.fitting.leaves !== null : shaft.current !== null;
    if (said.kind === 'float' && isSaid && said.size !== null)
      return [readAsSaid(gap.station, shaft.current?.build.id ?? null, { size: said.size, written: said.written, unit: said.unit, words: entry })];
    if (!slot || said.kind !== 'pack' || isSaid || said.leaves.length === 0) return [];
    const leaves = said.leaves.map((leaf) => ({ ...leaf, lotId: null }));
    return foundAs(shaft, fitPack(shaft, slot.slot.id, leaves), facts);
  };
  return (
    <form
      aria-label="Next off"
      className="no-print sticky bottom-0 z-[5] border-t-2 border-ink bg-paper px-4 py-3 max-sm:bottom-[60px]"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="flex flex-wrap items-start gap-3">
        <label htmlFor="entry" className="w-[108px] max-sm:w-full">
          <span className="flex items-baseline gap-2">
            <span className="num text-[24px] font-semibold">{number}</span>
            <span className="label text-[17px] font-semibold">{mending ? 'again' : cameApart ? 'in the box' : 'next off'}</span>
          </span>
          <span className="text-[15px] text-ink2 max-sm:hidden">what, which way</span>
        </label>
        <input
          ref={strip}
          id="entry"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') setText('');
          }}
          placeholder="like washer front, tang 12, 118"
          autoComplete="off"
          spellCheck={false}
          aria-describedby="entry-says"
          className="num h-[60px] min-w-[200px] flex-1 border-2 border-blue bg-sheet px-4 text-[20px] placeholder:text-[18px] max-sm:min-w-full max-sm:px-3 max-sm:placeholder:text-[16px]"
        />
        <Secondary onClick={() => input.current?.click()} className="h-[60px]">
          {files.length === 0 ? 'photos' : `${files.length} ${files.length === 1 ? 'photo' : 'photos'}`}
        </Secondary>
        <FileChooser ref={input} label="Photos of it" accept="image/*" multiple onChoose={setFiles} />
        <Primary type="submit" enter disabled={read === null} className="h-[60px]">
          Keep
        </Primary>
      </div>
      <div id="entry-says" aria-live="polite" className="mt-2 flex min-h-12 flex-wrap items-center gap-x-3 gap-y-1 text-[16px]">
        {read ? (
          <SaidBack read={read} inNow={mending ? null : packInNow} />
        ) : (
          <span className="text-ink2">A bare number is in {bare === 'mm' ? 'millimetres' : 'thou'}: that is said in Workshop.</span>
        )}
        {read?.question && (
          <div className="basis-full">
            <Asked
              key={text}
              understood={{ why: `${read.question.piece}: ${read.question.why}`, meanings: read.question.choices }}
              takesFocus={tried}
              onChoose={(choice) => {
                setChosen({ text, choice });
                strip.current?.focus();
              }}
              onLeave={() => strip.current?.focus()}
            />
          </div>
        )}
        {phrases.map((phrase) => (
          <Chip
            key={phrase}
            on={false}
            onClick={() => {
              setText(`${text.trim().replace(/,$/, '')}, ${phrase}`);
              strip.current?.focus();
            }}
          >
            {phrase}
          </Chip>
        ))}
        {cautionsFor(text).map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        {mending && <Quiet onClick={onLeave}>Leave it as it was</Quiet>}
        {trouble !== '' && (
          <span role="alert" className="basis-full font-medium text-tight">
            {trouble}
          </span>
        )}
      </div>
    </form>
  );
}

function SaidBack({ read, inNow }: { read: StripLineRead; inNow: string | null }): JSX.Element {
  const { part, wayRound, side, size, unit, leaves, count, holes, asks } = read;
  const pieces = [
    ...wayRound,
    ...(side === '' ? [] : [side]),
    ...(leaves.length > 0 ? [`pack ${leaves.map((l) => l.written).join(' + ')}`] : []),
    ...(count ? [`${count.n} ${count.of}`] : []),
    ...holes.map((h) => `hole ${h.hole}: ${describeLength(h.length, 'in')}`),
  ];
  return (
    <span className="flex flex-wrap items-center gap-x-2">
      <span className="font-semibold">{part}</span>
      {pieces.map((piece) => (
        <span key={piece}>· {piece}</span>
      ))}
      {size !== null && (
        <span>
          · <span className="num font-semibold">{describeLength(size, asSaid(size, unit))}</span>{' '}
          <span className="num text-ink2">{describeLength(size, otherOf(size, unit))}</span>
        </span>
      )}
      {leaves.length > 0 && inNow !== null && (
        <span className="text-ink2">the pack {inNow} is in the record already: this is written down beside it, and changes no build</span>
      )}
      {asks && <span className="pl-2 font-semibold">{asks}</span>}
    </span>
  );
}
