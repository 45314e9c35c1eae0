import {
  deterministicId,
  type Place,
  type PlaceKind,
  type RuleCard,
  type Saying,
  type Water,
} from '@doceo/core';
import type { DateTime } from 'luxon';

const place = (name: string, kind: PlaceKind, lengthM: number): Place => ({
  id: name.toLowerCase().replace(/\W+/g, '-'),
  name,
  kind,
  lengthM,
  lengthFrom: 'measured',
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
    water: Omit<Water, 'latitude' | 'longitude' | 'timeZone' | 'calendar' | 'said'>,
    latitude: number,
    longitude: number,
  ): DemoWater => ({
    id: deterministicId(`water:${water.name}`),
    water: {
      ...water,
      latitude,
      longitude,
      timeZone: 'Europe/Copenhagen',
      said: saidOf(water),
      calendar: null,
    },
  });
  /** Who said each thing of a water: the lead, from who sets its rules; lengths were paced out. */
  const saidOf = (water: Pick<Water, 'places' | 'rules'>): Water['said'] => {
    const saying = (source: string, daysAgo: number): Saying => ({
      by: 'Maren Voss',
      on: today.minus({ days: daysAgo }).toISODate() ?? '',
      source,
    });
    return {
      place: saying('the valley map', 380),
      ...Object.fromEntries(
        ['licence', 'season', 'maxHooks', 'barbless', 'leadAllowed', 'release', 'hours', 'other'].map(
          (field) => [`rules.${field}`, saying(water.rules.whoSaysSo, 6)],
        ),
      ),
      ...Object.fromEntries(water.places.map(({ id }) => [`places.${id}`, saying('paced out', 40)])),
    };
  };
  return [
    make(
      {
        name: 'River Ostrel',
        kind: 'river',
        species: ['brown-trout', 'grayling'],
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
        species: ['brown-trout'],
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
        species: ['brown-trout'],
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
        species: ['rainbow-trout'],
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
