import { demoWaters } from '@doceo/demo';
import type { Place, Saying, Water } from '@doceo/core';
import { DateTime } from 'luxon';
import { changedWater, newWater } from './changed-water';

const river = (demoWaters(DateTime.fromISO('2026-06-10'))[0] as { water: Water }).water;
const said: Saying = { by: 'Tobias Lind', on: '2026-06-10', source: 'the sign' };

describe('a water that is changed', () => {
  it('keeps all else, and tells who said what is new', () => {
    const now = changedWater(river, { source: 'the sign', rules: { maxHooks: 3, seasonTo: '10-31' } }, said);
    expect(now.rules).toEqual({ ...river.rules, maxHooks: 3, seasonTo: '10-31' });
    expect([now.said['rules.maxHooks'], now.said['rules.season']]).toEqual([said, said]);
    expect(now.said['rules.hours']).toEqual(river.said['rules.hours']);
    expect({ ...now, rules: null, said: null }).toEqual({ ...river, rules: null, said: null });
  });

  it('takes what is said to be unknown again', () => {
    const now = changedWater(
      river,
      { source: '', rules: { barbless: null }, latitude: null, longitude: null },
      said,
    );
    expect([now.rules.barbless, now.latitude, now.timeZone]).toEqual([null, null, river.timeZone]);
  });

  it('adds, changes and takes out stretches by their id, in their order', () => {
    const [first, second] = river.places as [Place, Place];
    const longer: Place = { ...second, lengthM: 140, lengthFrom: 'measured' };
    const bend: Place = { id: 'bend', name: 'The Bend', kind: 'pool', lengthM: 30, lengthFrom: 'entered' };
    const now = changedWater(
      river,
      { source: '', putPlaces: [longer, bend], removePlaces: [first.id] },
      said,
    );
    expect(now.places).toEqual([longer, ...river.places.slice(2), bend]);
    expect(now.said[`places.${first.id}`]).toBeUndefined();
    expect([now.said['places.bend'], now.said[`places.${second.id}`]]).toEqual([said, said]);
    const back = changedWater(now, { source: '', putPlaces: [first], removePlaces: ['bend'] }, said);
    expect(back.places.map(({ id }) => id).sort()).toEqual(river.places.map(({ id }) => id).sort());
  });

  it.each([
    [57.9, 9.1, 'Europe/Copenhagen'],
    [-33.5, 19, 'Africa/Johannesburg'],
    [45, -110, 'America/Denver'],
  ])('has the clock of where it lies: %f, %f is %s', (latitude, longitude, timeZone) => {
    expect(newWater({ ...river, latitude, longitude, timeZone: 'UTC' }, said).timeZone).toBe(timeZone);
    expect(changedWater(river, { source: '', latitude, longitude }, said)).toMatchObject({
      timeZone,
      latitude,
    });
  });

  it('tells of a new one only what came with it, and of nothing typical', () => {
    const places = river.places.slice(0, 2).map((place, i) => ({ ...place, id: `${i}` }));
    const [told, typical] = places as [Place, Place];
    const nowhere = { ...river, latitude: null, longitude: null, said: { 'rules.hours': said } };
    const made = newWater({ ...nowhere, places: [told, { ...typical, lengthFrom: 'typical' }] }, said);
    expect(made.said).toEqual({ 'places.0': said });
  });
});
