import { deterministicId, type Place, type PlaceKind, type RuleCard, type Water } from '@doceo/core';
import type { DateTime } from 'luxon';

const place = (name: string, kind: PlaceKind, lengthM: number): Place => ({
  id: name.toLowerCase().replace(/\W+/g, '-'),
  name,
  kind,
  lengthM,
});

export interface DemoWater {
  id: string;
  water: Water;
}

/** The four waters of the made-up Corvane valley. One card was last read over a year ago. */
export function demoWaters(today: DateTime): DemoWater[] {
  const card = (rest: Partial<RuleCard>): RuleCard => ({
    licence: 'Day ticket of the valley association',
    seasonFrom: '01-01',
    seasonTo: '12-31',
    maxHooks: 2,
    barbless: true,
    leadAllowed: false,
    release: 'Trout and grayling back',
    hours: 'first to last light',
    other: '',
    whoSaysSo: 'Corvane Valley Anglers, warden’s hut at the bridge',
    checkedOn: today.minus({ days: 6 }).toISODate(),
    checkedBy: 'Maren Voss',
    ...rest,
  });
  const make = (
    water: Omit<Water, 'latitude' | 'longitude' | 'timeZone' | 'calendar'>,
    latitude: number,
    longitude: number,
  ): DemoWater => ({
    id: deterministicId(`water:${water.name}`),
    water: { ...water, latitude, longitude, timeZone: 'Europe/Copenhagen', calendar: null },
  });
  return [
    make(
      {
        name: 'River Ostrel',
        kind: 'river',
        places: [
          place('Ford Pool', 'pool', 60),
          place('Long Glide', 'run', 120),
          place('Ford tail', 'tail-out', 25),
          place('Upper riffle', 'riffle', 80),
          place('School meadow', 'grass', 90),
        ],
        rules: card({
          checkedOn: today.minus({ days: 400 }).toISODate(),
          other: 'No wading above the weir.',
        }),
      },
      57.9,
      9.1,
    ),
    make(
      {
        name: 'Fennick Beck',
        kind: 'brook',
        places: [
          place('Alder pockets', 'pocket', 140),
          place('Step pools', 'pool', 18),
          place('Sheep green', 'grass', 40),
        ],
        rules: card({ maxHooks: 1, other: 'Single fly only. Two rods on the beck at a time.' }),
      },
      57.95,
      9.04,
    ),
    make(
      {
        name: 'Merrow Lake',
        kind: 'lake',
        places: [
          place('South shoal', 'shoal', 220),
          place('Stone margin', 'margin', 160),
          place('Inflow bay', 'inflow', 40),
          place('Reed edge', 'weed-edge', 90),
          place('Boathouse lawn', 'grass', 60),
        ],
        rules: card({
          maxHooks: 3,
          leadAllowed: false,
          other: 'Life jackets in the boats. Off the water at the first thunder.',
        }),
      },
      57.86,
      9.2,
    ),
    make(
      {
        name: 'Tollgate Pond',
        kind: 'pond',
        places: [place('Dam wall', 'margin', 70), place('Picnic lawn', 'grass', 45)],
        rules: card({
          maxHooks: 1,
          release: 'Two stocked trout may be kept',
          licence: 'Pay at the gate',
          hours: '08:00 to one hour before last light',
          whoSaysSo: 'The keeper at the gate',
        }),
      },
      57.88,
      9.15,
    ),
  ];
}
