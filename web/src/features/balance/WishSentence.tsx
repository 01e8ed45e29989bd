import { intentWords } from '@jobbet/core/pattern';
import type { ReactNode } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { FigureField } from '../../shared/fields/FigureField.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { speedTyped, type WishDraft } from './wish.ts';

interface WishSentenceProps {
  readonly draft: WishDraft;
  readonly onChange: (change: Partial<WishDraft>) => void;
  /** Searches; null while nothing can be searched for. */
  readonly onFind: (() => void) | null;
  /** What stands beside the button. */
  readonly children: ReactNode;
}

/** What is wished of the fly, written as a sentence. */
export function WishSentence({ draft, onChange, onFind, children }: WishSentenceProps) {
  const style = useStyle();
  const speed = (label: string, key: 'holds' | 'low' | 'high') => (
    <FigureField
      label={label}
      value={draft[key]}
      empty="any"
      wrong={speedTyped(draft[key], style).is === 'wrong'}
      onChange={(text) => onChange({ [key]: text })}
      onEnter={() => onFind?.()}
    />
  );
  return (
    <p className="leading-[2]">
      Rides{' '}
      <ChoiceField
        label="wished ride"
        value={draft.ride}
        options={intentWords('ride')}
        empty="either way"
        onChange={(ride) => onChange({ ride })}
      />
      , holds to at least {speed('wished current', 'holds')}, sinks from {speed('sinks from', 'low')} to{' '}
      {speed('sinks to', 'high')} {style.speed},{' '}
      <ChoiceField
        label="lead"
        value={draft.lead ? 'lead' : ''}
        options={[['lead', 'lead too']]}
        empty="no lead"
        onChange={(word) => onChange({ lead: word === 'lead' })}
      />{' '}
      from{' '}
      <ChoiceField
        label="weights from"
        value={draft.from}
        options={[
          ['sold', 'all that are sold'],
          ['drawer', 'the drawer'],
        ]}
        onChange={(word) => onChange({ from: word === 'drawer' ? 'drawer' : 'sold' })}
      />
      .{' '}
      <button type="button" className="sheet-button primary" onClick={() => onFind?.()} disabled={onFind === null}>
        Find
      </button>{' '}
      {children}
    </p>
  );
}
