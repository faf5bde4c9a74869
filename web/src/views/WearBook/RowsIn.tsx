import { FEATURES } from '@elder-cog/core';
import { useRef, useState, type JSX } from 'react';
import { Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { useCommand } from '../../state/api.ts';
import type { Book } from '../../state/job.ts';
import { readRows, takeRows } from '../../state/rowsCsv.ts';

/** Rows pasted from a spreadsheet or read from its file: what was understood, and what will not be taken, before anything is. */
export function RowsIn({ book, onDone }: { book: Book; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const read = text.trim() === '' ? [] : readRows(text);
  const rows = typeof read === 'string' ? [] : read;
  const good = rows.filter((row) => row.refusal === null);
  const bad = rows.filter((row) => row.refusal !== null);
  const take = (): void => {
    send(...takeRows(rows, book)).then(onDone, () => undefined);
  };
  return (
    <section aria-label="Rows from a spreadsheet" className="border-b border-edge px-4 py-3">
      <Heading>Rows from a spreadsheet</Heading>
      <p className="m-0 text-ink2">
        Paste them with their heading: part, kind, unit, new, limit, readings_1 … Kinds:{' '}
        {Object.values(FEATURES)
          .map((f) => f.name)
          .join('; ')}
        .
      </p>
      <label className="sr-only" htmlFor="rows">
        Rows to bring in
      </label>
      <textarea
        id="rows"
        value={text}
        onChange={(e) => setText(e.target.value)}
        rows={6}
        spellCheck={false}
        className="num mt-2 w-full border border-edge bg-sheet p-2 text-[16px]"
        placeholder={'part,kind,unit,new,limit,readings_1\nlike Idler pin,journal,mm,20,min 19.96,19.975 19.98'}
      />
      {typeof read === 'string' && (
        <p className="m-0">
          <Refusal>{read}</Refusal>
        </p>
      )}
      {rows.length > 0 && (
        <div aria-label="What was understood" role="region" className="mt-2 max-h-64 overflow-auto border border-rule bg-sheet">
          <table className="w-full border-collapse text-[16px]">
            <thead>
              <tr className="label border-b border-edge text-left">
                <th className="px-2">Line</th>
                <th className="px-2">Part</th>
                <th className="px-2">Kind</th>
                <th className="px-2">New</th>
                <th className="px-2">Limit</th>
                <th className="px-2">Readings</th>
              </tr>
            </thead>
            <tbody>
              {[...bad, ...good].slice(0, 100).map((row) => (
                <tr key={row.line} className="border-b border-rule">
                  <td className="num px-2">{row.line}</td>
                  <td className="px-2">{row.part || '–'}</td>
                  {row.refusal === null ? (
                    <>
                      <td className="px-2">{row.kind === null ? '' : FEATURES[row.kind].name}</td>
                      <td className="num px-2">{row.newSize}</td>
                      <td className="num px-2">{row.limit}</td>
                      <td className="num px-2">{row.readings.filter((r) => r !== '').join(' | ')}</td>
                    </>
                  ) : (
                    <td colSpan={4} className="px-2">
                      <Refusal>Not taken: {row.refusal}</Refusal>
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
          {rows.length > 100 && <p className="m-0 px-2 py-1 text-ink2">and {rows.length - 100} more like them</p>}
        </div>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Primary onClick={take} disabled={sending || good.length === 0}>
          {sending ? 'Taking them…' : `Take ${good.length} ${good.length === 1 ? 'row' : 'rows'}`}
        </Primary>
        <Secondary onClick={() => file.current?.click()} className="min-h-14">
          From a file
        </Secondary>
        <Quiet onClick={onDone}>Leave it</Quiet>
        {bad.length > 0 && <span>{bad.length} will not be taken</span>}
        {sending && <progress aria-label="Taking them" className="h-2 w-32" />}
        <FileChooser
          ref={file}
          label="A spreadsheet of rows"
          accept=".csv,.tsv,.txt,text/csv"
          onChoose={([chosen]) => void chosen?.text().then(setText)}
        />
      </div>
    </section>
  );
}
