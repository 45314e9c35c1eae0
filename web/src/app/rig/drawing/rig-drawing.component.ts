import { Component, computed, ElementRef, inject, input, linkedSignal, output, signal } from '@angular/core';
import {
  formatBead,
  formatLength,
  formatMass,
  formatTippet,
  knotShare,
  METRES_PER_INCH,
  type Rig,
  type UnitSystem,
} from '@doceo/core';
import { KNOT_NAMES, MATERIAL_NAMES, RIG_TEMPLATE_WORDS } from '@doceo/texts';
import type { Drag } from '../../drawing/drag.directive';
import { HandleComponent } from '../../drawing/handle.component';
import { type Handle, handlesOf, mostOf, pulledTo, snapped, snapStep, withValue } from './rig-drag';
import { drawable, drawRig, type RigDrawing } from './rig-drawing';
import { LINE_BELOW_PX, lineEndX, type RigLabel } from './rig-labels';
import { RigPictureComponent } from './rig-picture.component';

const WIDTH = 430;
const HEIGHT = 764;

/** Screens show about this many pixels in a centimetre; for the scale in words. */
const PIXELS_PER_CM = 37.8;

/** Which way a key takes a handle: up and out is more. */
const WAYS: Record<string, 1 | -1> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };

/** The rig to scale under the surface of the water. Indicator, shot, flies and knots move by drag or arrow keys. */
@Component({
  selector: 'doceo-rig-drawing',
  imports: [HandleComponent, RigPictureComponent],
  templateUrl: './rig-drawing.component.html',
  styleUrl: './rig-drawing.component.css',
})
export class RigDrawingComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  readonly editable = input(true);
  readonly selectedId = input<string | null>(null);
  /** Drawn to one scale with this one. */
  readonly beside = input<Rig | null>(null);
  readonly previewed = output<Rig | null>();
  readonly edited = output<Rig>();
  readonly selected = output<string>();

  protected readonly size = { width: WIDTH, height: HEIGHT };
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The rig with the keys pressed since it was last drawn: a held key is faster than the screen. */
  private readonly latest = linkedSignal(() => this.rig());
  /** What is under the hand, as it was when it was taken. */
  private readonly held = signal<{
    rig: Rig;
    drawing: RigDrawing;
    handle: Handle;
    perPixel: number;
  } | null>(null);

  protected readonly drawing = computed(() =>
    drawable(this.rig())
      ? drawRig(
          this.rig(),
          { ...this.size, mostScale: this.scaleBeside(), system: this.system() },
          this.shownTexts(),
          this.held()?.drawing.frame ?? null,
        )
      : null,
  );
  /** The scale that the rig beside it has by itself. */
  private readonly scaleBeside = computed(() => {
    const other = this.beside();
    return other && drawable(other)
      ? drawRig(other, this.size, this.textsOf(other)).scale
      : Number.POSITIVE_INFINITY;
  });
  /** Under the hand only what is dragged keeps its label: the rest moves and cannot be read anyway. */
  private readonly shownTexts = computed(() => {
    const held = this.held();
    if (!held) return this.texts();
    const { sections } = this.rig();
    const index = sections.findIndex(({ id }) => id === held.handle.partId);
    const last = held.handle.kind === 'tip' ? sections.at(-1)?.id : undefined;
    const kept = [held.handle.partId, last, sections[index - 1]?.id];
    return Object.fromEntries(Object.entries(this.texts()).filter(([id]) => kept.includes(id)));
  });
  /** Where the handles are; they stay where they were while one is under the hand, and nobody sees them. */
  protected readonly handles = computed(() => {
    const held = this.held();
    if (held) return handlesOf(held.rig, held.drawing);
    const drawing = this.drawing();
    return drawing ? handlesOf(this.rig(), drawing) : [];
  });
  protected readonly scaleText = computed(() => {
    const drawing = this.drawing();
    if (!drawing) return '';
    const metres = PIXELS_PER_CM / drawing.scale;
    return this.system() === 'metric'
      ? `To scale, 1 cm is ${Math.round(metres * 100)} cm`
      : `To scale, 1 in is ${Math.round((metres * 2.54) / METRES_PER_INCH)} in`;
  });
  /** What the picture is of, in words below it. */
  protected readonly caption = computed(() => {
    const rig = this.rig();
    const indicator = rig.fittings.find(({ kind }) => kind === 'indicator');
    return indicator
      ? `${this.length(indicator.aboveFlyM)} = ${(indicator.aboveFlyM / rig.waterDepthM).toFixed(2)} × depth`
      : '';
  });
  /** What to say while it is tied. */
  protected readonly cues = computed(() => RIG_TEMPLATE_WORDS[this.rig().template].cues);

  /** The line from a part to its label. */
  protected pointer(label: RigLabel): string {
    const { at, side, y } = label;
    return `M${at.x} ${at.y} L${lineEndX(label)} ${y + LINE_BELOW_PX} h ${side === 'right' ? 8 : -4}`;
  }

  protected length(metres: number): string {
    return formatLength(metres, this.system());
  }

  /** The handle follows the hand in the frame it was taken in; the rig is fitted anew when it is let go. */
  protected drag(handle: Handle, drag: Drag): void {
    if (drag.phase === 'start') {
      const drawing = this.drawing();
      if (!this.editable() || !drawing) return;
      this.held.set({ rig: this.rig(), drawing, handle, perPixel: 1 / this.pixelsPerUnit() });
      this.selected.emit(handle.partId);
    }
    const held = this.held();
    if (!held) return;
    const to = { x: held.handle.x + drag.dx * held.perPixel, y: held.handle.y + drag.dy * held.perPixel };
    const valueM = snapped(pulledTo(held.handle, held.drawing, to), this.system());
    const rig = withValue(held.rig, held.handle, valueM);
    if (drag.phase === 'move') this.previewed.emit(rig);
    if (drag.phase === 'end' || drag.phase === 'cancel') {
      this.held.set(null);
      this.previewed.emit(null);
    }
    if (drag.phase === 'end') this.edited.emit(rig);
  }

  protected key(event: KeyboardEvent, handle: Handle): void {
    const way = WAYS[event.key];
    if (way === undefined || !this.editable()) return;
    event.preventDefault();
    const drawing = this.drawing();
    const now = drawing && handlesOf(this.latest(), drawing).find(({ id }) => id === handle.id);
    if (!now) return;
    // A longer last section takes the point fly down: arrow down lengthens it, as it does in the drawing.
    const sign = handle.kind === 'tip' ? -way : way;
    const stepM = snapStep(this.system()) * (event.shiftKey ? 10 : 1);
    this.latest.set(withValue(this.latest(), now, snapped(now.valueM + sign * stepM, this.system())));
    this.edited.emit(this.latest());
  }

  protected spoken({ kind, name, valueM }: Handle): string {
    const length = this.length(valueM);
    if (kind === 'tag') return `${name}, tag ${length}. Arrow keys change it.`;
    if (kind === 'tip') return `${name}, last section ${length}. Arrow keys change it.`;
    return `${name}, ${length} above the point fly. Arrow keys slide it.`;
  }

  protected most(handle: Handle): number {
    return mostOf(this.rig(), handle);
  }

  /** Screen pixels in a unit of the drawing. */
  private pixelsPerUnit(): number {
    const { width, height } = this.element.querySelector('svg')?.getBoundingClientRect() ?? this.size;
    return Math.min(width / WIDTH, height / HEIGHT) || 1;
  }

  private readonly texts = computed(() => this.textsOf(this.rig()));

  private textsOf(rig: Rig): Record<string, string[]> {
    const texts: Record<string, string[]> = {};
    for (const section of rig.sections)
      texts[section.id] = [
        `${this.length(section.lengthM)} ${formatTippet(section.diameterM, this.system())} ${MATERIAL_NAMES[section.material]}`,
        section.joint === 'tapered'
          ? ''
          : `${KNOT_NAMES[section.joint]}, ${Math.round(knotShare(section.joint, rig.measured) * 100)} %`,
      ].filter(Boolean);
    for (const fitting of rig.fittings)
      texts[fitting.id] =
        fitting.kind === 'indicator'
          ? [`${fitting.style} indicator`]
          : [
              `shot ${formatMass(fitting.massKg, this.system())}, ${fitting.metal}`,
              `${this.length(fitting.aboveFlyM)} above the fly`,
            ];
    for (const fly of rig.flies)
      texts[fly.id] = [
        `#${fly.hookSize} ${fly.name}`,
        [
          fly.bead === 'none' ? '' : `${fly.bead} ${formatBead(fly.beadDiameterM, this.system())}`,
          fly.at.kind === 'tag' ? `tag ${this.length(fly.at.lengthM)}` : '',
        ]
          .filter(Boolean)
          .join(', '),
      ];
    return texts;
  }
}
