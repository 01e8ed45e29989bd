import type { LaidFly } from '@jobbet/core/model';
import type { Asked, Certain, CertainOf, Settles } from '@jobbet/core/study';
import { formatAngle, formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units';
import { useCertainty } from './useCertainty.ts';

/** Which figures a question is about. */
const FIGURES: Readonly<Partial<Record<Asked, readonly Certain[]>>> = {
  holds: ['holds'],
  trim: ['trim'],
  sink: ['sink'],
  depth: ['sink'],
  weights: ['dry', 'casting', 'submerged'],
};

const NAMES: Readonly<Record<Certain, string>> = {
  holds: 'the current it holds to',
  trim: 'its trim',
  sink: 'how fast it sinks',
  dry: 'its weight dry',
  casting: 'its weight as it is cast',
  submerged: 'its weight under water',
};

const TOOLS: Readonly<Record<Settles['tool'], string>> = {
  jar: 'timing it in a jar',
  scale: 'weighing it on a scale',
  caliper: 'the hook under a caliper',
  photograph: 'a photograph of it wet',
};

const written = (figure: Certain, off: number, style: Style): string => {
  if (figure === 'trim') return `${formatAngle(off, style)}°`;
  const { figure: number, unit } =
    figure === 'holds' || figure === 'sink' ? formatSpeed(off, style) : formatMass(off, style);
  return `${number} ${unit}`;
};

/** More than so much of a figure is said beside it. */
const SAID_FROM = 0.25;

/** How far off a figure may be, beside it, where that is much of it. */
export function OffBy({ certain }: { readonly certain: CertainOf | null | undefined }) {
  if (certain?.share == null || certain.share <= SAID_FROM) return null;
  const percent = formatNumber(100 * Math.min(1, certain.share), 0);
  return (
    <span className="text-warn" title={`May be off by ${percent} %: ask why`} data-testid="off-by">
      ± {percent} %
    </span>
  );
}

interface TrustProps {
  readonly asked: Asked;
  readonly laid: LaidFly;
  readonly style: Style;
}

/** How far off what is asked may be and by what, and what would settle this fly. Nothing of a figure that no measurement bears on. */
export function Trust({ asked, laid, style }: TrustProps) {
  const figures = FIGURES[asked];
  return figures ? <Trusted figures={figures} laid={laid} style={style} /> : null;
}

type TrustedProps = Pick<TrustProps, 'laid' | 'style'> & { readonly figures: readonly Certain[] };

function Trusted({ figures, laid, style }: TrustedProps) {
  const certainty = useCertainty(laid);
  if (!certainty) return <p className="mt-2 text-ink3 italic">How far to trust it is being reckoned.</p>;
  return (
    <div className="mt-2 border-t border-hair pt-2" data-testid="trust">
      {figures.map((figure) => {
        const certain = certainty.figures[figure];
        return certain && <OffWords key={figure} figure={figure} certain={certain} style={style} />;
      })}
      {certainty.settles.length > 0 && (
        <>
          <h3 className="mt-1 font-semibold">What would settle this fly</h3>
          <ul>
            {certainty.settles.map(({ tool, figure, off, left }) => (
              <li key={tool}>
                {TOOLS[tool]}: {NAMES[figure]}, ± {written(figure, left, style)} instead of ±{' '}
                {written(figure, off, style)}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

interface OffWordsProps {
  readonly figure: Certain;
  readonly certain: CertainOf;
  readonly style: Style;
}

const MOST_NAMED = 3;

function OffWords({ figure, certain, style }: OffWordsProps) {
  const by = certain.by
    .slice(0, MOST_NAMED)
    .map((each) => `${each.words} ${written(figure, each.off, style)}`)
    .join(', ');
  return (
    <p>
      <strong>± {written(figure, certain.off, style)}</strong> on {NAMES[figure]}: {by}.
    </p>
  );
}
