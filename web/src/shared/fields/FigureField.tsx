interface FigureFieldProps {
  readonly label: string;
  readonly value: string;
  /** Whether what stands in it is no figure. */
  readonly wrong?: boolean;
  /** What an empty one means. */
  readonly empty?: string;
  /** Its width, as a class. */
  readonly wide?: string;
  readonly onChange: (text: string) => void;
  readonly onEnter?: () => void;
}

/** A small blank for a figure, told letter by letter. */
export function FigureField({
  label,
  value,
  wrong = false,
  empty,
  wide = 'w-20',
  onChange,
  onEnter,
}: FigureFieldProps) {
  return (
    <input
      className={`field ${wide}`}
      inputMode="decimal"
      aria-label={label}
      aria-invalid={wrong}
      placeholder={empty}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') onEnter?.();
      }}
    />
  );
}
