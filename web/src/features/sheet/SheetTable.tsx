import type { SheetMaterial, SheetProportion, TyingSheet } from '@jobbet/core/tying';

interface SheetPartProps {
  readonly sheet: TyingSheet;
}

/** What is to be had on the table, with the lengths it is cut to. */
export const OnTheTable = ({ sheet }: SheetPartProps) => (
  <>
    <h2 className="font-semibold mt-3">On the table</h2>
    <ul>
      {sheet.materials.map((each: SheetMaterial) => (
        <li key={each.part ?? 'thread'} className="border-t border-hair py-0.5 flex gap-2">
          <span className="flex-1">
            {each.part !== null && <b className="font-semibold">{each.part}: </b>}
            {each.words}
          </span>
          {each.cut !== null && <span className="italic text-measure whitespace-nowrap">cut {each.cut}</span>}
        </li>
      ))}
    </ul>
  </>
);

/** The measures of the finished fly. */
export const Proportions = ({ sheet }: SheetPartProps) => (
  <>
    <h2 className="font-semibold mt-3">Proportions</h2>
    <ul>
      {sheet.proportions.map((each: SheetProportion) => (
        <li key={each.part} className="border-t border-hair py-0.5 flex gap-2">
          <b className="font-semibold w-20 truncate" title={each.part}>
            {each.part}
          </b>
          <span className="w-24 italic text-measure">{each.figure}</span>
          <span className="flex-1 text-ink2 italic">{each.relation}</span>
        </li>
      ))}
    </ul>
  </>
);

const Lines = ({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) =>
  lines.length === 0 ? null : (
    <>
      <h2 className="font-semibold mt-3">{title}</h2>
      <ul>
        {lines.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </>
  );

/** What the finished fly does, and what may hurt on the way. */
export const WaterAndCare = ({ sheet }: SheetPartProps) => (
  <>
    <Lines title="In the water" lines={sheet.does} />
    <Lines title="Take care" lines={sheet.cautions} />
  </>
);
