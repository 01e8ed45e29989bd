import { useEffect, useRef, useState, type ReactNode } from 'react';

interface ViseKeyProps {
  readonly name: string;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

/** A key that is pressed on the board or tapped here. */
export function ViseKey({ name, onPress, children }: ViseKeyProps) {
  return (
    <button
      type="button"
      className="flex items-center gap-2 text-ink2"
      onClick={(event) => {
        // The keyboard stays with the page, so that the next blank goes on.
        event.currentTarget.blur();
        onPress();
      }}
    >
      <span className="border-2 border-ink rounded-[3px] px-3 py-1 text-ink font-semibold min-w-[44px] min-h-[40px] grid place-items-center">
        {children}
      </span>
      {name}
    </button>
  );
}

/** How this step came out otherwise than planned, in words. */
export function DiffersField({ value, onTake }: { readonly value: string; readonly onTake: (words: string) => void }) {
  const [words, setWords] = useState(value);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  return (
    <p className="px-8 py-2 border-t border-hair text-[22px] shrink-0">
      <label>
        Differs from the plan:{' '}
        <input
          ref={field}
          className="field w-[60%]"
          maxLength={300}
          placeholder="a shorter tail, another colour"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') onTake(words);
            if (event.key === 'Escape') onTake(value);
            event.stopPropagation();
          }}
          onBlur={() => onTake(words)}
        />
      </label>
    </p>
  );
}
