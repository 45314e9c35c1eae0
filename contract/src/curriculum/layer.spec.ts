import { emptyLayer, type Layer } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED, SHIPPED_LAYER } from '@doceo/core/shipped';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { drillSchema, questionSchema } from './entries';
import { entryOfIssue, layerSchema } from './layer';
import { jsonSchema } from '../http/openapi';
import { layerFileSchema, readLayerFile, writeLayerFile } from './layer-file';

const FORMATS = 'docs/formats';

const hoops = SHIPPED.drills.get('hoops');
const question = {
  id: 'q',
  skillId: 'casting.pause',
  text: 'When do you start forward?',
  choices: [
    { text: 'When the line is straight', right: true, reason: 'Then it pulls.' },
    { text: 'At once', right: false, reason: 'It cracks.' },
  ],
};

describe('entries of a curriculum', () => {
  it('ship within their own rules', () => {
    expect(layerSchema.safeParse(SHIPPED_LAYER).error?.issues).toBeUndefined();
  });

  it.each<[string, object, string]>([
    ['trains nothing', { trains: [] }, 'trains'],
    ['shares that miss a whole', { trains: [{ skillId: 'casting.stop', share: 0.5 }] }, 'trains'],
    [
      'a skill twice',
      {
        trains: [
          { skillId: 'casting.stop', share: 0.5 },
          { skillId: 'casting.stop', share: 0.5 },
        ],
      },
      'trains',
    ],
    ['minutes that cross', { minutes: { min: 9, likely: 8, max: 12 } }, 'minutes.min'],
    ['a most below the likely', { minutes: { min: 5, likely: 8, max: 7 } }, 'minutes.max'],
    ['more goods than attempts', { success: { good: 6, of: 5, at: '' } }, 'success.good'],
    ['a smallest group above the largest', { group: { min: 5, max: 2 } }, 'group.min'],
    [
      'a need twice',
      {
        adaptations: [
          { need: 'back', words: 'a' },
          { need: 'back', words: 'b' },
        ],
      },
      'adaptations',
    ],
    ['no line at all', { adaptations: [{ need: 'back', line: 0, words: '' }] }, 'adaptations.0.line'],
  ])('a drill is refused for %s', (_, change, path) => {
    const issues = drillSchema.safeParse({ ...hoops, ...change }).error?.issues ?? [];
    expect(issues.map((issue) => issue.path.join('.'))).toContain(path);
  });

  it('a question has one right answer', () => {
    const paths = (choices: unknown[]): string[] =>
      (questionSchema.safeParse({ ...question, choices }).error?.issues ?? []).map(({ path }) =>
        path.join('.'),
      );
    const [right, wrong] = question.choices;
    expect(paths([right, wrong])).toEqual([]);
    expect(paths([right, { ...wrong, right: true }])).toEqual(['choices.1.right']);
    expect(paths([{ ...right, right: false }, wrong])).toEqual(['choices']);
    expect(paths([right, { ...wrong, text: right?.text.toUpperCase() }])).toEqual(['choices']);
  });

  it('an issue is told at its entry', () => {
    const layer = { drills: [hoops, { ...hoops, id: 'x' }] };
    const at = (path: string) => entryOfIssue(layer, { path, code: 'custom', message: '' });
    expect(at('layer.drills[1].trains[0].share')).toEqual({
      list: 'drills',
      id: 'x',
      path: 'trains[0].share',
    });
    expect(at('drills[0]')).toEqual({ list: 'drills', id: 'hoops', path: '' });
    expect(at('alone')).toBeNull();
  });
});

describe('the file of a layer', () => {
  const layer: Layer = {
    ...emptyLayer(),
    skills: [SHIPPED.skills.get('casting.pause')],
    drills: [hoops],
    faults: [SHIPPED.faults.get('cast.crack')],
    questions: [question],
    retired: [{ kind: 'drill', id: 'two-and-down' }],
  };

  it('comes back exactly as it went', () => {
    for (const one of [layer, SHIPPED_LAYER, emptyLayer()]) {
      const text = writeLayerFile('River school', one);
      const { file } = readLayerFile(text);
      expect(file?.layer).toEqual(one);
      expect(writeLayerFile('River school', file?.layer as Layer)).toBe(text);
    }
  });

  it('of a newer program, broken or of something else says so', () => {
    const text = writeLayerFile('x', layer);
    const wrong = (from: string, to: string): string | undefined =>
      readLayerFile(text.replace(from, to)).issues?.[0]?.message;
    expect(wrong('"version": 1', '"version": 2')).toBe('is 2, of a newer program; this one reads 1');
    expect(wrong('{', '')).toBe('is no readable JSON');
    expect(readLayerFile(text.replace('doceo-curriculum', 'doceo-rig')).issues?.[0]?.path).toBe('format');
    expect(readLayerFile(text.replace('"share": 0.7', '"share": 0.4')).issues?.[0]?.path).toBe(
      'layer.drills[0].trains',
    );
  });

  it('has a schema and an example in the documents', () => {
    expect(JSON.parse(readFileSync(join(FORMATS, 'curriculum.schema.json'), 'utf8'))).toEqual(
      jsonSchema(layerFileSchema, 'input'),
    );
    const { file, issues } = readLayerFile(readFileSync(join(FORMATS, 'curriculum.example.json'), 'utf8'));
    expect([issues, file?.layer.drills[0]?.name]).toEqual([null, 'Hum the pause']);
  });
});
