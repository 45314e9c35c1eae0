import { Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { type SavedRig } from '@doceo/contract';
import { rigFigures, rigProblems } from '@doceo/core';
import { type FigureInWords, rigFiguresInWords, rigProblemInWords } from '@doceo/texts';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { DayStore } from '../../data/lesson/day-store';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { myRigs } from '../../data/records/record-of';

/** Two rigs side by side: drawings to one scale, figures in one table, problems that only one of them has. */
@Component({
  selector: 'doceo-rig-compare',
  imports: [FetchingComponent, LoadFailedComponent, NoSuchComponent, RigDrawingComponent, RouterLink],
  templateUrl: './rig-compare.page.html',
  styleUrl: './rig-compare.page.css',
})
export class RigComparePage {
  private readonly readings = inject(ReadingStore);
  private readonly router = inject(Router);
  private readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();
  readonly other = input.required<string>();

  protected readonly list = myRigs();
  protected readonly rigs = this.list.value;
  /** The two rigs, in the order of the address; null when one of them is not there. */
  protected readonly pair = computed(() => {
    const pair = [this.id(), this.other()].map((id) => {
      const saved = this.rigs()?.find((rig) => rig.id === id);
      return saved && { ...saved, rig: this.readings.known(saved.rig, saved.studentId) };
    });
    return pair.every((rig) => rig !== undefined) ? (pair as [SavedRig, SavedRig]) : null;
  });
  protected readonly rows = computed(() => {
    const [left, right] = (this.pair() ?? []).map(({ rig }) => this.figuresOf(rig));
    if (!left || !right) return [];
    const ids = [...new Set([...left, ...right].map(({ id }) => id))];
    return ids.map((id) => {
      const [a, b] = [left, right].map((figures) => figures.find((figure) => figure.id === id));
      return {
        id,
        label: a?.label ?? b?.label ?? '',
        texts: [a?.text ?? '–', b?.text ?? '–'],
        differs: a?.text !== b?.text,
      };
    });
  });
  /** For each rig the titles of problems that the other has not. */
  protected readonly ownProblems = computed(() => {
    const water = this.day.water()?.water ?? null;
    const titles = (this.pair() ?? []).map(({ rig }) =>
      rigProblems(rig, { water })
        .map((problem) => rigProblemInWords(problem, this.session.units()))
        .map(({ level, title }) => `${level}: ${title}`),
    );
    return titles.map((own, i) => own.filter((title) => !titles[1 - i]?.includes(title)));
  });

  constructor() {
    this.readings.load();
  }

  protected choose(side: 0 | 1, id: string): void {
    const [left, right] = side === 0 ? [id, this.other()] : [this.id(), id];
    void this.router.navigate(['/rig', left, 'beside', right], { replaceUrl: true });
  }

  private figuresOf(rig: SavedRig['rig']): FigureInWords[] {
    const figures = rigFigures(rig, this.day.water()?.water.rules.maxHooks ?? null);
    return rigFiguresInWords(figures, this.session.units());
  }
}
