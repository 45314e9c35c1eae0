import type { RigRule } from './rule';

/** Thinner than this in a welded loop cuts the coating; rule of thumb, metres. */
const THINNEST_AT_LOOP_M = 0.0003;

/** Thin tippet in a fly line's welded loop cuts the coating, the core soaks and the tip sinks. */
export const thinToFlyLine: RigRule = (rig) => {
  const first = rig.sections[0];
  if (!first || first.diameterM >= THINNEST_AT_LOOP_M) return [];
  return [
    {
      id: 'thin-to-fly-line',
      rule: 'thin-to-fly-line',
      level: 'must-fix',
      facts: { section: first.name, diameterM: first.diameterM, minM: THINNEST_AT_LOOP_M },
      fixes: [
        {
          does: 'add-butt',
          change: {
            ...rig,
            sections: [
              {
                id: `butt-${rig.sections.length}`,
                name: 'butt',
                role: 'butt',
                lengthM: 0.5,
                diameterM: 0.000432,
                material: 'stiff-mono',
                joint: 'loop-to-loop',
              },
              { ...first, joint: 'tippet-ring' },
              ...rig.sections.slice(1),
            ],
          },
        },
      ],
    },
  ];
};
