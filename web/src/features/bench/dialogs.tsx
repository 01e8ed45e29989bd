import type { LaidFly } from '@jobbet/core/model';
import {
  addPart,
  dependants,
  fittedTo,
  freezeDependants,
  offeredParts,
  removePart,
  type OfferedPart,
} from '@jobbet/core/edit';
import { useMemo } from 'react';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { isSound, useFlies } from '../../shared/api/listed.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { FoundList } from '../../shared/ui/FoundList.tsx';
import { besides, partCalled, partOf } from '../../fly/selection.ts';
import { PART_BY } from './partBy.ts';
import { keyWords } from './sentence.ts';
import { changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';

/** Picks a part to tie in; find as you type. */
export function AddPartDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <DialogBox title="Tie in a part" open={open} onClose={onClose}>
      <PartsToTieIn onClose={onClose} />
    </DialogBox>
  );
}

/** Parts by their names, by what they are called, by role and by material. */
function PartsToTieIn({ onClose }: { readonly onClose: () => void }) {
  const bench = useBenchStore();
  const drawers = useBench((state) => state.drawers);
  const parts = useMemo(() => offeredParts(drawers), [drawers]);
  const add = ({ part }: OfferedPart): void => {
    const { file, selected } = bench.getState();
    const after = file.parts.findIndex((each) => each.id === partOf(selected));
    const next = addPart(file, fittedTo(file, part), after < 0 ? file.parts.length : after + 1);
    changeOrSay(bench, next.file, partCalled(next.id));
    onClose();
  };
  return (
    <FoundList
      label="Parts to tie in"
      placeholder="eyes, tail, rib, marabou"
      items={parts}
      by={PART_BY}
      keyOf={({ name, of }) => `${name} ${of ?? ''}`}
      atFirst={({ of }) => of === null}
      none="No part of that name, and none of that material."
      onTake={add}
      show={({ name, means }) => (
        <>
          <span className="font-semibold text-row">{name}</span>
          <span className="italic opacity-80">{means}</span>
        </>
      )}
    />
  );
}

const keyWordsOf = (laid: LaidFly, id: string, key: string): string => {
  const part = laid.file.parts.find((each) => each.id === id);
  return part ? keyWords(part, key) : 'head space';
};

/** Asks before a part goes that others lean on: their measures may be frozen as they are now. */
export function RemoveDialog({
  laid,
  id,
  onClose,
}: {
  readonly laid: LaidFly;
  readonly id: string | null;
  readonly onClose: () => void;
}) {
  const bench = useBenchStore();
  if (id === null) return null;
  const leaning = dependants(laid.file, id);
  const freeze = (): void => {
    changeOrSay(bench, removePart(freezeDependants(laid, id), id), besides(laid.file, id));
    onClose();
  };
  return (
    <DialogBox
      title={`Take off the ${id}?`}
      open
      onClose={onClose}
      note={`${String(leaning.length)} ${leaning.length === 1 ? 'measure leans' : 'measures lean'} on it.`}
    >
      <ul className="mb-4 border-t border-hair">
        {leaning.map((each) => (
          <li key={`${each.part}.${each.key}`} className="flex justify-between border-b border-hair py-1">
            <span>
              {each.part}, {keyWordsOf(laid, each.part, each.key)}
            </span>
            <span className="italic text-measure">{each.text}</span>
          </li>
        ))}
      </ul>
      <div className="flex gap-3">
        <button type="button" className="sheet-button primary" data-first onClick={freeze}>
          Freeze them as they are now, and take it off
        </button>
        <button type="button" className="sheet-button" onClick={onClose}>
          Leave it on
        </button>
      </div>
    </DialogBox>
  );
}

/** Copies a part, on this fly or to another of the box. */
export function CopyPartDialog({
  id,
  onClose,
  onDone,
}: {
  readonly id: string | null;
  readonly onClose: () => void;
  readonly onDone: (words: string) => void;
}) {
  const bench = useBenchStore();
  const { flies } = useFlies(id !== null);
  if (id === null) return null;
  const { file, id: own } = bench.getState();
  const part = file.parts.find((each) => each.id === id);
  if (!part) return null;
  const here = (): void => {
    const next = addPart(file, part, file.parts.indexOf(part) + 1);
    changeOrSay(bench, next.file, partCalled(next.id));
    onClose();
  };
  const to = async (target: ListedFly): Promise<void> => {
    try {
      const other = await api.fly(target.id);
      await api.save(target.id, addPart(other.file, part).file, other.revision, 'saved');
      onDone(`${id} is tied on ${target.name} too`);
    } catch (error) {
      onDone(
        `${target.name} did not take it: ${error instanceof Error ? error.message : ''} A part that leans on others needs them there.`,
      );
    }
    onClose();
  };
  return (
    <DialogBox title={`Copy the ${id}`} open onClose={onClose}>
      <button type="button" className="sheet-button primary mb-3" data-first onClick={here}>
        On this fly, after itself
      </button>
      <h3 className="font-bold mb-1">Or to another fly</h3>
      <ul className="max-h-[44vh] overflow-auto border-t border-hair">
        {(flies ?? [])
          .filter(isSound)
          .filter((fly) => fly.id !== own)
          .map((fly) => (
            <li key={fly.id} className="border-b border-hair">
              <button type="button" className="w-full text-left py-1.5 hover:bg-sunk" onClick={() => void to(fly)}>
                <span className="font-semibold">{fly.name}</span>{' '}
                <span className="italic text-ink2">{fly.summary.platform}</span>
              </button>
            </li>
          ))}
      </ul>
    </DialogBox>
  );
}
