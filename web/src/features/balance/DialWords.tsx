import type { LaidFly } from '@jobbet/core/model';
import { leanWords } from '@jobbet/core/study';
import type { Style } from '@jobbet/core/units';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import type { Dial } from './dial.ts';
import { momentWords } from './momentWords.ts';
import type { BalanceFigures } from './reckon.ts';
import type { Asked } from './useBalance.ts';

interface DialWordsProps {
  readonly laid: LaidFly;
  readonly figures: BalanceFigures | null;
  readonly asked: Asked;
  readonly dial: Dial;
  readonly shownDeg: number | null;
}

/** How it rests: in a word, and how far it leans. */
const restWords = ({ tight: { heelDeg, ride } }: LaidFly, style: Style): readonly [head: string, told: string] =>
  heelDeg === null
    ? ['undecided', 'no weight turns it either way']
    : [`rests ${rideWords(ride)}`, leanWords(heelDeg, style)];

/** How it lies while it is rolled or in a current, and what turns it back. */
function heldWords(dial: Dial, shownDeg: number | null, style: Style): readonly [head: string, told: string] {
  const shown = shownDeg ?? dial.restDeg ?? 0;
  const back = Math.abs(dial.moment(shown));
  return [
    shownDeg === null ? 'gives way' : `point ${leanWords(shown, style)}`,
    `${momentWords(back, style)} ${back < 1e-3 * dial.mostMgMm ? '' : 'turn it back'}`,
  ];
}

/** What the dial shows, in words: at its left on a tight line, at its right on a slack one. */
export function DialWords({ laid, figures, asked, dial, shownDeg }: DialWordsProps) {
  const style = useStyle();
  const resting = asked.kind === 'rest';
  const [head, told] = resting ? restWords(laid, style) : heldWords(dial, shownDeg, style);
  return (
    <>
      <p className="absolute left-0 top-0 leading-tight" data-testid="dial-words">
        <b className="text-row">{head}</b>
        <br />
        <span className="italic text-ink2">
          {told} {resting && <WhyButton asked="heel" laid={laid} />}
        </span>
      </p>
      <p className="absolute right-0 top-0 text-right leading-tight italic text-ink2">
        <WhyButton asked="slack" laid={laid}>
          on a slack line
        </WhyButton>
        <br />
        {figures && <SlackWords {...figures.slack} />}
      </p>
    </>
  );
}

function SlackWords({ heelDeg, ride }: BalanceFigures['slack']) {
  const style = useStyle();
  return heelDeg === null ? 'undecided' : `${rideWords(ride)}, ${leanWords(heelDeg, style)}`;
}
