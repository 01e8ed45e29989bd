/** Hands a file to the browser to save. */
export function saveFile(name: string, content: string | Blob, type = 'application/json'): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  link.download = name;
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(link.href);
  }, 1000);
}
