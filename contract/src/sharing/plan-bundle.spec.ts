import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jsonSchema, planBundleSchema, readPlanBundle, writePlanBundle } from '../index';

const FORMATS = 'docs/formats';
const read = (name: string): string => readFileSync(join(FORMATS, name), 'utf8');

describe('the format of a file of plans', () => {
  it('is described by its schema', () =>
    expect(JSON.parse(read('plans.schema.json'))).toEqual(jsonSchema(planBundleSchema, 'input')));

  it('has an example that is read, and written again as it is', () => {
    const text = read('plans.example.json');
    const { file, issues } = readPlanBundle(text);
    expect(issues).toBeNull();
    expect(JSON.parse(writePlanBundle(file!.plans))).toEqual(JSON.parse(text));
    expect(file!.plans[0]!.lineage).toHaveLength(2);
  });
});
