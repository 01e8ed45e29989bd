import { nominalHook, sizeSteps } from '../../data/index.ts';
import type { HookFile } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { lengthAbove } from './measured.ts';
import type { Platform } from './types.ts';

/** What the size of any hook is read from. */
export type HookMeasures = Pick<HookFile, 'size' | 'longX' | 'heavyX' | 'shank' | 'gap' | 'wire'>;

/** The measures of a hook, mm: shank, clear gap, wire. */
export interface HookSize {
  readonly shankMm: number;
  readonly gapMm: number;
  readonly wireMm: number;
  readonly nominal: Platform['nominal'];
}

/** Nominal series, each measure replaced by its measured one where the file gives it. */
export function hookSize(hook: HookMeasures, path = 'platform'): Outcome<HookSize> {
  const faults: Fault[] = [];
  const steps = hook.size === undefined ? null : sizeSteps(hook.size);
  if (hook.size !== undefined && steps === null)
    faults.push({
      path: `${path}.size`,
      code: 'choice',
      message: `"${hook.size}" is no hook size; write 8, 2, 1/0 and so on`,
    });
  const own = {
    shank: lengthAbove(hook.shank, `${path}.shank`, faults),
    gap: lengthAbove(hook.gap, `${path}.gap`, faults),
    wire: lengthAbove(hook.wire, `${path}.wire`, faults),
  };
  const nominal = steps === null ? null : nominalHook(steps, hook.longX ?? 0, hook.heavyX ?? 0);
  const pick = (key: 'shank' | 'gap' | 'wire', from: number | undefined): number => {
    const value = own[key] ?? from;
    if (value === undefined && faults.length === 0)
      faults.push({
        path: `${path}.${hook.size === undefined && nominal === null ? 'size' : key}`,
        code: 'missing',
        message: `is missing; give a size, or the measured shank, gap and wire`,
      });
    return value ?? Number.NaN;
  };
  const size = {
    shankMm: pick('shank', nominal?.shankMm),
    gapMm: pick('gap', nominal?.gapMm),
    wireMm: pick('wire', nominal?.wireMm),
  };
  if (faults.length > 0) return bad(...faults);
  if (size.wireMm >= size.gapMm)
    return bad({
      path: `${path}.wire`,
      code: 'range',
      message: `the wire (${size.wireMm.toFixed(2)} mm) is as thick as the gap (${size.gapMm.toFixed(2)} mm); one of them is wrong`,
    });
  return good({ ...size, nominal: { shank: own.shank === null, gap: own.gap === null, wire: own.wire === null } });
}
