import { newPair, newRow } from '@elder-cog/contract';
import { describeQuantity, FEATURE_KINDS, FEATURES, readQuantity, type FeatureKindName } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Chip, Field, Primary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { nextPosition, type Book } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';
import { understood } from '../../state/understood.ts';

/** Something to be measured: a bush with its journal, or one thing by itself. */
export function AddRow({ book, asked, onDone }: { book: Book; asked: boolean; onDone: (id: string | null) => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [kind, setKind] = useState<FeatureKindName | 'pair'>('pair');
  const [name, setName] = useState('');
  const [unit, setUnit] = useState<'in' | 'mm'>('in');
  const [weight, setWeight] = useState('');
  const isLoaded = kind === 'loadedLength';
  const load = isLoaded ? loadOf(weight) : null;
  const isReady = name.trim() !== '' && (load === null || load.says !== null);
  const add = (): void => {
    const plain = name.trim();
    const called = plain.charAt(0).toUpperCase() + plain.slice(1);
    const position = nextPosition(book);
    const row = { of: book.of, name: load?.says ? `${called}, under ${weight.trim()}` : called, unit, position, newId };
    const stations = kind === 'pair' ? [...newPair(row)] : [newRow({ ...row, kind })];
    void send({ kind: 'stations.add', stations }).then(
      () => onDone(stations[0]?.id ?? null),
      () => undefined,
    );
  };
  return (
    <form
      aria-label="Something to measure"
      className="flex flex-wrap items-start gap-x-3 gap-y-2 border-b border-edge px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) add();
      }}
    >
      <div role="group" aria-label="What it is" className="flex basis-full flex-wrap gap-2">
        <Chip on={kind === 'pair'} onClick={() => setKind('pair')}>
          bush and journal
        </Chip>
        {FEATURE_KINDS.map((each) => (
          <Chip key={each} on={kind === each} onClick={() => setKind(each)}>
            {FEATURES[each].name}
          </Chip>
        ))}
      </div>
      <Field
        label="Which"
        value={name}
        autoFocus={asked}
        onChange={(e) => setName(e.target.value)}
        placeholder={kind === 'pair' ? 'like front, or rear idler' : `like ${EXAMPLES[kind]}`}
        className="w-full max-w-sm"
      />
      {load && (
        <Field
          label="Under what weight"
          value={weight}
          onChange={(e) => setWeight(e.target.value)}
          placeholder="like 18 lb, or 2 kg"
          says={load.says}
          refusal={load.refusal}
          className="w-full max-w-[240px]"
        />
      )}
      <div className="flex gap-2 pt-8 max-sm:pt-0">
        <Chip on={unit === 'in'} onClick={() => setUnit('in')}>
          inches
        </Chip>
        <Chip on={unit === 'mm'} onClick={() => setUnit('mm')}>
          mm
        </Chip>
      </div>
      <Primary type="submit" enter disabled={sending || !isReady} className="mt-7 max-sm:mt-0">
        Add it
      </Primary>
    </form>
  );
}

/** The weight a spring is measured under, in both systems, or why it is not one. */
function loadOf(text: string): { says: string | null; refusal: string | null } {
  if (text.trim() === '') return { says: null, refusal: null };
  const read = understood(() => readQuantity(text));
  if (typeof read === 'string') return { says: null, refusal: read };
  if (read.kind !== 'force' || read.value <= 0) return { says: null, refusal: 'That is not a weight: type one such as 18 lb, 2 kg or 80 N.' };
  return { says: [...new Set([read.unit, 'N', 'lbf'])].map((unit) => describeQuantity(read.value, unit, 3)).join(' · '), refusal: null };
}

const EXAMPLES: Readonly<Record<FeatureKindName, string>> = {
  bore: 'spigot bush',
  journal: 'mainshaft spigot',
  thickness: 'thrust washer, front',
  groove: 'thrust washer, front',
  float: 'second gear float',
  roller: 'layshaft rollers',
  pin: 'reverse idler pin',
  spline: 'hub on shaft',
  tooth: 'third gear, span of 3',
  freeLength: 'detent spring',
  loadedLength: 'detent spring',
  gapLeft: 'third baulk ring',
};
