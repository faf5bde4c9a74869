import { understand, type Meaning, type QuantityQuestion, type QuantityValues, type UnderstoodQuantity } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { useDraft } from '../state/drafts.ts';
import { Field, fieldIdOf } from './controls.tsx';
import { Asked, ROOM_TO_ASK } from './EntryField.tsx';
import { useKeyed } from './Keypad.tsx';

type FieldOf = 'torque' | 'turn';

/** What is typed of a torque or a turn beside a sum, and what it means. It stays with this browser, and is no fact. */
export interface Quantity<Of extends FieldOf> {
  readonly of: Of;
  readonly text: string;
  /** null while nothing is typed */
  readonly understood: UnderstoodQuantity<Of> | null;
  /** as it is understood, or was chosen; null while it is asked about, refused or nothing */
  readonly meaning: Meaning<QuantityValues[Of], string> | null;
  type(text: string): void;
  choose(meaning: Meaning<QuantityValues[Of], string>): void;
}

export function useQuantity<Of extends FieldOf>(question: QuantityQuestion<Of>, draft: string): Quantity<Of> {
  const [text, type] = useDraft(draft);
  const [chosen, setChosen] = useState<{ readonly text: string; readonly meaning: Meaning<QuantityValues[Of], string> } | null>(null);
  const understood = text.trim() === '' ? null : understand(text, question);
  const picked = chosen?.text === text && understood?.kind === 'ask' ? chosen.meaning : null;
  return {
    of: question.field,
    text,
    understood,
    meaning: understood?.kind === 'understood' ? understood : picked,
    type,
    choose: (meaning) => setChosen({ text, meaning }),
  };
}

interface Props<Of extends FieldOf> {
  readonly quantity: Quantity<Of>;
  readonly label: string;
  readonly placeholder: string;
  /** said beside it while nothing is typed */
  readonly says?: string;
  /** how it is said back, where not as every other */
  readonly tells?: (value: QuantityValues[Of]) => string;
  /** why it is wanted, where it is not there */
  readonly refusal?: string | null;
  readonly className?: string;
}

/** A field that takes a torque or a turn: says back what it understood, asks with its meanings as buttons, or refuses in a sentence. */
export function QuantityField<Of extends FieldOf>({
  quantity,
  label,
  placeholder,
  says = '',
  tells,
  refusal = null,
  className,
}: Props<Of>): JSX.Element {
  const { of, text, understood, meaning, type, choose } = quantity;
  const keys = useKeyed(of === 'turn' ? 'turn' : 'drag');
  return (
    <div className={`${ROOM_TO_ASK} ${className ?? ''}`}>
      <Field
        {...keys}
        label={label}
        value={text}
        placeholder={placeholder}
        onChange={(event) => type(event.target.value)}
        refusal={understood?.kind === 'refused' ? understood.message : understood === null ? refusal : null}
        says={meaning === null ? (understood === null ? says : '') : (tells?.(meaning.value) ?? meaning.said)}
      />
      {understood?.kind === 'ask' && meaning === null && (
        <Asked
          key={text}
          understood={understood}
          takesFocus={false}
          onChoose={choose}
          onLeave={() => document.getElementById(fieldIdOf(label))?.focus()}
        />
      )}
    </div>
  );
}
