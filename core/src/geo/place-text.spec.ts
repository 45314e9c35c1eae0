import { placeOfGeoJson, placeOfText } from './place-text';

describe('a place as it is typed', () => {
  it.each([
    ['57.9, 9.1', 57.9, 9.1],
    ['57.9 9.1', 57.9, 9.1],
    ['-33.5;18.25', -33.5, 18.25],
    ['33.5 S, 18.25 W', -33.5, -18.25],
    ["57° 54' N, 9° 6' 36\" E", 57.9, 9.11],
    ['57°54′N 9°06′W', 57.9, -9.1],
    ['−12, −3', -12, -3],
  ])('%s is %f, %f', (text, latitude, longitude) =>
    expect(placeOfText(text)).toEqual({
      latitude: expect.closeTo(latitude, 9),
      longitude: expect.closeTo(longitude, 9),
    }),
  );

  it.each(['', 'the bridge', '57.9', '95, 9', '57.9, 190', '57 E, 9 N', '57,9,3,4'])('%s is none', (text) =>
    expect(placeOfText(text)).toBeNull(),
  );
});

describe('a place from a drawing', () => {
  const point = (longitude: number, latitude: number): object => ({
    type: 'Point',
    coordinates: [longitude, latitude],
  });

  it('is the middle of all that is drawn', () => {
    expect(placeOfGeoJson(JSON.stringify(point(9, 57)))).toEqual({ latitude: 57, longitude: 9 });
    const features = [
      { type: 'Feature', geometry: point(9, 57), properties: { coordinates: 'not these' } },
      {
        type: 'Feature',
        geometry: {
          type: 'Polygon',
          coordinates: [
            [
              [9, 57],
              [9.5, 57],
              [9.5, 58],
              [9, 57],
            ],
          ],
        },
      },
    ];
    expect(placeOfGeoJson(JSON.stringify({ type: 'FeatureCollection', features }))).toEqual({
      latitude: 57.5,
      longitude: 9.25,
    });
  });

  it.each(['', '{', '[]', '{"type":"FeatureCollection","features":[]}', '{"coordinates":[900,900]}'])(
    '%s is none',
    (text) => expect(placeOfGeoJson(text)).toBeNull(),
  );
});
