import type { Limit, Station } from '@elder-cog/contract';
import { sayDragLimits, understandDragLimits, type DragConditions, type DragLimits, type DragLimitsQuestion, type Meaning } from '@elder-cog/core';
import { useState, type JSX, type ReactNode } from 'react';
import { Field, Primary } from '../../kit/controls.tsx';
import { Asked } from '../../kit/EntryField.tsx';
import { useKeyed } from '../../kit/Keypad.tsx';
import { useCommand } from '../../state/api.ts';
import { setDragLimits } from '../../state/dragActions.ts';
import { useDraft } from '../../state/drafts.ts';
import type { SpecOrigin } from '../../state/specActions.ts';
import { OriginFields } from '../Section/OriginFields.tsx';

/** What is kept: what it means, where it is from and how it was written. */
export type KeepLimits = (meaning: Meaning<DragLimits, string>, how: SpecOrigin & { readonly working?: string }, written: string) => void;

interface Props {
  readonly station: Station;
  /** what it is judged by now; null where nothing is */
  readonly limit: Limit | null;
  readonly question: DragLimitsQuestion;
  /** when they hold, unless what is typed says otherwise */
  readonly unlessSaid?: DragConditions;
  readonly id: string;
  /** what the form is called, and its field */
  readonly title: string;
  readonly label: string;
  readonly placeholder: string;
  readonly button: string;
  /** what stands above the field */
  readonly above?: ReactNode;
  /** what stands below its button, and may keep something else */
  readonly below?: (keep: KeepLimits) => ReactNode;
  readonly onDone: () => void;
}

/** Limits of a torque as a manual prints them, said back or asked about, with where they are from. */
export function TorqueLimitsForm({
  station,
  limit,
  question,
  unlessSaid = {},
  id,
  title,
  label,
  placeholder,
  button,
  above,
  below,
  onDone,
}: Props): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useDraft(`limits ${station.id}`, limit?.written ?? '');
  const keys = useKeyed('torqueLimits');
  const [tried, setTried] = useState(false);
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: limit?.source ?? 'manual',
    pageOrWhom: limit?.pageOrWhom ?? '',
    saidAt: limit?.saidAt ?? '',
  });
  const understood = understandDragLimits(text, question);
  const holding = (limits: DragLimits): DragLimits => ({ ...limits, conditions: { ...unlessSaid, ...limits.conditions } });
  const keepAs: KeepLimits = (meaning, how, written) =>
    void send(setDragLimits(station, written, { ...meaning, value: holding(meaning.value) }, how)).then(
      () => {
        setText('');
        onDone();
      },
      () => undefined,
    );
  const keep = (meaning: Meaning<DragLimits, string>): void => keepAs(meaning, origin, text);
  const isAsked = tried && understood.kind === 'ask';
  return (
    <form
      aria-label={title}
      className="border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (understood.kind === 'understood') keep(understood);
      }}
    >
      {above}
      <Field
        {...keys}
        id={id}
        label={label}
        value={text}
        autoFocus
        placeholder={placeholder}
        onChange={(event) => {
          setText(event.target.value);
          setTried(false);
        }}
        refusal={tried && understood.kind === 'refused' ? understood.message : null}
        says={
          text === '' || isAsked ? (
            ''
          ) : understood.kind === 'understood' ? (
            sayDragLimits(holding(understood.value), understood.unit)
          ) : (
            <span className="text-ink2">
              {understood.kind === 'ask' ? understood.meanings.map(({ said }) => said.split(' · ')[0]).join(', or ') : 'not understood yet'}
            </span>
          )
        }
      />
      {isAsked && <Asked key={text} understood={understood} onChoose={keep} onLeave={() => document.getElementById(id)?.focus()} />}
      <OriginFields origin={origin} onChange={setOrigin} id={id} />
      <Primary type="submit" enter disabled={sending} className="mt-2">
        {button}
      </Primary>
      {below?.(keepAs)}
    </form>
  );
}
