/** Hands a text to the user as a file. */
export function download(name: string, text: string, type: string): void {
  downloadBlob(name, new Blob([text], { type }));
}

export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // A browser may read it after the click.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** A title as a file name: `Two nymphs, deep` becomes `two-nymphs-deep`. */
export function fileName(title: string, ending: string): string {
  const plain = title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${plain || 'doceo'}.${ending}`;
}
