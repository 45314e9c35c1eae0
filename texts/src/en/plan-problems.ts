import {
  clockTime,
  formatLength,
  formatRoundLength,
  groundOf,
  type NeedBlock,
  type PlanChange,
  type PlanFacts,
  type PlanFix,
  type PlanProblem,
  skillStage,
  type ShortStudent,
  type Staff,
  type UnitSystem,
} from '@doceo/core';
import { alertText } from './conditions';
import { PLAN_B_NAMES } from './plan-b';
import { NEED_NAMES } from './needs';
import { rigFixText, rigProblemInWords } from './rig-problems';
import { STAGES } from './stages';
import { inWords, type ProblemInWords, type ProblemWords, type Worded } from './problem';
import { counted, listed } from './words';

const WORDS: Worded<PlanFacts> = {
  'guardian-consent': ({ name, ageYears }) =>
    ageYears === null
      ? {
          title: `Is ${first(name)} 18 or older?`,
          reason: `Nobody has said, so ${first(name)} is treated as a minor and nothing is recorded. Say it under the student, or put a guardian’s consent on file.`,
          evidence: [{ label: 'age', text: 'not said' }],
        }
      : {
          title: `No guardian’s consent for ${first(name)}`,
          reason: `${ageYears} years old. Without consent on file nothing is recorded; local rules for minors decide the rest.`,
          evidence: [{ label: 'age', text: `${ageYears}` }],
        },
  'rule-card': (facts) =>
    facts.season === 'not-read'
      ? {
          title: 'Rule card not read this season',
          reason: `${facts.water}: somebody must read it at the source and tick it. Doceo does not know the law.`,
          evidence: [
            { label: 'last read', text: facts.checkedOn ?? 'never' },
            { label: 'wanted after', text: facts.wantedAfter },
          ],
        }
      : {
          title: 'Outside the season on the card',
          reason: `The card of ${facts.water} says ${facts.from} to ${facts.to}. Grass only, or another day.`,
          evidence: [{ label: 'lesson', text: facts.date }],
        },
  conditions: ({ alert, timeZone, source }) => ({
    ...alertText(alert),
    evidence: [
      {
        label: 'when',
        text: `${clockTime(alert.fromMs, timeZone)} to ${clockTime(alert.toMs, timeZone)}`,
      },
      ...(source ? [{ label: 'source', text: `${source}; look, and ask, before you go` }] : []),
    ],
  }),
  'safety-first': ({ firstBlock, later }) => ({
    title: 'No safety talk first',
    reason: later
      ? 'The safety talk comes after other blocks, or not for everybody.'
      : 'Hats, glasses and hook distance come before any rod.',
    evidence: [{ label: 'first block', text: firstBlock }],
  }),
  'over-time': ({ overMin, endMin, lengthMin }) => ({
    title: `${overMin} min over time`,
    reason: `The blocks end ${overMin} minutes after the lesson does.`,
    evidence: [
      { label: 'blocks end at', text: `${endMin} min` },
      { label: 'lesson', text: `${lengthMin} min` },
    ],
  }),
  'dark-before-end': (facts) => {
    const time = (ms: number): string => clockTime(ms, facts.timeZone);
    if (facts.dark === 'start')
      return {
        title: 'Starts in the dark',
        reason: `First light is at ${time(facts.dawnMs)}.`,
        evidence: [{ label: 'start', text: time(facts.startMs) }],
      };
    return {
      title: facts.endMs > facts.duskMs ? 'Dark before the end' : 'Sun down before the end',
      reason: `The lesson ends at ${time(facts.endMs)}; the sun sets at ${time(facts.sunsetMs)} and light is gone at ${time(facts.duskMs)}.`,
      evidence: [
        { label: 'end', text: time(facts.endMs) },
        { label: 'sunset', text: time(facts.sunsetMs) },
      ],
    };
  },
  'hook-limit': ({ rig, block, hooks, water, maxHooks }) => ({
    title: 'More hooks than the card allows',
    reason: `“${rig}” in “${block}” has ${hooks} hooks; ${water} allows ${maxHooks}.`,
    evidence: [
      { label: rig, text: `${hooks} hooks` },
      { label: 'card', text: `${maxHooks}` },
    ],
  }),
  'no-wading': ({ water, blocks }) => ({
    title: 'No wading here',
    reason: `The card of ${water} does not allow it. It is a reminder; the water's own rules decide.`,
    evidence: [{ label: 'in the water', text: listed(blocks) }],
  }),
  'hook-distance': ({ students, fit, block, place, lineOutM, distanceM, lengthM, lengthFrom }, units) => ({
    title: 'Hooks too near',
    reason: `${students} students at “${block}” need ${formatLength(distanceM, units)} between them; the longest ${place} here is ${formatLength(lengthM, units)}${lengthFrom === 'typical' ? ', a typical length nobody has paced out,' : ''} and takes ${fit}.`,
    evidence: [
      { label: 'line out', text: formatLength(lineOutM, units) },
      { label: 'distance', text: formatLength(distanceM, units) },
      { label: 'students', text: `${students} of ${fit}` },
    ],
  }),
  'place-missing': (facts) =>
    facts.place === 'unsuited'
      ? {
          title: 'Wrong ground for the drill',
          reason: `“${facts.block}” needs ${facts.ground}; the block is at ${facts.kind}.`,
          evidence: [{ label: 'place', text: `${facts.kind} (${groundOf(facts.kind)})` }],
        }
      : {
          title: `No ${facts.kind} here`,
          reason: `${facts.water} has no ${facts.kind} for “${facts.block}”.`,
          evidence: [{ label: 'places here', text: facts.places.join(', ') || 'none' }],
        },
  prerequisites: ({ drill, students }) => shortOf(drill, students),
  needs: ({ name, needs, blocks }, units) => ({
    title: `For ${first(name)} otherwise: ${listed(needs.map((need) => NEED_NAMES[need].toLowerCase()))}`,
    reason: 'The drill bends, not the student. It stands on his card and on the log.',
    evidence: blocks.map((block) => ({ label: block.block, text: needText(block, units) })),
  }),
  rig: ({ name, problem }, units) => {
    const { title, reason, evidence } = rigProblemInWords(problem, units);
    return { title, reason: `“${name}”: ${reason}`, evidence };
  },
  watched: ({ what, moments, staff, timeZone }) => ({
    title: what === 'minors' ? 'A minor out of sight' : 'Nobody free to watch',
    reason:
      what === 'minors'
        ? 'All who teach have eyes on a group, and a minor is in none of them.'
        : 'Eyes-on drills want an instructor for each group; within call an adult has four, two where minors are at the water.',
    evidence: [
      ...moments.map(({ atMs, blocks }) => ({ label: clockTime(atMs, timeZone), text: listed(blocks) })),
      { label: 'who teaches', text: staffText(staff) },
    ],
  }),
  'too-long': ({ blocks }) => ({
    title: blocks.length === 1 ? `Long at “${blocks[0]?.block}”` : `Long at ${blocks.length} drills`,
    reason: 'Longer than they are meant for. Hands and heads tire before that: change, and come back to it.',
    evidence: blocks.map(({ block, minutes, mostMin }) => ({
      label: block,
      text: `${minutes} min, meant for ${mostMin} at the most`,
    })),
  }),
  'kit-short': ({ short }) => ({
    title: `Too few: ${listed(short.map(({ item }) => item))}`,
    reason: 'More are used at once than there are. Bring more, or let groups take turns.',
    evidence: short.map(({ item, count, have }) => ({
      label: item,
      text: `${count} needed, ${have} on hand`,
    })),
  }),
  walking: ({ names, walks, metres }, units) => ({
    title: `${listed(names.map(first))} ${names.length === 1 ? 'walks' : 'walk'} ${walks} times`,
    reason: `From place to place${metres > 0 ? `, about ${formatLength(metres, units)} on the drawing` : ''}. Each walk costs tries: put what is done at one place together.`,
    evidence: [],
  }),
  'no-break': ({ minutes, names }) => ({
    title: `${minutesText(minutes)} without a break`,
    reason: 'Hands and heads tire. Tea, a look at the water, dry hands: who rests takes more in after it.',
    evidence: names.length > 0 ? [{ label: 'who', text: listed(names.map(first)) }] : [],
  }),
  waits: ({ names, minutes, fromMs, timeZone }) => ({
    title: `${listed(names.map(first))} ${names.length === 1 ? 'waits' : 'wait'} ${minutes} min`,
    reason: `Nothing is planned for ${names.length === 1 ? first(names[0] ?? '') : 'them'} from ${clockTime(fromMs, timeZone)} on. Fill the rest, or put a break there.`,
    evidence: [],
  }),
};

/** `1 instructor and 2 assistants`; `nobody` where there is none. */
export function staffText({ instructors, assistants }: Staff): string {
  const some = (count: number, word: string): string[] => (count > 0 ? [counted(count, word)] : []);
  return listed([...some(instructors, 'instructor'), ...some(assistants, 'assistant')]) || 'nobody';
}

function needText(block: NeedBlock, units: UnitSystem): string {
  switch (block.asks) {
    case 'line':
      return `${formatRoundLength(block.allowedM, units)} of line, not ${formatRoundLength(block.lineOutM, units)}`;
    case 'minutes':
      return `${block.allowedMin} min at a stretch, not ${block.minutes}`;
    case 'other-drill':
      return `instead: “${block.drill}”`;
    case 'wading':
      return 'stays on the bank';
  }
}

/** Skills that a title names; the rest is counted. */
const MAX_NAMED = 2;

/** Students who lack what a drill rests on, and what: first what was seen and is not held. */
function shortOf(drill: string, students: readonly ShortStudent[]): ProblemWords {
  const names = [...new Set(students.map(({ name }) => name))];
  const alone = names.length === 1;
  const seen = students.some(({ gaps }) => gaps.some(({ attempts }) => attempts > 0));
  const gaps = students.flatMap((student) => student.gaps).filter(({ attempts }) => !seen || attempts > 0);
  const needed = [...new Set(gaps.map(({ skill }) => skill.toLowerCase()))];
  const more = needed.length - MAX_NAMED;
  const what = `${needed.slice(0, MAX_NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
  return {
    title: seen
      ? `${listed(names.map(first))} ${alone ? 'needs' : 'need'} first: ${what}`
      : `Look first: ${what} of ${listed(names.map(first))}`,
    reason: seen
      ? `“${drill}” rests on it. Teach it before, or put it later.`
      : `“${drill}” rests on it, and nobody has seen it yet. Watch a few casts, then go on.`,
    evidence: students.flatMap(({ name, gaps: own }) =>
      own.map((gap) => ({
        label: alone ? gap.skill : `${first(name)}, ${gap.skill.toLowerCase()}`,
        text: STAGES[skillStage(gap)],
      })),
    ),
  };
}

const FIXES: Record<Extract<PlanFix, string>, string> = {
  'open-student': 'Open the student',
  'open-card': 'Open the card',
  'open-kit': 'Open the kit',
  'safety-to-start': 'Move it to the start',
  'add-safety': 'Put a safety talk first',
  shorten: 'Shorten drills to fit',
  'fewer-hooks': 'Take the dropper off',
  'as-meant': 'As long as meant',
  off: 'Take them out',
};

function fixText(fix: PlanFix, units: UnitSystem): string {
  if (typeof fix === 'string') return FIXES[fix];
  if ('breakAfter' in fix) return `Ten minutes after “${fix.breakAfter}”`;
  if ('lengthenToMin' in fix) return `Make it ${fix.lengthenToMin} min`;
  if ('earlierMin' in fix) return `Start ${minutesText(fix.earlierMin)} earlier`;
  if ('laterMin' in fix) return `Start ${minutesText(fix.laterMin)} later`;
  if ('swaps' in fix) return `“${fix.swaps[0]}” against “${fix.swaps[1]}”`;
  if ('planB' in fix) return `Make a plan B for ${PLAN_B_NAMES[fix.planB].toLowerCase()}`;
  if ('rig' in fix) return `Use “${fix.rig}”`;
  if ('longerPlace' in fix) return `Use ${fix.longerPlace}`;
  if ('mends' in fix) return rigFixText(fix.mends, units);
  if ('comes' in fix) return fix.comes === 'assistant' ? 'With an assistant' : 'With one instructor more';
  return 'place' in fix ? `At ${fix.place}` : `${fix.drill} instead`;
}

/** `45 min`, `2 h`, `1 h 30 min`. */
function minutesText(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return [hours > 0 ? `${hours} h` : '', rest > 0 ? `${rest} min` : ''].filter(Boolean).join(' ');
}

function first(name: string): string {
  return name.split(' ')[0] ?? '';
}

/** A problem of a plan in words, with its fixes, and where it lies. */
export type PlanProblemInWords = ProblemInWords<PlanChange> & Pick<PlanProblem, 'blockIds' | 'studentId'>;

export function planProblemInWords(problem: PlanProblem, units: UnitSystem): PlanProblemInWords {
  const { blockIds, studentId } = problem;
  return { ...inWords(problem, WORDS, fixText, units), blockIds, studentId };
}
