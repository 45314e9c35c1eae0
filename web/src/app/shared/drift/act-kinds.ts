import { type Act, type ActKind, formatLength, type UnitSystem } from '@doceo/core';

/** A button of the bench that puts an act in now. */
interface ActButton {
  text: string;
  /** Where it differs from the act as it is put in first. */
  change?: Partial<Act>;
  /** The key that does the same. */
  key?: string;
}

/** How the bench shows a kind of act. */
export interface ActKindShown {
  /** As it is put in first. */
  first: Omit<Act, 'atS' | 'kind'>;
  buttons: readonly ActButton[];
  text: (act: Act, size: string) => string;
  /** The other way round, where it has another. */
  turned?: (act: Act) => Partial<Act>;
}

/** Every kind of act, in the order of their buttons. */
export const ACTS_SHOWN: Record<ActKind, ActKindShown> = {
  mend: {
    first: { sizeM: 1, way: 'up', from: 0.1, to: 0.8 },
    buttons: [
      { text: 'Mend up', key: 'm' },
      { text: 'Mend down', change: { way: 'down' }, key: 'n' },
    ],
    text: ({ way }, size) => `mend ${way}, ${size}`,
    turned: ({ way }) => ({ way: way === 'up' ? 'down' : 'up' }),
  },
  feed: {
    first: { sizeM: 1, way: 'up', from: 0, to: 0.3 },
    buttons: [{ text: 'Feed', key: 'f' }],
    text: (_, size) => `feed ${size}`,
  },
  lift: {
    first: { sizeM: 3, way: 'up', from: 0, to: 1 },
    buttons: [{ text: 'Lift' }],
    text: (_, size) => `lift ${size}`,
  },
  step: {
    first: { sizeM: 1, way: 'up', from: 0, to: 1 },
    buttons: [{ text: 'Step down' }],
    text: ({ sizeM }, size) => `step ${sizeM < 0 ? 'up' : 'down'}, ${size}`,
    turned: ({ sizeM }) => ({ sizeM: -sizeM }),
  },
};

/** All buttons, with the act each puts in. */
export const ACT_BUTTONS = (Object.keys(ACTS_SHOWN) as ActKind[]).flatMap((kind) =>
  ACTS_SHOWN[kind].buttons.map(({ text, change, key }) => ({
    text,
    key,
    act: { kind, ...ACTS_SHOWN[kind].first, ...change },
  })),
);

/** An act of the timeline, in words. */
export function actText(act: Act, units: UnitSystem): string {
  return ACTS_SHOWN[act.kind].text(act, formatLength(Math.abs(act.sizeM), units));
}
