import { partName } from '@jobbet/core/tying';
import type { FlyReport, LaidFly } from '@jobbet/core/model';
import { relationsOf } from '@jobbet/core/edit';
import { platformWords } from '@jobbet/core/contract';
import { formatLength, formatMass, formatSpeed, type Written } from '@jobbet/core/units';
import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { useStyle } from '../../shared/settings/settings.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { flySvg } from '../../fly/export.ts';
import { keyWords } from './sentence.ts';

const PROOF_MM = 50;
const words = ({ figure, unit }: Written): string => `${figure} ${unit}`;

/** True from just before the page is printed until it was. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const before = (): void => {
      flushSync(() => setPrinting(true));
    };
    const after = (): void => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}

/** The fly on paper: its drawing at true size with a bar to prove the printer, its parts in tying order, what it does. */
export function PrintPlan({ laid, report }: { readonly laid: LaidFly; readonly report: FlyReport | null }) {
  return usePrinting() ? <Paper laid={laid} report={report} /> : null;
}

function Paper({ laid, report }: { readonly laid: LaidFly; readonly report: FlyReport | null }) {
  const style = useStyle();
  const length = (mm: number): string => words(formatLength(mm, style));
  return (
    <article className="print-only" aria-hidden="true">
      <h1 className="text-fly font-bold">{laid.file.name}</h1>
      <p>
        {platformWords(laid.file.platform)}, shank {length(laid.platform.shankMm)}
        {laid.platform.gapMm === null ? '' : `, gap ${length(laid.platform.gapMm)}`}
      </p>
      <div className="my-3" dangerouslySetInnerHTML={{ __html: flySvg(laid) }} />
      <svg width={`${String(PROOF_MM)}mm`} height="6mm" viewBox="0 0 50 6">
        <path d="M0.1 0v3.4M49.9 0v3.4M0 1.7h50" stroke="#000" strokeWidth={0.25} />
        <text x={25} y={5.4} fontSize={2.6} textAnchor="middle">
          50 mm on the rule, or the page was not printed at 1 : 1
        </text>
      </svg>
      <table className="w-full my-3">
        <thead>
          <tr className="text-left italic">
            <th className="font-normal">part</th>
            <th className="font-normal">material</th>
            <th className="font-normal">measures</th>
            <th className="font-normal text-right">weighs</th>
          </tr>
        </thead>
        <tbody>
          {laid.parts.map((part) => (
            <tr key={part.file.id} className="border-t border-hair align-top">
              <td className="py-1 pr-3 font-semibold whitespace-nowrap">
                {part.index + 1} {partName(part.file.id)}
              </td>
              <td className="pr-3">
                {part.file.colour === undefined ? '' : `${part.file.colour} `}
                {part.built.material}
              </td>
              <td className="pr-3">
                {relationsOf(part.file).map(({ key, text }) => {
                  const mm = part.extent.readings[key]?.mm;
                  return (
                    <span key={key} className="inline-block mr-3">
                      {keyWords(part.file, key)} <i>{text}</i>
                      {mm === undefined ? '' : ` (${length(mm)})`}
                    </span>
                  );
                })}
              </td>
              <td className="text-right whitespace-nowrap">{words(formatMass(part.massMg, style))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {report && (
        <p>
          Rides {rideWords(report.keel.tight.ride)};{' '}
          {report.sink
            ? `sinks ${words(formatSpeed(report.sink.terminal_mm_s, style))}, ${report.sink.class}`
            : 'floats'}
          ; weighs {words(formatMass(report.weight.dry_mg, style))} dry.
        </p>
      )}
      {laid.file.notes !== undefined && <p className="mt-2 italic">{laid.file.notes}</p>}
    </article>
  );
}
