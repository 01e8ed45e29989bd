import { fishedOf } from '@jobbet/core/log';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { say } from '../../shared/ui/toast.ts';
import { addOuting } from './outings.ts';
import type { Incoming } from './papers.ts';
import { longDay } from '../../shared/ui/dates.ts';

/** What files come to is shown before it is kept; what does not read is named, and takes nothing else down. */
export function IncomingDialog({
  incoming: { outings, reasons },
  onClose,
}: {
  readonly incoming: Incoming;
  readonly onClose: () => void;
}) {
  const keep = async (): Promise<void> => {
    for (const outing of outings) await addOuting(outing);
    say(`${String(outings.length)} ${outings.length === 1 ? 'outing is' : 'outings are'} in the log.`);
    onClose();
  };
  return (
    <DialogBox open title="Outings from files" onClose={onClose}>
      {reasons.length > 0 && (
        <ul aria-label="What did not read" className="text-warn mb-2">
          {reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
      {outings.length > 0 && (
        <ul aria-label="Outings that read" className="max-h-[50vh] overflow-y-auto">
          {outings.map((outing, i) => {
            const fished = fishedOf(outing);
            return (
              <li key={`${outing.date} ${outing.beat} ${String(i)}`} className="border-t border-hair py-0.5">
                <b>{longDay(outing.date)}</b>, {outing.beat}, {outing.rods.length}{' '}
                {outing.rods.length === 1 ? 'fly' : 'flies'}
                {!fished.ok && <span className="text-warn"> {fished.faults[0]?.message}</span>}
              </li>
            );
          })}
        </ul>
      )}
      <p className="flex gap-3 justify-end mt-3">
        <button type="button" className="sheet-button" onClick={onClose}>
          Leave them
        </button>
        <button
          type="button"
          className="sheet-button primary"
          disabled={outings.length === 0}
          onClick={() => {
            keep().catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'They were not kept.'));
          }}
        >
          Keep {outings.length}
        </button>
      </p>
    </DialogBox>
  );
}
