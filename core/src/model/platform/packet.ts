import { named, type HookItem } from '../../drawers/index.ts';
import type { HookKeys } from '../../pattern/index.ts';

/** A hook as it lies on the bench: what the file says, and where that says nothing, what the packet does. */
export interface FromPacket<H> {
  readonly hook: H;
  readonly item: HookItem | null;
  readonly notes: readonly string[];
}

const mm = (value: number | undefined): string | undefined => (value === undefined ? undefined : `${String(value)} mm`);

/** What a packet says under the keys of the pattern file. */
const described = (item: HookItem): Partial<Record<keyof HookKeys, unknown>> => ({
  size: item.size,
  longX: item.longX,
  heavyX: item.heavyX,
  eye: item.eye,
  bend: item.bend,
  barb: item.barb,
  finish: item.finish,
  shank: mm(item.shankMm),
  gap: mm(item.gapMm),
  wire: mm(item.wireMm),
});

/**
 * Fills what a hook leaves unsaid from the packet it names: the file's own measures win over the packet's, the packet's over the nominal
 * series. A packet that is not in the drawers is told in a note, never refused.
 */
export function fromPacket<H extends HookKeys & { readonly kind: string }>(
  hook: H,
  packets: readonly HookItem[],
): FromPacket<H> {
  if (hook.packet === undefined) return { hook, item: null, notes: [] };
  const item = named(packets, hook.packet);
  if (!item)
    return {
      hook,
      item: null,
      notes: [`the packet "${hook.packet}" is not in the drawers: nominal measures are taken`],
    };
  const said = Object.fromEntries(Object.entries(hook).filter(([, value]) => value !== undefined));
  const filled = Object.fromEntries(Object.entries(described(item)).filter(([, value]) => value !== undefined));
  const notes =
    item.form === hook.kind ? [] : [`the packet "${item.name}" holds a ${item.form}, the fly says ${hook.kind}`];
  return { hook: { ...filled, ...said } as unknown as H, item, notes };
}
