import type { LookAlike } from '@elder-cog/contract';
import { readLength } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';
import { understood } from '../../state/understood.ts';
import { LookAlikeView } from './LookAlikeView.tsx';

const FORMS = ['washer', 'spring', 'ring', 'bolt', 'other'] as const;
const COUNTED: Readonly<Record<LookAlike['form'], string>> = { washer: 'Grooves', spring: 'Coils', ring: 'Marks', bolt: 'Marks', other: 'Counted' };

/** Parts that nearly match, and are not the same. */
export function LookAlikes({ parts }: { parts: readonly string[] }): JSX.Element {
  const { facts } = useJob();
  const { send } = useCommand();
  const [adding, setAdding] = useState(false);
  const pairs = facts.lookAlikes.filter((l) => !l.gone);
  return (
    <section aria-label="Look-alikes" className="mt-3 border-t border-rule pt-2">
      <div className="flex items-center justify-between gap-3">
        <Heading>Look-alikes</Heading>
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding} className="no-print">
          Add a pair ▸
        </Quiet>
      </div>
      {pairs.length === 0 && !adding && (
        <p className="m-0 text-[16px] text-ink2">Two washers, springs or bolts that nearly match: say the tell while both are on the bench.</p>
      )}
      {adding && <LookAlikeForm parts={parts} onDone={() => setAdding(false)} />}
      {pairs.map((each) => (
        <div key={each.id}>
          <LookAlikeView lookAlike={each} photos />
          <Quiet
            className="no-print"
            onClick={() => void send({ kind: 'lookAlike.change', lookAlike: { ...each, gone: true } }).catch(() => undefined)}
          >
            They are not alike: take it away
          </Quiet>
        </div>
      ))}
    </section>
  );
}

interface Half {
  readonly name: string;
  readonly goes: string;
  readonly size: string;
  readonly marks: string;
  readonly tang: LookAlike['a']['tang'];
}
const EMPTY: Half = { name: '', goes: '', size: '', marks: '', tang: 'none' };

function LookAlikeForm({ parts, onDone }: { parts: readonly string[]; onDone: () => void }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const [form, setForm] = useState<LookAlike['form']>('washer');
  const [halves, setHalves] = useState<readonly [Half, Half]>([EMPTY, EMPTY]);
  const [tell, setTell] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const change = (i: number, patch: Partial<Half>): void => setHalves(([a, b]) => (i === 0 ? [{ ...a, ...patch }, b] : [a, { ...b, ...patch }]));
  const keep = (): void => {
    const made = halves.map(halfOf);
    const wrong = made.find((each) => typeof each === 'string');
    if (typeof wrong === 'string') return setRefusal(wrong);
    if (tell.trim() === '') return setRefusal('Say the tell between them: without it the pair is no help.');
    const [a, b] = made as [LookAlike['a'], LookAlike['b']];
    send({ kind: 'lookAlike.add', lookAlike: { id: newId(), jobId: facts.job.id, form, a, b, tell: tell.trim(), gone: false } }).then(
      onDone,
      () => undefined,
    );
  };
  return (
    <form
      aria-label="A pair of look-alikes"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <div role="group" aria-label="What they are" className="mb-2 flex flex-wrap gap-2">
        {FORMS.map((each) => (
          <Chip key={each} on={form === each} onClick={() => setForm(each)}>
            {each}
          </Chip>
        ))}
      </div>
      <datalist id="strip-parts">
        {[...new Set(parts)].map((part) => (
          <option key={part} value={part} />
        ))}
      </datalist>
      <div className="grid grid-cols-2 gap-x-3">
        {halves.map((half, i) => (
          <div key={i}>
            <Field
              id={`alike-name-${i}`}
              label={i === 0 ? 'One' : 'The other'}
              list="strip-parts"
              value={half.name}
              maxLength={120}
              onChange={(e) => change(i, { name: e.target.value })}
              placeholder={i === 0 ? 'like washer front' : 'like washer rear'}
            />
            <Field
              id={`alike-goes-${i}`}
              label="Goes"
              value={half.goes}
              maxLength={120}
              onChange={(e) => change(i, { goes: e.target.value })}
              placeholder="like front"
            />
            <Field
              id={`alike-size-${i}`}
              label="Size"
              value={half.size}
              maxLength={40}
              onChange={(e) => change(i, { size: e.target.value })}
              placeholder="like 118 thou"
            />
            <Field
              id={`alike-marks-${i}`}
              label={COUNTED[form]}
              value={half.marks}
              inputMode="numeric"
              maxLength={3}
              onChange={(e) => change(i, { marks: e.target.value })}
              placeholder="how many"
            />
            {form === 'washer' && (
              <div role="group" aria-label={`Tang, ${i === 0 ? 'one' : 'the other'}`} className="mb-2 flex flex-wrap gap-1">
                {(['none', 'narrow', 'wide'] as const).map((each) => (
                  <Chip key={each} on={half.tang === each} onClick={() => change(i, { tang: each })}>
                    {each === 'none' ? 'no tang' : each}
                  </Chip>
                ))}
              </div>
            )}
          </div>
        ))}
      </div>
      <Field
        label="The tell"
        value={tell}
        maxLength={400}
        onChange={(e) => setTell(e.target.value)}
        refusal={refusal}
        placeholder="like front has four grooves, rear has three"
      />
      <Primary type="submit" disabled={sending}>
        Keep the pair
      </Primary>
    </form>
  );
}

function halfOf({ name, goes, size, marks, tang }: Half): LookAlike['a'] | string {
  if (name.trim() === '') return 'Name both of them.';
  const read = size.trim() === '' ? null : understood(() => readLength(size, 'thou'));
  if (typeof read === 'string') return read;
  if (marks.trim() !== '' && !/^\d{1,3}$/.test(marks.trim())) return `“${marks}” is not a count: a whole number, or nothing.`;
  return {
    name: name.trim(),
    goes: goes.trim(),
    size: read?.value ?? null,
    written: size.trim(),
    unit: read?.unit ?? 'thou',
    marks: marks.trim() === '' ? null : Number(marks),
    tang,
  };
}
