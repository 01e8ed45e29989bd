/** A file name that every system takes, in whatever script: `Slate Runner` becomes `slate-runner`. */
export const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFC')
    .replace(/(?:(?!\u200d)[^\p{L}\p{M}\p{N}\p{Extended_Pictographic}])+/gu, '-')
    .replace(/^-|-$/g, '') || 'fly';

/** A browser that is kept busy may fetch what it saves late. */
const KEPT_MS = 60_000;

/** Hands a file to the browser to save. */
export function saveFile(name: string, content: string | Blob, type = 'application/json'): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT_MS);
}
