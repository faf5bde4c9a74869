import { Menu, MenuButton, MenuItem, MenuItems } from '../../kit/over.ts';
import { useQueryClient } from '@tanstack/react-query';
import { MoreHorizontal } from 'lucide-react';
import { useState, type JSX } from 'react';
import { Refusal } from '../../kit/controls.tsx';
import { copyJob } from '../../state/files.ts';

/** What is done with a machine as a file. */
export default function MachineMenu({ buttonId, id, machine }: { buttonId: string; id: string; machine: string }): JSX.Element {
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const copy = (): void => {
    copyJob(id).then(
      () => client.invalidateQueries(),
      (error: Error) => setTrouble(error.message),
    );
  };
  const item = 'block min-h-12 w-full px-4 py-3 text-left text-[16px] no-underline data-focus:bg-band';
  return (
    <>
      <Menu>
        <MenuButton id={buttonId} aria-label={`More for ${machine}`} className="min-h-12 border border-edge bg-sheet px-3">
          <MoreHorizontal size={20} aria-hidden="true" />
        </MenuButton>
        <MenuItems anchor="bottom end" className="z-20 border-2 border-ink bg-sheet">
          <MenuItem>
            <a href={`/api/jobs/${id}/file`} download className={item}>
              Save as a file
            </a>
          </MenuItem>
          <MenuItem>
            <a href={`/api/jobs/${id}/file?bare=yes`} download className={item}>
              As plain JSON, no photos
            </a>
          </MenuItem>
          <MenuItem>
            <a href={`/api/jobs/${id}/readings.csv`} download className={item}>
              Readings as a spreadsheet
            </a>
          </MenuItem>
          <MenuItem>
            <button type="button" onClick={copy} className={item}>
              Make a copy beside it
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
      {trouble && <Refusal>{trouble}</Refusal>}
    </>
  );
}
