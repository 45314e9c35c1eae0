import { Component, computed, input, output, signal } from '@angular/core';
import {
  type Beat,
  findSeams,
  formatLength,
  isLand,
  isPoint,
  isWater,
  type Lane,
  type Piece,
  type Point,
  type Stand,
  type StandReason,
  type UnitSystem,
  wading,
  type Wader,
} from '@doceo/core';
import { narrowWindow } from '../../../parts/narrow';
import { numbered } from './numbered';
import { LETTERS_ON_DESK, lettersAcross } from './letters-across';
import { MeasuredDirective } from '../../../drawing/measured.directive';
import { beatLabels } from './beat-labels';
import { pathOf } from './paths';
import { castText } from '../stand-texts';
import { StandMarkComponent } from './stand-mark.component';
import { ScaleBarComponent } from './scale-bar.component';

/** What a stand is for, beside where it is. */
export interface BoardStand {
  stand: Stand;
  who: string;
  /** Why it is his; nothing where anybody could stand there. */
  because?: readonly StandReason[];
  /** His own limits. */
  wader?: Wader;
}

/** Metres the sheet shows beyond the beat. */
const MARGIN_M = 1.5;
/** How far below its mark a name's middle lies, letters. */
const NAME_DOWN = 1.4;
/** From here on a name stands before its stand. */
const LATE_SHARE = 0.88;

/** A river beat from above, to scale: its pieces, the seams found in it, where students stand and where they cast. */
@Component({
  selector: 'doceo-beat-board',
  imports: [ScaleBarComponent, MeasuredDirective, StandMarkComponent],
  templateUrl: './beat-board.component.html',
  styleUrls: ['./board.css', './beat-board.component.css'],
})
export class BeatBoardComponent {
  readonly beat = input.required<Beat>();
  readonly stands = input.required<readonly BoardStand[]>();
  readonly chosen = input<number>(0);
  readonly units = input.required<UnitSystem>();
  /** The one with the lowest limits: water over the figure is hatched. */
  readonly wader = input.required<Wader>();
  readonly waterC = input<number | null>(null);
  readonly rising = input(false);
  /** Lanes over a pool in the order to fish them. */
  readonly lanes = input<readonly Lane[]>([]);
  readonly choose = output<number>();

  protected readonly narrow = narrowWindow();
  protected readonly letters = signal(LETTERS_ON_DESK);
  protected readonly lettersAcross = lettersAcross;
  /** Letters in metres, so that they are of one size on the screen whatever the beat's length. */
  protected readonly letter = computed(() => (this.beat().lengthM + 2 * MARGIN_M) / this.letters());
  protected readonly box = computed(() => {
    const { lengthM, widthM } = this.beat();
    return `${-MARGIN_M} ${-MARGIN_M} ${lengthM + 2 * MARGIN_M} ${widthM + 2 * MARGIN_M + 2 * this.letter()}`;
  });
  /** Where scale and flow stand, below the beat. */
  protected readonly foot = computed(() => this.beat().widthM + 1.4 * this.letter());
  protected readonly areas = computed(() =>
    this.beat()
      .pieces.filter(({ kind }) => !isPoint(kind))
      .map((piece) => ({
        ...piece,
        path: pathOf(piece.shape),
        look: isLand(piece.kind) ? piece.kind : depthLook(piece),
        broken: piece.kind === 'riffle' || piece.kind === 'head',
        fast: isWater(piece.kind) && Math.abs(piece.speedMs ?? 0) >= 0.7 && piece.kind === 'run',
        closed: this.closed(piece),
      })),
  );
  protected readonly names = computed(() =>
    beatLabels(
      this.beat(),
      this.letter(),
      (depthM, speedMs) =>
        this.narrow() ? '' : speedMs < 0 ? 'runs back' : formatLength(depthM, this.units()),
      [...this.numbered().flatMap((one) => this.takenBy(one)), ...this.points()],
      this.seamLines(),
    ),
  );
  protected readonly points = computed(() =>
    this.beat()
      .pieces.filter(({ kind }) => isPoint(kind))
      .map(({ id, kind, name, shape }) => ({ id, kind, name, ...(shape[0] as Point) })),
  );
  private readonly seamLines = computed(() => findSeams(this.beat()).map(({ points }) => points));
  protected readonly seams = computed(() =>
    this.seamLines().map((points) => points.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')),
  );
  protected readonly numbered = computed(() =>
    numbered(this.stands(), this.letter()).map((one) => ({
      ...one,
      late: one.stand.at.x > LATE_SHARE * this.beat().lengthM,
      words: `Stand ${one.number}, ${one.who}: cast ${castText(one.stand.castM, this.units())} to the ${one.stand.lie.what}`,
    })),
  );
  protected readonly scale = computed(() => {
    const metres = this.beat().lengthM > 50 ? 10 : 5;
    return { metres, text: formatLength(metres, this.units()).replace('.00', '') };
  });

  /** Points of a stand's mark and of the name beside it, that no other name may lie on. */
  private takenBy({ shown, who, late }: { shown: Point; who: string; late: boolean }): Point[] {
    if (this.narrow()) return [shown];
    const along = (letters: number): Point => ({
      x: shown.x + (late ? -1 : 1) * letters * this.letter(),
      y: shown.y + NAME_DOWN * this.letter(),
    });
    return [shown, along(2), along(1 + who.length / 2), along(who.length / 1.7)];
  }

  private closed(piece: Piece): boolean {
    if (!isWater(piece.kind)) return false;
    const place = {
      depthM: piece.depthM ?? 0,
      speedMs: Math.abs(piece.speedMs ?? 0),
      bottom: 'cobble' as const,
      waterC: this.waterC(),
      rising: this.rising(),
    };
    return wading(place, this.wader()).verdict !== 'look-closer';
  }
}

/** Deeper is darker, in four steps. */
function depthLook({ depthM }: Piece): string {
  const depth = depthM ?? 0;
  return depth < 0.35 ? 'thin' : depth < 0.75 ? 'shallow' : depth < 1.3 ? 'middling' : 'deep';
}
