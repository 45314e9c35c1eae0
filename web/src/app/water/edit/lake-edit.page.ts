import { Component, computed, inject, input, type OnDestroy, type OnInit, signal } from '@angular/core';
import {
  api,
  MAX_LAKE_FILE,
  readLakeFile,
  readSoundings,
  MAX_SOUNDINGS_FILE,
  writeLakeFile,
  writeSoundings,
} from '@doceo/contract';
import {
  type DepthGrid,
  formatLength,
  type Lake,
  lakeFaults,
  lakeFigures,
  type Sheet,
  type Sounding,
} from '@doceo/core';
import { map, type Subscription } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { OpenDocument } from '../../data/documents/open-document';
import { SessionStore } from '../../data/session';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { DepthRunner } from '../../workers/depths/depth-runner';
import { LakeBoardComponent } from '../../shared/water/board/lake-board.component';
import { LAKE_PALETTE, type Palette } from './palette';
import { SheetFrameComponent } from './sheet-frame.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** Cells each way when depths are looked at here, for a square lake. */
const CELLS = 200;
const NORTH_UP = 90;
const M2_PER_ACRE = 4046.8564224;

/** A lake to begin with: a shore to be drawn right. */
function newLake(id: string, name: string): Lake {
  const shape = Array.from({ length: 16 }, (_, i) => ({
    x: Math.round(200 + 160 * Math.cos((i / 16) * 2 * Math.PI)),
    y: Math.round(120 + 90 * Math.sin((i / 16) * 2 * Math.PI)),
  }));
  return {
    id,
    name,
    lengthM: 400,
    widthM: 240,
    boats: false,
    soundings: [],
    pieces: [{ id: 'shore', kind: 'shore', name, shape, depthM: null, speedMs: null }],
  };
}

/** A still water to draw and to sound: GeoJSON in and out, soundings as a table, depths computed from both. */
@Component({
  selector: 'doceo-lake-edit-page',
  imports: [FetchingComponent, LakeBoardComponent, NoSuchComponent, OpenFileComponent, SheetFrameComponent],
  template: `
    @if (failed(); as problem) {
      <doceo-no-such
        heading="That lake cannot be drawn"
        [why]="problem.message"
        path="/water"
        on="To the water"
      />
    } @else if (document(); as open) {
      <doceo-sheet-frame
        [document]="$any(open)"
        [palette]="palette"
        what="Lake"
        along="west to east"
        across="north to south"
        [steps]="[2, 5, 10, 1]"
        [faults]="faults"
        [leastM]="{ lengthM: 10, widthM: 10 }"
        [largestM]="{ lengthM: 5000, widthM: 5000 }"
      >
        <ng-container tools>
          <label class="row small"
            ><input
              type="checkbox"
              [checked]="lake().boats"
              (change)="setBoats($any($event.target).checked)"
            />
            boats allowed</label
          >
          <button type="button" class="btn small" (click)="save()">Save as GeoJSON</button>
          <doceo-open-file
            [small]="true"
            label="Open GeoJSON"
            accept=".json,.geojson,application/geo+json"
            [read]="read"
            [most]="most"
            (opened)="take($event.file)"
          />
        </ng-container>
        <section class="sounded" aria-label="Soundings">
          <div class="row">
            <b class="figure">{{ lake().soundings.length }}</b> soundings
            <doceo-open-file
              [small]="true"
              label="Import soundings (CSV)"
              accept=".csv,text/csv"
              [read]="readTable"
              [most]="mostTable"
              (opened)="sound($event.file)"
            />
            @if (lake().soundings.length > 0) {
              <button type="button" class="btn small" (click)="saveSoundings()">Save soundings</button>
              <button type="button" class="btn small" (click)="sound([])">Take all out</button>
            }
            <button type="button" class="btn small" [disabled]="share() !== null" (click)="compute()">
              See the depths
            </button>
            @if (share(); as done) {
              <progress [value]="done" max="1"></progress>
              <span role="status" class="small">{{ (done * 100).toFixed(0) }} of 100</span>
              <button type="button" class="btn small" (click)="stop()">Stop</button>
            }
          </div>
          @if (grid(); as found) {
            <div class="depths">
              <doceo-lake-board [lake]="lake()" [grid]="found" [units]="session.units()" />
              @if (figures(); as lies) {
                <dl>
                  <dt>water</dt>
                  <dd class="figure">{{ lies.area }}</dd>
                  <dt>deepest</dt>
                  <dd class="figure">{{ lies.deepest }}</dd>
                  <dt>on the mean</dt>
                  <dd class="figure">{{ lies.mean }}</dd>
                  <dt>shoals, light on the weeds</dt>
                  <dd class="figure">{{ lies.shoal }}</dd>
                </dl>
              }
            </div>
          }
        </section>
      </doceo-sheet-frame>
    } @else {
      <doceo-fetching class="bench-main" what="the lake" />
    }
  `,
  styles: `
    .sounded {
      background: var(--shallow);
      padding: 8px 12px;
      margin-bottom: 8px;
    }

    .depths {
      display: grid;
      grid-template-columns: minmax(0, 620px) minmax(160px, 1fr);
      gap: 20px;
      margin-top: 8px;
    }

    dl {
      margin: 0;
    }

    dd {
      margin: 0 0 8px;
      font-size: 20px;
    }

    @media (max-width: 700px) {
      .depths {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class LakeEditPage implements OnInit, OnDestroy {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly runner = inject(DepthRunner);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();

  protected readonly palette = LAKE_PALETTE as unknown as Palette<string>;
  protected readonly faults = (sheet: Sheet<string>) => lakeFaults(sheet as Lake);
  protected readonly most = MAX_LAKE_FILE;
  protected readonly mostTable = MAX_SOUNDINGS_FILE;
  protected readonly read = readLakeFile;
  protected readonly readTable = (text: string) =>
    readSoundings(text, { ...this.lake(), origin: this.lake().origin ?? this.origin() });
  private readonly opened = new OpenDocument<Lake>();
  protected readonly document = this.opened.document;
  protected readonly failed = this.opened.failed;
  protected readonly lake = computed(() => this.document()?.value() as Lake);
  protected readonly share = signal<number | null>(null);
  private readonly seen = signal<{ lake: Lake; grid: DepthGrid } | null>(null);
  /** Gone as soon as the lake is another. */
  protected readonly grid = computed(() => {
    const found = this.seen();
    return found?.lake === this.lake() ? found.grid : null;
  });
  protected readonly figures = computed(() => {
    const [grid, units] = [this.grid(), this.session.units()];
    if (!grid) return null;
    const { areaM2, deepestM, meanM, shoalShare } = lakeFigures(grid);
    return {
      area:
        units === 'metric'
          ? `${(areaM2 / 10_000).toFixed(1)} ha`
          : `${(areaM2 / M2_PER_ACRE).toFixed(1)} acres`,
      deepest: formatLength(deepestM, units),
      mean: formatLength(meanM, units),
      shoal: `${(shoalShare * 100).toFixed(0)} %`,
    };
  });
  private run: Subscription | null = null;
  private readonly origin = computed(() => {
    const water = this.day.waters().find(({ id }) => id === this.id())?.water;
    return { longitude: water?.longitude ?? 0, latitude: water?.latitude ?? 0, bearingDeg: NORTH_UP };
  });

  ngOnInit(): void {
    const id = this.id();
    const name = this.day.waters().find((one) => one.id === id)?.water.name ?? 'Lake';
    this.opened.open({
      key: `draft.lake.${id}`,
      load: () =>
        this.client
          .call(api.waters.lake, { params: { id } })
          .pipe(
            map(({ saved }) =>
              saved
                ? { value: saved.lake, version: saved.version }
                : { value: newLake(id, name), version: 0 },
            ),
          ),
      save: (lake, baseVersion) =>
        this.client
          .call(api.waters.saveLake, { params: { id }, body: { lake, baseVersion } })
          .pipe(map((saved) => ({ value: saved.lake, version: saved.version }))),
    });
  }

  ngOnDestroy(): void {
    this.stop();
  }

  protected setBoats(boats: boolean): void {
    this.document()?.edit((lake) => ({ ...lake, boats }));
  }

  protected take(lake: Lake): void {
    this.document()?.edit((before) => ({ ...lake, id: before.id }));
  }

  protected sound(soundings: Sounding[]): void {
    this.document()?.edit((lake) => ({ ...lake, soundings }));
    if (soundings.length > 0) this.compute();
  }

  protected compute(): void {
    const lake = this.lake();
    this.stop();
    this.share.set(0.001);
    this.run = this.runner.run(lake, CELLS).subscribe({
      next: ({ share, grid }) => {
        this.share.set(grid ? null : Math.max(0.001, share));
        if (grid) this.seen.set({ lake, grid });
      },
      error: () => this.share.set(null),
    });
  }

  protected stop(): void {
    this.run?.unsubscribe();
    this.share.set(null);
  }

  protected save(): void {
    const lake = this.lake();
    download(fileName(lake.name, 'geojson'), writeLakeFile(lake, this.origin()), 'application/geo+json');
  }

  protected saveSoundings(): void {
    const name = fileName(`${this.lake().name} soundings`, 'csv');
    download(name, writeSoundings(this.lake().soundings), 'text/csv;charset=utf-8');
  }
}
