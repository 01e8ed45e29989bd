import { techniquesIn, type Step } from '@jobbet/core/tying';
import { Popover } from 'radix-ui';
import { useId } from 'react';

type Technique = ReturnType<typeof techniquesIn>[number];

/** The techniques a step takes, by name; each opens what it is, what goes wrong, and how one sees it. */
export function TechniqueKeys({ step, className = '' }: { readonly step: Step; readonly className?: string }) {
  const techniques = techniquesIn(step);
  if (techniques.length === 0) return null;
  return (
    <p className={`flex flex-wrap gap-x-3 ${className}`} data-testid="techniques">
      {techniques.map((each) => (
        <TechniqueKey key={each.key} technique={each} />
      ))}
    </p>
  );
}

function TechniqueKey({ technique: { name, how, wrong, see, caution } }: { readonly technique: Technique }) {
  const title = useId();
  return (
    <Popover.Root>
      <Popover.Trigger className="why">
        {name}
        <span className="sr-only">, how?</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={8}
          sideOffset={4}
          tabIndex={0}
          aria-labelledby={title}
          className="z-30 w-[380px] max-h-[var(--radix-popover-content-available-height)] overflow-y-auto bg-sheet border border-ink px-4 py-3 text-left text-body not-italic text-ink leading-snug whitespace-normal"
        >
          <h2 id={title} className="font-semibold">
            {name}
          </h2>
          <p className="mt-1">{how}</p>
          <p className="mt-1">
            <span className="italic text-ink2">Goes wrong:</span> {wrong}
          </p>
          <p className="mt-1">
            <span className="italic text-ink2">Right when:</span> {see}
          </p>
          {caution !== undefined && <p className="mt-1 text-warn font-semibold">{caution}</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
