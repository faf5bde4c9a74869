import { understand } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Field, Primary } from '../../kit/controls.tsx';
import { Asked } from '../../kit/EntryField.tsx';
import { useKeyed } from '../../kit/Keypad.tsx';
import { useTurn } from '../../kit/turn.ts';
import { useSettings } from '../../state/settings.ts';

interface Props {
  readonly label: string;
  /** what is kept where nothing is typed, degrees; null where it has to be said */
  readonly proposed: number | null;
  readonly placeholder: string;
  /** what is said of the field while nothing is typed */
  readonly says?: string;
  readonly sending: boolean;
  /** why such a turn cannot be; null where it can */
  readonly refusalOf: (degrees: number | null) => string | null;
  readonly onTurn: (degrees: number) => Promise<unknown>;
}

/** What is turned where so much was proposed: a quarter of it to four times. */
const near = (degrees: number): { readonly min: number; readonly max: number } => ({ min: degrees / 4, max: degrees * 4 });

/** How far the nut was really turned: typed, or as it was proposed. */
export function TurnForm({ label, proposed, placeholder, says = '', sending, refusalOf, onTurn }: Props): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const [text, setText] = useState('');
  const keys = useKeyed('turn');
  const [tried, setTried] = useState(false);
  const typed = text.trim() === '' ? null : understand(text, { field: 'turn', bare, ...(proposed ? { expected: near(Math.abs(proposed)) } : {}) });
  const degrees = typed === null ? proposed : typed.kind === 'understood' ? typed.value : null;
  const turn = (by: number): void => {
    if (!inTurn.begins(text)) return;
    void onTurn(by).then(
      () => {
        setText((now) => (now === text ? '' : now));
        setTried(false);
      },
      () => undefined,
    );
  };
  // of what is asked about, each is onward or each is back
  const asked = typed?.kind === 'ask' ? typed : null;
  const refusal = typed?.kind === 'refused' ? typed.message : refusalOf(asked?.meanings[0]?.value ?? degrees);
  const turnTyped = (): void => {
    if (inTurn.mustWait(text)) return;
    setTried(true);
    if (degrees !== null && refusal === null) turn(degrees);
  };
  const inTurn = useTurn(sending, text, turnTyped);
  return (
    <form
      aria-label="Turn the nut"
      className="no-print flex flex-wrap items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        turnTyped();
      }}
    >
      <Field
        {...keys}
        label={label}
        hideLabel
        value={text}
        placeholder={placeholder}
        onChange={(event) => {
          setText(event.target.value);
          setTried(false);
        }}
        refusal={tried ? refusal : null}
        says={typed?.kind === 'understood' ? typed.said : (asked?.why ?? says)}
        className="w-52"
      />
      <Primary type="submit" className="mt-1">
        Turned it
      </Primary>
      {tried && asked && refusal === null && (
        <Asked key={text} understood={asked} onChoose={({ value }) => turn(value)} onLeave={() => setTried(false)} />
      )}
    </form>
  );
}
