/** A file that was handed to the user. */
export interface SavedFile {
  name: string;
  text: () => Promise<string>;
}

/** Catches the files a page hands out from now on. */
export function savedFiles(): SavedFile[] {
  const saved: SavedFile[] = [];
  let latest: Blob;
  URL.createObjectURL = (blob: Blob) => {
    latest = blob;
    return 'blob:saved';
  };
  URL.revokeObjectURL = () => undefined;
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    const blob = latest;
    if (this.download) saved.push({ name: this.download, text: () => textOf(blob) });
  });
  return saved;
}

function textOf(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(reader.error as Error);
    reader.readAsText(blob);
  });
}
