/** Life stage or purpose a fly shows. */
export type FlyStage = 'nymph' | 'emerger' | 'adult' | 'wet' | 'streamer' | 'practice';

/**
 * What is tied on a hook, as a class. Shares refer to the shank of the hook: lengths to its length, volumes to its cube.
 * All are estimates, good to about a third; a bucket test or a kitchen scale beats them.
 */
export interface Dressing {
  id: DressingId;
  stage: FlyStage;
  /** Width of the body across the water, of the shank. */
  bodyWidth: number;
  /** Mass of the dressing, of the hook's. */
  mass: number;
  /** Closed foam, of the cube of the shank. Does not tire. */
  foam: number;
  /** Air held between hairs, of the cube of the shank. Soaks with use. */
  air: number;
  /** Share of its outline on the surface film that carries. Soaks with use. */
  film: number;
  /** Area that the wind meets, of the square of the shank. */
  windArea: number;
  hook: boolean;
}

export const DRESSING_IDS = [
  'slim-nymph',
  'nymph',
  'emerger',
  'wet',
  'hackle-sparse',
  'hackle-full',
  'palmered',
  'deer-hair',
  'foam',
  'streamer',
  'yarn',
] as const;
export type DressingId = (typeof DRESSING_IDS)[number];

const sunk = { foam: 0, air: 0, film: 0, hook: true };

export const DRESSINGS: Record<DressingId, Dressing> = {
  'slim-nymph': {
    id: 'slim-nymph',
    stage: 'nymph',
    bodyWidth: 0.16,
    mass: 0.2,
    windArea: 0.15,
    ...sunk,
  },
  nymph: {
    id: 'nymph',
    stage: 'nymph',
    bodyWidth: 0.28,
    mass: 0.4,
    windArea: 0.25,
    ...sunk,
  },
  emerger: {
    id: 'emerger',
    stage: 'emerger',
    bodyWidth: 0.3,
    mass: 0.4,
    windArea: 0.4,
    ...sunk,
    air: 0.05,
    film: 0.3,
  },
  wet: {
    id: 'wet',
    stage: 'wet',
    bodyWidth: 0.25,
    mass: 0.35,
    windArea: 0.4,
    ...sunk,
  },
  'hackle-sparse': {
    id: 'hackle-sparse',
    stage: 'adult',
    bodyWidth: 0.5,
    mass: 0.4,
    windArea: 0.9,
    ...sunk,
    film: 0.35,
  },
  'hackle-full': {
    id: 'hackle-full',
    stage: 'adult',
    bodyWidth: 0.6,
    mass: 0.6,
    windArea: 1.2,
    ...sunk,
    film: 0.6,
  },
  palmered: {
    id: 'palmered',
    stage: 'adult',
    bodyWidth: 0.6,
    mass: 0.8,
    windArea: 1.5,
    ...sunk,
    air: 0.03,
    film: 0.8,
  },
  'deer-hair': {
    id: 'deer-hair',
    stage: 'adult',
    bodyWidth: 0.6,
    mass: 0.8,
    windArea: 1.4,
    ...sunk,
    air: 0.14,
    film: 0.5,
  },
  foam: {
    id: 'foam',
    stage: 'adult',
    bodyWidth: 0.55,
    mass: 0.7,
    windArea: 1.3,
    ...sunk,
    foam: 0.32,
    film: 0.2,
  },
  streamer: {
    id: 'streamer',
    stage: 'streamer',
    bodyWidth: 0.35,
    mass: 1.2,
    windArea: 0.9,
    ...sunk,
  },
  yarn: {
    id: 'yarn',
    stage: 'practice',
    bodyWidth: 0.8,
    mass: 1,
    windArea: 2,
    ...sunk,
    film: 0.3,
    hook: false,
  },
};
