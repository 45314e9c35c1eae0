import {
  type Choice,
  formatForce,
  formatLength,
  formatRoundLength,
  formatSpeed,
  formatTemperature,
  type HereQuestion,
  type IndicatorSchool,
  hashText,
  type Question,
  type UnitSystem,
  type WarmAct,
  type WaterSeen,
} from '@doceo/core';
import { rigPartText } from './rig-parts';
import { capital } from './words';

const SCHOOLS: Record<IndicatorSchool, string> = {
  'one-and-half': 'One and a half times the depth, in water that runs.',
  double: 'Twice the depth, in fast water.',
  suspended: 'The depth less a hand’s breadth: the fly hangs just off the bottom.',
};

const ACTS: Record<WarmAct, string> = {
  stop: 'Stop, and let the fish be',
  short: 'Play short, unhook in the water, read again in an hour',
  'go-on': 'Fish on, and read again later',
};

interface Words {
  text: string;
  right: [text: string, reason: string];
  wrong: [text: string, reason: string][];
}

/** A question about what is on hand in words, its right answer at a place that the question decides. */
export function hereQuestion(question: HereQuestion, units: UnitSystem): Question {
  const { text, right, wrong } = wordsOf(question, units);
  const choices = wrong.map(([choice, reason]): Choice => ({ text: choice, right: false, reason }));
  choices.splice(hashText(`${question.id} ${text}`) % (wrong.length + 1), 0, {
    text: right[0],
    right: true,
    reason: right[1],
  });
  return { id: question.id, skillId: question.skillId, text, choices };
}

function wordsOf(question: HereQuestion, units: UnitSystem): Words {
  switch (question.kind) {
    case 'parts-first':
      return ofEach(question, {
        text: `You are snagged on the bottom and pull. Where does your leader part, above the ${question.fly}?`,
        say: ({ part }) => capital(rigPartText(part)),
        why: ({ holdsN }) => `It holds ${formatForce(holdsN, units)}.`,
      });
    case 'indicator': {
      const { depthM, school, right } = question;
      return ofEach(question, {
        text: `The water is ${formatLength(depthM, units)} deep. How far above the point fly does your indicator sit?`,
        say: (metres) => `About ${formatLength(metres, units)}`,
        why: (metres) =>
          metres === right
            ? SCHOOLS[school]
            : metres < right
              ? 'The fly rides too high.'
              : 'The fly drags on the bottom.',
      });
    }
    case 'pause': {
      const { right, lineM } = question;
      return ofEach(question, {
        text: `You have ${formatRoundLength(lineM, units)} of line out. How long do you wait behind?`,
        say: (seconds) => `About ${seconds.toFixed(1)} s`,
        why: (seconds) =>
          seconds === right
            ? 'So long it takes to straighten; watch it once and see.'
            : seconds < right
              ? 'It has not straightened yet: it cracks, or piles.'
              : 'It has straightened and falls.',
      });
    }
    case 'barbless':
      return ofEach(question, {
        text: 'May a hook have a barb here?',
        say: (must) => (must === null ? 'The card does not say' : must ? 'No, only without' : 'Yes'),
        why: ruleReason(question.right),
      });
    case 'lead':
      return ofEach(question, {
        text: 'May the shot be of lead here?',
        say: (may) => (may === null ? 'The card does not say' : may ? 'Yes' : 'No lead at all'),
        why: ruleReason(question.right),
      });
    case 'hooks':
      return ofEach(question, {
        text: 'How many hooks may your leader carry here?',
        say: (count) => (count === null ? 'As many as I like' : `${count} at most`),
        why: ruleReason(question.right),
      });
    case 'warm': {
      const { waterC, stopC, right } = question;
      const limit = `From ${formatTemperature(stopC, units)} on one stops for what lives here; local rules come first.`;
      return ofEach(question, {
        text: `The thermometer says ${formatTemperature(waterC, units)}. What do we do?`,
        say: (act) => ACTS[act],
        why: (act) => (act === right ? limit : `Not at ${formatTemperature(waterC, units)}.`),
      });
    }
    case 'fastest':
    case 'deepest': {
      const seen = ({ depthM, speedMs }: WaterSeen): string =>
        question.kind === 'fastest'
          ? `${formatSpeed(Math.abs(speedMs), units)} by the drawing.`
          : `${formatRoundLength(depthM, units)} by the drawing.`;
      return ofEach(question, {
        text: `Look at ${question.beat}. Which of its waters is the ${question.kind}?`,
        say: ({ piece }) => `The ${piece}`,
        why: seen,
      });
    }
    case 'food':
      return ofEach(question, {
        text: `Under the stones: ${[question.right, ...question.wrong]
          .sort((a, b) => b.count - a.count)
          .map(({ food, count }) => `${count} ${food}`)
          .join(', ')}. Which of them do you put on first?`,
        say: ({ food }) => capital(food),
        why: ({ share }) => `${Math.round(share * 100)} % of the food found.`,
      });
  }
}

/** The same words for each choice of a question, whatever its choices are. */
function ofEach<T>(
  { right, wrong }: { right: T; wrong: T[] },
  { text, say, why }: { text: string; say: (choice: T) => string; why: (choice: T) => string },
): Words {
  return { text, right: [say(right), why(right)], wrong: wrong.map((one) => [say(one), why(one)]) };
}

function ruleReason<T>(right: T): (choice: T) => string {
  return (choice) =>
    choice === right ? 'So says the card; signs on the spot come first.' : 'Read the card again.';
}
