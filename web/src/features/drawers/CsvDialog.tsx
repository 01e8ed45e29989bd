import type { DrawerName, ReadRow, ReadRows } from '@jobbet/core/drawers';
import { useState } from 'react';
import { RequestError } from '../../shared/api/client.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { layIn } from '../../fly/drawers/history.ts';

interface CsvDialogProps {
  readonly drawer: DrawerName;
  readonly file: string;
  readonly read: ReadRows;
  readonly onClose: () => void;
}

/** Looks a CSV over before any of it is laid in: each row, and what is wrong with the bad ones. */
export function CsvDialog({ drawer, file, read, onClose }: CsvDialogProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const good = read.rows.flatMap((row) => (row.read.ok ? [row.read.value] : []));
  const bad = read.rows.length - good.length;
  const take = async (): Promise<void> => {
    setWorking(true);
    try {
      await layIn(drawer, good);
      onClose();
    } catch (error) {
      setWorking(false);
      const first = error instanceof RequestError ? error.faults[0] : undefined;
      setProblem(
        `Nothing was imported. ${error instanceof Error ? error.message : ''}${first ? ` ${first.path}: ${first.message}` : ''}`,
      );
    }
  };
  return (
    <DialogBox title={`Import ${file}`} open wide onClose={onClose}>
      {read.faults.map((fault) => (
        <p key={fault.path + fault.message} role="alert" className="flex gap-1.5 text-warn mb-1">
          <SnagFlag />
          <span>
            {fault.path}: {fault.message}
          </span>
        </p>
      ))}
      {read.faults.length === 0 && read.rows.length === 0 && <p>There is no row in it below its head.</p>}
      {read.rows.length > 0 && (
        <>
          <p className="mb-2 text-ink2" role="status">
            {read.rows.length} rows for the drawer of {drawer}: {good.length} good, {bad} bad.
          </p>
          <CsvRows rows={read.rows} />
        </>
      )}
      {problem !== null && (
        <p role="alert" className="text-warn mb-3">
          {problem}
        </p>
      )}
      <div className="flex gap-3">
        {good.length > 0 && (
          <button type="button" className="sheet-button primary" disabled={working} onClick={() => void take()}>
            {working
              ? 'Laying in'
              : bad === 0
                ? `Import all ${String(good.length)}`
                : `Import the ${String(good.length)} good ones`}
          </button>
        )}
        <button type="button" className="sheet-button" onClick={onClose}>
          Import none
        </button>
      </div>
    </DialogBox>
  );
}

/** What a good row does: nothing, or cell by cell what it replaces. */
function Becomes({ replaces }: Pick<ReadRow, 'replaces'>) {
  if (replaces === null) return 'is new';
  if (replaces.length === 0) return <span className="text-ink2">is there already, the same</span>;
  return (
    <ul>
      {replaces.map(({ column, was, is }) => (
        <li key={column}>
          {column}: <span className="text-ink2">{was === '' ? 'nothing' : was}</span> becomes{' '}
          {is === '' ? <strong className="text-warn">nothing</strong> : <strong>{is}</strong>}
        </li>
      ))}
    </ul>
  );
}

interface CsvRowsProps {
  readonly rows: ReadRows['rows'];
}

/** Each row of a CSV, and what becomes of it. */
function CsvRows({ rows }: CsvRowsProps) {
  return (
    <div className="max-h-[44vh] overflow-auto border border-hair mb-3" tabIndex={0} role="region" aria-label="Rows">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-ink">
            <th className="px-2 py-1 w-14">line</th>
            <th className="px-2 py-1">name</th>
            <th className="px-2 py-1">what becomes of it</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.line} className={`border-b border-hair ${row.read.ok ? '' : 'bg-warnwash'}`}>
              <td className="px-2 py-0.5 align-top">{row.line}</td>
              <td className="px-2 py-0.5 align-top font-semibold">
                {row.read.ok ? row.read.value.name : (row.cells[0] ?? '')}
              </td>
              <td className="px-2 py-0.5">
                {row.read.ok ? (
                  <Becomes replaces={row.replaces} />
                ) : (
                  <ul className="text-warn">
                    {row.read.faults.map((fault) => (
                      <li key={fault.path + fault.message}>
                        {fault.path}: {fault.message}
                      </li>
                    ))}
                  </ul>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
