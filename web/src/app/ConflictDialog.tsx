import { Boxed } from '../kit/Boxed.tsx';
import { format } from 'date-fns';
import { type JSX } from 'react';
import { Primary, Secondary } from '../kit/controls.tsx';
import { differences, overThis } from '../state/conflict.ts';
import { useOutbox, type Conflict } from '../state/outbox.ts';

/** A change that met another's: both versions, field by field, and a button for each. Closing it leaves it waiting in the title block. */
export default function ConflictDialog({ open, onClose }: { open: boolean; onClose: () => void }): JSX.Element {
  const { conflicts, choose } = useOutbox();
  const [conflict] = conflicts;
  return (
    <Boxed
      open={open && conflict !== undefined}
      onClose={onClose}
      title={conflict?.theirs.code === 'newerBuild' ? 'Another build was made since' : 'Somebody changed this since you opened it'}
      width="widest"
    >
      {conflict && <Both conflict={conflict} onChoose={(mine) => choose(conflict.key, mine)} />}
    </Boxed>
  );
}

function Both({ conflict: { mine, theirs }, onChoose }: { conflict: Conflict; onChoose: (mine: Conflict['mine'] | null) => void }): JSX.Element {
  const rows = differences(mine, theirs);
  const whose = theirs.who === '' ? 'From another tablet or window' : theirs.who;
  // the same done twice is done once
  const isSame = rows.length > 0 && rows.every((row) => row.mine === row.theirs);
  const ways = overThis(mine, theirs);
  return (
    <>
      <p>
        {theirs.at === null
          ? 'Look at both, and choose one.'
          : `${whose}, ${format(new Date(theirs.at), 'd MMM, HH:mm')}. Look at both, and choose one.`}
      </p>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="label border-b-2 border-ink text-[16px]">
            <th className="w-[26%] py-1 pr-3 font-semibold">
              <span className="sr-only">What</span>
            </th>
            <th className="py-1 pr-3 font-semibold">Yours</th>
            <th className="py-1 font-semibold">There now</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.field} className="border-b border-rule align-top">
              <th className="py-2 pr-3 font-normal text-ink2">{row.field}</th>
              <td className="py-2 pr-3 font-medium [overflow-wrap:anywhere]">{row.mine}</td>
              <td className="py-2 font-medium [overflow-wrap:anywhere]">{row.theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && <p className="text-ink2">Both say the same.</p>}
      <div className="mt-4 flex flex-wrap gap-3">
        {isSame && <Primary onClick={() => onChoose(null)}>Leave what is there</Primary>}
        {ways.map((way, i) =>
          i === 0 && !isSame ? (
            <Primary key={way.says} onClick={() => onChoose(way.change)}>
              {way.says}
            </Primary>
          ) : (
            <Secondary key={way.says} className="min-h-14" onClick={() => onChoose(way.change)}>
              {way.says}
            </Secondary>
          ),
        )}
        {!isSame && (
          <Secondary className="min-h-14" onClick={() => onChoose(null)}>
            {mine.kind === 'reading.keep' ? 'Drop the reading' : 'Leave what is there'}
          </Secondary>
        )}
      </div>
    </>
  );
}
