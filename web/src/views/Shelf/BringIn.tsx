import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type DragEvent, type JSX } from 'react';
import { useNavigate } from 'react-router';
import { Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { RefusedError } from '../../state/api.ts';
import { bringIn } from '../../state/files.ts';

/** A machine, or a whole workshop, from a file: chosen or dropped. What is wrong with it is said by line and field. */
export function BringIn(): JSX.Element {
  const client = useQueryClient();
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [over, setOver] = useState(false);
  const [trouble, setTrouble] = useState<{ file: File; message: string; canCopy: boolean } | null>(null);
  const bring = async (file: File | undefined, copy = false): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setTrouble(null);
    try {
      const { jobs } = await bringIn(file, copy);
      await client.invalidateQueries();
      if (jobs.length === 1 && jobs[0]) void navigate(`/jobs/${jobs[0].id}/bench`);
    } catch (error) {
      setTrouble({ file, message: (error as Error).message, canCopy: error instanceof RefusedError && error.code === 'alreadyHere' });
    } finally {
      setBusy(false);
    }
  };
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    void bring(event.dataTransfer.files[0]);
  };
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      className={`border-t border-rule px-5 py-3 ${over ? 'bg-band' : ''}`}
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <Secondary disabled={busy} onClick={() => input.current?.click()}>
          {busy ? 'Bringing it in…' : 'Bring in a file'}
        </Secondary>
        <span className="text-ink2">a .eldercog.zip or a job.json; or drop one here</span>
        <FileChooser
          ref={input}
          label="A file to bring in"
          accept=".zip,.json,application/zip,application/json"
          onChoose={([file]) => void bring(file)}
        />
      </div>
      {busy && <progress aria-label="Bringing it in" className="mt-2 h-2 w-full" />}
      {trouble && (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <p className="m-0 max-w-prose">
            <Refusal>{trouble.message}</Refusal>
          </p>
          {trouble.canCopy && <Secondary onClick={() => void bring(trouble.file, true)}>Bring it in as a copy</Secondary>}
          <Quiet onClick={() => setTrouble(null)}>Leave it</Quiet>
        </div>
      )}
    </div>
  );
}
