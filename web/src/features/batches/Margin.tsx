import {
  type BatchReport,
  boughtWords,
  goodsNamed,
  lyingThere,
  type NeedReport,
  type SubstituteReport,
} from '@jobbet/core/batch';
import { formatLength, formatMass, formatSpeed } from '@jobbet/core/units';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import {
  amountWords,
  fromWords,
  itemWords,
  moneyWords,
  pointWords,
  shortWords,
  stockWords,
} from '../../fly/batches/words.ts';

interface MarginProps {
  readonly report: BatchReport;
  readonly need: NeedReport | undefined;
  readonly onTake: (substitute: SubstituteReport) => void;
}

const KEYS = ['T', 'Y', 'U'];

/** The item that is lit: what there is of it, how it is made ready, and what may do instead where it runs out. */
export function Margin({ report, need, onTake }: MarginProps) {
  const style = useStyle();
  if (!need) return null;
  const short = shortWords(need, style);
  const asPlanned = report.rows[(need.runsOutAt?.row ?? 1) - 1];
  return (
    <aside
      aria-label="The item"
      tabIndex={0}
      className="w-64 shrink-0 border-l border-hair px-4 py-3 overflow-y-auto fade-end max-[1100px]:w-56"
    >
      <h2 className="text-part font-bold leading-tight flex gap-2 items-center">
        {short !== null && <SnagFlag />} {itemWords(need)}
      </h2>
      {short === null ? <p className="text-ink2">{stockWords(need, style)}</p> : <p className="text-warn">{short}</p>}
      <LeftNow need={need} />
      {need.have === null && (
        <p className="mt-1 text-ink2">Nobody counted it. Say in the drawers how many there are and what one makes.</p>
      )}
      {need.runsOutAt !== null && (
        <>
          <h3 className="mt-3 font-bold">Instead, from the drawers</h3>
          {need.substitutes.length === 0 && <p className="text-ink2">Nothing there does this work.</p>}
          {need.substitutes.slice(0, KEYS.length).map((each, i) => (
            <Instead key={itemWords(each)} substitute={each} letter={KEYS[i] ?? ''} onTake={() => onTake(each)} />
          ))}
          {asPlanned && (
            <p className="pt-2 italic text-ink2">
              as planned, {asPlanned.on}: rides {rideWords(asPlanned.ride)}, {sinks(asPlanned.sink_mm_s, style)},{' '}
              {words(formatMass(asPlanned.weight_mg, style))}
            </p>
          )}
          <p className="mt-2 border-t border-hair pt-2 font-semibold">
            {need.buy === null ? 'Buy more: what one of them makes is not said' : `Buy ${boughtWords(need) ?? ''} more`}
            {need.price !== null && (
              <span className="font-normal italic text-ink2"> {moneyWords(need.price, style)}</span>
            )}
          </p>
        </>
      )}
      {need.discontinued && <p className="text-warn">It is not made any more.</p>}
      <Either need={need} />
      <Ready report={report} need={need} />
    </aside>
  );
}

/** What it costs by the packet and whole, where it is sold both ways. */
function Either({ need: { eitherWay } }: { readonly need: NeedReport }) {
  const style = useStyle();
  if (!eitherWay) return null;
  const { small, large, cheaperFrom } = eitherWay;
  return (
    <p className="mt-2 border-t border-hair pt-2">
      Bought for this batch: {small.item} {moneyWords(small.perFly, style)} a fly, {large.item}{' '}
      {moneyWords(large.perFly, style)}.
      {cheaperFrom !== null && ` From ${String(cheaperFrom)} flies on ${large.item} is the cheaper.`}
    </p>
  );
}

/** What is left in the drawer, once flies took of it. */
function LeftNow({ need }: { readonly need: NeedReport }) {
  const style = useStyle();
  const { drawers } = useDrawers();
  const goods = drawers && goodsNamed(need.kind, need.item, drawers.tables);
  const now = goods ? lyingThere(goods, need) : null;
  if (now === null || need.have === null || Math.abs(now - need.have) < 0.05) return null;
  return <p className="mt-1">{amountWords(now, need, style)} left in the drawer.</p>;
}

const words = ({ figure, unit }: { figure: string; unit: string }): string => `${figure} ${unit}`;
const sinks = (mmS: number | null, style: ReturnType<typeof useStyle>): string =>
  mmS === null ? 'floats' : `sinks ${words(formatSpeed(mmS, style))}`;

interface InsteadProps {
  readonly substitute: SubstituteReport;
  readonly letter: string;
  readonly onTake: () => void;
}

function Instead({ substitute, letter, onTake }: InsteadProps) {
  const style = useStyle();
  const { ride, sink_mm_s: sink, weight_mg: mg, distance, news } = substitute;
  return (
    <div className="border-t border-hair py-2">
      <button
        type="button"
        className="w-full flex items-baseline justify-between gap-2 text-left hover:underline"
        onClick={onTake}
      >
        <span className="font-semibold text-row">{itemWords(substitute)}</span>
        <span className="plain-key">{letter}</span>
      </button>
      <p>
        rides <b>{rideWords(ride)}</b>, {sinks(sink, style)}, {words(formatMass(mg, style))}
      </p>
      <p className="italic text-ink2">
        {distance < 0.005
          ? 'Colour only.'
          : `${String(Math.round(100 * distance))} % off in what matters for this part.`}
      </p>
      {news.slice(0, 2).map((each) => (
        <p key={each} className="italic text-warn first-letter:uppercase">
          {each}
        </p>
      ))}
    </div>
  );
}

/** How the item is made ready: pieces of each length, and from what. */
function Ready({ report, need }: { readonly report: BatchReport; readonly need: NeedReport }) {
  const style = useStyle();
  const own = report.prep.filter(({ material, colour }) => material === need.item && colour === need.colour);
  if (own.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 font-bold">Made ready beforehand</h3>
      <p className="italic text-ink2 first-letter:uppercase">{own[0]?.what}</p>
      {own[0] && own[0].lookFor !== null && <p className="italic text-ink2">Look for {own[0].lookFor}.</p>}
      {own[0] && own[0].doFirst !== null && <p>First {own[0].doFirst}.</p>}
      {own[0] && own[0].byproduct !== null && <p className="italic text-ink2">Left of it: {own[0].byproduct}.</p>}
      <ul className="mt-1">
        {own.map((each, i) => (
          <li key={i} className="border-t border-hair py-1">
            {amountWords(each.pieces, { unit: 'pieces' }, style)}
            {each.cut_mm !== null && ` of ${words(formatLength(each.cut_mm, style))}`}
            {each.from !== null && <span className="text-ink2"> {fromWords(each, style)}</span>}
            {each.points.map((point) => (
              <span key={point.as} className="block">
                {pointWords(point, style)}
              </span>
            ))}
            {each.leftover !== null && <span className="block italic text-ink2">left: {each.leftover}</span>}
            {each.waste_mm !== null && each.waste_mm > 0 && (
              <span className="block italic text-ink2">
                too short to serve: {words(formatLength(each.waste_mm, style))}
              </span>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
