import type { PlanSheet, SheetRow } from './plan-sheet';

/** What means something else in a text with marks, and the line ends that would break a table. */
function plain(text: string): string {
  return text.replace(/([\\`*_{}[\]<>#|~])/g, '\\$1').replace(/\s*\n\s*/g, ' ');
}

function tableOf(rows: readonly SheetRow[]): string[] {
  return [
    '| Time | Who | What | Say | Done when | Watch for |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows.map(
      ({ time, who, title, place, rig, note, say, done, watch }) =>
        `| ${[
          time,
          who,
          `**${plain(title)}**${[place, rig, note]
            .filter(Boolean)
            .map((part) => `, ${plain(part)}`)
            .join('')}`,
          ...[say, done, watch].map(plain),
        ].join(' | ')} |`,
    ),
  ];
}

/** A plan as a text with marks that also reads well without anything that shows them: headings, a table, lists. */
export function planMarkdown(sheet: PlanSheet): string {
  const { title, aim, facts, when, light, rows, planB, rigs, pack, from } = sheet;
  return [
    `# ${plain(title)}`,
    ...(aim ? ['', plain(aim)] : []),
    ...['', plain(facts.join(', '))],
    ...(when ? ['', plain([when, light].filter(Boolean).join('. '))] : []),
    ...['', '## Running order', '', ...tableOf(rows)],
    ...(planB ? ['', '## Plan B', '', plain(planB.when), '', ...tableOf(planB.rows)] : []),
    ...rigs.flatMap(({ name, cuts, knots }) => [
      ...['', `## Rig: ${plain(name)}`, ''],
      ...cuts.map(({ length, what }) => `- ${length} ${plain(what)}`),
      '',
      ...knots.map((knot, i) => `${i + 1}. ${plain(knot)}`),
    ]),
    ...(pack.length > 0 ? ['', '## Pack'] : []),
    ...pack.flatMap(({ group, lines }) => [
      ...['', `### ${plain(group)}`, ''],
      ...lines.map(({ amount, name, spares }) => `- ${amount} ${plain(name)}${spares ? ` (${spares})` : ''}`),
    ]),
    ...['', '## Before anything', '', CAUTION, '', `From ${plain(from)}.`, ''],
  ].join('\n');
}

/** What goes with every plan that leaves. */
export const CAUTION =
  'Hats and glasses. Two line lengths apart. Any thunder: off the water. Wading, weather and rules: judge on the spot; local signs, wardens and licensed people decide.';
