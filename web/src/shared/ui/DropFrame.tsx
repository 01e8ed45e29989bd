import { useState, type ReactNode } from 'react';

interface DropFrameProps {
  /** What is taken: `pattern files`. */
  readonly what: string;
  readonly onTake: (files: FileList) => void;
  readonly children: ReactNode;
}

/** A view that takes files which are dropped on it. */
export function DropFrame({ what, onTake, children }: DropFrameProps) {
  const [dropping, setDropping] = useState(false);
  return (
    <div
      className="flex flex-col h-full"
      onDragOver={(event) => {
        event.preventDefault();
        setDropping(true);
      }}
      onDragLeave={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget as Node | null)) setDropping(false);
      }}
      onDrop={(event) => {
        event.preventDefault();
        setDropping(false);
        onTake(event.dataTransfer.files);
      }}
    >
      {children}
      {dropping && (
        <div className="fixed inset-3 border-2 border-dashed border-measure bg-band/80 grid place-items-center text-part font-bold pointer-events-none z-40">
          Let go to take the {what} in
        </div>
      )}
    </div>
  );
}
