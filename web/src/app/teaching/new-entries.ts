import {
  type Curriculum,
  type Drill,
  type Fault,
  FORGET_DAYS,
  type Question,
  type Skill,
  type Strand,
} from '@doceo/core';

/** Entries as they begin: whole, so that they can be saved, and plainly not yet said. */
export function newSkill(strand: Strand): Skill {
  return {
    id: newId(strand, 'skill'),
    strand,
    name: 'New skill',
    sentence: '',
    good: '',
    needs: [],
    faults: [],
    shownBy: ['drill', 'answer', 'passing'],
    forgetDays: FORGET_DAYS,
  };
}

/** A drill for a skill, or for the first there is. */
export function newDrill({ skills }: Curriculum, of: string | null): Drill {
  const { id: skillId, strand, faults } = skills.get(of ?? skills.all[0]?.id ?? '');
  return {
    id: newId('drill', 'own'),
    name: 'New drill',
    strand,
    trains: [{ skillId, share: 1 }],
    minutes: { min: 6, likely: 10, max: 15 },
    ground: 'grass',
    dryLand: '',
    group: { min: 1, max: 4 },
    supervision: 'within-call',
    gear: [],
    cue: '',
    how: [],
    success: { good: 8, of: 10, at: '' },
    watchFor: faults.slice(0, 3),
    lineOutM: 0,
    attemptsPerMin: 2,
    adaptations: [],
  };
}

export function newFault(): Fault {
  return { id: newId('fault', 'own'), short: 'New fault', sign: '', cause: '', cure: '', weight: 2 };
}

/** A question about a skill, or about the first there is. */
export function newQuestion({ skills }: Curriculum, of: string | null): Question {
  return {
    id: newId('question', 'own'),
    skillId: of ?? skills.all[0]?.id ?? '',
    text: 'What do you ask?',
    choices: [
      { text: 'the right answer', right: true, reason: '' },
      { text: 'a wrong one', right: false, reason: '' },
    ],
  };
}

function newId(first: string, second: string): string {
  return `${first}.${second}-${crypto.randomUUID().slice(0, 8)}`;
}
