import type { Carried, PlanBody, PlanRig } from '../plan';
import type { Fitting, Fly, Rig, Section } from '../rig';
import { isSame, type SharedPlan } from './canonical';

/**
 * A plan taken apart into the smallest things that are compared and merged, each under its path: `aim`,
 * `blocks/<id>/cue`, `rigs/<id>/sections/<id>/lengthM`. What has an id has a cell of its own that says that it is there.
 */
export type Cells = Map<string, unknown>;

/** What a cell holds that only says that something is there. */
export const THERE = true;

/** The fields of a plan that are of the whole plan. */
export const FACTS = [
  'title',
  'aim',
  'level',
  'groupSize',
  'season',
  'waterKind',
  'lengthMin',
  'staff',
] as const;
export type PlanFact = (typeof FACTS)[number];

export const CARRIED_LISTS = ['skills', 'faults', 'drills'] as const satisfies readonly (keyof Carried)[];
const RIG_LISTS = ['sections', 'fittings', 'flies'] as const;
type RigList = (typeof RIG_LISTS)[number];
type RigPart = Section | Fitting | Fly;

/** A path from names, outermost first; names hold no slash. */
export function pathOf(...names: string[]): string {
  return names.join('/');
}

/** Things with an id, of which a part can come or go as a whole: a block, a rig, what is carried. */
export function entityOf(path: string): string | null {
  const kindEnds = path.indexOf('/');
  if (kindEnds < 0) return null;
  const idEnds = path.startsWith('carries/') ? -1 : path.indexOf('/', kindEnds + 1);
  return idEnds < 0 ? path : path.slice(0, idEnds);
}

/** @param isWhole rigs that are one cell: parts of rigs with other parts cannot be put together one by one */
export function cellsOf(
  { title, body }: SharedPlan,
  isWhole: (rigId: string) => boolean = () => false,
): Cells {
  const cells: Cells = new Map();
  const facts = { ...body, title };
  for (const fact of FACTS) put(cells, fact, facts[fact]);
  for (const { id, ...fields } of body.blocks) {
    cells.set(pathOf('blocks', id), THERE);
    for (const [field, value] of Object.entries(fields)) put(cells, pathOf('blocks', id, field), value);
  }
  for (const carried of body.rigs) putRig(cells, carried, isWhole(carried.id));
  put(cells, 'planB', body.planB);
  if (body.carries) cells.set('carries', THERE);
  for (const list of CARRIED_LISTS)
    for (const one of body.carries?.[list] ?? []) cells.set(pathOf('carries', list, one.id), one);
  return cells;
}

function putRig(cells: Cells, { id, name, rig }: PlanRig, whole: boolean): void {
  cells.set(pathOf('rigs', id), THERE);
  cells.set(pathOf('rigs', id, 'name'), name);
  if (whole) {
    cells.set(pathOf('rigs', id, 'rig'), rig);
    return;
  }
  for (const [field, value] of Object.entries(rig)) {
    if (!isRigList(field)) put(cells, pathOf('rigs', id, field), value);
    else {
      const parts: readonly RigPart[] = rig[field];
      cells.set(
        pathOf('rigs', id, field),
        parts.map((part) => part.id),
      );
      for (const { id: partId, ...fields } of parts)
        for (const [name_, of] of Object.entries(fields))
          put(cells, pathOf('rigs', id, field, partId, name_), of);
    }
  }
}

/** Whether two plans that were taken apart alike are the same, in whatever order their things lie. */
export function isSameCells(a: Cells, b: Cells): boolean {
  return a.size === b.size && [...a].every(([path, value]) => b.has(path) && isSame(value, b.get(path)));
}

/** The plan that such cells are of. Blocks and rigs come in the order of their cells. */
export function planOf(cells: Cells): SharedPlan {
  const { own: facts, under } = grouped(cells);
  const { title, planB, ...rest } = facts;
  const body: Record<string, unknown> = {
    ...rest,
    blocks: [...(under['blocks'] ?? new Map<string, Cells>())].map(([id, own]) => ({
      id,
      ...Object.fromEntries(own),
    })),
    rigs: [...(under['rigs'] ?? new Map<string, Cells>())].map(([id, own]) => rigOf(id, own)),
  };
  if (planB !== undefined) body['planB'] = planB;
  if (cells.has('carries'))
    body['carries'] = Object.fromEntries(
      CARRIED_LISTS.map((list) => [
        list,
        [...cells].filter(([path]) => path.startsWith(`carries/${list}/`)).map(([, one]) => one),
      ]),
    );
  return { title: title as string, body: body as unknown as PlanBody };
}

/** Cells of the whole plan by name, and those of blocks and rigs by their id, without that they are there. */
function grouped(cells: Cells): { own: Record<string, unknown>; under: Record<string, Map<string, Cells>> } {
  const own: Record<string, unknown> = {};
  const under: Record<string, Map<string, Cells>> = {};
  for (const [path, value] of cells) {
    const [kind, id, ...names] = path.split('/') as [string, string?, ...string[]];
    if (kind === 'carries') continue;
    if (id === undefined) own[kind] = value;
    else {
      const things = (under[kind] ??= new Map<string, Cells>());
      const thing = things.get(id) ?? new Map<string, unknown>();
      things.set(id, thing);
      if (names.length > 0) thing.set(pathOf(...names), value);
    }
  }
  return { own, under };
}

function rigOf(id: string, cells: Cells): PlanRig {
  const name = cells.get('name') as string;
  const whole = cells.get('rig') as Rig | undefined;
  if (whole) return { id, name, rig: whole };
  const rig: Record<string, unknown> = {};
  for (const [path, value] of cells) {
    const [field, partId] = path.split('/') as [string, string?];
    if (field === 'name' || partId !== undefined) continue;
    rig[field] = isRigList(field)
      ? (value as string[]).map((part) => ({ id: part, ...under(cells, pathOf(field, part)) }))
      : value;
  }
  return { id, name, rig: rig as unknown as Rig };
}

function under(cells: Cells, path: string): Record<string, unknown> {
  const found: Record<string, unknown> = {};
  for (const [at, value] of cells) if (at.startsWith(`${path}/`)) found[at.slice(path.length + 1)] = value;
  return found;
}

/** Whether two rigs have the same parts in the same order, whatever the parts are. */
export function hasSameParts(a: Rig, b: Rig): boolean {
  return RIG_LISTS.every((list) => {
    const [own, other]: (readonly RigPart[])[] = [a[list], b[list]];
    return own!.length === other!.length && own!.every(({ id }, i) => other![i]!.id === id);
  });
}

function isRigList(field: string): field is RigList {
  return (RIG_LISTS as readonly string[]).includes(field);
}

function put(cells: Cells, path: string, value: unknown): void {
  if (value !== undefined) cells.set(path, value);
}
