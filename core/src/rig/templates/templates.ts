import type { Rig, TemplateId } from '../rig';
import { dryDropper } from './dry-dropper';
import { dryFly } from './dry-fly';
import { fixedLine } from './fixed-line';
import { grass } from './grass';
import { indicatorNymph } from './indicator-nymph';
import { lakeLongLeader } from './lake-long-leader';
import { lakeSuspended } from './lake-suspended';
import { marginSingle } from './margin-single';
import { own } from './own';
import { sacrificialTippet } from './sacrificial-tippet';
import { smallStream } from './small-stream';
import { streamer } from './streamer';
import type { RigTemplate, TemplateParameters } from './template';
import { tightLine } from './tight-line';
import { tuckHinge } from './tuck-hinge';
import { wetSwing } from './wet-swing';

/** The rigs that ship, in the order they are taught. */
export const TEMPLATES: Record<TemplateId, RigTemplate> = {
  grass,
  'fixed-line': fixedLine,
  'dry-fly': dryFly,
  'small-stream': smallStream,
  'sacrificial-tippet': sacrificialTippet,
  'indicator-nymph': indicatorNymph,
  'dry-dropper': dryDropper,
  'tuck-hinge': tuckHinge,
  'tight-line': tightLine,
  'wet-swing': wetSwing,
  streamer,
  'lake-suspended': lakeSuspended,
  'lake-long-leader': lakeLongLeader,
  'margin-single': marginSingle,
  own,
};

/** A rig from a template, with its own defaults where nothing else is said. */
export function buildRig(id: TemplateId, change: Partial<TemplateParameters> = {}): Rig {
  const template = TEMPLATES[id];
  return template.build({ ...template.defaults, ...change });
}
