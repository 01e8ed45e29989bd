import { capital } from '../../base/index.ts';
import { METRIC, type Style, saying } from '../../units/index.ts';
import { relationWords } from '../partName.ts';
import type { Step } from '../step.ts';
import type { TyingSheet } from './sheet.ts';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The measure of a step with what it is of, in one line; empty where it has none. */
export function measureLine({ measure }: Step, style: Style): string {
  if (!measure) return '';
  const relation = measure.relation === null || measure.relation === '' ? '' : ` (${relationWords(measure.relation)})`;
  return `${saying(style).length(measure.mm)} ${measure.words}${relation}`;
}

/** What is to be minded in a step besides what is done, one thing each. */
const asides = (step: Step): string[] =>
  [
    step.tool === null ? null : `With ${step.tool}.`,
    step.face === null ? null : `${capital(step.face)}.`,
    step.glue === null ? null : `Glue: ${step.glue}.`,
    step.torque,
    step.proof,
    ...step.look,
    step.wrong,
  ].filter((each) => each !== null);

/** What is to be minded in each step, each thing once: what was said at an earlier step is not said again. */
export function saidOnce(steps: readonly Step[]): string[][] {
  const said = new Set<string>();
  return steps.map((step) =>
    asides(step).filter((each) => {
      const before = said.has(each);
      said.add(each);
      return !before;
    }),
  );
}

/** A tying sheet as Markdown; whatever a tier wrote is read as words, never as tags. */
export function sheetMarkdown(sheet: TyingSheet, style: Style = METRIC): string {
  const minded = saidOnce(sheet.steps);
  const lines = [
    `# ${sheet.name}`,
    '',
    `${sheet.hook} · version ${sheet.id}`,
    ...(sheet.notes === null ? [] : ['', sheet.notes]),
    '',
    '## On the table',
    '',
    ...sheet.materials.map(
      (each) =>
        `- ${each.part === null ? '' : `**${each.part}**: `}${each.words}${each.cut === null ? '' : ` (cut ${each.cut})`}`,
    ),
    '',
    '## Steps',
    '',
    ...sheet.steps.flatMap((step, i) => {
      const measure = measureLine(step, style);
      return [
        `${String(i + 1)}. **${step.title}**${measure === '' ? '' : `: ${measure}`}. ${step.how.join(' ')}`,
        ...(minded[i] ?? []).map((each) => `   - ${each}`),
      ];
    }),
    '',
    '## Proportions',
    '',
    ...sheet.proportions.map(
      (each) => `- ${each.part}: ${each.figure}${each.relation === null ? '' : ` (${each.relation})`}`,
    ),
    '',
    '## In the water',
    '',
    ...sheet.does.map((each) => `- ${each}`),
    ...(sheet.cautions.length === 0 ? [] : ['', '## Take care', '', ...sheet.cautions.map((each) => `- ${each}`)]),
  ];
  return `${lines.join('\n').replaceAll('&', '&amp;').replaceAll('<', '&lt;')}\n`;
}

const list = (items: readonly string[]): string => `<ul>${items.map((each) => `<li>${each}</li>`).join('')}</ul>`;

/** A tying sheet as a page of HTML that stands alone and prints. @param stages a drawing for each step, as SVG */
export function sheetHtml(sheet: TyingSheet, style: Style = METRIC, stages: readonly string[] = []): string {
  const minded = saidOnce(sheet.steps);
  const steps = sheet.steps.map((step, i) => {
    const measure = measureLine(step, style);
    const aside = minded[i]?.join(' ') ?? '';
    return `<li>${stages[i] ?? ''}<b>${escaped(step.title)}</b>${measure === '' ? '' : `: ${escaped(measure)}`}. ${escaped(step.how.join(' '))}${aside === '' ? '' : ` <i>${escaped(aside)}</i>`}</li>`;
  });
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>${escaped(sheet.name)}</title>
<style>body{font:14px/1.4 sans-serif;max-width:46em;margin:2em auto}h1{margin-bottom:0}li{margin:.2em 0;break-inside:avoid}li svg{float:right;margin-left:1em}i{color:#444}@page{margin:14mm}</style></head>
<body>
<h1>${escaped(sheet.name)}</h1>
<p>${escaped(sheet.hook)} · version ${sheet.id}</p>
${sheet.notes === null ? '' : `<p>${escaped(sheet.notes)}</p>`}
<h2>On the table</h2>
${list(sheet.materials.map((each) => `${each.part === null ? '' : `<b>${escaped(each.part)}</b>: `}${escaped(each.words)}${each.cut === null ? '' : ` (cut ${escaped(each.cut)})`}`))}
<h2>Steps</h2>
<ol>${steps.join('\n')}</ol>
<h2>Proportions</h2>
${list(sheet.proportions.map((each) => `${escaped(each.part)}: ${escaped(each.figure)}${each.relation === null ? '' : ` (${escaped(each.relation)})`}`))}
<h2>In the water</h2>
${list(sheet.does.map(escaped))}
${sheet.cautions.length === 0 ? '' : `<h2>Take care</h2>\n${list(sheet.cautions.map(escaped))}`}
</body>
</html>
`;
}
