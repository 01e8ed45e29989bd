import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** One line of a menu; `apart` draws a rule above it. */
export interface MenuLine {
  readonly name: string;
  readonly run: () => void;
  readonly apart?: boolean;
  readonly show?: ReactNode;
}

interface MenuProps {
  /** What opens it: the words, and how they are read out and look. */
  readonly children: ReactNode;
  readonly label?: string;
  readonly title?: string;
  readonly className?: string;
  readonly align?: 'start' | 'end';
  readonly lines: readonly MenuLine[];
  /** Whether it is open, where that is kept elsewhere: a bar may be made anew while its list is read. */
  readonly open?: { readonly is: boolean; readonly onChange: (is: boolean) => void };
}

/** A list of things to do that drops from a word. A line that opens a blank or a dialog leaves the keyboard there. */
export function Menu({ children, label, title, className, align = 'end', lines, open }: MenuProps) {
  return (
    <DropdownMenu.Root {...(open ? { open: open.is, onOpenChange: open.onChange } : {})}>
      <DropdownMenu.Trigger aria-label={label} title={title} className={className}>
        {children}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={8}
          className="z-30 bg-sheet border border-ink py-1 min-w-44"
          onCloseAutoFocus={(event) => {
            if (document.activeElement?.matches('input, [role="dialog"] *')) event.preventDefault();
          }}
        >
          {lines.map(({ name, run, apart = false, show }) => (
            <div key={name}>
              {apart && <DropdownMenu.Separator className="border-t border-hair my-1" />}
              <DropdownMenu.Item
                className="px-3 py-1 cursor-pointer outline-none data-[highlighted]:bg-pick data-[highlighted]:text-on-pick"
                onSelect={run}
              >
                {show ?? name}
              </DropdownMenu.Item>
            </div>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
