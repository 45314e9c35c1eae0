import type { Type } from '@angular/core';
import { type BankEventBody, MISS_CAUSES, SAFETY_KINDS } from '@doceo/core';
import { MISS_WORDS, SAFETY_WORDS } from '../../data/lesson/event-text';
import { ChangeSheetComponent } from './change-sheet.component';
import { FishSheetComponent } from './fish-sheet.component';
import { LanesSheetComponent } from './lanes-sheet.component';
import { PassingSheetComponent } from './passing-sheet.component';
import { QuestionSheetComponent } from './question-sheet.component';
import { StonesSheetComponent } from './stones-sheet.component';
import { TemperatureSheetComponent } from './temperature-sheet.component';
import { TempoSheetComponent } from './tempo-sheet.component';
import { TriedSheetComponent } from './tried-sheet.component';

/** One tap of several, with a line of text where there is something to say. */
export interface Choice {
  hint?: string;
  /** What the line of text is for; none when left out. */
  asks?: string;
  options: { text: string; body: (text: string) => BankEventBody }[];
}

/** A sheet on which something seldom is logged: choices, or a part of its own. */
export interface LogSheet {
  title: string;
  /** Says whose it is. */
  named?: true;
  /** Has a button of its own on the log, and stands not under *More*. */
  first?: true;
  /** Stays open after a tap. */
  stays?: true;
  does: Choice | Type<unknown>;
}

/** Every sheet of the log, in the order of *More*. */
export const LOG_SHEETS = {
  fish: { title: 'Fish', named: true, first: true, does: FishSheetComponent },
  miss: {
    title: 'Take missed',
    first: true,
    does: {
      options: MISS_CAUSES.map((cause) => ({
        text: MISS_WORDS[cause],
        body: () => ({ kind: 'miss', cause }),
      })),
    },
  },
  passing: { title: 'Seen in passing', named: true, does: PassingSheetComponent },
  question: { title: 'Ask a question', named: true, does: QuestionSheetComponent },
  change: { title: 'Changed something', does: ChangeSheetComponent },
  tried: { title: 'Depth, retrieve, pattern', does: TriedSheetComponent },
  lanes: { title: 'Lanes of the pool', stays: true, does: LanesSheetComponent },
  temperature: { title: 'Thermometer', does: TemperatureSheetComponent },
  stones: { title: 'Under the stones', does: StonesSheetComponent },
  safety: {
    title: 'Safety',
    does: {
      hint: 'See to the person first. Local rules and trained help come before any log.',
      asks: 'what happened',
      options: SAFETY_KINDS.map((what) => ({
        text: SAFETY_WORDS[what],
        body: (text) => ({ kind: 'safety', what, text }),
      })),
    },
  },
  tempo: { title: 'Beat of the cast', does: TempoSheetComponent },
} satisfies Record<string, LogSheet>;

export type LogSheetId = keyof typeof LOG_SHEETS;

export function logSheet(id: LogSheetId): LogSheet {
  return LOG_SHEETS[id];
}
