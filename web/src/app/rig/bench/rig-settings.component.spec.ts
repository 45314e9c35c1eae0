import {
  buildRig,
  DEFAULT_SCHOOLS,
  floatMargin,
  rigEdits,
  type RigSchools,
  leaderLength,
  type Rig,
  type TemplateId,
} from '@doceo/core';
import { lessonServer, type Shown, show } from '../../../testing/page';
import { RigSettingsComponent } from './rig-settings.component';

describe('the settings of a rig', () => {
  const open = async (
    id: TemplateId,
    inputs = {},
  ): Promise<{ page: Shown<RigSettingsComponent>; edits: Rig[] }> => {
    const page = await show(RigSettingsComponent, lessonServer(), {
      rig: buildRig(id),
      system: 'metric',
      mine: DEFAULT_SCHOOLS,
      ...inputs,
    });
    const edits: Rig[] = [];
    page.fixture.componentInstance.edited.subscribe((rig) => edits.push(rig));
    return { page, edits };
  };
  const labels = (page: Shown<RigSettingsComponent>): string[] => page.all('.field > span:first-child');

  it.each<[TemplateId, string[]]>([
    ['grass', ['Rod', 'Line', 'Tip guide, mm, typical']],
    ['dry-fly', ['Rod', 'Line', 'Tippet', 'Tip guide, mm, typical']],
    ['dry-dropper', ['Water depth', 'Rod', 'Line', 'Tippet', 'Tip guide, mm, typical', 'Dropper hangs']],
    [
      'tight-line',
      ['Water depth', 'Rod', 'Line', 'Tippet', 'Flies', 'Tip guide, mm, typical', 'Heaviest fly'],
    ],
    [
      'tuck-hinge',
      [
        'Water depth',
        'Rod',
        'Line',
        'Tippet',
        'Shot, g',
        'Hinge, stiffness',
        'Tip guide, mm, typical',
        'Shot goes',
      ],
    ],
    [
      'lake-long-leader',
      ['Water depth', 'Rod', 'Leader', 'Line', 'Tippet', 'Flies', 'Tip guide, mm, typical'],
    ],
    [
      'indicator-nymph',
      [
        'Water depth',
        'Rod',
        'Line',
        'Tippet',
        'Flies',
        'Shot, g',
        'Tip guide, mm, typical',
        'Indicator at',
        'Shot goes',
      ],
    ],
  ])('%s shows what changes it, and nothing else', async (id, expected) => {
    const { page } = await open(id);
    expect(labels(page)).toEqual(expected);
  });

  it('builds the rig anew for another leader, hinge, number of flies or school', async () => {
    const lake = await open('lake-long-leader');
    await lake.page.enter('.leader input', '6 m');
    await lake.page.press('two');
    expect(lake.edits.map((rig) => [Math.round(leaderLength(rig)), rig.flies.length])).toEqual([
      [6, 3],
      [5, 2],
    ]);
  });

  it('moves the heavy nymph, and hangs the dropper, by school', async () => {
    const { page, edits } = await open('tight-line');
    await page.press('on the tag');
    expect(edits[0]?.schools.heaviest).toBe('upper');
    expect(page.text()).toContain('Good instructors differ here');
  });

  it('hangs the dropper by school, and it still floats', async () => {
    const { page, edits } = await open('dry-dropper');
    await page.press('dry on a tag');
    expect(edits[0]?.flies[0]?.at.kind).toBe('tag');
    expect(floatMargin(edits[0] as Rig)?.margin).toBeGreaterThan(1.5);
  });

  it.each([
    ['0 m', 'between 10 cm and 10 m'],
    ['-2', 'is no length'],
    ['deep', 'is no length'],
    ['12 m', 'between 10 cm and 10 m'],
  ])('says at the depth what is wrong with “%s”, and changes nothing', async (text, words) => {
    const { page, edits } = await open('streamer');
    await page.enter('.depth input', text);
    expect(page.all('.depth .wrong')[0]).toContain(words);
    expect(edits).toEqual([]);
    await page.enter('.depth input', '3 m');
    expect(page.all('.wrong')).toEqual([]);
    expect(edits[0]?.line.kind).toBe('sink-tip');
  });

  it('tells where a rig goes another way than mine, and takes either over', async () => {
    const mine: RigSchools = { ...DEFAULT_SCHOOLS, indicator: 'double' };
    const { page, edits } = await open('indicator-nymph', { mine });
    const adopted: RigSchools[] = [];
    page.fixture.componentInstance.adopted.subscribe((schools) => adopted.push(schools));
    expect(page.text()).toContain('Your way is another: Indicator at 2 × depth.');
    await page.press('Rig it my way');
    await page.press('Make this my way');
    expect(edits[0]?.schools.indicator).toBe('double');
    expect(adopted).toEqual([DEFAULT_SCHOOLS]);
  });

  it('offers for sections made by hand only what leaves them alone', async () => {
    const rig = rigEdits.addSection(buildRig('tuck-hinge'), null);
    const { page } = await open('tuck-hinge', { rig });
    expect(labels(page)).not.toContain('Hinge, stiffness');
    expect(page.text()).toContain('Sections were made by hand');
  });
});
