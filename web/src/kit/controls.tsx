import { forwardRef, type ButtonHTMLAttributes, type InputHTMLAttributes, type JSX, type ReactNode } from 'react';

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & { readonly enter?: boolean };

/** The one thing to do next: blue, at least 56 px. */
export const Primary = forwardRef<HTMLButtonElement, ButtonProps>(function Primary({ children, enter = false, className = '', ...rest }, ref) {
  return (
    <button
      ref={ref}
      type="button"
      {...rest}
      className={`label min-h-14 max-w-full shrink-0 bg-blue px-5 text-[18px] whitespace-nowrap font-semibold text-paper disabled:bg-edge ${className}`}
    >
      {children}
      {enter && (
        <span className="num" aria-hidden="true">
          {' '}
          ⏎
        </span>
      )}
    </button>
  );
});

export const Secondary = forwardRef<HTMLButtonElement, ButtonProps>(function Secondary({ children, className = '', enter: _, ...rest }, ref) {
  return (
    <button
      ref={ref}
      type="button"
      {...rest}
      className={`min-h-12 max-w-full shrink-0 border border-edge bg-sheet px-4 text-[16px] disabled:text-ink2 ${className}`}
    >
      {children}
    </button>
  );
});

/** A quiet way elsewhere, still a full target. */
export const Quiet = forwardRef<HTMLButtonElement, ButtonProps>(function Quiet({ children, className = '', enter: _, ...rest }, ref) {
  return (
    <button ref={ref} type="button" {...rest} className={`min-h-12 px-1 text-left text-[16px] text-blue ${className}`}>
      {children}
    </button>
  );
});

/** One of a few answers. */
export function Chip({ on, children, ...rest }: ButtonProps & { on: boolean }): JSX.Element {
  const { enter: _, className = '', ...button } = rest;
  return (
    <button
      type="button"
      aria-pressed={on}
      {...button}
      className={`min-h-12 max-w-full shrink-0 border px-3 text-[16px] ${on ? 'border-ink bg-ink text-sheet' : 'border-edge bg-sheet'} ${className}`}
    >
      {children}
    </button>
  );
}

type FieldProps = InputHTMLAttributes<HTMLInputElement> & {
  readonly label: string;
  readonly says?: ReactNode;
  readonly refusal?: string | null;
  readonly hideLabel?: boolean;
  /** its name before it, what was understood after it */
  readonly inRow?: boolean;
};

/** What a field is called in the page where nothing else is said. */
export const fieldIdOf = (label: string): string => `field-${label.replace(/\W+/g, '-').toLowerCase()}`;

/** A field that says beside it what it understood, or in one sentence what was wrong; the entry stays to be mended. */
export const Field = forwardRef<HTMLInputElement, FieldProps>(function Field(
  { label, says, refusal, id, hideLabel = false, inRow = false, className = '', ...rest },
  ref,
) {
  const fieldId = id ?? fieldIdOf(label);
  return (
    <div
      className={
        inRow ? `grid grid-cols-[92px_minmax(0,1fr)_132px] items-center gap-x-3 max-sm:grid-cols-[minmax(0,1fr)_124px] ${className}` : className
      }
    >
      <label htmlFor={fieldId} className={hideLabel ? 'sr-only' : `label block text-[17px] font-semibold ${inRow ? 'max-sm:col-span-2' : ''}`}>
        {label}
      </label>
      <input
        ref={ref}
        id={fieldId}
        autoComplete="off"
        spellCheck={false}
        {...rest}
        aria-invalid={refusal ? true : undefined}
        aria-describedby={`${fieldId}-says`}
        className="num mt-1 h-14 w-full min-w-0 border border-edge bg-sheet px-3 text-[20px]"
      />
      <div
        id={`${fieldId}-says`}
        aria-live="polite"
        className={`text-[16px] ${inRow ? (refusal ? 'col-span-full col-start-2 max-sm:col-start-1' : 'leading-5') : 'mt-1 min-h-6'}`}
      >
        {refusal ? <Refusal>{refusal}</Refusal> : says}
      </div>
    </div>
  );
});

/** What can hurt somebody at this step, and what to do about it. */
export function Caution({ children }: { children: ReactNode }): JSX.Element {
  return (
    <span role="note" className="block basis-full border-l-4 border-ink pl-2 text-[16px] leading-6 font-medium">
      {children}
    </span>
  );
}

/** What was wrong, in one sentence, where it was typed. */
export function Refusal({ children }: { children: ReactNode }): JSX.Element {
  return (
    <span role="alert" className="font-medium text-tight">
      {children}
    </span>
  );
}

export function Heading({ children, className = '' }: { children: ReactNode; className?: string }): JSX.Element {
  return <h2 className={`label m-0 text-[18px] font-semibold ${className}`}>{children}</h2>;
}

/** One of several things that may be chosen, with its name beside it. */
export function Tick({ children, disabled, ...rest }: Omit<InputHTMLAttributes<HTMLInputElement>, 'type' | 'className'>): JSX.Element {
  return (
    <label className={`flex min-h-12 items-center gap-2 ${disabled ? 'text-ink2' : ''}`}>
      <input {...rest} type="checkbox" disabled={disabled} className="h-6 w-6 shrink-0 accent-blue" />
      {children}
    </label>
  );
}
