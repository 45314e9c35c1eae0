import { api, type LessonPlan, type SavedReading } from '@doceo/contract';
import { type Block, buildRig, materialStrength } from '@doceo/core';
import { LESSON, PLAN, RIG, SAM, TAUGHT, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { LessonRigsPage } from './lesson-rigs.page';

const drill = PLAN.body.blocks[1] as Block;
const DRY = uuid(32);
/** Both fish the nymphs, Jonas the dry fly after it. */
const FISHED: LessonPlan = {
  ...TAUGHT,
  body: {
    ...PLAN.body,
    rigs: [
      { id: RIG.id, name: 'Two nymphs', rig: RIG.rig },
      { id: DRY, name: 'Dry fly', rig: buildRig('dry-fly') },
    ],
    blocks: [
      { ...drill, id: uuid(46), title: 'Again', startMin: 60, durationMin: 20, lane: null, rigId: RIG.id },
      {
        ...drill,
        id: uuid(45),
        title: 'Dead drift',
        startMin: 20,
        durationMin: 30,
        lane: null,
        rigId: RIG.id,
      },
      { ...drill, id: uuid(47), title: 'To rises', startMin: 90, durationMin: 20, lane: 1, rigId: DRY },
      { ...drill, id: uuid(48), title: 'On grass', startMin: 110, lane: null, rigId: null },
    ],
  },
};
const clinch: SavedReading = {
  ...{ id: uuid(61), studentId: SAM.id, on: '2026-06-01', mine: true },
  reading: {
    ...{ kind: 'knot', knot: 'improved-clinch', material: 'fluorocarbon' },
    ...{ diameterM: 0.00015, value: materialStrength('fluorocarbon', 0.00015) * 0.5 },
  },
};

describe('the rigs of a lesson on paper', () => {
  beforeEach(() => {
    localStorage.clear();
    setDate();
  });
  afterEach(() => jest.useRealTimers());
  const open = (plan: LessonPlan = FISHED, readings: SavedReading[] = []): Promise<Shown<LessonRigsPage>> =>
    show(LessonRigsPage, lessonServer().on(api.lessons.plan, plan).on(api.readings.list, readings), {
      id: LESSON.id,
    });

  it('are a page for each student and each rig that he fishes, with when he does', async () => {
    const page = await open();
    expect(page.all('.card h1')).toEqual(['Sam Okande', 'Jonas Wren', 'Jonas Wren']);
    expect(page.all('.card')[0]).toContain('09:50–10:20 Dead drift');
    expect(page.all('.card header .small')).toEqual([
      '09:50–10:20 Dead drift',
      '10:30–10:50 Again',
      '09:50–10:20 Dead drift',
      '10:30–10:50 Again',
      '11:00–11:20 To rises',
    ]);
    expect(page.text()).toContain('Print 3 pages');
  });

  it('tell what each holds by the knots that he ties himself', async () => {
    const page = await open(FISHED, [clinch]);
    const clinches = page
      .all('.card')
      .map(
        (_, i) =>
          [...document.querySelectorAll('.card')[i]!.querySelectorAll('ol li')]
            .map(({ textContent }) => textContent.trim())
            .find((text) => text.startsWith('improved clinch, end')) ?? '',
      );
    // Half of what the line holds without a knot, where such a knot typically holds 90 %.
    expect(clinches[0]).toMatch(/holds 0\.9 kg as Sam ties it, broken once: breaks first$/);
    expect(clinches[1]).toMatch(/holds about 1\.5 kg: breaks first$/);
  });

  it('are printed for one of them alone', async () => {
    const page = await open();
    await page.enter('select', SAM.id);
    expect(page.all('.card h1')).toEqual(['Sam Okande']);
    expect(page.text()).toContain('Print this page');
  });

  it('say what to do where nobody fishes a rig', async () => {
    const page = await open(TAUGHT);
    expect(page.text()).toContain('No student of this lesson fishes a rig in its plan.');
    expect(page.element.querySelector('button.go')).toBeNull();
  });
});
