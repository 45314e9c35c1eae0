import { drawn } from './drawn';

/** Frames that come when they are called for. */
function frames(): { draw: () => Promise<void> } {
  const waiting: FrameRequestCallback[] = [];
  jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((each) => waiting.push(each));
  const draw = async (): Promise<void> => {
    for (const each of waiting.splice(0)) each(0);
    await jest.advanceTimersByTimeAsync(0);
  };
  return { draw };
}

/** Whether it has come to an end. */
function watched(promise: Promise<void>): () => boolean {
  let ended = false;
  void promise.then(() => (ended = true));
  return () => ended;
}

describe('waiting until something is drawn', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  it('ends after the second frame: what follows a task behind is drawn then, too', async () => {
    const { draw } = frames();
    const hasEnded = watched(drawn());
    await draw();
    expect(hasEnded()).toBe(false);
    await draw();
    expect(hasEnded()).toBe(true);
  });

  it('does not wait for ever for a page that nobody looks at', async () => {
    frames();
    const hasEnded = watched(drawn());
    await jest.advanceTimersByTimeAsync(190);
    expect(hasEnded()).toBe(false);
    await jest.advanceTimersByTimeAsync(20);
    expect(hasEnded()).toBe(true);
  });
});
