import {
  eitherOf,
  type EntryField as FieldOf,
  type EntryQuestion,
  type EntryValues,
  type Meaning,
  understand,
  type Understood,
} from '@elder-cog/core';
import { useEffect, useRef, useState, type FormEvent, type JSX, type ReactNode } from 'react';
import { useDraft } from '../state/drafts.ts';
import { Field, fieldIdOf, Secondary } from './controls.tsx';
import { KEYED } from './Keypad.tsx';
import { useNarrow } from './useMedia.ts';

/** What is being typed in a field that takes a length, and what it is understood as. */
export interface Entry<Of extends FieldOf> {
  readonly text: string;
  readonly understood: Understood<EntryValues[Of]>;
  /** what it means: as it is understood, or was chosen; null while it is asked about, refused or nothing */
  readonly meaning: Meaning<EntryValues[Of]> | null;
  /** it was to be kept, and something must be said first */
  readonly tried: boolean;
  /** it is not what stood in it at first */
  readonly isTouched: boolean;
  type(text: string): void;
  /** Keeps it where it is understood; where not, says why or asks. */
  keep(event?: FormEvent): void;
  choose(meaning: Meaning<EntryValues[Of]>): void;
}

interface EntryOptions<Of extends FieldOf> {
  /** for a field that is kept by itself */
  readonly onKeep?: (meaning: Meaning<EntryValues[Of]>, text: string) => void;
  readonly initial?: string;
  /** where what is half typed is kept: by which field of which thing */
  readonly draft?: string;
  /** of what is told in a way of its own: how it is read */
  readonly reads?: (text: string) => Understood<EntryValues[Of]>;
  /** what else this field asks or refuses */
  readonly also?: (understood: Understood<EntryValues[Of]>) => Understood<EntryValues[Of]>;
}

/** One entry of a field: understood as it is typed, and kept only as what it is understood or chosen as. */
export function useEntry<Of extends FieldOf>(
  question: EntryQuestion<Of>,
  { onKeep, initial = '', draft, reads, also }: EntryOptions<Of> = {},
): Entry<Of> {
  const own = useState(initial);
  const drafted = useDraft(draft ?? '', initial);
  const [text, setText] = draft === undefined ? own : drafted;
  const [tried, setTried] = useState(false);
  const [chosen, setChosen] = useState<{ text: string; meaning: Meaning<EntryValues[Of]> } | null>(null);
  const found = reads ? reads(text) : understand(text, question);
  const understood = also ? also(found) : found;
  const picked = chosen !== null && chosen.text === text && understood.kind === 'ask' ? chosen.meaning : null;
  const meaning = understood.kind === 'understood' ? understood : picked;
  const kept = (as: Meaning<EntryValues[Of]>): void => {
    onKeep?.(as, text);
    if (onKeep && draft !== undefined) setText('');
  };
  return {
    text,
    understood,
    meaning,
    tried,
    isTouched: text !== initial,
    type: (next) => {
      setText(next);
      setTried(false);
    },
    keep: (event) => {
      event?.preventDefault();
      setTried(true);
      if (meaning) kept(meaning);
    },
    choose: (as) => {
      setChosen({ text, meaning: as });
      kept(as);
    },
  };
}

interface Props<Of extends FieldOf> {
  readonly entry: Entry<Of>;
  readonly label: string;
  readonly id?: string;
  readonly hideLabel?: boolean;
  readonly autoFocus?: boolean;
  readonly placeholder?: string;
  readonly className?: string;
  /** how it is said back, where not as every other */
  readonly says?: (value: EntryValues[Of]) => ReactNode;
  /** on a narrow sheet: its name before it, and what was understood after it */
  readonly inRow?: boolean;
  /** asks while it is typed, where nothing is pressed to keep it */
  readonly asksAtOnce?: boolean;
}

/** In a row of fields, the one that asks has the whole of it. */
export const ROOM_TO_ASK = 'has-[[data-asked]]:col-span-full';

/** A field that takes a length: says back in both systems what it understood, asks with its meanings as buttons, or refuses in a sentence. */
export function EntryField<Of extends FieldOf>({ entry, says, className, asksAtOnce = false, inRow = false, ...field }: Props<Of>): JSX.Element {
  const id = field.id ?? fieldIdOf(field.label);
  const narrow = useNarrow();
  const { understood, text, tried, meaning } = entry;
  const isEmpty = text.trim() === '';
  const isAsked = (tried || (asksAtOnce && !isEmpty)) && understood.kind === 'ask' && meaning === null;
  const isRefused = understood.kind === 'refused' && (tried || (asksAtOnce && !isEmpty));
  return (
    <div className={`${ROOM_TO_ASK} ${className ?? ''}`}>
      <Field
        {...field}
        {...KEYED}
        inputMode={narrow ? 'none' : 'text'}
        id={id}
        value={text}
        onChange={(event) => entry.type(event.target.value)}
        inRow={inRow}
        refusal={isRefused ? understood.message : null}
        says={isEmpty || isAsked ? '' : <Said understood={meaning ? { kind: 'understood', ...meaning } : understood} says={says} inLines={inRow} />}
      />
      {isAsked && (
        <Asked key={text} understood={understood} takesFocus={tried} onChoose={entry.choose} onLeave={() => document.getElementById(id)?.focus()} />
      )}
    </div>
  );
}

function Said<Value>({
  understood,
  says,
  inLines,
}: {
  understood: Understood<Value>;
  says: ((value: Value) => ReactNode) | undefined;
  inLines: boolean;
}): ReactNode {
  if (understood.kind === 'refused') return <span className="text-ink2">not understood yet</span>;
  if (understood.kind === 'ask') return <span className="text-ink2">{eitherOf(understood.meanings)}?</span>;
  const said = says?.(understood.value) ?? understood.said;
  if (!inLines || typeof said !== 'string') return said;
  return said.split(' · ').map((each, i) => (
    <span key={each} className={`num block leading-6 ${i === 0 ? 'text-[16px] font-semibold' : 'text-[14px] text-ink2'}`}>
      {each}
    </span>
  ));
}

/** Its meanings, likeliest first: by a tap, or by its number. Enter again chooses nothing. */
export function Asked<Said extends { readonly said: string; readonly asTyped?: true }>({
  understood: { meanings, why },
  takesFocus = true,
  onChoose,
  onLeave,
}: {
  takesFocus?: boolean;
  understood: { readonly meanings: readonly Said[]; readonly why: string };
  onChoose: (meaning: Said) => void;
  onLeave: () => void;
}): JSX.Element {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (takesFocus) box.current?.focus();
  }, [takesFocus]);
  return (
    <div
      ref={box}
      role="alert"
      data-asked=""
      tabIndex={-1}
      className="mt-1 border-2 border-blue bg-sheet p-3"
      onKeyDown={(event) => {
        const meaning = /^[1-4]$/.test(event.key) ? meanings[Number(event.key) - 1] : undefined;
        if (event.key === 'Escape') onLeave();
        else if (meaning) onChoose(meaning);
        else return;
        event.preventDefault();
      }}
    >
      <p className="m-0 mb-2 font-medium first-letter:uppercase">{why}</p>
      <div className="flex flex-wrap gap-2">
        {meanings.map((meaning, i) => {
          const [first = '', ...others] = meaning.said.split(' · ');
          return (
            <Secondary key={meaning.said} onClick={() => onChoose(meaning)} className="flex min-h-14 max-w-full items-start gap-2 py-1 text-left">
              <span className="num pt-0.5 text-[14px] text-ink2">{i + 1}</span>
              <span>
                {meaning.asTyped && 'keep '}
                <span className="num text-[18px] font-semibold">{first}</span>
                {others.length > 0 && <span className="num block text-[15px] leading-5 text-ink2">{others.join(' · ')}</span>}
              </span>
            </Secondary>
          );
        })}
      </div>
    </div>
  );
}
