import { dragMark, nextOf, type DragState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Quiet } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { useJob } from '../../state/job.ts';
import { AddDrag } from './AddDrag.tsx';
import { DragChart } from './DragChart.tsx';
import { DragEntry } from './DragEntry.tsx';
import { DragLog } from './DragLog.tsx';
import { DragPanel } from './DragPanel.tsx';
import { DragRows } from './DragRows.tsx';
import { Hands } from './Hands.tsx';
import { MakeTabs, PickOne } from './MakeTabs.tsx';
import { NextTurn } from './NextTurn.tsx';
import { SolidSpacer } from './SolidSpacer.tsx';
import { WheelIn } from './WheelIn.tsx';

/** What it takes to turn a pair of bearings: preload as it is felt, read off a wrench or a cord, and the nut that is drawn up to it. */
export default function Drag(): JSX.Element {
  const { shaft } = useJob();
  const [search, setSearch] = useSearchParams();
  const [isNew, setNew] = useState(false);
  const all = shaft?.drags ?? [];
  const wanted = search.get('drag') ?? (shaft ? nextOf(shaft).stationId : null);
  const found = all.find(({ station }) => station.id === wanted) ?? all[0] ?? null;
  const drag = isNew ? null : found;
  const choose = (id: string): void => {
    setNew(false);
    setSearch((params) => {
      params.set('drag', id);
      return params;
    });
  };
  return (
    <div className="flex min-h-full flex-col">
      <h1 className="sr-only">Drag</h1>
      <MakeTabs on="drag">
        {all.map((each) => (
          <PickOne key={each.station.id} on={each === drag} onPick={() => choose(each.station.id)}>
            <Mark kind={dragMark(each)} size={20} />
            {each.station.name}
          </PickOne>
        ))}
        {shaft && all.length > 0 && (
          <Quiet onClick={() => setNew(true)} aria-expanded={isNew}>
            Another drag ▸
          </Quiet>
        )}
      </MakeTabs>
      {!shaft ? (
        <p className="px-4 py-3">
          A drag is read of a shaft in its bearings: <Link to="../add">add a shaft</Link> first. No dimension is needed.
        </p>
      ) : drag ? (
        <One key={drag.station.id} shaft={shaft} drag={drag} />
      ) : (
        <AddDrag key={all.length} shaft={shaft} isFirst={all.length === 0} onAdded={choose} />
      )}
    </div>
  );
}

/** One drag: its log or its builds, how it rises, the strip it is read in, and what it comes to. */
function One({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const isLogged = drag.log !== null;
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1fr)_360px] max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col border-ink lg:border-r-2">
        <div className="grid flex-1 grid-cols-[minmax(0,384px)_minmax(0,1fr)] max-md:grid-cols-1">
          <div className="min-w-0 border-ink md:border-r-2 max-md:order-2 max-md:border-t-2">
            {drag.log ? <DragLog drag={drag} steps={drag.log.steps} /> : <DragRows drag={drag} />}
          </div>
          <div className="min-w-0 px-4 py-2">
            {isLogged && <DragChart drag={drag} />}
            <Hands shaft={shaft} drag={drag} />
          </div>
        </div>
        <div className="no-print border-t-2 border-ink px-4 py-2 max-lg:order-first max-lg:border-t-0 max-lg:border-b-2">
          {drag.rise ? (
            <p className="m-0 text-[17px]">
              How much the {drag.rise.of.name.toLowerCase()} rises: it is read there. Read it once before, and say so; tighten; and read it again.
            </p>
          ) : (
            <DragEntry shaft={shaft} drag={drag} />
          )}
        </div>
      </div>
      <div className="min-w-0 max-lg:order-first max-lg:border-b-2 max-lg:border-ink lg:max-h-[calc(100dvh-110px)] lg:overflow-y-auto">
        <DragPanel drag={drag} />
        {!drag.rise && <NextTurn shaft={shaft} drag={drag} />}
        {!drag.rise && <SolidSpacer shaft={shaft} drag={drag} />}
        {!drag.rise && <WheelIn drag={drag} />}
      </div>
    </div>
  );
}
