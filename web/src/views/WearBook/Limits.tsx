import { counted } from '@elder-cog/core';
import type { Spec } from '@elder-cog/contract';
import { specSheet, type SpecSheet } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { download } from '../../kit/download.ts';
import { useJob } from '../../state/job.ts';
import { sheetCsv } from '../../state/specCsv.ts';
import { Leaves } from './Leaves.tsx';
import { SheetTable } from './SheetTable.tsx';
import { PutOnStations } from './PutOnStations.tsx';
import { PastePage } from './PastePage.tsx';
import { AddLimit } from './AddLimit.tsx';

/** Every limit in both systems, with where it comes from; a manual's page typed or pasted line by line. */
export default function Limits(): JSX.Element {
  const { facts } = useJob();
  const sheet = useMemo(() => specSheet(facts), [facts]);
  const [pasting, setPasting] = useState(false);
  const [mending, setMending] = useState<Spec | null>(null);
  const isEmpty = sheet.groups.length === 0;
  return (
    <div className="flex min-h-full flex-col">
      <Leaves
        on="limits"
        says={isEmpty ? undefined : <SheetSays sheet={sheet} />}
        more={
          isEmpty ? undefined : (
            <Quiet onClick={() => download('limits.csv', sheetCsv(sheet), 'text/csv')} className="shrink-0">
              as a spreadsheet ▸
            </Quiet>
          )
        }
      />
      {(pasting || isEmpty) && <PastePage sheet={sheet} onDone={() => setPasting(false)} />}
      {!isEmpty && <SheetTable sheet={sheet} onMend={setMending} />}
      {!isEmpty && <PutOnStations sheet={sheet} />}
      {!pasting && !isEmpty && (
        <AddLimit
          key={mending?.id ?? 'new'}
          mending={mending}
          onMended={() => setMending(null)}
          onPaste={() => setPasting((p) => !p)}
          next={sheet.groups.reduce((most, g) => Math.max(most, ...g.entries.map((e) => (e.spec?.position ?? -1) + 1)), 0)}
          sheet={sheet}
        />
      )}
    </div>
  );
}

function SheetSays({ sheet }: { sheet: SpecSheet }): JSX.Element {
  const told = sheet.groups.flatMap((g) => g.entries).filter((e) => e.trust === 'told once').length;
  const not = sheet.lines - sheet.understood - sheet.toAsk;
  const said = [
    ...(sheet.lines > 0 ? [`${sheet.understood} of ${counted(sheet.lines, '1 line', 'lines')} understood`] : []),
    ...(sheet.toAsk > 0 ? [`${sheet.toAsk} to ask`] : []),
    ...(not > 0 ? [`${not} not understood`] : []),
    ...(sheet.conflicts > 0 ? [counted(sheet.conflicts, '1 conflict', 'conflicts')] : []),
    ...(told > 0 ? [`${told} told once`] : []),
    `${sheet.inUse} in use`,
  ];
  return <>{said.join(' · ')}</>;
}
