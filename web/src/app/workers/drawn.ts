/** Frames until what a change brings is drawn whole: some of it follows a task behind. */
const FRAMES = 2;
/** A page that nobody looks at draws no frames: then it is gone on after so long, milliseconds. */
const AT_MOST_MS = 200;

/** Resolves once what was changed just now has been drawn. */
export function drawn(): Promise<void> {
  return new Promise((resolve) => {
    const patience = setTimeout(resolve, AT_MOST_MS);
    const next = (left: number): void => {
      if (left > 0) requestAnimationFrame(() => setTimeout(next, 0, left - 1));
      else {
        clearTimeout(patience);
        resolve();
      }
    };
    next(FRAMES);
  });
}
