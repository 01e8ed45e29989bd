import { corrected, gaugeCard, PROOF_MM, gaugeStrip } from '@jobbet/core/study';
import { type Page, pageSvg } from '@jobbet/core/drawing';
import type { Fault } from '@jobbet/core/base';
import { formatNumber, readTyped } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { api } from '../../shared/api/client.ts';
import { slug } from '../../shared/ui/saveFile.ts';
import { TextField } from '../../shared/fields/Fields.tsx';
import { PX_PER_MM } from '../../shared/drawing/Projection.tsx';
import { PaperChoice } from '../../shared/fields/PaperChoice.tsx';
import { setSettings, useSettings, useStyle } from '../../shared/settings/settings.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { GAUGE } from './commands.ts';
import { Calibrate } from './Calibrate.tsx';
import type { Column } from './RunTable.tsx';

/** The gauge card of a run at true scale: on the screen once it is calibrated, and on paper. */
export function GaugeCard({ name, columns }: { readonly name: string; readonly columns: readonly Column[] }) {
  const style = useStyle();
  const { hand, paper, printScale, screenPxPerMm } = useSettings();
  /** The correction the last print was made with. */
  const [made, setMade] = useState(printScale);
  const [calibrating, setCalibrating] = useState(false);
  const strips = useMemo(() => columns.flatMap(({ laid }) => (laid ? [gaugeStrip(laid)] : [])), [columns]);
  /** As it is shown: what a printer takes off is no business of the screen. */
  const shown = useMemo(() => gaugeCard(name, strips, { paper, hand, style }), [name, strips, paper, hand, style]);
  const printed = (): readonly Page[] => gaugeCard(name, strips, { paper, hand, correction: printScale, style });
  const pxPerMm = screenPxPerMm ?? PX_PER_MM;
  const { asPdf, asSvg } = cardFiles(name, printed, () => setMade(printScale));
  useTable('gauge', GAUGE, { pdf: asPdf, svg: asSvg, calibrate: () => setCalibrating((is) => !is) });
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-2 border-b border-hair">
        <span>
          on <PaperChoice />
        </span>
        <PrintedBar made={made} />
        <span>
          <button type="button" className="sheet-button primary" onClick={asPdf}>
            PDF <span className="plain-key">P</span>
          </button>{' '}
          <button type="button" className="sheet-button" onClick={asSvg}>
            SVG <span className="plain-key">S</span>
          </button>
        </span>
        <span className="text-ink2">
          {screenPxPerMm === null
            ? 'This screen is not calibrated: what it shows may not be true size.'
            : `On this screen at true size, ${formatNumber(screenPxPerMm, 2, style)} px a millimetre.`}{' '}
          <button
            type="button"
            className="underline underline-offset-2 hover:text-ink"
            onClick={() => setCalibrating(true)}
          >
            Calibrate
          </button>{' '}
          <span className="plain-key">C</span>
        </span>
        <span className="text-ink2">Mind points and blades while cutting out: shield the hook, cut away from you.</span>
      </div>
      {calibrating && <Calibrate pxPerMm={pxPerMm} onClose={() => setCalibrating(false)} />}
      <div className="p-4 flex flex-col gap-4 items-start" data-testid="gauge">
        {shown.map((page, i) => (
          <PaperPage key={i} page={page} pxPerMm={pxPerMm} name={`Page ${String(i + 1)} of the gauge card`} />
        ))}
        {strips.length === 0 && <p className="text-ink2">No size is laid out yet.</p>}
      </div>
    </>
  );
}

/** The ways a card leaves the screen. @param onMade told once it did */
function cardFiles(name: string, printed: () => readonly Page[], onMade: () => void) {
  return {
    asPdf: (): void => {
      working('Setting the card', (watching) => api.printPdf(`${name}: gauge card`, printed(), watching))
        .then((pdf) => {
          saveFile(`${slug(name)}-gauge.pdf`, pdf);
          onMade();
        })
        .catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'The card was not made.'));
    },
    asSvg: (): void => {
      onMade();
      printed().forEach((page, i, pages) => {
        const numbered = pages.length > 1 ? `-${String(i + 1)}` : '';
        saveFile(`${slug(name)}-gauge${numbered}.svg`, pageSvg(page), 'image/svg+xml');
      });
    },
  };
}

/** A page as it will be printed, so many px to the millimetre; paper is white in every theme. */
function PaperPage({ page, pxPerMm, name }: { readonly page: Page; readonly pxPerMm: number; readonly name: string }) {
  const svg = useMemo(() => pageSvg(page), [page]);
  return (
    <div
      role="img"
      aria-label={name}
      className="border border-rule [&>svg]:block [&>svg]:size-full shrink-0"
      style={{ width: page.widthMm * pxPerMm, height: page.heightMm * pxPerMm }}
      // The string is made above from plain figures and escaped words.
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}

/** What the proof bar of the last print measured; the next print is drawn larger or smaller by as much. */
function PrintedBar({ made }: { readonly made: number }) {
  const style = useStyle();
  const printScale = useSettings((now) => now.printScale);
  const take = (text: string): readonly Fault[] => {
    const read = readTyped('length', text, { bare: 'mm', above: 0 });
    if (read.is !== 'figure') return read.is === 'wrong' ? [{ path: '', code: 'syntax', message: read.message }] : [];
    const next = corrected(read.value, made);
    if (next === null)
      return [
        {
          path: '',
          code: 'range',
          message: 'further off than a printer is: turn fitting to the page off, print again and measure',
        },
      ];
    setSettings({ printScale: next });
    return [];
  };
  return (
    <span>
      printed bar{' '}
      <TextField
        label="printed bar"
        value=""
        empty={`${String(PROOF_MM)} mm`}
        onChange={take}
        measures={{ kind: 'length', nominal: PROOF_MM }}
      />{' '}
      {printScale !== 1 && (
        <>
          <span className="italic text-measure">next print × {formatNumber(printScale, 3, style)}</span>{' '}
          <button
            type="button"
            className="underline underline-offset-2 text-ink2 hover:text-ink"
            onClick={() => setSettings({ printScale: 1 })}
          >
            as drawn
          </button>
        </>
      )}
    </span>
  );
}
