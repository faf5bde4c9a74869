import { useState, type JSX } from 'react';
import { Field, Primary } from './controls.tsx';

/** Asks why, and takes no answer of less than a word. */
export function WhyForm({
  label,
  refusal,
  button,
  busy,
  onKeep,
  id,
}: {
  label: string;
  /** said where there is no reason yet */
  refusal: string;
  button: string;
  busy: boolean;
  onKeep: (why: string) => void;
  id?: string;
}): JSX.Element {
  const [why, setWhy] = useState('');
  const [tried, setTried] = useState(false);
  const isSaid = why.trim().length >= 3;
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (isSaid) onKeep(why.trim());
      }}
    >
      <Field
        {...(id === undefined ? {} : { id })}
        label={label}
        value={why}
        autoFocus
        maxLength={400}
        onChange={(e) => setWhy(e.target.value)}
        refusal={tried && !isSaid ? refusal : null}
        className="min-w-56 flex-1"
      />
      <Primary type="submit" disabled={busy} className="mt-7">
        {button}
      </Primary>
    </form>
  );
}
