import { Delete } from 'lucide-react';
import type { JSX } from 'react';

const ROWS = [
  ['7', '8', '9', '>', 'back'],
  ['4', '5', '6', '½', 'goes'],
  ['1', '2', '3', '/', 'stops'],
  ['0', '.', 'thou', 'mm', 'Keep'],
] as const;

/** Keys for oily thumbs: 64 px each. Words carry their own space. */
export function Keypad({ value, onChange, onKeep }: { value: string; onChange: (value: string) => void; onKeep: () => void }): JSX.Element {
  const press = (key: string): void => {
    if (key === 'Keep') return onKeep();
    if (key === 'back') return onChange(value.replace(/\s*(?:goes|stops|thou|mm|.)$/u, ''));
    const word = /^[a-z]{2,}$/.test(key);
    onChange(word ? `${value}${value === '' || value.endsWith(' ') ? '' : ' '}${key}${key === 'goes' || key === 'stops' ? ' ' : ''}` : value + key);
  };
  return (
    <div className="grid grid-cols-5 gap-1 bg-well p-1" role="group" aria-label="Keypad">
      {ROWS.flat().map((key) => (
        <button
          key={key}
          type="button"
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => press(key)}
          aria-label={key === 'back' ? 'Rub out' : key}
          className={`h-[60px] border border-edge ${key === 'Keep' ? 'label bg-blue text-[20px] font-semibold text-paper' : /^[\d.]$/.test(key) ? 'num bg-sheet text-[26px] font-semibold' : /^[a-z]/.test(key) ? 'bg-paper text-[18px]' : 'num bg-paper text-[26px]'}`}
        >
          {key === 'back' ? <Delete className="mx-auto" aria-hidden="true" /> : key}
        </button>
      ))}
    </div>
  );
}
