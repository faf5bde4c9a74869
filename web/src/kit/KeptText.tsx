import { useRef, useState, type InputHTMLAttributes, type JSX } from 'react';
import { Field, Refusal } from './controls.tsx';
import { KeptForm } from './KeptForm.tsx';

interface KeptTextProps {
  readonly id: string;
  readonly label: string;
  readonly initial: string;
  /** what is wrong with it; null where nothing is */
  readonly refusalOf: (text: string) => string | null;
  readonly onKeep: (text: string) => void;
  /** what is to be known of it, and is no reason not to keep it */
  readonly note?: (text: string) => string | null;
  readonly placeholder?: string;
  readonly inputMode?: InputHTMLAttributes<HTMLInputElement>['inputMode'];
}

/** A word or a number that is kept as soon as it is left, or by Enter: once. Give it what it is as its key. */
export function KeptText({ initial, refusalOf, onKeep, note, ...field }: KeptTextProps): JSX.Element {
  const [text, setText] = useState(initial);
  const kept = useRef(initial);
  const refusal = refusalOf(text);
  const said = refusal === null ? (note?.(text) ?? null) : null;
  const keep = (): void => {
    if (refusal !== null || text === kept.current) return;
    kept.current = text;
    onKeep(text);
  };
  return (
    <KeptForm text={text} kept={() => kept.current} onKeep={keep}>
      <Field
        {...field}
        value={text}
        refusal={refusal}
        says={said === null ? '' : <Refusal>{said}</Refusal>}
        onChange={(event) => setText(event.target.value)}
      />
    </KeptForm>
  );
}
