import { type Debrief, howOnDryLand } from '@doceo/core';
import { goodThingText } from '@doceo/texts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

export type Paper = 'A4' | 'LETTER';

/** What stands on a student's card. */
export interface StudentCard {
  first: string;
  when: string;
  water: string;
  plan: string;
  told: Debrief;
  from: string;
  /** Where the student's own page is; null where its code is not on the card. */
  page: string | null;
}

const INK = '#15261f';
const SOFT = '#4c5b53';
const RIVER = '#12505b';
const GOOD = '#23745a';
const MARGIN = 48;
/** Widths of paper, points. */
const WIDTH: Record<Paper, number> = { A4: 595.28, LETTER: 612 };

/** A river across the top of the sheet, with the line of a cast above it. */
function band(width: number): string {
  const wave = (y: number, swing: number): string =>
    `M0 ${y}C${width * 0.2} ${y - swing} ${width * 0.3} ${y + swing} ${width * 0.5} ${y}S${width * 0.8} ${y - swing} ${width} ${y}`;
  const tip = width * 0.72;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="58" viewBox="0 0 ${width} 58">
    <path d="${wave(38, 7)}L${width} 58L0 58Z" fill="${RIVER}"/>
    <path d="${wave(48, 5)}" fill="none" stroke="#d5e6e1" stroke-width="1.4" stroke-opacity="0.7"/>
    <path d="M${MARGIN} 33C${width * 0.3} 8 ${width * 0.5} 6 ${tip} 12S${tip + 46} 27 ${tip - 60} 26" fill="none" stroke="#c3d12c" stroke-width="2.2" stroke-linecap="round"/>
  </svg>`;
}

const heading = (text: string): Content => ({
  text,
  color: SOFT,
  bold: true,
  fontSize: 12,
  margin: [0, 20, 0, 4],
});

const facts = (rows: readonly (readonly [string, string])[]): Content => ({
  layout: 'noBorders',
  margin: [0, 6, 0, 0],
  table: {
    widths: [92, '*'],
    body: rows.map(([name, text]) => [{ text: name, color: SOFT }, { text }]),
  },
});

/** The card as a page to print: large enough to be read at arm's length, one page on either paper. */
export function cardDocument(
  { first, when, water, plan, told, from, page }: StudentCard,
  paper: Paper,
): TDocumentDefinitions {
  const { good, workOn, sentence, home } = told;
  return {
    pageSize: paper,
    pageMargins: [MARGIN, 84, MARGIN, 52],
    info: { title: `${first}’s day`, author: from },
    defaultStyle: { fontSize: 12.5, lineHeight: 1.18, color: INK },
    header: { svg: band(WIDTH[paper]), width: WIDTH[paper] },
    footer: { text: `${from} · ${when}`, margin: [MARGIN, 10], color: SOFT, fontSize: 10 },
    content: [
      { text: `${first}’s day`, fontSize: 30, bold: true },
      { text: `${when}, ${water}: ${plan}`, color: SOFT },
      heading('Good'),
      good.length === 0
        ? { text: 'Too little is on the record of this day to name it from evidence.', color: SOFT }
        : good.map(goodThingText).map(({ text, evidence }, i): Content => ({
            columns: [
              { text: `${i + 1}`, width: 30, fontSize: 22, bold: true, color: GOOD },
              {
                stack: [
                  { text, fontSize: 16, bold: true },
                  { text: evidence, color: SOFT },
                ],
              },
            ],
            margin: [0, 4, 0, 4],
            unbreakable: true,
          })),
      heading('Work on one thing'),
      workOn
        ? {
            stack: [
              {
                text: [{ text: workOn.fault.short, bold: true }, `, at ${workOn.skillName.toLowerCase()}`],
                fontSize: 16,
              },
              facts([
                ['You see', workOn.fault.sign],
                ['It comes from', workOn.fault.cause],
                ...(sentence ? [] : [['Try', workOn.fault.cure] as const]),
              ]),
              {
                text: `Seen ${workOn.times === 1 ? 'once' : `${workOn.times} times`} that day. It happens to everybody who learns this.`,
                color: SOFT,
                fontSize: 11,
                margin: [0, 6, 0, 0],
              },
            ],
            unbreakable: true,
          }
        : { text: 'Nothing went wrong often enough to name it. Go on as you do.', color: SOFT },
      ...(sentence
        ? [{ text: `“${sentence}”`, fontSize: 17, bold: true, margin: [0, 10, 0, 0] } satisfies Content]
        : []),
      ...(home
        ? [
            heading(`At home, ${home.minutes.likely} minutes`),
            {
              unbreakable: true,
              stack: [
                { text: [{ text: home.name, bold: true }, `: “${home.cue}”`], fontSize: 16 },
                { text: howOnDryLand(home).join(' '), margin: [0, 6, 0, 0] },
                {
                  text: `You have it at ${home.success.good} good of ${home.success.of}${home.success.at ? `, ${home.success.at}` : ''}.`,
                  margin: [0, 6, 0, 0],
                },
                {
                  text: 'Glasses on, look behind you, a bit of yarn instead of a hook.',
                  bold: true,
                  margin: [0, 6, 0, 0],
                },
              ],
            } satisfies Content,
          ]
        : []),
      ...(page
        ? [
            {
              columns: [
                { qr: page, fit: 92, width: 104 },
                {
                  stack: [
                    { text: 'Your own page', bold: true, fontSize: 16 },
                    { text: 'The beat, takes to see, three questions. Works without signal.', color: SOFT },
                  ],
                },
              ],
              margin: [0, 16, 0, 0],
              unbreakable: true,
            } satisfies Content,
          ]
        : []),
    ],
  };
}
