import { buildRig, flyMass, TEMPLATE_IDS } from '@doceo/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jsonSchema, readRigFile, rigFileSchema, writeRigFile } from '../index';

const FORMATS = 'docs/formats';
const good = (): Record<string, unknown> & { rig: ReturnType<typeof buildRig> } =>
  JSON.parse(writeRigFile('Two nymphs', buildRig('indicator-nymph')));
const pathsOf = (value: unknown): string[] =>
  (readRigFile(JSON.stringify(value)).issues ?? []).map(({ path }) => path);

describe('a rig file', () => {
  it.each(TEMPLATE_IDS)('of the template %s comes back as it went', (id) => {
    const rig = buildRig(id);
    expect(readRigFile(writeRigFile('A name', rig))).toEqual({
      file: { format: 'doceo-rig', version: 2, name: 'A name', rig },
      issues: null,
    });
  });

  it('of version 1 is read, with what was weighed of its flies', () => {
    const { rig } = good();
    const [first, ...flies] = rig.flies;
    const { measured: _measured, ...old } = rig;
    const file = {
      format: 'doceo-rig',
      version: 1,
      name: 'Old',
      rig: { ...old, flies: [{ ...first, measuredKg: 0.0002, measuredLiftKg: null }, ...flies] },
    };
    const read = readRigFile(JSON.stringify(file));
    expect(read.issues).toBeNull();
    expect(read.file?.rig.flies).toEqual(rig.flies);
    expect(read.file?.rig.measured).toMatchObject([{ kind: 'fly-mass', value: 0.0002, readings: 1 }]);
    expect(first && flyMass(first, read.file?.rig.measured).totalKg).toBeCloseTo(0.0002, 12);
  });

  it('comes back the same to the letter', () => {
    const text = writeRigFile('Ønske, “deep”', buildRig('tight-line'));
    const { file } = readRigFile(text);
    expect(file && writeRigFile(file.name, file.rig)).toBe(text);
  });

  it.each<[string, string, string]>([
    ['is no JSON', '{"format":', 'file'],
    ['is a list', '[]', ''],
    ['is much too large', ' '.repeat(300_000), 'file'],
  ])('that %s is refused', (_, text, path) =>
    expect(readRigFile(text).issues?.map((issue) => issue.path)).toContain(path),
  );

  it('names the path of every fault at once', () => {
    const { rig, ...rest } = good();
    const [first, ...others] = rig.sections;
    const [fly] = rig.flies;
    expect(
      pathsOf({
        ...rest,
        version: 9,
        rig: {
          ...rig,
          sections: [{ ...first, material: 'silk', lengthM: -1 }, ...others],
          flies: [{ ...fly, beadDiameterM: 3 }],
        },
      }).sort(),
    ).toEqual([
      'rig.flies[0].beadDiameterM',
      'rig.sections[0].lengthM',
      'rig.sections[0].material',
      'version',
    ]);
  });

  it('of forty sections is refused', () => {
    const { rig, ...rest } = good();
    const sections = Array.from({ length: 40 }, (_, i) => ({ ...rig.sections[0], id: `s${i}` }));
    expect(pathsOf({ ...rest, rig: { ...rig, sections } })).toContain('rig.sections');
  });
});

describe('what is written about it', () => {
  it('has a schema that is the contract’s', () =>
    expect(JSON.parse(readFileSync(join(FORMATS, 'rig.schema.json'), 'utf8'))).toEqual(
      jsonSchema(rigFileSchema, 'input'),
    ));

  it('has an example that can be read', () =>
    expect(readRigFile(readFileSync(join(FORMATS, 'rig.example.json'), 'utf8')).issues).toBeNull());
});
