import type { Spec } from '@elder-cog/contract';
import { describeQuantity, readSpecLine, suspectTorqueSlip, type SpecLine } from '@elder-cog/core';
import { limitsOfSpec, stationNamed, type SpecSheet } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Heading, Primary, Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { addSpecs, copyTo, retype, type SpecOrigin } from '../../state/specActions.ts';
import { OriginFields } from '../Section/OriginFields.tsx';
import { LineSays } from './LineSays.tsx';

/** One line more, or one typed again; says back both systems, and asks about a torque that looks like a slip. */
export function AddLimit({
  mending,
  onMended,
  onPaste,
  next,
  sheet,
}: {
  mending: Spec | null;
  onMended: () => void;
  onPaste: () => void;
  next: number;
  sheet: SpecSheet;
}): JSX.Element {
  const { state, facts } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState(mending?.text ?? '');
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: mending?.source ?? 'manual',
    pageOrWhom: mending?.pageOrWhom ?? '',
    saidAt: mending?.saidAt ?? '',
  });
  const [tried, setTried] = useState(false);
  const [keptAnyway, setKeptAnyway] = useState('');
  const as = text.trim() === '' ? null : readSpecLine(text);
  const slip = as?.state === 'understood' ? torqueSlip(as, sheet) : null;
  const station =
    as?.state === 'understood' && as.limits.kind === 'length'
      ? stationNamed(
          as.name,
          facts.stations.filter((s) => s.quantity === 'length' && !s.gone),
        )
      : null;
  const keep = (): void => {
    setTried(true);
    if (!as || as.state === 'words' || as.state === 'notUnderstood') return;
    if (slip && keptAnyway !== text) return setKeptAnyway(text);
    const done = (): void => {
      setText('');
      setTried(false);
      setKeptAnyway('');
      onMended();
    };
    if (mending) {
      void send(retype({ ...mending, ...origin }, text)).then(done, () => undefined);
      return;
    }
    const added = addSpecs(state.job.id, [text], origin, next);
    const [row] = added.specs;
    void send(added, ...(station && row ? [copyTo({ ...row, revision: 1 } as Spec, station, facts.limits)] : [])).then(done, () => undefined);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
      className="no-print sticky bottom-0 mt-auto flex max-sm:static flex-wrap items-start gap-x-4 border-t-2 border-ink bg-paper px-4 py-3"
    >
      <div className="pt-1">
        <Heading>{mending ? 'Type it again' : 'Add a limit'}</Heading>
        {mending ? <Quiet onClick={onMended}>leave it as it is</Quiet> : <Quiet onClick={onPaste}>or paste a page ▸</Quiet>}
      </div>
      <Field
        id="limit-line"
        label={mending ? 'The line, typed again' : 'A limit: its name and figure'}
        hideLabel
        autoFocus={mending !== null}
        value={text}
        maxLength={300}
        onChange={(e) => {
          setText(e.target.value);
          setTried(false);
        }}
        placeholder="like spigot bush 0.03 to 0.09"
        refusal={
          tried && (!as || as.state === 'words' || as.state === 'notUnderstood')
            ? as && 'because' in as
              ? as.because
              : 'Say a name and a figure, such as Cover bolts 18-22 lb ft.'
            : null
        }
        says={
          as && as.state !== 'words' && as.state !== 'notUnderstood' ? (
            <>
              <LineSays line={text} as={as} />
              {station && <span className="block text-ink2">limit of {station.name}</span>}
            </>
          ) : null
        }
        className="min-w-[280px] flex-1"
      />
      <OriginFields origin={origin} onChange={setOrigin} id="added" />
      <Primary type="submit" enter disabled={sending} className="mt-1">
        Keep
      </Primary>
      {slip && keptAnyway === text && (
        <div role="alert" className="mt-1 basis-full border-2 border-tight bg-sheet p-3">
          <p className="m-0 mb-2 font-medium">{slip.message}</p>
          <div className="flex flex-wrap gap-2">
            <Secondary
              onClick={() => {
                setText(`${as?.state === 'understood' ? as.name : ''} ${slip.said}`);
                setKeptAnyway('');
              }}
            >
              {slip.said}
            </Secondary>
            <Secondary onClick={keep}>keep it as typed</Secondary>
          </div>
        </div>
      )}
    </form>
  );
}

/** A torque against what is written already under the same name. */
function torqueSlip(as: Extract<SpecLine, { state: 'understood' }>, sheet: SpecSheet): { message: string; said: string } | null {
  if (as.limits.kind !== 'torque') return null;
  const known = sheet.groups
    .flatMap((g) => g.entries)
    .filter((e) => e.spec?.quantity === 'torque' && !e.spec.leftOut && e.spec.name.toLowerCase() === as.name.toLowerCase())
    .map((e) => (e.spec ? limitsOfSpec(e.spec) : null))[0];
  const entered = as.limits.max ?? as.limits.min;
  if (!known || entered === null) return null;
  const [low, high] = [known.min ?? 0, known.max ?? known.min ?? 0];
  const [slip] = suspectTorqueSlip(entered, { min: low === high ? low * 0.9 : low, max: low === high ? high * 1.1 : high });
  return slip ? { message: slip.message, said: describeQuantity(slip.meant, as.limits.unit, 3) } : null;
}
