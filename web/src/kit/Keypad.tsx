import { Delete } from 'lucide-react';
import { useEffect, useState, type JSX } from 'react';
import { showCurrentRow } from './currentRow.ts';
import { useNarrow } from './useMedia.ts';

/** What is on the keys, by what is typed on them: the signs, units and words of its grammar. */
const LAYOUTS = {
  lengths: [
    ['abc', 'less', 'max', 'preload', '×', 'rub out'],
    ['7', '8', '9', '<', '>', '½'],
    ['4', '5', '6', '+', '-', '/'],
    ['1', '2', '3', '"', 'goes', 'stops'],
    ['0', '.', 'space', 'thou', 'mm', 'Keep'],
  ],
  drag: [
    ['abc', 'at', 'N', 'g', 'oz', 'rub out'],
    ['7', '8', '9', 'lb', 'in', '½'],
    ['4', '5', '6', 'kg', 'cm', '/'],
    ['1', '2', '3', 'N·m', 'ft', ','],
    ['0', '.', 'space', 'kgf·m', 'mm', 'Keep'],
  ],
  torqueLimits: [
    ['abc', 'max', 'new', 'used', 'seal out', 'rub out'],
    ['7', '8', '9', 'lb', 'in', '½'],
    ['4', '5', '6', 'kg', 'cm', '/'],
    ['1', '2', '3', 'N·m', 'ft', '-'],
    ['0', '.', 'space', 'at', 'mm', 'Keep'],
  ],
  turn: [
    ['abc', 'a', 'third', 'sixth', 'of', 'rub out'],
    ['7', '8', '9', 'half', 'quarter', '½'],
    ['4', '5', '6', 'flat', 'turn', '/'],
    ['1', '2', '3', 'on', 'back', '-'],
    ['0', '.', 'space', '°', ',', 'Keep'],
  ],
} as const satisfies Readonly<Record<string, readonly (readonly string[])[]>>;
export type Keys = keyof typeof LAYOUTS;
const NAMED: Readonly<Record<string, string>> = { 'rub out': 'Rub out', abc: 'The tablet’s own keyboard', '-': 'minus', ',': 'comma' };

/** What stands after a figure, and is followed by nothing. */
const UNITS: ReadonlySet<string> = new Set(['thou', 'mm', 'lb', 'in', 'kg', 'cm', 'ft', 'N', 'g', 'oz', 'N·m', 'kgf·m', 'flat', 'turn']);
const COMMANDS: ReadonlySet<string> = new Set(['abc', 'rub out', 'space', 'Keep']);
const WORDS = [...new Set(Object.values(LAYOUTS).flatMap((rows) => rows.flat()))]
  .filter((key) => !COMMANDS.has(key) && /^[a-z]/i.test(key))
  .toSorted((a, b) => b.length - a.length);
const LAST = new RegExp(String.raw`\s*(?:${WORDS.join('|')}|.)\s?$`, 'u');

/** A field whose entries are figures, signs and the words of the grammar: on a tablet or a phone it is typed on these keys. */
export const KEYED = { 'data-keys': 'lengths' } as const;

/** The same of a field that takes a drag, a torque or a turn, which has keys of its own. */
export const useKeyed = (keys: Keys): { readonly 'data-keys': Keys; readonly inputMode: 'none' | 'text' } => ({
  'data-keys': keys,
  inputMode: useNarrow() ? 'none' : 'text',
});

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
    const [last = ''] = LAST.exec(field.value.slice(0, end)) ?? [];
    field.setSelectionRange(end - last.length, end);
  }
  put(field, '');
}

/** A word carries its own spaces. */
function typed(field: HTMLInputElement, key: string): string {
  if (key === 'space') return ' ';
  if (!/^[a-z]/i.test(key)) return key;
  const before = field.value.slice(0, field.selectionStart ?? field.value.length);
  return `${before === '' || before.endsWith(' ') ? '' : ' '}${key}${UNITS.has(key) ? '' : ' '}`;
}

function press(field: HTMLInputElement, key: string): void {
  if (key === 'Keep') {
    if (field.form) field.form.requestSubmit();
    else field.blur();
  } else if (key === 'rub out') rubOut(field);
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
  return open ? <Keypad keys={keysOf(field)} onPress={(key) => (key === 'abc' ? ownKeyboard(field) : press(field, key))} /> : null;
}

const keysOf = ({ dataset: { keys = '' } }: HTMLInputElement): Keys => (keys in LAYOUTS ? (keys as Keys) : 'lengths');

/** The tablet's own keyboard, until the field is left. */
function ownKeyboard(field: HTMLInputElement): void {
  field.blur();
  field.inputMode = 'text';
  field.addEventListener('blur', () => (field.inputMode = 'none'), { once: true });
  field.focus();
}

/** Keys for oily thumbs. Pressing one leaves the focus where it is. */
export function Keypad({ keys = 'lengths', onPress }: { keys?: Keys; onPress: (key: string) => void }): JSX.Element {
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="no-print fixed inset-x-0 bottom-0 z-20 grid h-[var(--keypad-height)] grid-cols-6 grid-rows-[48px_repeat(4,1fr)] gap-1 border-t-2 border-ink bg-well p-1 max-sm:bottom-[60px] sm:left-[88px]"
    >
      {LAYOUTS[keys].flat().map((key) => (
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
          {key === 'rub out' ? <Delete className="mx-auto" aria-hidden="true" /> : key === '-' ? '−' : key === '"' ? '″' : key}
        </button>
      ))}
    </div>
  );
}

function lookOf(key: string): string {
  if (key === 'Keep') return 'label bg-blue text-[20px] font-semibold text-paper';
  if (/^[\d.]$/.test(key)) return 'num bg-sheet text-[26px] font-semibold';
  return /^[a-z]/i.test(key) ? 'bg-paper text-[16px]' : 'num bg-paper text-[26px]';
}
