import type { Ref } from 'react';

interface FilesInputProps {
  readonly ref: Ref<HTMLInputElement>;
  readonly label: string;
  /** What the browser offers: `.csv,text/csv`. */
  readonly accept: string;
  readonly onTake: (files: FileList | null) => void;
}

/** Where the browser asks for files; it is not seen, and opened by whatever takes some in. */
export const FilesInput = ({ ref, label, accept, onTake }: FilesInputProps) => (
  <input
    ref={ref}
    type="file"
    accept={accept}
    multiple
    hidden
    aria-label={label}
    onChange={(event) => {
      onTake(event.target.files);
      // So that the same file can be taken once more.
      event.target.value = '';
    }}
  />
);
