import { Component, computed, input, output } from '@angular/core';
import {
  formatLength,
  formatTippet,
  KNOTS,
  MATERIALS,
  METRES_PER_INCH,
  type Rig,
  rigEdits,
  TEMPLATES,
  type UnitSystem,
} from '@doceo/core';
import { type Drag, DragDirective } from '../drawing/drag.directive';
import { drawable, drawRig, LINE_BELOW_PX, lineEndX, type RigLabel } from './rig-drawing';
import { RigPictureComponent } from './rig-picture.component';

const WIDTH = 430;
const HEIGHT = 764;

/** Screens show about this many pixels in a centimetre; for the scale in words. */
const PIXELS_PER_CM = 37.8;

/** The rig to scale under the surface of the water. Indicator and shot slide by drag or arrow keys. */
@Component({
  selector: 'doceo-rig-drawing',
  imports: [DragDirective, RigPictureComponent],
  templateUrl: './rig-drawing.component.html',
  styleUrl: './rig-drawing.component.css',
})
export class RigDrawingComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  readonly editable = input(true);
  readonly selectedId = input<string | null>(null);
  readonly previewed = output<Rig | null>();
  readonly edited = output<Rig>();
  readonly selected = output<string>();

  protected readonly size = { width: WIDTH, height: HEIGHT };
  private heldAboveFlyM = 0;
  private heldScale = 1;

  protected readonly drawing = computed(() =>
    drawable(this.rig()) ? drawRig(this.rig(), this.size, this.texts()) : null,
  );
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
  protected readonly cues = computed(() => TEMPLATES[this.rig().template].cues);

  /** The line from a part to its label. */
  protected pointer({ at, side, x, y }: RigLabel): string {
    return `M${at.x} ${at.y} L${lineEndX(side, x)} ${y + LINE_BELOW_PX} h ${side === 'right' ? 8 : -8}`;
  }

  protected above(id: string): number {
    return this.rig().fittings.find((fitting) => fitting.id === id)?.aboveFlyM ?? 0;
  }

  protected length(metres: number): string {
    return formatLength(metres, this.system());
  }

  protected drag(id: string, drag: Drag): void {
    if (!this.editable()) return;
    if (drag.phase === 'start') {
      this.heldAboveFlyM = this.rig().fittings.find((fitting) => fitting.id === id)?.aboveFlyM ?? 0;
      this.heldScale = this.drawing()?.scale ?? 1;
      this.selected.emit(id);
    }
    const rig = rigEdits.slide(this.rig(), id, this.snapped(this.heldAboveFlyM - drag.dy / this.heldScale));
    if (drag.phase === 'move') this.previewed.emit(rig);
    if (drag.phase === 'end' || drag.phase === 'cancel') this.previewed.emit(null);
    if (drag.phase === 'end') this.edited.emit(rig);
  }

  protected key(event: KeyboardEvent, id: string): void {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    const fitting = this.rig().fittings.find((candidate) => candidate.id === id);
    if (way === 0 || !fitting || !this.editable()) return;
    event.preventDefault();
    const step = (this.system() === 'metric' ? 0.01 : METRES_PER_INCH / 2) * (event.shiftKey ? 10 : 1);
    this.edited.emit(rigEdits.slide(this.rig(), id, this.snapped(fitting.aboveFlyM + way * step)));
  }

  /** Lengths snap to 1 cm or half an inch. */
  private snapped(metres: number): number {
    const step = this.system() === 'metric' ? 0.01 : METRES_PER_INCH / 2;
    return Math.round(metres / step) * step;
  }

  private readonly texts = computed(() => {
    const rig = this.rig();
    const texts: Record<string, string[]> = {};
    for (const section of rig.sections)
      texts[section.id] = [
        `${this.length(section.lengthM)} ${formatTippet(section.diameterM, this.system())} ${MATERIALS[section.material].name}`,
        section.joint === 'tapered'
          ? ''
          : `${KNOTS[section.joint].name}, ${Math.round(KNOTS[section.joint].share * 100)} %`,
      ].filter(Boolean);
    for (const fitting of rig.fittings)
      texts[fitting.id] =
        fitting.kind === 'indicator'
          ? [`${fitting.style} indicator`]
          : [
              `shot ${(fitting.massKg * 1000).toFixed(2)} g, ${fitting.metal}`,
              `${this.length(fitting.aboveFlyM)} above the fly`,
            ];
    for (const fly of rig.flies)
      texts[fly.id] = [
        `#${fly.hookSize} ${fly.name}`,
        [
          fly.bead === 'none' ? '' : `${fly.bead} ${(fly.beadDiameterM * 1000).toFixed(1)} mm`,
          fly.at.kind === 'tag' ? `tag ${this.length(fly.at.lengthM)}` : '',
        ]
          .filter(Boolean)
          .join(', '),
      ];
    return texts;
  });
}
