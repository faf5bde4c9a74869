import { forwardRef } from 'react';

interface FileChooserProps {
  readonly label: string;
  readonly accept: string;
  readonly multiple?: boolean;
  readonly onChoose: (files: readonly File[]) => void;
}

/** The browser's own chooser of files, out of sight: a button of ours opens it. The same file may be chosen twice running. */
export const FileChooser = forwardRef<HTMLInputElement, FileChooserProps>(function FileChooser({ label, accept, multiple = false, onChoose }, ref) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      multiple={multiple}
      aria-label={label}
      tabIndex={-1}
      className="sr-only"
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        event.target.value = '';
        if (files.length > 0) onChoose(files);
      }}
    />
  );
});
