import { counted, readSpecLine } from '@elder-cog/core';
import { type SpecSheet } from '@elder-cog/derive';
import { useRef, useState, type JSX } from 'react';
import { Heading, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { addSpecs, type SpecOrigin } from '../../state/specActions.ts';
import { linesFromCsv } from '../../state/specCsv.ts';
import { OriginFields } from '../Section/OriginFields.tsx';
import { LineSays } from './LineSays.tsx';

/** A page of lines, with what each is understood as beside it before any is kept. */
export function PastePage({ sheet, onDone }: { sheet: SpecSheet; onDone: () => void }): JSX.Element {
  const { state } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const [origin, setOrigin] = useState<SpecOrigin>({ source: 'manual', pageOrWhom: '', saidAt: '' });
  const [refusal, setRefusal] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const read = lines.map((line) => ({ line, as: readSpecLine(line) }));
  const understood = read.filter(({ as }) => as.state === 'understood').length;
  const specLines = read.filter(({ as }) => as.state !== 'words').length;
  const next = sheet.groups.reduce((most, g) => Math.max(most, ...g.entries.map((e) => (e.spec?.position ?? -1) + 1)), 0);
  const keep = (): void => {
    if (lines.length === 0) return setRefusal('There is nothing there yet: paste a page, or type a line such as Cover bolts 18-22 lb ft.');
    if (lines.length > 400) return setRefusal(`That is ${lines.length} lines; 400 at a time is as much as this takes. Keep it in parts.`);
    void send(addSpecs(state.job.id, lines, origin, next)).then(
      () => {
        setText('');
        onDone();
      },
      () => undefined,
    );
  };
  const fromFile = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    const content = await chosen.text();
    const csv = /\.csv$/i.test(chosen.name) ? linesFromCsv(content) : { lines: content.split(/\r?\n/), source: null, page: '' };
    if (typeof csv === 'string') return setRefusal(csv);
    setRefusal(null);
    setText(csv.lines.join('\n'));
    setOrigin((o) => ({ ...o, source: csv.source ?? o.source, pageOrWhom: csv.page || o.pageOrWhom }));
  };
  return (
    <section aria-label="Paste a page" className="border-b-2 border-ink px-4 py-3">
      <Heading>A page of the manual</Heading>
      <p className="m-0 mb-2 text-ink2">
        One limit a line, a name and its figure, in any mixture of units: <span className="num">Cover bolts 18-22 lb ft</span> ·{' '}
        <span className="num">Bush bore 1.125 +.0015 -0</span> · <span className="num">Backlash 0.15-0.20 mm</span>
      </p>
      <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
        <div>
          <label htmlFor="page-lines" className="sr-only">
            Lines of the page
          </label>
          <textarea
            id="page-lines"
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setRefusal(null);
            }}
            rows={9}
            spellCheck={false}
            className="num w-full border border-edge bg-sheet p-3 text-[16px] leading-7"
            placeholder="Paste, or type here"
          />
          <div className="mt-2">
            <OriginFields origin={origin} onChange={setOrigin} id="pasted" />
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <Primary onClick={keep} disabled={sending}>
              {lines.length > 0 ? `Keep ${counted(lines.length, '1 line', 'lines')}` : 'Keep the lines'}
            </Primary>
            <Secondary onClick={() => file.current?.click()} className="min-h-14">
              From a file
            </Secondary>
            <FileChooser ref={file} label="A file of limits" accept=".csv,.txt,text/csv,text/plain" onChoose={([chosen]) => void fromFile(chosen)} />
            {sheet.groups.length > 0 && (
              <Secondary onClick={onDone} className="min-h-14">
                Leave it
              </Secondary>
            )}
          </div>
          {refusal && (
            <p className="m-0 mt-2">
              <Refusal>{refusal}</Refusal>
            </p>
          )}
        </div>
        <div aria-live="polite" className="min-w-0">
          {specLines > 0 && (
            <p className="label m-0 text-[17px] font-semibold">
              {understood} of {counted(specLines, '1 line', 'lines')} understood
            </p>
          )}
          <ol className="m-0 max-h-[340px] list-none overflow-auto p-0">
            {read.map(({ line, as }, i) => (
              <li key={i} className={`border-b border-rule py-1 ${as.state === 'ask' || as.state === 'notUnderstood' ? 'bg-band px-2' : ''}`}>
                <LineSays line={line} as={as} />
              </li>
            ))}
          </ol>
        </div>
      </div>
    </section>
  );
}
