import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The file in the data folder that says a server has it open: whoever would move the database aside looks here first. */
export const RUNNING_FILE = 'running.json';

/** Leaves word that this process has the folder open. @returns takes the word back */
export function markRunning(folder: string, port: number): () => void {
  const path = join(folder, RUNNING_FILE);
  writeFileSync(path, JSON.stringify({ pid: process.pid, port }));
  return () => {
    rmSync(path, { force: true });
  };
}

/** The process that has a folder open, or null; a mark left by one that is gone counts for nothing. */
export function whoRuns(folder: string): { readonly pid: number; readonly port: number } | null {
  const path = join(folder, RUNNING_FILE);
  if (!existsSync(path)) return null;
  const mark = JSON.parse(readFileSync(path, 'utf8')) as { pid: number; port: number };
  try {
    process.kill(mark.pid, 0);
    return mark;
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM' ? mark : null;
  }
}
