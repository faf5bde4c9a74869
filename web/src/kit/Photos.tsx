import type { Photo, PhotoOf } from '@elder-cog/contract';
import { photosOf } from '@elder-cog/derive';
import { Over } from './Over.tsx';
import { DialogTitle } from './over.ts';
import { Camera } from 'lucide-react';
import { useMemo, useRef, useState, type JSX } from 'react';
import { useCommand } from '../state/api.ts';
import { withdraw } from '../state/gapActions.ts';
import { useJob } from '../state/job.ts';
import { photoUrl, sendPhoto } from '../state/photos.ts';
import { Refusal, Secondary } from './controls.tsx';
import { FileChooser } from './FileChooser.tsx';

/** Photos of one thing, and the way to add some: several at once, from a file or the tablet's camera. */
export function Photos({
  ofKind,
  ofId,
  caption,
  compact = false,
}: {
  ofKind: PhotoOf;
  ofId: string;
  caption: string;
  compact?: boolean;
}): JSX.Element {
  const { facts } = useJob();
  const photos = useMemo(() => photosOf(facts, ofId), [facts, ofId]);
  const [open, setOpen] = useState<Photo | null>(null);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {photos.slice(0, compact ? 1 : 40).map((photo, i) => (
        <button
          key={photo.id}
          type="button"
          onClick={() => setOpen(photo)}
          aria-label={`Photo ${i + 1} of ${caption}`}
          className="relative h-[52px] w-[78px] overflow-hidden border border-edge bg-well"
        >
          <Picture src={photoUrl(photo, true)} alt="" className="h-full w-full object-cover" />
          {compact && photos.length > 1 && <span className="num absolute right-0 bottom-0 bg-sheet px-1 text-[14px]">{photos.length}</span>}
        </button>
      ))}
      <AddPhotos ofKind={ofKind} ofId={ofId} caption={caption} small={compact} />
      <PhotoDialog photo={open} onClose={() => setOpen(null)} />
    </div>
  );
}

/** A photo; or, where its file is not in the data folder, that it is missing: its row stands, and it is there again as soon as the file is. */
function Picture({ src, alt, className }: { src: string; alt: string; className: string }): JSX.Element {
  const [missing, setMissing] = useState(false);
  if (missing) return <span className="flex h-full items-center justify-center p-1 text-center text-[14px] leading-4 text-ink2">missing</span>;
  return <img src={src} alt={alt} loading="lazy" className={className} onError={() => setMissing(true)} />;
}

/** Chooses photos and sends them, one after another, each kept or refused by itself. */
export function AddPhotos({
  ofKind,
  ofId,
  caption,
  small = false,
}: {
  ofKind: PhotoOf;
  ofId: string;
  caption: string;
  small?: boolean;
}): JSX.Element {
  const { facts } = useJob();
  const { send } = useCommand();
  const input = useRef<HTMLInputElement>(null);
  const [going, setGoing] = useState<{ done: number; of: number } | null>(null);
  const [refusals, setRefusals] = useState<readonly string[]>([]);
  const add = async (files: readonly File[]): Promise<void> => {
    setRefusals([]);
    for (const [done, file] of files.entries()) {
      setGoing({ done, of: files.length });
      try {
        await send(await sendPhoto(file, { jobId: facts.job.id, ofKind, ofId, caption }));
      } catch (error) {
        setRefusals((said) => [...said, `${file.name}: ${(error as Error).message}`]);
      }
    }
    setGoing(null);
  };
  return (
    <>
      <button
        type="button"
        onClick={() => input.current?.click()}
        disabled={going !== null}
        aria-label={`Add photos of ${caption}`}
        className={`no-print flex items-center justify-center gap-2 border border-dashed border-edge text-[16px] text-blue ${small ? 'h-[52px] w-[78px]' : 'min-h-12 px-4'}`}
      >
        {small ? (
          'add'
        ) : (
          <>
            <Camera size={18} aria-hidden="true" /> Add photos
          </>
        )}
      </button>
      <FileChooser ref={input} label={`Photos of ${caption}`} accept="image/*" multiple onChoose={(files) => void add(files)} />
      {going && (
        <span role="status" className="text-[16px]">
          <progress aria-label="Photos sent" max={going.of} value={going.done} className="h-2 w-24" /> {going.done + 1} of {going.of}
        </span>
      )}
      {refusals.map((said) => (
        <span key={said} className="basis-full">
          <Refusal>{said}</Refusal>
        </span>
      ))}
    </>
  );
}

function PhotoDialog({ photo, onClose }: { photo: Photo | null; onClose: () => void }): JSX.Element {
  const { send } = useCommand();
  return (
    <Over open={photo !== null} onClose={onClose} className="flex max-w-4xl flex-col">
      <DialogTitle className="label m-0 text-[20px] font-semibold">{photo?.caption}</DialogTitle>
      {photo && <Picture key={photo.id} src={photoUrl(photo)} alt={photo.caption} className="mt-2 min-h-0 flex-1 object-contain" />}
      <div className="mt-3 flex flex-wrap gap-3">
        <Secondary onClick={onClose}>Close</Secondary>
        {photo && (
          <Secondary
            onClick={() => {
              send(withdraw('photo', photo.id, 'that was wrong')).then(onClose, () => undefined);
            }}
          >
            Take it out
          </Secondary>
        )}
      </div>
    </Over>
  );
}
