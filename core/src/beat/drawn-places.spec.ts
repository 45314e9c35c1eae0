import type { Water } from '../water';
import { CARD } from '../testing/rule-card';
import type { Beat } from './beat';
import { depthsDrawn, drawnPlaces, waterOfPlace, withDrawn } from './drawn-places';

const strip = (id: string, kind: Beat['pieces'][number]['kind'], fromX: number, toX: number) => ({
  ...{ id, kind, name: id, depthM: null, speedMs: null },
  shape: [
    { x: fromX, y: 0 },
    { x: toX, y: 0 },
    { x: toX, y: 4 },
    { x: fromX, y: 4 },
  ],
});
const beat = (pieces: Beat['pieces']): Beat => ({
  id: 'b',
  name: 'Alder bend',
  lengthM: 60,
  widthM: 24,
  pieces,
});
const water = (places: Water['places']): Water => ({
  ...{ name: 'Elm Beck', kind: 'river', latitude: null, longitude: null, timeZone: 'UTC' },
  ...{ places, rules: CARD, species: [], said: {}, calendar: null },
});

describe('the places of a drawing', () => {
  it('are of each kind the longest piece along the flow, open bank as grass', () => {
    const drawn = drawnPlaces([
      beat([
        strip('a', 'run', 0, 12),
        strip('b', 'run', 20, 50),
        strip('c', 'open-bank', 0, 60),
        strip('d', 'trees', 0, 60),
      ]),
    ]);
    expect(drawn.map(({ kind, lengthM, name }) => [kind, lengthM, name])).toEqual([
      ['run', 30, 'Alder bend'],
      ['grass', 60, 'Alder bend'],
    ]);
    expect(drawn[0]?.drawn).toEqual({ beatId: 'b', at: { x: 35, y: 2 } });
  });

  it('go before what is typical, after what was said, and tell both where they lie', () => {
    const beats = [beat([strip('b', 'run', 20, 50), strip('p', 'pool', 0, 20)])];
    const place = (kind: 'run' | 'pool' | 'grass', lengthM: number, lengthFrom: 'typical' | 'entered') => ({
      ...{ id: kind, name: kind, kind, lengthM, lengthFrom },
    });
    const { places } = withDrawn(
      water([place('run', 80, 'typical'), place('pool', 90, 'entered'), place('grass', 40, 'typical')]),
      beats,
    );
    expect(places.map(({ kind, lengthM, lengthFrom }) => [kind, lengthM, lengthFrom])).toEqual([
      ['pool', 90, 'entered'],
      ['grass', 40, 'typical'],
      ['run', 30, 'entered'],
    ]);
    expect(places.map(({ drawn }) => drawn?.at.x)).toEqual([10, undefined, 35]);
  });

  it('change nothing of a water without a drawing', () => {
    const one = water([{ id: 'r', name: 'Run', kind: 'run', lengthM: 80, lengthFrom: 'typical' }]);
    expect(withDrawn(one, [])).toEqual(one);
  });

  it('have the depth and the current of their longest piece', () => {
    const pieces = [
      { ...strip('a', 'pool', 0, 12), depthM: 0.6, speedMs: 0.2 },
      { ...strip('b', 'pool', 20, 50), depthM: 1.4, speedMs: 0.3 },
      strip('c', 'run', 0, 60),
    ];
    expect(waterOfPlace([beat(pieces)], 'pool')).toEqual({ beat: 'Alder bend', depthM: 1.4, speedMs: 0.3 });
    expect(waterOfPlace([beat(pieces)], 'run')).toBeNull();
    expect(waterOfPlace([], 'pool')).toBeNull();
  });

  it('are as deep as somebody said, the shallowest to the deepest; banks and stones have no say', () => {
    const pieces = [
      { ...strip('a', 'run', 0, 12), depthM: 0.6 },
      { ...strip('b', 'pool', 20, 50), depthM: 1.4 },
      { ...strip('c', 'open-bank', 0, 60), depthM: 3 },
      strip('d', 'riffle', 0, 60),
    ];
    expect(depthsDrawn([beat(pieces)])).toEqual({ lowM: 0.6, highM: 1.4 });
    expect(depthsDrawn([beat([strip('c', 'run', 0, 60)])])).toBeNull();
  });
});
