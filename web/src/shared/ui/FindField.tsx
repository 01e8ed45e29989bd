import { Search } from 'lucide-react';
import type { RefObject } from 'react';

interface FindFieldProps {
  readonly field: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly placeholder: string;
  readonly value: string;
  readonly onChange: (words: string) => void;
  readonly onEnter?: () => void;
  readonly wide?: boolean;
}

/** The words a list is narrowed by as they are typed; Escape empties it and gives the keyboard back. */
export function FindField({ field, label, placeholder, value, onChange, onEnter, wide = false }: FindFieldProps) {
  return (
    <>
      <Search size={18} aria-hidden="true" className="shrink-0" />
      <input
        ref={field}
        type="search"
        aria-label={label}
        placeholder={placeholder}
        className={`bg-transparent outline-none text-sentence focus:border-b-2 focus:border-measure ${wide ? 'w-96 max-[1100px]:w-60 max-[860px]:w-40' : 'w-56 max-[860px]:w-40'}`}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') onEnter?.();
          if (event.key !== 'Escape') return;
          onChange('');
          event.currentTarget.blur();
        }}
      />
      <span className="plain-key">/</span>
    </>
  );
}
