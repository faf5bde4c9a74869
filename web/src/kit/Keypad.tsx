import { Delete } from 'lucide-react';
import { useEffect, useState, type JSX } from 'react';
import { showCurrentRow } from './currentRow.ts';
import { useNarrow } from './useMedia.ts';

const KEYS = [
  ['abc', 'less', 'max', 'preload', '×', 'back'],
  ['7', '8', '9', '<', '>', '½'],
  ['4', '5', '6', '+', '-', '/'],
  ['1', '2', '3', '"', 'goes', 'stops'],
  ['0', '.', 'space', 'thou', 'mm', 'Keep'],
] as const;
type Key = (typeof KEYS)[number][number];
const NAMED: Partial<Record<Key, string>> = { back: 'Rub out', abc: 'The tablet’s own keyboard', '-': 'minus' };
const ALL: readonly Key[] = KEYS.flat();

/** A field whose entries are figures, signs and the words of the grammar: on a tablet or a phone it is typed on these keys. */
export const KEYED = { 'data-keys': '' } as const;

/** Text put where the field's caret is, as if it had been typed. */
function put(field: HTMLInputElement, text: string): void {
  field.setRangeText(text, field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length, 'end');
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** A word goes as it came, with its space; anything else a sign at a time. */
function rubOut(field: HTMLInputElement): void {
  const end = field.selectionEnd ?? field.value.length;
  const start = field.selectionStart ?? end;
  if (start === end) {
    const [last = ''] = /\s*(?:goes|stops|thou|mm|less|max|preload|.)\s?$/u.exec(field.value.slice(0, end)) ?? [];
    field.setSelectionRange(end - last.length, end);
  }
  put(field, '');
}

/** A word carries its own spaces. */
function typed(field: HTMLInputElement, key: Key): string {
  if (key === 'space') return ' ';
  if (!/^[a-z]{2,}$/.test(key)) return key;
  const before = field.value.slice(0, field.selectionStart ?? field.value.length);
  const isUnit = key === 'thou' || key === 'mm';
  return `${before === '' || before.endsWith(' ') ? '' : ' '}${key}${isUnit ? '' : ' '}`;
}

function press(field: HTMLInputElement, key: Key): void {
  if (key === 'Keep') {
    if (field.form) field.form.requestSubmit();
    else field.blur();
  } else if (key === 'back') rubOut(field);
  else put(field, typed(field, key));
}

/** The keypad at the foot of a tablet or a phone, for whichever such field is being typed in. */
export function KeypadFoot(): JSX.Element | null {
  const narrow = useNarrow();
  const [field, setField] = useState<HTMLInputElement | null>(null);
  useEffect(() => {
    let leaving = 0;
    const look = (): void => {
      const { activeElement } = document;
      window.clearTimeout(leaving);
      // what is tapped next must not move from under the finger: the keys go when the tap is done
      if (activeElement instanceof HTMLInputElement && 'keys' in activeElement.dataset && activeElement.inputMode === 'none') setField(activeElement);
      else leaving = window.setTimeout(() => setField(null), 250);
    };
    document.addEventListener('focusin', look);
    document.addEventListener('focusout', look);
    return () => {
      window.clearTimeout(leaving);
      document.removeEventListener('focusin', look);
      document.removeEventListener('focusout', look);
    };
  }, []);
  const open = narrow && field !== null;
  useEffect(() => {
    document.documentElement.classList.toggle('keypad-open', open);
    if (open) {
      field.scrollIntoView({ block: 'nearest' });
      // what is written to stays in sight above the keys
      showCurrentRow();
    }
    return () => document.documentElement.classList.remove('keypad-open');
  }, [open, field]);
  return open ? <Keypad onPress={(key) => (key === 'abc' ? ownKeyboard(field) : press(field, key))} /> : null;
}

/** The tablet's own keyboard, until the field is left. */
function ownKeyboard(field: HTMLInputElement): void {
  field.blur();
  field.inputMode = 'text';
  field.addEventListener('blur', () => (field.inputMode = 'none'), { once: true });
  field.focus();
}

/** Keys for oily thumbs. Pressing one leaves the focus where it is. */
export function Keypad({ onPress }: { onPress: (key: Key) => void }): JSX.Element {
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="no-print fixed inset-x-0 bottom-0 z-20 grid h-[var(--keypad-height)] grid-cols-6 grid-rows-[48px_repeat(4,1fr)] gap-1 border-t-2 border-ink bg-well p-1 max-sm:bottom-[60px] sm:left-[88px]"
    >
      {ALL.map((key) => (
        <button
          key={key}
          type="button"
          tabIndex={-1}
          onPointerDown={(event) => event.preventDefault()}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onPress(key)}
          aria-label={NAMED[key] ?? key}
          className={`min-h-12 min-w-0 border border-edge ${lookOf(key)}`}
        >
          {key === 'back' ? <Delete className="mx-auto" aria-hidden="true" /> : key === '-' ? '−' : key === '"' ? '″' : key}
        </button>
      ))}
    </div>
  );
}

function lookOf(key: Key): string {
  if (key === 'Keep') return 'label bg-blue text-[20px] font-semibold text-paper';
  if (/^[\d.]$/.test(key)) return 'num bg-sheet text-[26px] font-semibold';
  return /^[a-z]/.test(key) ? 'bg-paper text-[16px]' : 'num bg-paper text-[26px]';
}
