import type { Strand } from '@doceo/core';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { CAUTION } from './plan-markdown';
import type { PlanSheet, SheetRow } from './plan-sheet';

export type Paper = 'A4' | 'LETTER';
/** What a plan is on paper, and for whom. */
export type PaperKind = 'desk' | 'student' | 'packing';

const INK = '#15261f';
const SOFT = '#4c5b53';
const LINE = '#d9d2bf';
const REST = '#a3a79b';
const STRAND_INK: Record<Strand, string> = {
  casting: '#2b6790',
  rigging: '#9b5320',
  'hook-setting': '#7b2d52',
  water: '#23745a',
  safety: '#b8341b',
  'fish-care': '#576a77',
};
const MARGIN = 40;
/** A heading stands above so many pieces at the least, unless nothing comes after. */
const LEAST_BELOW = 3;

/** A bar in the colour of a strand, which begins a line. */
function bar(strand: Strand | null, height: number): Content {
  const color = strand ? STRAND_INK[strand] : REST;
  return { canvas: [{ type: 'rect', x: 0, y: 2, w: 5, h: height, color }] };
}

/** A box to tick; each drawing is laid out once, so each line has its own. */
const box = (): Content => ({
  canvas: [{ type: 'rect', x: 0, y: 2, w: 10, h: 10, lineWidth: 0.8, lineColor: INK }],
});

const heading = (text: string): Content => ({
  ...{ text, bold: true, fontSize: 12, color: SOFT, margin: [0, 12, 0, 4] },
  headlineLevel: 1,
});

/** Thin lines between rows, and nothing else. */
const LINES = {
  hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => LINE,
  paddingLeft: () => 4,
  paddingRight: () => 6,
  paddingTop: () => 2,
  paddingBottom: () => 2,
};

function order(rows: readonly SheetRow[]): Content {
  const head = ['Time', 'Student', 'What', 'Say', 'Done when', 'Watch for'].map((text): TableCell => ({
    text,
    color: SOFT,
    fontSize: 9,
  }));
  return {
    layout: LINES,
    table: {
      headerRows: 1,
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths: [5, 62, 40, '*', 84, 84, 76],
      body: [
        [{ text: '' }, ...head],
        ...rows.map((row): TableCell[] => [
          bar(row.strand, 20),
          { text: row.time, bold: true },
          row.who.replace('student ', ''),
          {
            stack: [
              { text: row.title, bold: true },
              ...[row.place, row.rig, row.note]
                .filter(Boolean)
                .map((text): Content => ({ text, color: SOFT, fontSize: 9 })),
            ],
          },
          row.say ? `“${row.say}”` : '',
          row.done,
          row.watch,
        ]),
      ],
    },
  };
}

/** The head of each paper: what it is of, for whom and when. */
function head(sheet: PlanSheet, kind: string): Content[] {
  return [
    {
      columns: [
        { text: sheet.title, fontSize: 22, bold: true },
        { text: kind, alignment: 'right', color: SOFT, width: 90, margin: [0, 8, 0, 0] },
      ],
    },
    ...(sheet.when ? [{ text: sheet.when, bold: true }] : []),
    ...(sheet.light ? [{ text: sheet.light, color: SOFT }] : []),
  ];
}

function desk(sheet: PlanSheet): Content[] {
  const { aim, facts, rows, planB, rigs } = sheet;
  return [
    ...head(sheet, 'desk card'),
    ...(aim ? [{ text: aim, margin: [0, 4, 0, 2] } satisfies Content] : []),
    { text: facts.join(', '), color: SOFT, margin: [0, 0, 0, 8] },
    order(rows),
    ...(planB
      ? [heading('Plan B'), { text: planB.when, margin: [0, 0, 0, 4] } satisfies Content, order(planB.rows)]
      : []),
    ...rigs.map(({ name, cuts, knots }): Content => ({
      unbreakable: true,
      stack: [
        heading(`Rig: ${name}`),
        {
          columns: [
            { ul: cuts.map(({ length, what }) => ({ text: [{ text: length, bold: true }, ` ${what}`] })) },
            { ol: [...knots] },
          ],
          columnGap: 18,
        },
      ],
    })),
    { unbreakable: true, stack: [heading('Before anything'), { text: CAUTION }] },
  ];
}

/** For a student's pocket: large, what is done today, what to say to oneself, how one knows that one has it. */
function student(sheet: PlanSheet): Content[] {
  const lines = sheet.rows.filter(
    ({ strand, how, good }) => strand !== null && (how.length > 0 || good !== ''),
  );
  const once = lines.filter(({ title }, i) => lines.findIndex((one) => one.title === title) === i);
  return [
    ...head(sheet, 'for you'),
    ...(sheet.aim ? [{ text: sheet.aim, fontSize: 13, margin: [0, 6, 0, 6] } satisfies Content] : []),
    ...once.map((row): Content => ({
      unbreakable: true,
      margin: [0, 5, 0, 4],
      columns: [
        { width: 16, ...(bar(row.strand, 36) as object) } as Content,
        {
          stack: [
            {
              text: [{ text: row.title, bold: true }, ...(row.say ? [`  “${row.say}”`] : [])],
              fontSize: 13.5,
            },
            ...(row.good ? [{ text: row.good, margin: [0, 2, 0, 0] } satisfies Content] : []),
            ...(row.done ? [{ text: `You have it at ${row.done}.`, color: SOFT } satisfies Content] : []),
          ],
        },
      ],
    })),
    {
      unbreakable: true,
      stack: [
        heading('Bring and wear'),
        {
          text: 'A hat and glasses, always. Warm and dry layers, something to drink and to eat. Tell your instructor what he should know: a sore shoulder, cold hands, that you do not swim.',
        },
        heading('At home'),
        { text: 'Yarn instead of a hook. Look behind you. Nobody wades or fishes alone because of a card.' },
      ],
    },
  ];
}

function packing(sheet: PlanSheet): Content[] {
  return [
    ...head(sheet, 'packing list'),
    { text: sheet.facts.join(', '), color: SOFT, margin: [0, 2, 0, 4] },
    ...(sheet.pack.length === 0
      ? [{ text: 'No block of this plan asks for gear or a rig.', color: SOFT }]
      : []),
    ...sheet.pack.map(({ group, lines }): Content => ({
      stack: [
        heading(group.charAt(0).toUpperCase() + group.slice(1)),
        {
          layout: LINES,
          table: {
            dontBreakRows: true,
            widths: [12, 64, '*', 90],
            body: lines.map(({ amount, name, spares }): TableCell[] => [
              box(),
              { text: amount, bold: true, alignment: 'right' },
              name,
              { text: spares, color: SOFT, alignment: 'right' },
            ]),
          },
        },
      ],
    })),
    {
      text: `Counted for ${sheet.facts[1]}; spares by how often such a rig tangles.`,
      color: SOFT,
      fontSize: 9,
      margin: [0, 10, 0, 0],
    },
  ];
}

const KINDS: Record<PaperKind, { of: (sheet: PlanSheet) => Content[]; fontSize: number }> = {
  desk: { of: desk, fontSize: 9.5 },
  student: { of: student, fontSize: 10.6 },
  packing: { of: packing, fontSize: 10.5 },
};

/** A plan as a document to print, on either paper. */
export function planPaper(sheet: PlanSheet, kind: PaperKind, paper: Paper): TDocumentDefinitions {
  const { of, fontSize } = KINDS[kind];
  return {
    pageSize: paper,
    pageMargins: [MARGIN, 44, MARGIN, 48],
    info: { title: sheet.title, author: sheet.from },
    defaultStyle: { fontSize, lineHeight: 1.14, color: INK },
    footer: (page, pages) => ({
      margin: [MARGIN, 12],
      fontSize: 9,
      color: SOFT,
      columns: [{ text: sheet.from }, { text: pages > 1 ? `${page} of ${pages}` : '', alignment: 'right' }],
    }),
    // A heading is not left alone at the foot of a page.
    pageBreakBefore: (node, nodes) =>
      node.headlineLevel === 1 &&
      nodes.getFollowingNodesOnPage().length < LEAST_BELOW &&
      nodes.getNodesOnNextPage().length > 0,
    content: of(sheet),
  };
}
