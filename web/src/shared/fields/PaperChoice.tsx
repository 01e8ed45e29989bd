import { PAPERS, type Paper } from '@jobbet/core/drawing';
import { ChoiceField } from './Fields.tsx';
import { setSettings, useSettings } from '../settings/settings.ts';

const WORDS: Readonly<Record<Paper, string>> = { a4: 'A4', letter: 'Letter' };

/** The paper that is printed on, kept for everything that is printed. */
export function PaperChoice() {
  const { paper } = useSettings();
  return (
    <ChoiceField
      label="paper"
      value={paper}
      options={Object.keys(PAPERS).map((each) => [each, WORDS[each as Paper]] as const)}
      onChange={(next) => setSettings({ paper: next as Paper })}
    />
  );
}
