import { hashText } from '../../../random';
import type { Question } from '../../question';

type Answer = [text: string, reason: string];

/** A question in short: the right answer is written first, and stands at a place that its id decides. */
export function ask(id: string, skillId: string, text: string, right: Answer, ...wrong: Answer[]): Question {
  const at = hashText(id) % (wrong.length + 1);
  const choices = wrong.map(([choice, reason]) => ({ text: choice, right: false, reason }));
  choices.splice(at, 0, { text: right[0], right: true, reason: right[1] });
  return { id, skillId, text, choices };
}
