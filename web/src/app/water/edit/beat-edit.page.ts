import { Component, computed, inject, input, type OnInit } from '@angular/core';
import { Router } from '@angular/router';
import { api, MAX_BEAT_FILE, readBeatFile, writeBeatFile } from '@doceo/contract';
import { type Beat, beatFaults, type Sheet } from '@doceo/core';
import { map } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { Failures } from '../../data/api/failures';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { Undoable } from '../../data/undoable';
import { UserStorage } from '../../data/device/user-storage';
import { OpenDocument } from '../../data/documents/open-document';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { BEAT_PALETTE, type Palette } from './palette';
import { SheetFrameComponent } from './sheet-frame.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** Along the stream, to the east, when nobody said where it runs. */
const BEARING_DEG = 90;

/** A beat to begin with: a run between two open banks. */
function newBeat(id: string): Beat {
  const band = (from: number, to: number) => [
    { x: 0, y: from },
    { x: 60, y: from },
    { x: 60, y: to },
    { x: 0, y: to },
  ];
  return {
    id,
    name: 'New beat',
    lengthM: 60,
    widthM: 30,
    pieces: [
      { id: 'left', kind: 'open-bank', name: 'left bank', shape: band(0, 7), depthM: null, speedMs: null },
      {
        id: 'right',
        kind: 'open-bank',
        name: 'right bank',
        shape: band(23, 30),
        depthM: null,
        speedMs: null,
      },
      { id: 'run', kind: 'run', name: 'run', shape: band(7, 23), depthM: 0.5, speedMs: 0.5 },
    ],
  };
}

/** One beat of a river to draw, and to exchange as GeoJSON. */
@Component({
  selector: 'doceo-beat-edit-page',
  imports: [FetchingComponent, NoSuchComponent, OpenFileComponent, SheetFrameComponent],
  template: `
    @if (failed(); as problem) {
      <doceo-no-such
        heading="That beat cannot be drawn"
        [why]="problem.message"
        path="/water"
        on="To the water"
      />
    } @else if (document(); as open) {
      <doceo-sheet-frame
        [document]="$any(open)"
        [palette]="palette"
        what="Beat"
        along="length"
        across="width"
        [steps]="[0.5, 1, 0.1]"
        [faults]="faults"
        [leastM]="{ lengthM: 2, widthM: 1 }"
        [largestM]="{ lengthM: 500, widthM: 120 }"
      >
        <ng-container tools>
          <button type="button" class="btn small" (click)="save()">Save as GeoJSON</button>
          <doceo-open-file
            [small]="true"
            label="Open GeoJSON"
            accept=".json,.geojson,application/geo+json"
            [read]="read"
            [most]="most"
            (opened)="take($event.file)"
          />
          <button type="button" class="btn small" (click)="remove()">Delete this beat</button>
        </ng-container>
        <p class="small soft">
          The stream runs from left to right. Depths and speeds at the usual level; those who judge on the
          spot decide.
        </p>
      </doceo-sheet-frame>
    } @else {
      <doceo-fetching class="bench-main" what="the beat" />
    }
  `,
})
export class BeatEditPage implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly storage = inject(UserStorage);
  private readonly undoable = inject(Undoable);
  private readonly failures = inject(Failures);
  private readonly router = inject(Router);
  private readonly day = inject(DayStore);
  readonly id = input.required<string>();
  readonly beatId = input.required<string>();

  protected readonly palette = BEAT_PALETTE as unknown as Palette<string>;
  protected readonly faults = (sheet: Sheet<string>) => beatFaults(sheet as Beat);
  protected readonly most = MAX_BEAT_FILE;
  protected readonly read = readBeatFile;
  private readonly opened = new OpenDocument<Beat>();
  protected readonly document = this.opened.document;
  protected readonly failed = this.opened.failed;
  private readonly origin = computed(() => {
    const water = this.day.waters().find(({ id }) => id === this.id())?.water;
    return { longitude: water?.longitude ?? 0, latitude: water?.latitude ?? 0, bearingDeg: BEARING_DEG };
  });

  ngOnInit(): void {
    const [id, beatId] = [this.id(), this.beatId()];
    if (beatId === 'new') {
      void this.router
        .navigateByUrl('/water', { skipLocationChange: true })
        .then(() => this.router.navigate(['/water', id, 'beats', crypto.randomUUID()], { replaceUrl: true }));
      return;
    }
    this.opened.open({
      key: `draft.beat.${beatId}`,
      load: () =>
        this.client.call(api.waters.beats, { params: { id } }).pipe(
          map((beats) => beats.find((beat) => beat.id === beatId)),
          map((saved) =>
            saved ? { value: saved.beat, version: saved.version } : { value: newBeat(beatId), version: 0 },
          ),
        ),
      save: (beat, baseVersion) =>
        this.client
          .call(api.waters.saveBeat, { params: { id, beatId }, body: { beat, baseVersion } })
          .pipe(map((saved) => ({ value: saved.beat, version: saved.version }))),
    });
  }

  protected save(): void {
    const beat = this.document()?.value();
    if (beat)
      download(fileName(beat.name, 'geojson'), writeBeatFile(beat, this.origin()), 'application/geo+json');
  }

  /** A file replaces what is drawn; undo brings it back. */
  protected take(beat: Beat): void {
    this.document()?.edit(() => ({ ...beat, id: this.beatId() }));
  }

  protected remove(): void {
    const params = { id: this.id(), beatId: this.beatId() };
    this.client.call(api.waters.removeBeat, { params }).subscribe({
      next: () => {
        this.storage.remove(`draft.beat.${this.beatId()}`);
        const beat = this.document()?.value() ?? null;
        void this.router.navigateByUrl('/water');
        if (beat)
          this.undoable.told(`${beat.name} is deleted`, () =>
            this.client.call(api.waters.saveBeat, { params, body: { beat, baseVersion: 0 } }).subscribe({
              next: () => void this.router.navigate(['/water', params.id, 'beats', params.beatId]),
              error: this.failures.tell,
            }),
          );
      },
      error: this.failures.tell,
    });
  }
}
