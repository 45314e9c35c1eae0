import { Component, computed, ElementRef, inject, input, output, signal, viewChild } from '@angular/core';
import {
  type Block,
  clockTime,
  endOf,
  type PlanBody,
  type PlanEdit,
  planEnd,
  STEP_MIN,
  strandOf,
} from '@doceo/core';
import { type Drag, DragDirective } from '../../drawing/drag.directive';

/** Height of one lane, pixels; the style sheet has the same. */
const LANE_PX = 66;

export interface Lane {
  name: string;
  note: string;
}

interface Hold {
  block: Block;
  what: 'move' | 'resize';
}

/** The blocks of a plan along time, a lane for each place in the group. Edits by drag and by keys. */
@Component({
  selector: 'doceo-timeline',
  imports: [DragDirective],
  templateUrl: './timeline.component.html',
  styleUrl: './timeline.component.css',
})
export class TimelineComponent {
  readonly plan = input.required<PlanBody>();
  readonly lanes = input.required<Lane[]>();
  /** Start of the lesson, or null for a plan without a day: minutes are shown then. */
  readonly startMs = input<number | null>(null);
  readonly timeZone = input('UTC');
  readonly sun = input<{ sunriseMs: number | null; sunsetMs: number | null } | null>(null);
  readonly selectedId = input<string | null>(null);
  readonly flagged = input<ReadonlySet<string>>(new Set());
  readonly editable = input(true);

  readonly edited = output<PlanEdit>();
  /** An edit while it is dragged; null when it is dropped or cancelled. */
  readonly previewed = output<PlanEdit | null>();
  readonly selected = output<string | null>();

  private readonly track = viewChild.required<ElementRef<HTMLElement>>('track');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private hold: Hold | null = null;
  protected readonly held = signal<string | null>(null);

  protected readonly totalMin = computed(() => Math.max(this.plan().lengthMin, planEnd(this.plan()), 60));
  protected readonly heightPx = computed(() => this.lanes().length * LANE_PX);
  protected readonly ticks = computed(() => {
    const total = this.totalMin();
    const step = total > 300 ? 60 : 30;
    return Array.from({ length: Math.floor(total / step) + 1 }, (_, i) => ({
      left: this.percent(i * step),
      text: this.tickText(i * step),
    }));
  });
  protected readonly boxes = computed(() => this.plan().blocks.map((block) => this.toBox(block)));
  protected readonly night = computed(() => {
    const start = this.startMs();
    const sun = this.sun();
    if (start === null || !sun) return [];
    const minute = (ms: number | null, otherwise: number): number =>
      ms === null ? otherwise : Math.min(this.totalMin(), Math.max(0, (ms - start) / 60_000));
    const rise = minute(sun.sunriseMs, 0);
    const set = minute(sun.sunsetMs, this.totalMin());
    return [
      { left: 0, width: this.percent(rise) },
      { left: this.percent(set), width: 100 - this.percent(set) },
    ].filter(({ width }) => width > 0.2);
  });

  /** Where a pointer is: minute and lane, `lane` null on the hours above the lanes; null when outside. */
  positionAt(x: number, y: number): { startMin: number; lane: number | null } | null {
    const area = this.track().nativeElement.getBoundingClientRect();
    if (x < area.left || x > area.right || y < area.top - 46 || y > area.bottom) return null;
    const minute = ((x - area.left) / area.width) * this.totalMin();
    return {
      startMin: Math.round(minute / STEP_MIN) * STEP_MIN,
      lane: y < area.top ? null : Math.min(this.lanes().length - 1, Math.floor((y - area.top) / LANE_PX)),
    };
  }

  focusBlock(id: string): void {
    setTimeout(() => this.host.querySelector<HTMLElement>(`[data-block="${id}"]`)?.focus());
  }

  protected drag(block: Block, what: Hold['what'], drag: Drag): void {
    if (!this.editable()) return;
    if (drag.phase === 'start') {
      this.hold = { block, what };
      this.held.set(block.id);
      this.selected.emit(block.id);
    }
    if (!this.hold) return;
    const edit = this.editOf(this.hold, drag);
    if (drag.phase === 'move') return this.previewed.emit(edit);
    if (drag.phase === 'start') return;
    this.hold = null;
    this.held.set(null);
    this.previewed.emit(null);
    if (drag.phase === 'end') this.edited.emit(edit);
  }

  protected key(event: KeyboardEvent, block: Block): void {
    if (!this.editable()) return;
    const edit = this.keyEdit(event, block);
    if (!edit) return;
    event.preventDefault();
    event.stopPropagation();
    this.edited.emit(edit);
    if (edit.kind === 'remove') this.selected.emit(null);
    else this.focusBlock(block.id);
  }

  private keyEdit(event: KeyboardEvent, block: Block): PlanEdit | null {
    const blockId = block.id;
    const sideways = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (event.ctrlKey || event.metaKey) return null;
    if (event.key === 'Delete' || event.key === 'Backspace') return { kind: 'remove', blockId };
    if (sideways !== 0 && event.altKey) return { kind: 'reorder', blockId, direction: sideways };
    if (sideways !== 0 && event.shiftKey)
      return { kind: 'resize', blockId, durationMin: block.durationMin + sideways * STEP_MIN };
    if (sideways !== 0)
      return { kind: 'move', blockId, startMin: block.startMin + sideways * STEP_MIN, lane: block.lane };
    if (event.key === 'ArrowDown')
      return {
        kind: 'move',
        blockId,
        startMin: block.startMin,
        lane: block.lane === null ? 0 : block.lane + 1 < this.lanes().length ? block.lane + 1 : null,
      };
    if (event.key === 'ArrowUp')
      return {
        kind: 'move',
        blockId,
        startMin: block.startMin,
        lane: block.lane === null ? this.lanes().length - 1 : block.lane > 0 ? block.lane - 1 : null,
      };
    return null;
  }

  private editOf({ block, what }: Hold, drag: Drag): PlanEdit {
    const minutes = (drag.dx / this.track().nativeElement.clientWidth) * this.totalMin();
    if (what === 'resize')
      return {
        kind: 'resize',
        blockId: block.id,
        durationMin: Math.max(STEP_MIN, block.durationMin + minutes),
      };
    const lane =
      block.lane === null
        ? null
        : Math.min(this.lanes().length - 1, Math.max(0, block.lane + Math.round(drag.dy / LANE_PX)));
    return { kind: 'move', blockId: block.id, startMin: block.startMin + minutes, lane };
  }

  private toBox(block: Block) {
    const strand = strandOf(block);
    const inner = block.lane ?? 0;
    return {
      block,
      left: this.percent(block.startMin),
      width: this.percent(block.durationMin),
      top: inner * LANE_PX,
      height: (block.lane === null ? this.lanes().length : 1) * LANE_PX - 4,
      strandClass: strand ? `strand-fill strand-${strand}` : 'rest',
      sub: [
        block.place === 'anywhere' ? '' : block.place,
        this.plan().rigs.find(({ id }) => id === block.rigId)?.name ?? '',
      ]
        .filter(Boolean)
        .join(', '),
      time: `${this.tickText(block.startMin)}–${this.tickText(endOf(block))}`,
      spoken: [
        this.tickText(block.startMin),
        `${block.durationMin} minutes`,
        block.lane === null ? 'everybody' : (this.lanes()[block.lane]?.name ?? ''),
        strand ?? '',
      ]
        .filter(Boolean)
        .join(', '),
    };
  }

  private percent(minutes: number): number {
    return (minutes / this.totalMin()) * 100;
  }

  private tickText(minutes: number): string {
    const start = this.startMs();
    if (start !== null) return clockTime(start + minutes * 60_000, this.timeZone());
    return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
  }
}
