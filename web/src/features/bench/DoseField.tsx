import { DOSES } from '@jobbet/core/data';
import { formatLength } from '@jobbet/core/units';
import { Select } from 'radix-ui';
import { useStyle } from '../../shared/settings/settings.ts';

/** px a millimetre: the largest dose is as thick as a pencil is on screen. */
const SCALE = 3;
const FIBRES = 9;

/** What a dose looks like beside a pencil: the clump squeezed to its pinch and let go behind it. */
export function DosePicture({ pinchMm }: { readonly pinchMm: number }) {
  const [width, height] = [72, 26];
  const middle = height / 2;
  const half = (pinchMm * SCALE) / 2;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${String(width)} ${String(height)}`} aria-hidden="true">
      <path d={`M0 ${String(middle)}h${String(width)}`} stroke="currentColor" strokeWidth={0.5} opacity={0.25} />
      {Array.from({ length: FIBRES }, (_, i) => {
        const v = (2 * i) / (FIBRES - 1) - 1;
        const [root, tip] = [middle + v * half, middle + v * Math.min(middle - 1, half * 1.25 + 2)];
        return (
          <path
            key={i}
            d={`M14 ${String(root)}Q44 ${String(root)} ${String(70 - 8 * Math.abs(v))} ${String(tip)}`}
            fill="none"
            stroke="currentColor"
            strokeWidth={Math.max(0.8, (half * 2) / FIBRES)}
            strokeLinecap="round"
            opacity={0.85}
          />
        );
      })}
      <rect x={8} y={middle - half - 1} width={5} height={2 * half + 2} fill="currentColor" />
    </svg>
  );
}

interface DoseFieldProps {
  readonly value: string;
  readonly empty?: string | undefined;
  readonly onChange: (dose: string) => void;
}

const NONE = 'none';

/** A dose in a tier's words, each with its picture and the pinch it means. */
export function DoseField({ value, empty, onChange }: DoseFieldProps) {
  const style = useStyle();
  const pinch = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  return (
    <Select.Root value={value.toLowerCase()} onValueChange={(dose) => onChange(dose === NONE ? '' : dose)}>
      <Select.Trigger className="field" aria-label="dose">
        <Select.Value placeholder={empty ?? 'no amount'}>{value === '' ? (empty ?? 'no amount') : value}</Select.Value>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="z-40 bg-sheet border border-ink max-h-[70vh] overflow-auto"
        >
          <Select.Viewport>
            {empty !== undefined && (
              <Select.Item value={NONE} className={item}>
                <Select.ItemText>{empty}</Select.ItemText>
              </Select.Item>
            )}
            {Object.entries(DOSES).map(([dose, { pinchMm }]) => (
              <Select.Item key={dose} value={dose} className={item}>
                <DosePicture pinchMm={pinchMm} />
                <span className="flex-1 font-semibold">
                  <Select.ItemText>{dose}</Select.ItemText>
                </span>
                <span className="italic text-measure">{pinch(pinchMm)}</span>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}

const item =
  'flex items-center gap-3 px-3 py-1 min-w-64 cursor-pointer outline-none data-[highlighted]:bg-pick data-[highlighted]:text-on-pick';
