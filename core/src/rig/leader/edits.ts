import { moveIndicator, placeIndicator } from '../sink/indicator-depth';
import { reshape } from './reshape';
import type {
  DropperSchool,
  Fitting,
  Fly,
  HeaviestSchool,
  IndicatorSchool,
  Rig,
  RigSchools,
  Section,
  ShotSchool,
} from '../rig';
import { trimLeader } from './bought-leader';
import { addSection, fittingsKept, moveJoint, moveTip, removeSection, tagLength } from './section-edits';
import { schoolDifferences } from '../schools';
import { type RigTemplate, TEMPLATES } from '../templates';
import { pointAndDropper, SHOT_ABOVE_FLY_M } from '../templates/indicator-nymph';
import { diameterOfX } from '../tackle/x-size';
import { leaderLength } from './leader-geometry';

function ownEdits(rig: Rig): NonNullable<RigTemplate['edits']> {
  return TEMPLATES[rig.template].edits ?? {};
}

/** Everything that can be done to a rig on the bench. Each returns a new rig. */
export const rigEdits = {
  depth: (rig: Rig, waterDepthM: number): Rig =>
    ownEdits(rig).depth?.(rig, waterDepthM) ?? reshape(rig, { waterDepthM }),

  indicatorSchool: (rig: Rig, indicator: IndicatorSchool): Rig =>
    placeIndicator({ ...rig, schools: { ...rig.schools, indicator } }),

  shotSchool: (rig: Rig, shot: ShotSchool): Rig => ({
    ...rig,
    schools: { ...rig.schools, shot },
    fittings: rig.fittings.map((fitting) =>
      fitting.kind === 'shot' ? { ...fitting, aboveFlyM: SHOT_ABOVE_FLY_M[shot] } : fitting,
    ),
  }),

  /** The finest sections and the tags get this X size. */
  tippet: (rig: Rig, x: number): Rig => {
    const diameterM = diameterOfX(x);
    const finest = Math.min(...rig.sections.map((section) => section.diameterM));
    return {
      ...rig,
      sections: rig.sections.map((section) =>
        section.role === 'tippet' && section.diameterM <= finest * 1.001
          ? { ...section, diameterM }
          : section,
      ),
      flies: rig.flies.map((fly) => (fly.at.kind === 'tag' ? { ...fly, at: { ...fly.at, diameterM } } : fly)),
    };
  },

  /** A leader made by hand is kept; a template without a way of its own builds the rig anew. */
  flyCount: (rig: Rig, count: number): Rig =>
    rig.byHand
      ? pointAndDropper(rig, count)
      : (ownEdits(rig).flyCount?.(rig, count) ?? reshape(rig, { flyCount: count })),

  /** No shot for a mass of 0. */
  shotMass: (rig: Rig, massKg: number): Rig => {
    const others = rig.fittings.filter((fitting) => fitting.kind !== 'shot');
    const shot = rig.fittings.find((fitting) => fitting.kind === 'shot');
    if (massKg <= 0) return { ...rig, fittings: others };
    return {
      ...rig,
      fittings: [
        ...others,
        {
          id: 'shot',
          kind: 'shot',
          metal: 'tin',
          aboveFlyM: SHOT_ABOVE_FLY_M[rig.schools.shot],
          ...shot,
          massKg,
        },
      ],
    };
  },

  rod: (rig: Rig, lengthM: number): Rig =>
    ownEdits(rig).rod?.(rig, lengthM) ?? reshape(rig, { rodLengthM: lengthM }),

  /** The inner width of the tip guide, metres. */
  tipGuide: (rig: Rig, tipGuideM: number): Rig => ({ ...rig, rod: { ...rig.rod, tipGuideM } }),

  lineWeight: (rig: Rig, weight: number): Rig => ({ ...rig, line: { ...rig.line, weight } }),

  /** Each disagreement that concerns the rig settled this way, with what follows from it. */
  schools: (rig: Rig, schools: RigSchools): Rig =>
    schoolDifferences(rig, schools).reduce((built, key) => {
      switch (key) {
        case 'indicator':
          return rigEdits.indicatorSchool(built, schools.indicator);
        case 'shot':
          return rigEdits.shotSchool(built, schools.shot);
        case 'dropper':
          return rigEdits.dropperSchool(built, schools.dropper);
        case 'heaviest':
          return rigEdits.heaviestSchool(built, schools.heaviest);
      }
    }, rig),

  dropperSchool: (rig: Rig, dropper: DropperSchool): Rig =>
    reshape(rig, { schools: { ...rig.schools, dropper } }),

  heaviestSchool: (rig: Rig, heaviest: HeaviestSchool): Rig =>
    reshape(rig, { schools: { ...rig.schools, heaviest } }),

  /** Puts an indicator on where the school wants it, or takes it off. */
  indicator: (rig: Rig, on: boolean): Rig => {
    const others = rig.fittings.filter(({ kind }) => kind !== 'indicator');
    if (!on) return { ...rig, fittings: others };
    const added: Fitting = {
      id: 'indicator',
      kind: 'indicator',
      style: 'fixed',
      diameterM: 0.019,
      aboveFlyM: 1,
    };
    return placeIndicator({ ...rig, fittings: [added, ...others] });
  },

  indicatorSize: (rig: Rig, diameterM: number): Rig => ({
    ...rig,
    fittings: rig.fittings.map((fitting) =>
      fitting.kind === 'indicator' ? { ...fitting, diameterM } : fitting,
    ),
  }),

  /** A changed section; fittings that would lie above the leader slide down to its top. */
  section: (rig: Rig, id: string, change: Partial<Section>): Rig =>
    fittingsKept({
      ...rig,
      sections: rig.sections.map((section) => (section.id === id ? { ...section, ...change } : section)),
    }),

  addSection,
  removeSection,
  moveJoint,
  moveTip,
  tagLength,
  trimLeader,

  fly: (rig: Rig, id: string, change: Partial<Fly>): Rig => ({
    ...rig,
    flies: rig.flies.map((fly) => (fly.id === id ? { ...fly, ...change } : fly)),
  }),

  indicatorStyle: (rig: Rig, style: 'fixed' | 'slip-release' | 'yarn'): Rig => ({
    ...rig,
    fittings: rig.fittings.map((fitting) => (fitting.kind === 'indicator' ? { ...fitting, style } : fitting)),
  }),

  shotMetal: (rig: Rig, metal: 'tin' | 'lead'): Rig => ({
    ...rig,
    fittings: rig.fittings.map((fitting) => (fitting.kind === 'shot' ? { ...fitting, metal } : fitting)),
  }),

  /** Slides an indicator or a shot along the leader. */
  slide: (rig: Rig, id: string, aboveFlyM: number): Rig => {
    const fitting = rig.fittings.find((candidate) => candidate.id === id);
    if (fitting?.kind === 'indicator') return moveIndicator(rig, aboveFlyM);
    const keptM = Math.min(Math.max(aboveFlyM, 0.05), leaderLength(rig));
    return {
      ...rig,
      fittings: rig.fittings.map((other): Fitting =>
        other === fitting ? { ...other, aboveFlyM: keptM } : other,
      ),
    };
  },
};
