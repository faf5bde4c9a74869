import type { JSX, ReactNode } from 'react';

interface KeptFormProps {
  /** what stands in its field now, and what was kept of it last, whether or not the answer to that has come */
  readonly text: string;
  readonly kept: () => string;
  readonly onKeep: () => void;
  readonly children: ReactNode;
}

/** Round a field that is kept by Enter, or as it is left: once. What is asked about has the focus then, and is not left. */
export function KeptForm({ text, kept, onKeep, children }: KeptFormProps): JSX.Element {
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
      onBlur={(event) => {
        if (text !== kept() && event.target instanceof HTMLInputElement && !event.currentTarget.contains(event.relatedTarget)) onKeep();
      }}
    >
      {children}
    </form>
  );
}
