import { swapOffers, type SwapOffer } from '@jobbet/core/edit';
import { formatLength, formatMass, formatNumber, type Style } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';

const NO_LEAD = 'all but lead';
const ANY = 'all metals';

const sizesWords = (steps: number): string => {
  if (steps === 0) return 'same size';
  const count = Math.abs(steps) === 1 ? 'one size' : `${String(Math.abs(steps))} sizes`;
  return `${count} ${steps > 0 ? 'up' : 'down'}`;
};

/** How sizes, masses and ratios are written here. */
const wordsOf = (style: Style) => ({
  length: (mm: number): string => Object.values(formatLength(mm, style)).join(' '),
  mass: (mg: number): string => Object.values(formatMass(mg, style)).join(' '),
  times: (ratio: number | null): string => (ratio === null ? '–' : `${formatNumber(ratio, 2, style)} ×`),
  gaps: ({ acrossOfGap }: SwapOffer): string =>
    acrossOfGap === null ? '' : `, ${formatNumber(acrossOfGap, 2, style)} × gap`,
});

/** Another metal for an eye or bead: what holds the tipping ratio, in which size, and the room that takes. */
export function SwapDialog({ id, onClose }: { readonly id: string; readonly onClose: () => void }) {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const style = useStyle();
  const swap = useMemo(() => swapOffers(laid, id, drawers), [laid, id, drawers]);
  const [among, setAmong] = useState(NO_LEAD);
  if (!swap)
    return (
      <DialogBox title={`Another metal for the ${id}`} open onClose={onClose}>
        <p>They are of no metal. Write a metal into the sentence, and it can be swapped for others.</p>
      </DialogBox>
    );
  const { length, mass, times, gaps } = wordsOf(style);
  const offers = swap.offers.filter(
    (offer) => among === ANY || (among === NO_LEAD ? !offer.lead : offer.metal === among),
  );
  const metals = [...new Set(swap.offers.map((offer) => offer.metal))].sort();
  const [best] = offers.filter((offer) => offer.holds);
  const take = (offer: SwapOffer): void => {
    if (changeUndoable(bench, offer.file, `${id}: ${offer.material} now.`)) onClose();
  };
  return (
    <DialogBox title={`Another metal for the ${id}`} open wide onClose={onClose}>
      <p className="mb-1">
        Now {swap.metal}, {length(swap.diameterMm)}: {mass(swap.massMg)}
        {swap.ratio === null ? '' : `, ${times(swap.ratio)} what tips it`}, {length(swap.acrossMm)} across.
      </p>
      <p className="mb-3 text-sentence" data-testid="best">
        {best ? (
          <>
            <b>
              {best.material}, {best.diameter}
            </b>{' '}
            holds that: {sizesWords(best.steps)}, {times(best.ratio)}, {length(best.acrossMm)} across{gaps(best)}.
          </>
        ) : (
          'Nothing here holds that: take the nearest, or move the weight further from the shank.'
        )}
      </p>
      <label className="flex items-baseline gap-2 mb-2">
        among
        <ChoiceField label="among" value={among} options={[NO_LEAD, ANY, ...metals]} onChange={setAmong} />
      </label>
      <Offers offers={offers} best={best} onTake={take} />
      <p className="mt-2 text-label text-ink2">
        Masses without a drawer are of the full solid; bought eyes are often lighter. Lead: wash hands, and look up what
        your water allows; local rules come first.
      </p>
    </DialogBox>
  );
}

interface OffersProps {
  readonly offers: readonly SwapOffer[];
  readonly best: SwapOffer | undefined;
  readonly onTake: (offer: SwapOffer) => void;
}

/** What there is to swap for, the firmest of its size first. */
function Offers({ offers, best, onTake }: OffersProps) {
  return (
    <div
      className="max-h-[44vh] overflow-auto border border-hair"
      tabIndex={0}
      role="region"
      aria-label="What there is"
    >
      <table className="w-full text-left">
        <thead className="sticky top-0 bg-sheet">
          <tr className="border-b border-ink">
            <th className="px-2 py-1">material</th>
            <th className="px-2 py-1">size</th>
            <th className="px-2 py-1 text-right">weighs</th>
            <th className="px-2 py-1 text-right">tipping ratio</th>
            <th className="px-2 py-1 text-right">across</th>
            <th className="px-2 py-1">so</th>
            <th className="px-2 py-1">
              <span className="sr-only">take it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {offers.map((offer) => (
            <OfferRow key={`${offer.material} ${offer.diameter}`} offer={offer} best={offer === best} onTake={onTake} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface OfferRowProps extends Pick<OffersProps, 'onTake'> {
  readonly offer: SwapOffer;
  readonly best: boolean;
}

function OfferRow({ offer, best, onTake }: OfferRowProps) {
  const { length, mass, times, gaps } = wordsOf(useStyle());
  return (
    <tr className={`border-b border-hair ${best ? 'bg-band' : ''}`}>
      <td className="px-2 py-0.5 font-semibold">{offer.material}</td>
      <td className="px-2 py-0.5">
        {offer.diameter} <span className="text-ink2">({sizesWords(offer.steps)})</span>
      </td>
      <td className="px-2 py-0.5 text-right text-weight">{mass(offer.massMg)}</td>
      <td className="px-2 py-0.5 text-right">{times(offer.ratio)}</td>
      <td className="px-2 py-0.5 text-right">
        {length(offer.acrossMm)}
        <span className="text-ink2">{gaps(offer)}</span>
      </td>
      <td className="px-2 py-0.5">
        {offer.holds ? 'holds' : <span className="text-warn">less firm</span>}
        {offer.inDrawer ? ', in the drawer' : ''}
      </td>
      <td className="px-2 py-0.5 text-right">
        <button
          type="button"
          className="underline"
          aria-label={`Tie in ${offer.material}, ${offer.diameter}`}
          onClick={() => onTake(offer)}
        >
          tie it in
        </button>
      </td>
    </tr>
  );
}
