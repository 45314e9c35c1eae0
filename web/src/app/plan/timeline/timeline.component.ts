import { NgTemplateOutlet } from '@angular/common';
import {
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
  type TemplateRef,
  viewChild,
} from '@angular/core';
import {
  type Block,
  clockTime,
  endOf,
  type OrderRow,
  type PlanBody,
  type PlanEdit,
  type Overrun,
  planChanges,
  planEnd,
  STEP_MIN,
  curriculumOf,
} from '@doceo/core';
import { type Drag, DragDirective } from '../../drawing/drag.directive';
import { narrowWindow } from '../../parts/narrow';
import { oneTaskLater } from '../../parts/one-task-later';
import { bandOf, type Ghost, ghostsOf, type HumpBand } from './preview-shapes';
import { dragEdit, type Hold } from './block-drag';
import { keyEdit } from './block-keys';
import { endText } from './end-text';
import { type Lane, shortName } from './lanes';
import { drawnLine, type OrderLine } from './order-line';
import { layOut, ROW_PX } from './order-layout';
import { STAFF_PX, staffColumns, staffSpoken } from './staff-shapes';
import { clipPath, polygonPoints, slantedBlocks } from './slants';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Width of a student's lane, pixels: of all of them, of the widest and of the narrowest; on a phone each has the last. */
const LANES_PX = 188;
const WIDEST_PX = 52;
const NARROWEST_PX = 24;
/** Width of the lines that lead from blocks to their line, pixels. */
const FAN_PX = 30;
/** The same while a proposal is shown: what was there before stands beside the lanes. */
const PREVIEW_FAN_PX = 46;
/** Above the lanes a drill that is dragged is for everybody, pixels. */
const HEAD_PX = 46;

/** How far a block's picture may reach over its own box, pixels: the slant of the block before. */
const OVER_PX = 40;

/**
 * A plan as its day: time runs down, each student is a thin lane, and beside the lanes the running order can be read, each
 * line led from its block. Blocks are dragged, lines are worked by keys.
 */
@Component({
  selector: 'doceo-timeline',
  imports: [DragDirective, NgTemplateOutlet],
  templateUrl: './timeline.component.html',
  styleUrls: ['./timeline.component.css', './timeline-blocks.css', './timeline-order.css'],
  host: { '[style.--lanes]': "lanesPx() + fanPx() + 'px'", '[style.--staff]': "staffPx() + 'px'" },
})
export class TimelineComponent {
  private readonly teaching = inject(TeachingStore);
  readonly plan = input.required<PlanBody>();
  readonly lanes = input.required<Lane[]>();
  /** Start of the lesson, or null for a plan without a day: minutes are shown then. */
  readonly startMs = input<number | null>(null);
  readonly timeZone = input('UTC');
  readonly sun = input<{ sunriseMs: number | null; sunsetMs: number | null } | null>(null);
  readonly selectedId = input<string | null>(null);
  readonly flagged = input<ReadonlySet<string>>(new Set());
  readonly editable = input(true);
  /** The plan as it was, while a proposal is shown over it. */
  readonly before = input<PlanBody | null>(null);
  /** Of its blocks that go why, once it is known. */
  readonly whyGone = input<ReadonlyMap<string, string> | null>(null);
  /** When it ends if each block takes as long as it takes; null where nothing is in it. */
  readonly overrun = input<Overrun | null>(null);
  /** Blocks that differ from how they were in more than their time, as in their words. */
  readonly touched = input<ReadonlySet<string>>(new Set());
  /** What is settled below the line of a block, and how much room that needs, pixels. */
  readonly island = input<TemplateRef<{ $implicit: string }> | null>(null);
  readonly islandsPx = input<ReadonlyMap<string, number>>(new Map());
  /** Blocks that would be cut first. */
  readonly cut = input<readonly string[] | null>(null);

  readonly edited = output<PlanEdit>();
  /** An edit while it is dragged; null when it is dropped or cancelled. */
  readonly previewed = output<PlanEdit | null>();
  readonly selected = output<string | null>();
  /** The blocks of a line are to be put elsewhere too. */
  readonly copied = output<readonly Block[]>();

  private readonly track = viewChild.required<ElementRef<HTMLElement>>('track');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly narrow = narrowWindow();
  private hold: Hold | null = null;
  protected readonly overPx = OVER_PX;
  protected readonly held = signal<string | null>(null);
  protected readonly fanPx = computed(() => (this.before() ? PREVIEW_FAN_PX : FAN_PX));

  protected readonly totalMin = computed(() =>
    Math.max(this.plan().lengthMin, planEnd(this.plan()), this.overrun()?.latestMin ?? 0, 60),
  );
  /** What becomes of each line; all are the same while no proposal is shown. */
  private readonly changes = computed(() => planChanges(this.before() ?? this.plan(), this.plan()));
  private readonly order = computed(() => this.changes().rows.map(({ row }) => row));
  /** The lines with those that go among them. */
  private readonly lines = computed<OrderLine[]>(() =>
    [
      ...this.changes().rows.map(({ row, change }) => ({ row, change, gone: false })),
      ...this.changes().gone.map((row) => ({ row, change: { kind: 'same' as const }, gone: true })),
    ].sort((a, b) => a.row.blocks[0].startMin - b.row.blocks[0].startMin),
  );
  private readonly layout = computed(() =>
    layOut(
      this.lines().map(({ row }) => row.blocks[0].startMin),
      this.totalMin(),
      Math.min(...this.plan().blocks.map(({ durationMin }) => durationMin), this.totalMin()),
      this.lines().map(({ row, gone }) =>
        (gone ? [] : row.blocks).reduce((sum, { id }) => sum + (this.islandsPx().get(id) ?? 0), 0),
      ),
    ),
  );
  protected readonly heightPx = computed(() => this.layout().heightPx);
  protected readonly lanePx = computed(() =>
    this.narrow()
      ? NARROWEST_PX
      : Math.min(WIDEST_PX, Math.max(NARROWEST_PX, LANES_PX / this.lanes().length)),
  );
  protected readonly lanesPx = computed(() => this.lanePx() * this.lanes().length);
  /** Lanes too narrow for a name have its first letters. */
  protected readonly heads = computed(() =>
    this.lanes().map(({ name, note }) => ({
      name,
      note,
      short: this.lanePx() < 40 ? shortName(name) : name.replace(/^Student /, ''),
    })),
  );
  protected readonly ticks = computed(() => {
    const total = this.totalMin();
    const step = total > 300 ? 60 : 30;
    return Array.from({ length: Math.floor(total / step) + 1 }, (_, i) => i * step)
      .filter((minute) => minute !== this.plan().lengthMin)
      .map((minute) => ({ top: this.px(minute), text: this.tickText(minute) }));
  });
  protected readonly rows = computed(() =>
    this.lines().map((line, i) => this.toRow(line, this.layout().rowTops[i] ?? 0)),
  );
  private readonly rowsBehind = oneTaskLater(this.rows);
  /** The lines to be read. While proposals come they follow the picture: together they would hold the page up. */
  protected readonly listed = computed(() =>
    this.before() ? (this.rowsBehind() ?? this.rows()) : this.rows(),
  );
  private readonly scale = computed(() => ({
    lanes: this.lanes().length,
    lanePx: this.lanePx(),
    pxPerMin: this.layout().pxPerMin,
  }));
  private readonly shapes = computed(() => slantedBlocks(this.own(), this.plan().blocks, this.scale()));
  protected readonly boxes = computed(() =>
    this.rows()
      .filter(({ gone }) => !gone)
      .flatMap(({ row, strandClass, selected, tag }) =>
        row.blocks.map((block) => ({
          ...this.toBox(block, row, strandClass),
          selected,
          changed: tag !== '',
        })),
      ),
  );
  /** What was there before, beside the lanes, and where it went. */
  protected readonly ghosts = computed<Ghost[]>(() => {
    const before = this.before();
    return before ? ghostsOf(before, this.changes(), this.layout().pxPerMin) : [];
  });
  /** Who has which group when, where more than one teaches. */
  protected readonly staff = computed(() =>
    staffColumns(this.plan(), this.own(), this.layout().pxPerMin, this.selectedId()),
  );
  protected readonly staffPx = computed(() => this.staff().length * STAFF_PX);
  protected readonly staffText = computed(() => staffSpoken(this.staff()));
  protected readonly band = computed<HumpBand | null>(() => {
    const overrun = this.overrun();
    return overrun && bandOf(overrun, this.layout().pxPerMin);
  });
  protected readonly end = computed(() => {
    const { lengthMin } = this.plan();
    const over = planEnd(this.plan()) - lengthMin;
    const overrun = this.overrun();
    return {
      top: this.px(lengthMin),
      text: overrun
        ? endText(overrun, { lengthMin, cutFirst: this.cutFirst() }, (minutes) => this.tickText(minutes))
        : `${this.tickText(lengthMin)} the lesson ends${over > 0 ? `, the blocks ${over} min later` : ''}`,
      over: over > 0 || (overrun?.late ?? 0) > 0.5,
    };
  });
  /** Number of the block that is cut first; null where none is. */
  private readonly cutFirst = computed(() => {
    const cut = this.cut();
    const first = cut && this.order().find(({ blocks }) => blocks.some(({ id }) => cut.includes(id)));
    return first?.number ?? null;
  });
  protected readonly night = computed(() => {
    const start = this.startMs();
    const sun = this.sun();
    if (start === null || !sun) return [];
    const minute = (ms: number | null, otherwise: number): number =>
      ms === null ? otherwise : Math.min(this.totalMin(), Math.max(0, (ms - start) / 60_000));
    const rise = minute(sun.sunriseMs, 0);
    const set = minute(sun.sunsetMs, this.totalMin());
    return [
      { top: 0, height: this.px(rise) },
      { top: this.px(set), height: this.px(this.totalMin() - set) },
    ].filter(({ height }) => height > 1);
  });

  /** Where a pointer is: minute and lane, `lane` null above the lanes and on the running order; null when outside. */
  positionAt(x: number, y: number): { startMin: number; lane: number | null } | null {
    const area = this.track().nativeElement.getBoundingClientRect();
    const { right } = this.host.getBoundingClientRect();
    if (x < area.left || x > right || y < area.top - HEAD_PX || y > area.bottom) return null;
    const minute = Math.max(0, y - area.top) / this.layout().pxPerMin;
    const lane = Math.floor((x - area.left) / this.lanePx());
    return {
      startMin: Math.round(minute / STEP_MIN) * STEP_MIN,
      lane: y < area.top || lane >= this.lanes().length ? null : lane,
    };
  }

  focusBlock(id: string): void {
    setTimeout(() => this.host.querySelector<HTMLElement>(`[data-row~="${id}"]`)?.focus());
  }

  protected drag(block: Block, what: Hold['what'], drag: Drag): void {
    if (!this.editable()) return;
    if (drag.phase === 'start') {
      this.hold = { block, what };
      this.held.set(block.id);
      this.selected.emit(block.id);
    }
    if (!this.hold) return;
    const edit = dragEdit(this.hold, drag, this.scale());
    if (drag.phase === 'move') return this.previewed.emit(edit);
    if (drag.phase === 'start') return;
    this.hold = null;
    this.held.set(null);
    this.previewed.emit(null);
    if (drag.phase === 'end') this.edited.emit(edit);
  }

  protected key(event: KeyboardEvent, { blocks }: OrderRow): void {
    if ((event.ctrlKey || event.metaKey) && event.key === 'c') return this.copied.emit(blocks);
    if (!this.editable()) return;
    // What is done alike by several follows as one.
    const follows = event.altKey && event.shiftKey;
    const edits = (follows ? blocks.slice(0, 1) : blocks).flatMap(
      (block) => keyEdit(event, block, this.lanes().length) ?? [],
    );
    const [edit] = edits;
    if (!edit) return;
    event.preventDefault();
    event.stopPropagation();
    const next = edit.kind === 'remove' ? this.neighbour(blocks[0]) : blocks[0].id;
    this.edited.emit(edits.length === 1 ? edit : { kind: 'all', edits });
    if (edit.kind === 'remove') this.selected.emit(null);
    if (next) this.focusBlock(next);
  }

  /** Where one goes on when a line is removed: the line after it, else the one before. */
  private neighbour(block: Block): string | null {
    const rows = this.order();
    const at = rows.findIndex(({ blocks }) => blocks.includes(block));
    return (rows[at + 1] ?? rows[at - 1])?.blocks[0].id ?? null;
  }

  private readonly own = computed(() => curriculumOf(this.teaching.curriculum(), this.plan()));

  private toRow(line: OrderLine, top: number) {
    const drawn = drawnLine(line, {
      ...{ curriculum: this.own(), plan: this.plan(), lanes: this.lanes(), selectedId: this.selectedId() },
      ...{ flagged: this.flagged(), touched: this.touched(), islands: this.islandsPx() },
      ...{ whyGone: this.whyGone(), short: this.narrow() && this.before() !== null },
      clock: (minutes) => this.tickText(minutes),
    });
    const startPx = this.px(line.row.blocks[0].startMin) + 9;
    // From the middle of the block's edge to the middle of the line's mark.
    const fan = `M0 ${startPx}L${this.fanPx() - FAN_PX * 0.65} ${startPx}L${this.fanPx()} ${top + ROW_PX / 2 - 8}`;
    return { ...drawn, top, fan };
  }

  private toBox(block: Block, row: OrderRow, strandClass: string) {
    const left = (block.lane ?? 0) * this.lanePx();
    const shape = this.shapes().get(block.id) ?? { points: [] };
    return {
      block,
      number: row.number,
      clip: clipPath(shape, left, this.px(block.startMin) - OVER_PX),
      outline: polygonPoints(shape),
      left,
      width: (block.lane === null ? this.lanes().length : 1) * this.lanePx(),
      top: this.px(block.startMin),
      height: this.px(endOf(block)) - this.px(block.startMin),
      strandClass,
    };
  }

  private px(minutes: number): number {
    return Math.round(minutes * this.layout().pxPerMin * 10) / 10;
  }

  private tickText(minutes: number): string {
    const start = this.startMs();
    if (start !== null) return clockTime(start + minutes * 60_000, this.timeZone());
    return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
  }
}
