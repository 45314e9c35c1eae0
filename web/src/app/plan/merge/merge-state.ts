import { computed, linkedSignal, type Signal } from '@angular/core';
import type { Incoming } from '@doceo/contract';
import {
  comingParts,
  type MergeChoices,
  mergePlans,
  type MergeQuestion,
  mergeQuestions,
  type MergeSide,
  planEnd,
  type PlanDifference,
  rowKey,
  runningOrder,
  type SharedPlan,
  type UnitSystem,
} from '@doceo/core';
import { planDifferenceInWords, planPathText, planValueText } from '@doceo/texts';

/** In the order in which they are offered. */
const SIDES: readonly MergeSide[] = ['mine', 'theirs', 'origin'];

/** One of the ways in which something that both changed can be settled. */
export interface MergeOption {
  side: MergeSide;
  text: string;
  /** How long the block takes then, where that is what both changed, minutes. */
  minutes: number | null;
  /** When the blocks end then, minutes from the start of the lesson. */
  endMin: number;
}

/** Something that waits for a choice. */
export interface Question {
  key: string;
  what: string;
  /** The block it is settled at; null for what is of the whole plan. */
  blockId: string | null;
  options: MergeOption[];
  chosen: MergeSide | null;
}

/** Something that comes, and may be left out. */
export interface Part {
  paths: string[];
  blockId: string | null;
  lines: { what: string; before: string; after: string }[];
  taken: boolean;
}

/** What is put together of mine and what comes, as it is chosen so far. */
export function mergeState(incoming: Signal<Incoming | null>, units: Signal<UnitSystem>) {
  const sides = computed<Record<MergeSide, SharedPlan> | null>(() => {
    const one = incoming();
    if (!one) return null;
    const mine = { title: one.plan.title, body: one.plan.body };
    return { mine, origin: one.base ?? mine, theirs: one.theirs };
  });
  const coming = computed(() => {
    const all = sides();
    return all ? comingParts(all.origin, all.mine, all.theirs) : [];
  });
  const choices = linkedSignal<MergeChoices>(() => {
    // Where nobody knows what both come from, all of it stays out until it is wanted.
    if (!incoming() || incoming()?.base) return {};
    return Object.fromEntries(coming().map(({ path }) => [path, 'mine'] as const));
  });
  const asked = computed<MergeQuestion[]>(() => {
    const all = sides();
    if (!all) return [];
    const { plan, conflicts } = mergePlans(all.origin, all.mine, all.theirs);
    const rows = new Map(
      runningOrder(plan.body).flatMap((row) => row.blocks.map(({ id }) => [id, rowKey(row)] as const)),
    );
    return mergeQuestions(conflicts, (id) => rows.get(id) ?? id);
  });
  const choose = (paths: readonly string[], side: MergeSide | null): void =>
    choices.update((before) => {
      const rest = Object.entries(before).filter(([path]) => !paths.includes(path));
      return Object.fromEntries([...rest, ...(side ? paths.map((path) => [path, side] as const) : [])]);
    });
  const endWith = (paths: readonly string[], side: MergeSide): number => {
    const all = sides();
    const chosen = { ...choices(), ...Object.fromEntries(paths.map((path) => [path, side])) };
    return all ? planEnd(mergePlans(all.origin, all.mine, all.theirs, chosen).plan.body) : 0;
  };
  const questions = computed<Question[]>(() => {
    const all = sides();
    if (!all) return [];
    const plans = [all.origin, all.mine, all.theirs];
    return asked().map((one) => {
      const [path] = one.paths as [string];
      const [kind, id, field] = path.split('/');
      return {
        ...{ key: path, what: planPathText(path, plans), blockId: kind === 'blocks' ? (id ?? null) : null },
        chosen: choices()[path] ?? null,
        options: SIDES.map((side) => ({
          side,
          text: planValueText(path, one[side], all[side], units()),
          minutes: field === 'durationMin' ? Number(one[side]) : null,
          endMin: endWith(one.paths, side),
        })),
      };
    });
  });
  return {
    /** As it is chosen so far; what still waits is as it is in mine. */
    plan: computed(() => {
      const all = sides();
      if (!all) return null;
      const waiting = asked().flatMap(({ paths }) => paths.filter((path) => !choices()[path]));
      const chosen = { ...choices(), ...Object.fromEntries(waiting.map((path) => [path, 'mine'] as const)) };
      return mergePlans(all.origin, all.mine, all.theirs, chosen).plan;
    }),
    questions,
    open: computed(() => questions().filter(({ chosen }) => chosen === null).length),
    parts: computed<Part[]>(() => {
      const all = sides();
      if (!all) return [];
      const settled = new Set(asked().flatMap(({ paths }) => paths));
      const parts: Part[] = [];
      for (const one of coming()) {
        const rest = withoutAsked(one, settled);
        if (!rest) continue;
        const lines = planDifferenceInWords(rest, all.mine, all.theirs, units());
        // What several students do alike is one line.
        const like = parts.find((part) => one.of === 'block' && isSameText(part.lines, lines));
        if (like) like.paths.push(one.path);
        else
          parts.push({
            ...{ paths: [one.path], blockId: one.of === 'block' ? one.block.id : null, lines },
            taken: choices()[one.path] !== 'mine',
          });
      }
      return parts;
    }),
    choices,
    settle: (key: string, side: MergeSide): void => {
      const question = asked().find(({ paths }) => paths[0] === key);
      if (question) choose(question.paths, side);
    },
    take: ({ paths }: Part, taken: boolean): void => choose(paths, taken ? null : 'mine'),
    /** Everything from one side. */
    all: (side: 'mine' | 'theirs'): void => {
      const paths = asked().flatMap((one) => one.paths);
      const left = side === 'mine' ? coming().map(({ path }) => path) : [];
      choices.set(Object.fromEntries([...paths, ...left].map((path) => [path, side])));
    },
  };
}

/** What is left of a part besides what is asked; null where nothing is. */
function withoutAsked(part: PlanDifference, asked: ReadonlySet<string>): PlanDifference | null {
  if (asked.has(part.path)) return null;
  if (part.of !== 'block' && part.of !== 'rig') return part;
  const fields = part.fields.filter(({ field }) => !asked.has(`${part.path}/${field}`));
  const isMore = part.change === 'comes' || part.change === 'goes' || fields.length > 0;
  if (part.of === 'rig') return isMore ? { ...part, fields } : null;
  const byMin = part.change === 'moves' && !asked.has(`${part.path}/startMin`) ? part.byMin : 0;
  return isMore || byMin !== 0 ? { ...part, fields, byMin } : null;
}

function isSameText(a: readonly object[], b: readonly object[]): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
