import { Component, computed, input, output, signal } from '@angular/core';
import {
  type DepthGrid,
  distance,
  type FanStand,
  formatRoundLength,
  isLakePoint,
  type Lake,
  middle,
  type Point,
  shoreOf,
  type StandReason,
  type UnitSystem,
} from '@doceo/core';
import { numbered } from './numbered';
import { LETTERS_ON_DESK, lettersAcross } from './letters-across';
import { MeasuredDirective } from '../../../drawing/measured.directive';
import { depthBands } from './depth-bands';
import { pathOf } from './paths';
import { StandMarkComponent } from './stand-mark.component';
import { ScaleBarComponent } from './scale-bar.component';

/** What of the sheet is seen, metres. */
export interface BoardView {
  x: number;
  y: number;
  lengthM: number;
  widthM: number;
}

/** A place on the shore with who stands there. */
export interface LakeStand {
  stand: FanStand;
  who: string;
  /** Why it is his. */
  because?: readonly StandReason[];
}

/** Depths are written no nearer to each other, letters. */
const LABEL_LETTERS = 2.2;
/** Width of a letter as a share of its height, on the mean; half the width of a stand's mark, letters. */
const LETTER_SHARE = 0.52;
const MARK_LETTERS = 1.2;

/** Still water from above, north up, to scale: depths, weed, timber, inflow, wind, and fans of casts from the shore. */
@Component({
  selector: 'doceo-lake-board',
  imports: [ScaleBarComponent, MeasuredDirective, StandMarkComponent],
  templateUrl: './lake-board.component.html',
  styleUrls: ['./board.css', './lake-board.component.css'],
})
export class LakeBoardComponent {
  readonly lake = input.required<Lake>();
  readonly grid = input.required<DepthGrid | null>();
  readonly stands = input<readonly LakeStand[]>([]);
  readonly chosen = input(0);
  readonly units = input.required<UnitSystem>();
  /** Where the wind comes from, degrees from north, and how it is told; null when it is not known. */
  readonly wind = input<{ fromDeg: number; words: string } | null>(null);
  /** Depths to fish: their water is hatched in lime. */
  readonly band = input<{ fromM: number; toM: number } | null>(null);
  /** The whole sheet when left out. */
  readonly view = input<BoardView | null>(null);
  readonly label = input('');
  readonly choose = output<number>();

  protected readonly seen = computed<BoardView>(
    () => this.view() ?? { x: 0, y: 0, lengthM: this.lake().lengthM, widthM: this.lake().widthM },
  );
  protected readonly close = computed(() => this.view() !== null);
  protected readonly letters = signal(LETTERS_ON_DESK);
  protected readonly lettersAcross = lettersAcross;
  protected readonly letter = computed(() => this.seen().lengthM / this.letters());
  protected readonly box = computed(() => {
    const { x, y, lengthM, widthM } = this.seen();
    return `${x} ${y} ${lengthM} ${widthM}`;
  });
  protected readonly shore = computed(() => pathOf(shoreOf(this.lake())));
  protected readonly id = computed(() => (this.close() ? 'close' : 'whole'));
  protected readonly bands = computed(() => {
    const grid = this.grid();
    return grid ? depthBands(grid) : [];
  });
  /** Names of depths along the lines, where there is room for them. */
  protected readonly depths = computed(() =>
    this.close()
      ? []
      : this.bands()
          .slice(1)
          .map(({ depthM, top }) => ({ at: top, text: formatRoundLength(depthM, this.units()) }))
          .reduce<{ at: Point; text: string }[]>(
            (kept, label) =>
              kept.every(({ at }) => distance(at, label.at) > this.letter() * LABEL_LETTERS)
                ? [...kept, label]
                : kept,
            [],
          ),
  );
  protected readonly fishable = computed(() => {
    const [grid, band] = [this.grid(), this.band()];
    return grid && band ? depthBands(grid, [band.fromM, band.toM]) : [];
  });
  protected readonly areas = computed(() =>
    this.lake()
      .pieces.filter(({ kind }) => ['weed', 'timber', 'trees'].includes(kind))
      .map(({ id, kind, name, shape }) => ({
        id,
        kind,
        name,
        path: pathOf(shape),
        at: this.clearOfStands(middle(shape), name),
      })),
  );
  protected readonly points = computed(() =>
    this.lake()
      .pieces.filter(({ kind }) => isLakePoint(kind))
      .map(({ id, kind, name, shape }) => ({ id, kind, name, ...(shape[0] as Point) })),
  );
  protected readonly numbered = computed(() =>
    numbered(this.stands(), this.letter()).map((one) => ({
      ...one,
      west: one.stand.at.x < this.seen().x + this.seen().lengthM / 2,
      words: `Stand ${one.number}, ${one.who}: ${one.stand.casts.length} casts, the margin first`,
    })),
  );
  protected readonly scale = computed(() => {
    const wanted = this.seen().lengthM / 6;
    const metres = [5, 10, 20, 50, 100, 200, 500].find((one) => one >= wanted) ?? 1000;
    return { metres, text: formatRoundLength(metres, this.units()) };
  });

  /** Where a name is written: in the middle of its area, or above or below a stand that is drawn there. */
  private clearOfStands(at: Point, name: string): Point {
    const letter = this.letter();
    const on = this.numbered().find(
      ({ shown }) =>
        Math.abs(shown.x - at.x) < (name.length * LETTER_SHARE * letter) / 2 + MARK_LETTERS * letter &&
        Math.abs(shown.y - at.y) < (MARK_LETTERS + 1) * letter,
    );
    if (!on) return at;
    const away = (MARK_LETTERS + 1.1) * letter;
    return { x: at.x, y: on.shown.y + (on.shown.y > at.y ? -away : away) };
  }
}
