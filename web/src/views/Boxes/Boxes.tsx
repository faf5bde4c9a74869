import type { Assembly, Change, Shaft } from '@elder-cog/contract';
import type { ShaftState } from '@elder-cog/derive';
import { ArrowUp } from 'lucide-react';
import { useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Field, Heading, Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';

/** The boxes of a machine and the shafts in them: named again, put in order, and taken away while nothing is in them. */
export default function Boxes(): JSX.Element {
  const { state, facts } = useJob();
  return (
    <div className="mx-auto w-full max-w-3xl px-5 py-4">
      <h1 className="label m-0 text-[24px] font-semibold">Boxes and shafts</h1>
      <p className="m-0 mt-1 text-ink2">Names can be mended any time. What has something in its record stays; what has nothing can be taken away.</p>
      {state.assemblies.map((assembly, i) => {
        const shafts = state.shafts.filter((s) => s.assembly.id === assembly.id);
        const isUsed = facts.strip.some((e) => e.assemblyId === assembly.id) || facts.builds.some((b) => b.assemblyId === assembly.id);
        return (
          <section key={assembly.id} aria-label={assembly.name} className="mt-4 border-t-2 border-ink pt-3">
            <Heading>Box</Heading>
            <Named
              name={assembly.name}
              change={(name, more) => boxChange(assembly, { name, ...more })}
              swap={swapped(state.assemblies, i, boxChange)}
              canGo={shafts.length === 0 && !isUsed}
              what="box"
            />
            <div className="ml-6 border-l-2 border-rule pl-4">
              {shafts.map((shaft, n) => (
                <Named
                  key={shaft.shaft.id}
                  name={shaft.shaft.name}
                  change={(name, more) => shaftChange(shaft.shaft, { name, ...more })}
                  swap={swapped(
                    shafts.map((s) => s.shaft),
                    n,
                    shaftChange,
                  )}
                  canGo={isEmpty(shaft)}
                  what="shaft"
                />
              ))}
              <Link to={`/jobs/${state.job.id}/add?box=${assembly.id}`} className="inline-flex min-h-12 items-center text-blue">
                Add a shaft to it ▸
              </Link>
            </div>
          </section>
        );
      })}
      <Link to={`/jobs/${state.job.id}/add`} className="mt-4 inline-flex min-h-12 items-center text-blue">
        Add a box ▸
      </Link>
    </div>
  );
}

type Mended = { readonly name?: string; readonly position?: number; readonly gone?: true };

const boxChange = ({ id, revision, name, cameApart, mirrorOf, position }: Assembly, mended: Mended): Change => ({
  kind: 'assembly.change',
  id,
  revision,
  name,
  cameApart,
  mirrorOf,
  position,
  ...mended,
});
const shaftChange = ({ id, revision, name, position }: Shaft, mended: Mended): Change => ({
  kind: 'shaft.change',
  id,
  revision,
  name,
  position,
  ...mended,
});

/** One thing and the one before it, in each other's place; null for the first. */
function swapped<Row>(rows: readonly Row[], i: number, change: (row: Row, mended: Mended) => Change): readonly Change[] | null {
  const [row, before] = [rows[i], rows[i - 1]];
  return row === undefined || before === undefined ? null : [change(before, { position: i }), change(row, { position: i - 1 })];
}

const isEmpty = ({ builds, gaps, features, checks }: ShaftState): boolean =>
  builds.length === 0 &&
  gaps.every((g) => g.ladder.length === 0) &&
  features.every((f) => f.places.length === 0 && f.bound === null && f.earlier.length === 0) &&
  checks.every((c) => c.readingId === null);

function Named({
  name,
  change,
  swap,
  canGo,
  what,
}: {
  name: string;
  change: (name: string, more?: { gone: true }) => Change;
  swap: readonly Change[] | null;
  canGo: boolean;
  what: string;
}): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState(name);
  const isChanged = text.trim() !== '' && text.trim() !== name;
  const go = (...changes: readonly Change[]): void => void send(...changes).catch(() => undefined);
  return (
    <form
      className="flex flex-wrap items-center gap-x-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isChanged) go(change(text.trim()));
      }}
    >
      <Field
        label={`Name of the ${what}, now ${name}`}
        hideLabel
        value={text}
        maxLength={120}
        onChange={(e) => setText(e.target.value)}
        className="w-72 max-sm:w-full"
      />
      <Secondary type="submit" disabled={sending || !isChanged}>
        Name it so
      </Secondary>
      {swap && (
        <button
          type="button"
          onClick={() => go(...swap)}
          aria-label={`${name}: one place up`}
          title="One place up"
          className="flex size-12 items-center justify-center border border-edge bg-sheet"
        >
          <ArrowUp size={20} aria-hidden="true" />
        </button>
      )}
      {canGo && <Quiet onClick={() => go(change(name, { gone: true }))}>Take the {what} away</Quiet>}
    </form>
  );
}
