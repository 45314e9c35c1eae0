/** One answer to choose, with why it is right or wrong. */
export interface Choice {
  text: string;
  right: boolean;
  reason: string;
}

/** What is asked of a skill that is knowledge. Exactly one of its choices is right. */
export interface Question {
  id: string;
  skillId: string;
  text: string;
  choices: Choice[];
}
